import type { Lab } from "@/core/colour/lab";
import type { PieceWork } from "./of-piece";
import { laidBy } from "./at-desk";
import type { WorkRecord } from "./record";

/** An area that lies whole and looks weaker than it did, now that something darker lies beside it. */
export interface LooksWeak {
  /** Work of the area, and of the darkest that was laid beside it since. */
  readonly id: string;
  readonly beside: string;
  /** L* by which that is darker. */
  readonly darker: number;
}

/** L* from which a darker neighbour makes an area look paler than it was when it stood alone. */
const FROM = 18;

/**
 * Areas that had better be looked at again: simultaneous contrast makes what was laid first look weak beside what is darker and came later.
 * What was added to an area since that neighbour came has been looked at.
 * @param work inked parts; each lies once
 * @param localOf the colour in the middle of an area as it lies; undefined where nothing is known
 * @returns the weakest first
 */
export function looksWeak(
  work: readonly PieceWork[],
  record: WorkRecord,
  localOf: (id: string) => Lab | undefined,
): LooksWeak[] {
  const laid = laidBy(work, record);
  const parts = new Map(work.map((w) => [w.id, w]));
  const isWhole = ({ area, course }: PieceWork) => course.every((c) => c < (laid.get(area.id) ?? 0));
  // What lies of an area without what was added over it.
  const last = new Map<string, number>();
  const added = new Map<string, number>();
  for (const e of record.events) {
    if (e.kind === "done") last.set(e.area, Math.max(e.at, last.get(e.area) ?? 0));
    if (e.kind === "added") added.set(e.area, Math.max(e.at, added.get(e.area) ?? 0));
  }
  return work
    .flatMap((own): LooksWeak[] => {
      const [L, at] = [localOf(own.id)?.[0], last.get(own.id)];
      if (L === undefined || at === undefined || !isWhole(own)) return [];
      const dark = own.asked.touches.flatMap((id): LooksWeak[] => {
        const other = parts.get(id);
        const [theirs, came] = [localOf(id)?.[0], last.get(id)];
        if (!other || theirs === undefined || came === undefined || came <= at || !isWhole(other)) return [];
        if (came <= (added.get(own.area.id) ?? 0) || L - theirs < FROM) return [];
        return [{ id: own.id, beside: id, darker: L - theirs }];
      });
      return dark.sort((a, b) => b.darker - a.darker).slice(0, 1);
    })
    .sort((a, b) => b.darker - a.darker);
}
