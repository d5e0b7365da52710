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

/** What an order was made for: what is laid where and on what, not how large it is. */
export const shapeOf = (work: readonly PieceWork[]): string =>
  JSON.stringify(
    work.map(({ id, asked }) => [
      id,
      asked.after,
      asked.passes.map(({ code, wet, dry }) => `${code} ${wet ? "w" : ""}${dry ? "d" : ""}`),
    ]),
  );

export function keptOrder(pieceId: string, shape: string): KeptOrder | undefined {
  try {
    const said = JSON.parse(localStorage.getItem(keyOf(pieceId)) ?? "null") as
      (KeptOrder & { shape: string }) | null;
    return said?.shape === shape ? said : undefined;
  } catch {
    return undefined;
  }
}

export function keepOrder(pieceId: string, shape: string, { steps, sections }: KeptOrder): void {
  try {
    localStorage.setItem(keyOf(pieceId), JSON.stringify({ shape, steps, sections }));
  } catch {
    // A browser without room looks for it again.
  }
}
