import type { TrialStrip } from "./fit-tooth";
import { BANDS } from "@/core/colour/observer";
import { smoothestMeeting } from "@/core/ink/smooth";
import type { PencilFilm } from "./film";
import { drawnLab, type ToothFit } from "./tooth";

/** Expected spread of a strip in L*, a*, b*: a hand is not even. */
const SPREAD = 1;
const ROUNDS = 3;
/** Change of ln K with which a slope is measured. */
const NUDGE = 0.05;
/** Longest change of ln K in a round. */
const LONGEST = 0.8;
/** Bands go together in pairs: strips say nothing finer. */
const PAIR = 2;

/**
 * A pencil's film bent so that it also meets strips drawn with that pencil alone. A dark drawdown hides its backing and says little of how a
 * thin layer looks; strips of few layers do. ln K moves by the smoothest change (least slope squared, Gauss–Newton).
 * @param strips strips of this pencil; others are left out
 */
export function refineFilm(film: PencilFilm, strips: readonly TrialStrip[], fit: ToothFit): PencilFilm {
  const own = strips.filter((s) => s.layers.length === 1 && s.layers[0]!.film.code === film.code);
  if (!own.length) return film;
  let now = film;
  for (let round = 0; round < ROUNDS; round++) {
    const seen = (f: PencilFilm) => own.map((s) => drawnLab(s.under, [{ ...s.layers[0]!, film: f }], fit));
    const before = seen(now);
    const m = own.length * 3;
    const jacobian = new Float64Array(m * BANDS);
    for (let i = 0; i < BANDS; i += PAIR) {
      const absorb = now.absorb.slice();
      for (let k = i; k < i + PAIR; k++) absorb[k]! *= Math.exp(NUDGE);
      seen({ ...now, absorb }).forEach((lab, s) =>
        lab.forEach((v, c) => {
          for (let k = i; k < i + PAIR; k++)
            jacobian[(3 * s + c) * BANDS + k] = (v - before[s]![c]!) / NUDGE / PAIR;
        }),
      );
    }
    const off = Float64Array.from(
      { length: m },
      (_, r) => own[Math.floor(r / 3)]!.lab[r % 3]! - before[Math.floor(r / 3)]![r % 3]!,
    );
    const change = smoothestMeeting(jacobian, off, new Float64Array(m).fill(SPREAD ** 2));
    now = {
      ...now,
      absorb: now.absorb.map((k, i) => k * Math.exp(Math.min(LONGEST, Math.max(-LONGEST, change[i]!)))),
    };
  }
  return now;
}
