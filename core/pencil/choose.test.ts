import { chroma, hue, hueTurn } from "@/core/colour/lab";
import { seenBy } from "@/demo/seen-by";
import { makePaper } from "@/core/ink/paper";
import { drawdownOn, waxPencils } from "@/sim/wax";
import { adjustTone, pencilGreys } from "./adjust";
import { chooseRoles, pencilsOn } from "./choose";
import { pencilFilm } from "./film";
import { BASE_ABOVE, valueScale, wantedBase } from "./plan";
import type { Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { BANDS } from "@/core/colour/observer";
import { reconstructReflectance } from "@/core/ink/reconstruct";
import { usualTooth } from "./tooth";

const white = makePaper([96, 0, 2]).reflectance;
const films = waxPencils.map((p) =>
  pencilFilm(p.code, seenBy(drawdownOn(p, "white")), seenBy(drawdownOn(p, "black"))),
);
const fit = usualTooth(0.3);
const pencils = pencilsOn(films, white, fit);

describe("pencils as they look on a paper", () => {
  it("are all there, and darker than the paper", () => {
    expect(pencils.map((p) => p.film.code)).toEqual(waxPencils.map((p) => p.code));
    for (const p of pencils) expect(p.own[0]).toBeLessThanOrEqual(labOf(white)[0] + 1);
  });
});

describe("roles of pencils", () => {
  it("neighbours lie near the middle's hue, for any hue that the tin covers", () => {
    for (const middle of [
      [55, 45, 30],
      [70, 10, 45],
      [50, -16, 18],
      [45, 4, -26],
      [45, 26, -22],
    ] as const) {
      const { trios } = chooseRoles(pencils, middle);
      expect(trios.length).toBeGreaterThan(0);
      for (const trio of trios)
        for (const p of trio) {
          expect(chroma(p.own)).toBeGreaterThan(9);
          expect(Math.abs(hueTurn(hue(middle), hue(p.own)))).toBeLessThan(75);
        }
    }
  });

  it("a grey middle takes any hue, since greys have none", () => {
    expect(chooseRoles(pencils, [55, 1, 0]).trios[0]).toHaveLength(3);
  });

  it("never use one pencil as white and as dark, nor twice in a trio", () => {
    for (const middle of [
      [55, 45, 30],
      [60, 0, 0],
      [30, 10, -20],
    ] as const) {
      const { trios, darks, white: tint } = chooseRoles(pencils, middle);
      expect(darks.map((d) => d.film.code)).not.toContain(tint!.film.code);
      for (const trio of trios) expect(new Set(trio.map((p) => p.film.code)).size).toBe(trio.length);
    }
  });

  it("do with what there is: one pencil, or none", () => {
    const brick = pencils.filter((p) => p.film.code === "pencil brick");
    expect(chooseRoles(brick, [50, 40, 25])).toEqual({ trios: [brick], darks: [], white: undefined });
    expect(chooseRoles([], [50, 40, 25])).toEqual({ trios: [], darks: [], white: undefined });
    expect(chooseRoles(brick, [50, -40, 5]).trios).toEqual([]);
  });
});

describe("a base that is wanted", () => {
  it("lies above the middle by more than is needed, but never above the light", () => {
    expect(wantedBase([90, 0, 0], [60, 20, 10])[0]).toBeGreaterThanOrEqual(60 + BASE_ABOVE);
    expect(wantedBase([64, 0, 0], [60, 20, 10])[0]).toBe(64);
    expect(chroma(wantedBase([90, 0, 0], [60, 20, 10]))).toBeLessThan(chroma([60, 20, 10]));
  });
});

describe("a value scale", () => {
  it.each([5, 6, 7, 8, 9])("of %i values begins at the light and ends at the shadow", (values) => {
    const scale = valueScale([88, 4, 10], [62, 18, 22], [36, 12, 8], values);
    expect(scale).toHaveLength(values);
    scale[0]!.forEach((v, c) => expect(v).toBeCloseTo([88, 4, 10][c]!, 9));
    scale.at(-1)!.forEach((v, c) => expect(v).toBeCloseTo([36, 12, 8][c]!, 9));
  });

  it("does not divide by nothing when light and local colour are of one lightness", () => {
    for (const lab of valueScale([60, 4, 10], [60, 18, 22], [36, 12, 8], 5))
      expect(lab.every(Number.isFinite)).toBe(true);
  });
});

describe("single pencils", () => {
  const tone = labOf(white);
  it("deepen by about what is asked, the nearest first", () => {
    const found = adjustTone(white, tone, -10, pencils, fit, 5);
    expect(found).toHaveLength(5);
    expect(Math.abs(found[0]!.deltaL + 10)).toBeLessThan(6);
    for (const a of found) expect(a.layers).toBeGreaterThanOrEqual(1);
  });
  it("would rather keep a tone's colour than be a little nearer in lightness", () => {
    const grey: Lab = [62, 0, 0];
    const under = reconstructReflectance(grey, new Float64Array(BANDS).fill(1)).reflectance;
    const found = adjustTone(under, grey, -8, pencils, fit, pencils.length);
    const off = (a: (typeof found)[number]) => Math.hypot(a.lab[1], a.lab[2]);
    const cost = (a: (typeof found)[number]) => Math.abs(a.deltaL + 8) + 0.5 * off(a) + 0.15 * a.layers;
    expect(found.length).toBeGreaterThan(2);
    expect(found.map(cost)).toEqual(found.map(cost).sort((a, b) => a - b));
    expect(off(found[0]!)).toBeLessThan(Math.max(...found.map(off)));
  });
  it("cannot lighten white paper", () => expect(adjustTone(white, tone, 10, pencils, fit)).toEqual([]));
  it("make greys only of opposite colours", () => {
    for (const g of pencilGreys(white, pencils, fit)) {
      const [a, b] = g.codes.map((c) => pencils.find((p) => p.film.code === c)!.own);
      expect(Math.abs(hueTurn(hue(a!), hue(b!)))).toBeGreaterThanOrEqual(110);
      expect(a![0]).toBeGreaterThanOrEqual(b![0]);
    }
  });
});
