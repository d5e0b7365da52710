import type { WorkEvent } from "@/core/work/record";

/** How often a group was laid on one paper, and how often of that nothing had to be mended. */
export interface GroupLaid {
  readonly paperId: string | null;
  readonly times: number;
  readonly asPlanned: number;
}

/** An area of a piece that has a group, and what was done to the piece. */
export interface AreaWork {
  readonly paperId: string | null;
  readonly areaId: string;
  /** Share of the group's codes that the area's own layers have, 0–1. */
  readonly share: number;
  /** Events that hold. */
  readonly events: readonly WorkEvent[];
}

/** What is between an area and the number of its card. */
const CARD = "~";

/**
 * How often a group lies on each paper by what was done at the desk: on an area, of a series on each of its cards, once as many of its codes were
 * laid there as the area has of them. It lies as planned where nothing was mended or is to be.
 */
export function groupLaid(codes: readonly string[], areas: readonly AreaWork[]): GroupLaid[] {
  const own = new Set(codes);
  const out = new Map<string | null, { times: number; asPlanned: number }>();
  for (const { paperId, areaId, share, events } of areas) {
    const cards = new Map<string, { readonly laid: Set<string>; mended: boolean }>();
    for (const e of events) {
      if (e.kind !== "done" && e.kind !== "added" && e.kind !== "mend") continue;
      if (e.area !== areaId && !e.area.startsWith(areaId + CARD)) continue;
      const card = cards.get(e.area) ?? { laid: new Set<string>(), mended: false };
      cards.set(e.area, card);
      if (e.kind === "done") {
        if (own.has(e.code)) card.laid.add(e.code);
      } else if (e.kind === "mend" || e.symptom !== undefined) card.mended = true;
    }
    for (const { laid, mended } of cards.values()) {
      if (!laid.size || laid.size < share * own.size - 1e-9) continue;
      const there = out.get(paperId) ?? { times: 0, asPlanned: 0 };
      there.times++;
      if (!mended) there.asPlanned++;
      out.set(paperId, there);
    }
  }
  return [...out].map(([paperId, counts]) => ({ paperId, ...counts })).sort((a, b) => b.times - a.times);
}
