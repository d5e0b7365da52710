import { doseOfK } from "@/core/ink/dose";
import { deltaE00 } from "@/core/colour/delta-e00";
import { compress } from "@/core/colour/cie";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { BANDS, tristimulusWeights, type Weights } from "@/core/colour/observer";
import { seenLab, type Desk } from "@/core/ink/desk";
import { Lookup } from "@/core/ink/lookup";
import { uptakeOf } from "@/core/ink/paper";
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
  /** Colours of the paper with ink in it. */
  readonly sheet: InkedSheet;
  /** Whether two tones look alike. */
  readonly alike: (first: number, second: number) => boolean;
  /** Colours of inks where they lie alone, by coats, kept from search to search. */
  readonly alone: Map<string, Lab>;
  /** How much each tone counts at a place of a shape, kept from search to search. */
  readonly known: Map<string, PlaceWeights | undefined>;
}

/** Colours of a desk's paper with ink in it, lightness first: most of what a search looks at is told by that alone. */
export class InkedSheet {
  private readonly weights: Weights;
  private readonly reflected = new Float64Array(BANDS);
  private Y = 0;

  constructor(
    { paper }: Desk,
    private readonly lookup: Lookup,
  ) {
    this.weights = tristimulusWeights(paper.illuminant);
  }

  /** L* of the paper with a dose (36 bands) in it. */
  lightnessOf(dose: Float64Array): number {
    const { reflected } = this;
    const { y, white } = this.weights;
    this.lookup.fill(dose, reflected);
    let Y = 0;
    for (let i = 0; i < BANDS; i++) Y += y[i]! * reflected[i]!;
    this.Y = Y;
    return 116 * compress(Y / white[1]) - 16;
  }

  /** The whole colour of the dose whose lightness was asked for last. */
  lab(): Lab {
    const { reflected } = this;
    const { x, z, white } = this.weights;
    let [X, Z] = [0, 0];
    for (let i = 0; i < BANDS; i++) {
      X += x[i]! * reflected[i]!;
      Z += z[i]! * reflected[i]!;
    }
    return xyzToLab([X, this.Y, Z], white);
  }

  labOf(dose: Float64Array): Lab {
    this.lightnessOf(dose);
    return this.lab();
  }
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
  const alike = (first: number, second: number): boolean =>
    deltaE00(tones[first]!.lab, tones[second]!.lab) < TWIN;
  return {
    desk,
    tones,
    doses,
    sheet: new InkedSheet(desk, lookup),
    alike,
    alone: new Map(),
    known: new Map(),
  };
}
