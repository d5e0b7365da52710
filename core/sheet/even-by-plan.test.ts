import { deltaE00 } from "@/core/colour/delta-e00";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { seeded } from "@/sim/random";
import { evenedByPlan } from "./even-by-plan";

const random = seeded(3);
const some = (): Lab => [25 + 65 * random(), 40 * random() - 20, 40 * random() - 20];
const lit = (lab: Lab, gains: Xyz): Lab =>
  xyzToLab(labToXyz(lab).map((v, c) => v * gains[c]!) as unknown as Xyz);

describe("a photo in which nothing is known", () => {
  it("is set by what lies as planned, whatever a third of it does", () => {
    for (let k = 0; k < 20; k++) {
      const gains: Xyz = [0.7 + 0.3 * random(), 0.7 + 0.3 * random(), 0.6 + 0.4 * random()];
      const places = Array.from({ length: 30 }, (_, i) => {
        const planned = some();
        // Some came out lighter, some darker, and some of another hue.
        const truth: Lab = i % 3 ? planned : some();
        return { planned, truth, lies: lit(truth, gains), mm2: 20 + 100 * random() };
      });
      const even = evenedByPlan(places);
      const off = places.map((p) => deltaE00(even(p.lies), p.truth)).sort((a, b) => a - b);
      expect(off[off.length >> 1]!).toBeLessThan(1.5);
    }
  });
  it("goes by ground: a large area that lies otherwise is not outvoted by small ones, and nothing known changes nothing", () => {
    const planned: Lab = [60, 5, 5];
    const large = { planned, lies: lit(planned, [0.8, 0.8, 0.8]), mm2: 1000 };
    const small = Array.from({ length: 9 }, () => ({ planned, lies: planned, mm2: 10 }));
    expect(deltaE00(evenedByPlan([large, ...small])(large.lies), planned)).toBeLessThan(0.01);
    expect(evenedByPlan([])([50, 1, 2])).toEqual([50, 1, 2]);
    expect(evenedByPlan([{ planned: [0, 0, 0], lies: [0, 0, 0], mm2: 5 }])([50, 1, 2])).toEqual([50, 1, 2]);
  });
});
