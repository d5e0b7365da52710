import { seeded } from "./random";

/** How ink goes out of a marker, by laws of its own: what a model may not know of. */
export interface InkLaw {
  /** ml/m² of a first coat on each paper. */
  readonly laydown: readonly number[];
  /** What a coat after the first lays, as a share of it. */
  readonly next: number;
  /** Ground beyond the place that the nib inks at its edge, mm. */
  readonly edge: number;
  /** Growth of what a nib lays by each ml that has gone through it. */
  readonly wear: number;
  /** How far nibs and strokes lie apart (log). */
  readonly nibs: number;
  readonly strokes: number;
  /** Further openings a step, on average, and ml lost at each on average. */
  readonly openings: number;
  readonly loss: number;
  /** Share that dries up in a week. */
  readonly drying: number;
}

export const INK_LAWS: Readonly<Record<string, InkLaw>> = {
  "every coat alike": {
    laydown: [10, 15],
    next: 1,
    edge: 0,
    wear: 0,
    nibs: 0.18,
    strokes: 0.15,
    openings: 0.5,
    loss: 0.003,
    drying: 0,
  },
  "paper that fills": {
    laydown: [14, 9],
    next: 0.8,
    edge: 0.3,
    wear: 0,
    nibs: 0.15,
    strokes: 0.2,
    openings: 1,
    loss: 0.005,
    drying: 0.001,
  },
  "nibs that wear": {
    laydown: [11, 17],
    next: 0.92,
    edge: 0.15,
    wear: 0.08,
    nibs: 0.22,
    strokes: 0.12,
    openings: 0.3,
    loss: 0.008,
    drying: 0.002,
  },
};

/** A marker that is used up as one works. */
export function bottle(law: InkLaw, ml: number, seed: number) {
  const random = seeded(seed);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const nib = Math.exp(law.nibs * normal());
  let left = ml;
  let through = 0;
  return {
    left: () => left,
    /** Lays coats over a place; false where the ink ran out before it was done. */
    lay(mm2: number, coats: number, paper: number): boolean {
      const ground = (mm2 + law.edge * 4 * Math.sqrt(mm2)) * 1e-6;
      const worth = 1 + (coats - 1) * law.next;
      const ink =
        ground *
        worth *
        law.laydown[paper]! *
        nib *
        (1 + law.wear * through) *
        Math.exp(law.strokes * normal());
      let opened = 1;
      for (let p = random(); p < law.openings / (1 + law.openings); p = random()) opened++;
      let lost = 0;
      for (let i = 0; i < opened; i++) lost -= law.loss * Math.log(1 - random());
      through += ink;
      left -= ink + lost;
      const lasted = left >= 0;
      left = Math.max(0, left);
      return lasted;
    },
    rest(weeks: number): void {
      left *= (1 - law.drying) ** weeks;
    },
    /** What a kitchen scale shows, g: the marker itself weighs as much as it weighs. */
    weight: (body: number): number => Math.round((body + 0.84 * left) * 10) / 10,
    fill(more: number): void {
      left += more;
    },
  };
}
