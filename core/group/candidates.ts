import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { BANDS, tristimulusWeights, type Spectrum } from "@/core/colour/observer";
import { seenLab, type Desk } from "@/core/ink/desk";
import { Lookup } from "@/core/ink/lookup";
import { uptakeOf } from "@/core/ink/paper";
import { doseOfK } from "@/core/ink/stack";
import { TWIN } from "@/core/ink/twins";
import type { PlaceWeights } from "./place-weights";
import type { Tone } from "./tone";

/** What the inks of a desk give, laid out for search: tones light to dark, and the colour of any ink in the sheet at once. */
export interface Candidates {
  readonly desk: Desk;
  /** Tones of one to some coats of the usable inks, light to dark. */
  readonly tones: readonly Tone[];
  /** Ink laid by one coat: inks × 36 bands. */
  readonly doses: Float64Array;
  /** Colour of the paper with a dose (36 bands) in it. */
  readonly labOf: (dose: Spectrum) => Lab;
  /** Whether two tones look alike. */
  readonly alike: (first: number, second: number) => boolean;
  /** How much each tone counts at a place of a shape, kept from search to search. */
  readonly known: Map<string, PlaceWeights | undefined>;
}

/** Most coats that a table of doses is made for. */
const MOST_COATS = 12;
const tables = new WeakMap<Desk, { readonly doses: Float64Array; readonly lookup: Lookup }>();

function tableOf(desk: Desk) {
  const known = tables.get(desk);
  if (known) return known;
  const { fit } = desk.paper;
  const doses = new Float64Array(desk.inks.length * BANDS);
  desk.inks.forEach((ink, n) => ink.spectrum.forEach((k, i) => (doses[n * BANDS + i] = doseOfK(k, fit))));
  const most = doses.reduce((a, b) => Math.max(a, b), 1) * doseOfK(uptakeOf(fit, MOST_COATS), fit);
  const made = { doses, lookup: new Lookup(desk.paper, most) };
  tables.set(desk, made);
  return made;
}

/** Tones of one to `maxCoats` coats of the usable inks. */
export function candidatesOf(desk: Desk, maxCoats: number, usable: (ink: number) => boolean): Candidates {
  const tones: Tone[] = [];
  desk.inks.forEach((_, ink) => {
    if (!usable(ink)) return;
    for (let coats = 1; coats <= maxCoats; coats++)
      tones.push({ ink, coats, lab: seenLab(desk, Array<number>(coats).fill(ink)) });
  });
  tones.sort((a, b) => b.lab[0] - a.lab[0]);
  const { doses, lookup } = tableOf(desk);
  const { x, y, z, white } = tristimulusWeights(desk.paper.illuminant);
  const light = new Float64Array(BANDS);
  const labOf = (dose: Spectrum): Lab => {
    lookup.fill(dose as Float64Array, light);
    let [X, Y, Z] = [0, 0, 0];
    for (let i = 0; i < BANDS; i++) {
      X += x[i]! * light[i]!;
      Y += y[i]! * light[i]!;
      Z += z[i]! * light[i]!;
    }
    return xyzToLab([X, Y, Z], white);
  };
  const alike = (first: number, second: number): boolean =>
    deltaE00(tones[first]!.lab, tones[second]!.lab) < TWIN;
  return { desk, tones, doses, labOf, alike, known: new Map() };
}
