import { useSyncExternalStore } from "react";
import type { WorkOrderOutput } from "@/compute/operations/work-order";
import type { WorkStep } from "@/core/work/work-order";
import type { PieceWork } from "@/core/work/of-piece";

/** An order of work as this device keeps it: the same after reloading, so that what is in the hand does not change. */
export interface KeptOrder {
  readonly steps: readonly WorkStep[];
  readonly sections: Readonly<Record<string, number>>;
}

export const keptOf = ({ steps, sections }: Pick<WorkOrderOutput, "steps" | "sections">): KeptOrder => ({
  steps: steps.map((s) => ({ ...s, area: String(s.area) })),
  sections,
});

const keyOf = (pieceId: string) => `blendt-order-${pieceId}`;

/** What an order was made for: what is laid where and on what, not how large it is; and what somebody has put where. */
export const shapeOf = (work: readonly PieceWork[], wish: object = {}): string =>
  JSON.stringify([
    ...work.map(({ id, asked }) => [
      id,
      asked.after,
      asked.passes.map(({ code, wet, dry }) => `${code} ${wet ? "w" : ""}${dry ? "d" : ""}`),
    ]),
    ...(Object.keys(wish).length ? [wish] : []),
  ]);

interface Kept extends KeptOrder {
  readonly shape: string;
  /** Which question it answers, in this tab. */
  readonly serial: number;
}

const known = new Map<string, Kept | undefined>();
const listeners = new Set<() => void>();

function keptHere(pieceId: string): Kept | undefined {
  if (!known.has(pieceId))
    try {
      const said = JSON.parse(localStorage.getItem(keyOf(pieceId)) ?? "null") as Kept | null;
      known.set(pieceId, said ? { ...said, serial: 0 } : undefined);
    } catch {
      known.set(pieceId, undefined);
    }
  return known.get(pieceId);
}

const watch = (changed: () => void) => {
  listeners.add(changed);
  return () => listeners.delete(changed);
};

/** The order that this device keeps of a piece whose work has this shape; none on the server. */
export const useKeptOrder = (pieceId: string, shape: string): Kept | undefined =>
  useSyncExternalStore(
    watch,
    () => {
      const kept = keptHere(pieceId);
      return kept?.shape === shape ? kept : undefined;
    },
    () => undefined,
  );

export function keepOrder(pieceId: string, shape: string, order: KeptOrder, serial: number): void {
  known.set(pieceId, { ...order, shape, serial });
  try {
    localStorage.setItem(keyOf(pieceId), JSON.stringify({ ...order, shape }));
  } catch {
    // A browser without room looks for it again.
  }
  listeners.forEach((l) => l());
}
