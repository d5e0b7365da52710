import type { PlacedStep } from "@/core/piece/piece";

/** Pairs of steps of which the first comes before the second. */
export type Pins = readonly (readonly [first: PlacedStep, then: PlacedStep])[];

const isSame = (a: PlacedStep, b: PlacedStep): boolean => a.every((v, i) => String(v) === String(b[i]));

/**
 * A row of steps put elsewhere among the rows of an order: the whole order as it then stands, and what holds the row there.
 * @param rows steps of each row, in order; `from` and `to` places among them
 */
export function putElsewhere(
  rows: readonly (readonly PlacedStep[])[],
  from: number,
  to: number,
): { readonly follow: readonly PlacedStep[]; readonly pins: Pins } {
  const moved = [...rows];
  moved.splice(to, 0, ...moved.splice(from, 1));
  const own = rows[from]!;
  const [before, after] = [moved[to - 1]?.at(-1), moved[to + 1]?.[0]];
  return {
    follow: moved.flat(),
    pins: own.flatMap((s) => [
      ...(before ? [[before, s] as const] : []),
      ...(after ? [[s, after] as const] : []),
    ]),
  };
}

/** Pins with further ones: what was put once more is held only where it was put last. */
export const pinnedAnew = (known: Pins, put: readonly PlacedStep[], pins: Pins): Pins => [
  ...known.filter((pair) => !pair.some((s) => put.some((p) => isSame(s, p)))),
  ...pins,
];
