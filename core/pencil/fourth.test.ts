import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { makePaper } from "@/core/ink/paper";
import { finish } from "@/core/progress";
import { seenBy } from "@/demo/seen-by";
import { seeded } from "@/sim/random";
import { drawdownOn, waxPencils } from "@/sim/wax";
import { chooseRoles, pencilsOn } from "./choose";
import { pencilFilm } from "./film";
import { planPencil, planStep, REACHED, valueScale, type PencilPlan, type Surface } from "./plan";
import { reachOf } from "./reach";
import { drawnLab, usualTooth } from "./tooth";

const fit = usualTooth(0.4);
const films = waxPencils.map((p) =>
  pencilFilm(p.code, seenBy(drawdownOn(p, "white")), seenBy(drawdownOn(p, "black"))),
);
const ground = (lab: Lab, base: number): Surface => {
  const { reflectance } = makePaper(lab);
  return { base, lab: labOf(reflectance), reflectance };
};
const paper = ground([96, 0, 2], -1);
const base = ground([78, 12, 26], 0);
const pencils = pencilsOn(films, paper.reflectance, fit);

const planned = (light: Lab, local: Lab, shadow: Lab, further: boolean): PencilPlan =>
  finish(
    planPencil(
      {
        scale: valueScale(light, local, shadow, 7),
        middle: local,
        paper,
        bases: [base],
        fit,
        ...(further && { further: pencils }),
      },
      chooseRoles(pencils, local),
    ),
  );
const random = seeded(11);
const anyLab = (L: number): Lab => [L, 50 * (random() - 0.5), 60 * (random() - 0.4)];
const wished = Array.from({ length: 10 }, () => [anyLab(80), anyLab(58), anyLab(32)] as const);
const plans = wished.map((w) => [planned(...w, false), planned(...w, true)] as const);

describe("a fourth pencil", () => {
  it("changes only values that it brings nearer, and pays over the whole scale", () => {
    expect(plans.some(([, four]) => four.fourth)).toBe(true);
    for (const [three, four] of plans) {
      let saved = 0;
      four.steps.forEach((s, i) => {
        const before = three.steps[i]!;
        if (JSON.stringify(s) === JSON.stringify(before)) return;
        expect(s.layers.at(-1)).toMatchObject({ code: four.fourth!.film.code, part: "over all" });
        saved += before.deltaE00 - s.deltaE00;
      });
      if (four.fourth) {
        expect(saved).toBeGreaterThan(1.5);
        expect(four.trio).not.toContain(four.fourth);
      } else expect(four.steps).toEqual(three.steps);
    }
  });

  it("is predicted as its layers are drawn", () => {
    const byCode = new Map(films.map((f) => [f.code, f]));
    for (const [, four] of plans)
      for (const s of four.steps) {
        const under = s.onPaper ? paper.reflectance : base.reflectance;
        const lab = drawnLab(
          under,
          s.layers.map((l) => ({ ...l, film: byCode.get(l.code)! })),
          fit,
        );
        expect(deltaE00(lab, s.lab)).toBeLessThan(1e-9);
        expect(deltaE00(lab, s.wanted)).toBeCloseTo(s.deltaE00, 9);
      }
  });
});

describe("another ground for a value out of reach", () => {
  const grounds = [ground([70, 20, 30], 1), ground([45, 10, 8], 2), ground([30, 4, -10], 3)];
  const [plan] = plans[0]!;
  const { trio, darks, white } = plan;
  const nearest = (wanted: Lab) =>
    Math.min(...grounds.map((g) => planStep(wanted, g, trio, { darks, white }, fit).deltaE00));

  it("is the one over which the same pencils come nearest, told only where it helps", () => {
    let told = 0;
    for (let n = 0; n < 12; n++) {
      const missed = planStep(anyLab(20 + 5 * n), paper, trio, { darks, white }, fit);
      const found = finish(reachOf(missed, grounds, plan, fit));
      const least = nearest(missed.wanted);
      if (found) {
        told++;
        expect(found.deltaE00).toBeCloseTo(least, 9);
      }
      expect(!!found).toBe(least <= REACHED || least <= missed.deltaE00 - 2);
    }
    expect(told).toBeGreaterThan(0);
    expect(told).toBeLessThan(12);
  });

  it("is none where there is none to try", () => {
    const missed = planStep([10, 30, -60], paper, trio, { darks, white }, fit);
    expect(finish(reachOf(missed, [], plan, fit))).toBeUndefined();
  });
});
