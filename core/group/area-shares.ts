/** Steps of an area, from its light end (0) to its dark one (1), at which its shares are told. */
export const SHARE_STEPS = 32;

/** An area of which nobody knows better. */
export const EVEN_SHARES: readonly number[] = Array<number>(SHARE_STEPS).fill(1 / SHARE_STEPS);

/** Least that a place counts which nothing of the area shows: light and form may still change. */
const LEAST_PRESENCE = 0.15;

/** Places of an area at which it is looked at, and how much of it lies there. */
export type Division = readonly (readonly [t: number, weight: number])[];

/** How much of an area each place of a group stands for. */
export interface PlaceShares {
  /** Two steps a place; those where nothing lies are left out. */
  readonly division: Division;
  /** Of each place, light end to dark end; they sum to 1. */
  readonly shares: readonly number[];
  /** How much each place is minded, 0–1: all of it from half of its even share on. */
  readonly presence: readonly number[];
}

/**
 * How much of an area each place of a group stands for.
 * @param borders where places begin and end, shares of the way from the light end to the dark one: 0 … 1, one more than places
 * @param steps {@link SHARE_STEPS} shares of the area, as a tone map counts them; even where nobody knows
 */
export function placeShares(borders: readonly number[], steps?: readonly number[]): PlaceShares {
  const places = borders.length - 1;
  const total = steps?.reduce((a, b) => a + b, 0) ?? 0;
  const own = (from: number, to: number): number => {
    if (!steps || total <= 0) return to - from;
    let sum = 0;
    for (let s = 0; s < steps.length; s++) {
      const within = Math.min(to, (s + 1) / steps.length) - Math.max(from, s / steps.length);
      if (within > 0) sum += steps[s]! * within * steps.length;
    }
    return sum / total;
  };
  const shares = Array.from({ length: places }, (_, i) => own(borders[i]!, borders[i + 1]!));
  return {
    division: divisionOf(steps && total > 0 ? steps : EVEN_SHARES),
    shares,
    presence: shares.map((s) => Math.max(LEAST_PRESENCE, Math.min(1, 2 * s * places))),
  };
}

const divisions = new WeakMap<readonly number[], Division>();

function divisionOf(steps: readonly number[]): Division {
  const known = divisions.get(steps);
  if (known) return known;
  const out: [number, number][] = [];
  for (let s = 0; s + 1 < steps.length; s += 2) {
    const weight = steps[s]! + steps[s + 1]!;
    if (weight > 0) out.push([(s + 1) / steps.length, weight]);
  }
  divisions.set(steps, out);
  return out;
}
