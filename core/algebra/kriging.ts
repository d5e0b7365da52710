import { invert } from "./invert";

/** What was observed at places, carried to other places. */
export interface Kriging<P> {
  /** Expected departure at a place: as many numbers as each observation has; 0 far from every observation. */
  readonly at: (place: P) => number[];
  /** Covariance with the observation that has most to say. */
  readonly nearest: (place: P) => number;
}

/**
 * Simple kriging with zero mean: departures observed at places carry to like places as far as their covariance says.
 * Source: D. G. Krige, J. Chem. Metall. Min. Soc. S. Afr. 52 (1951) 119–139.
 * @param departures one list of equal length a place
 * @param covariance of two places; symmetric and positive
 * @param noise variance of an observation
 */
export function krige<P>(
  places: readonly P[],
  departures: readonly (readonly number[])[],
  covariance: (a: P, b: P) => number,
  noise: number,
): Kriging<P> {
  const n = places.length;
  const joint = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++)
      joint[i * n + j] = joint[j * n + i] = covariance(places[i]!, places[j]!) + (i === j ? noise : 0);
  const inverse = invert(joint, n);
  const channels = departures[0]?.length ?? 0;
  const pull = Array.from({ length: channels }, (_, c) =>
    places.map((__, i) => departures.reduce((sum, d, j) => sum + inverse[i * n + j]! * d[c]!, 0)),
  );
  return {
    at: (place) => {
      const near = places.map((p) => covariance(p, place));
      return pull.map((weights) => near.reduce((sum, k, i) => sum + k * weights[i]!, 0));
    },
    nearest: (place) => places.reduce((most, p) => Math.max(most, covariance(p, place)), 0),
  };
}
