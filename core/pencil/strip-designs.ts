import { type Pressure, PRESSURES } from "./tooth";
import type { NumberedLayer } from "./fit-pencils";

/** A strip that could be drawn: over one of several grounds (by number), all layers at one pressure, as a hand draws a cell. */
export interface StripDesign {
  readonly ground: number;
  readonly layers: readonly NumberedLayer[];
}

const LAYERS = [3, 2, 2] as const;
/** Turns that spread over a range without a pattern of their own: multiples of the golden section (J. Korobov's rule in one dimension). */
const GOLDEN = 0.618033988749895;
const spread = (k: number, count: number, shift: number): number =>
  Math.floor(((k * GOLDEN + shift * 0.4142135623730951) % 1) * count);

const design = (
  pencils: readonly number[],
  pressure: Pressure,
  ground: number,
  layers: (n: number) => number,
): StripDesign => ({
  ground,
  layers: pencils.map((pencil, n) => ({ pencil, layers: layers(n), pressure })),
});

/**
 * Strips worth thinking of: each pencil by itself at each pressure, on the paper and on another ground; and `mixed` drawings of two or three
 * pencils over each other, spread evenly over pencils, pressures and grounds.
 * @param pencils places of the pencils to be known
 * @param grounds number of grounds, the bare paper first
 */
export function stripDesigns(pencils: readonly number[], grounds: number, mixed: number): StripDesign[] {
  const alone = pencils.flatMap((pencil, i) =>
    PRESSURES.flatMap((pressure, p) =>
      [...new Set([0, grounds > 1 ? 1 + ((i + p) % (grounds - 1)) : 0])].map((ground) =>
        design([pencil], pressure, ground, () => LAYERS[p]!),
      ),
    ),
  );
  const all = pencils.length < 2 ? alone : [...alone, ...mixedDesigns(pencils, grounds, mixed, 3)];
  return [...new Map(all.map((d) => [JSON.stringify(d), d])).values()];
}

/** Drawings of one to `most` pencils over each other, spread evenly over pencils, layers, pressures and grounds. */
export function mixedDesigns(
  pencils: readonly number[],
  grounds: number,
  count: number,
  most: number,
): StripDesign[] {
  return Array.from({ length: count }, (_, k) => {
    const size = 1 + spread(k + 1, most, 1);
    const chosen = [
      ...new Set(
        Array.from({ length: size }, (__, n) => pencils[spread(k * 5 + n * 3 + 1, pencils.length, n)]!),
      ),
    ];
    return design(
      chosen,
      PRESSURES[spread(k + 1, PRESSURES.length, 4)]!,
      spread(k + 1, grounds, 3),
      (n) => 1 + spread(k + 1, 4, 5 + n),
    );
  });
}
