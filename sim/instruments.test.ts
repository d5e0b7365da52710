import { averageReadings } from "@/core/chart/average";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { parseCgats } from "@/core/formats/cgats";
import { readingOf } from "@/core/formats/measured";
import { photograph, sensor, type Shot } from "./camera";
import type { Drawing } from "./drawing";
import { colorimeterFile, handheld } from "./colorimeter";
import { demoRange } from "./demo-range";
import { look } from "./observer";
import { whiteCard } from "./paper-stock";
import { seeded } from "./random";
import { secondFamilies, secondRange } from "./second-range";
import { BLENDER, colourSheet } from "./sheet";

/** Colours of a file under daylight. */
const labsOf = (text: string): Lab[] => {
  const { samples, how } = parseCgats(text);
  return samples.map((s) => readingOf(s, how, "D65").lab);
};
const paper = colourSheet(whiteCard, []);
const sheets = demoRange()
  .slice(0, 40)
  .map((i) => ({ name: i.code, reflectance: colourSheet(whiteCard, [i.recipe]) }));

describe("the simulated colorimeter", () => {
  const times = 5;
  const read = labsOf(colorimeterFile(sheets, paper, times, seeded(4)));
  const off = read.map((r, i) => deltaE00(r, xyzToLab(look(sheets[Math.floor(i / times)]!.reflectance))));
  it("writes each sample as often as asked, nearly always right, sometimes misread", () => {
    expect(read).toHaveLength(40 * times);
    expect(off.filter((d) => d < 1).length / off.length).toBeGreaterThan(0.9);
    expect(off.filter((d) => d > 2).length).toBeGreaterThan(0);
  });
  it("comes right when repeats are averaged and misreads left out", () => {
    sheets.forEach((sheet, i) => {
      const labs = read.slice(i * times, (i + 1) * times);
      expect(deltaE00(averageReadings(labs).lab, xyzToLab(look(sheet.reflectance)))).toBeLessThan(0.8);
    });
  });
  it("drifts in the course of a session", () => {
    const steady = colorimeterFile(Array(200).fill(sheets[0]!), paper, 1, seeded(1), {
      ...handheld,
      noise: 0,
      misreads: 0,
      drift: 1,
    });
    const labs = labsOf(steady);
    expect(labs.at(-1)![0] - labs[0]![0]).toBeCloseTo(0.99, 1);
  });
});

describe("the simulated camera", () => {
  const drawing: Drawing = {
    width: 60,
    height: 40,
    paper,
    discs: [{ x: 10, y: 10, radius: 3, black: true }],
    bars: [],
    patches: [{ x: 25, y: 15, width: 12, height: 9, reflectance: sheets[20]!.reflectance, streaks: 0 }],
  };
  const shot: Shot = {
    width: 120,
    height: 90,
    turn: 30,
    tilt: 20,
    lean: 70,
    fill: 0.8,
    shift: [0, 0],
    lamp: 4000,
    uneven: 0,
    lampFrom: 0,
    vignette: 0,
    exposure: 0.6,
    noise: 0,
    blur: 0.3,
    quality: 100,
  };
  const level = (photo: { width: number; rgb: Uint8Array }, [x, y]: readonly [number, number]) => [
    ...photo.rgb.subarray(
      3 * (Math.round(y) * photo.width + Math.round(x)),
      3 * (Math.round(y) * photo.width + Math.round(x)) + 3,
    ),
  ];
  it("shows a sheet where its own geometry says, as its sensor sees it", async () => {
    const photo = await photograph(drawing, shot, seeded(1));
    const [white, mark, patch] = [photo.truth(50, 30), photo.truth(10, 10), photo.truth(31, 19.5)].map((p) =>
      level(photo, p),
    );
    expect(Math.min(...white!)).toBeGreaterThan(180);
    expect(Math.max(...mark!)).toBeLessThan(70);
    const see = sensor(4000);
    const [own, bare] = [see(sheets[20]!.reflectance), see(paper)];
    const linear = (v: number) => ((v / 255 + 0.055) / 1.055) ** 2.4;
    patch!.forEach((v, c) => expect(linear(v) / linear(white![c]!)).toBeCloseTo(own[c]! / bare[c]!, 1));
  });
  it("darkens away from the lamp, and drowns what mirrors it", async () => {
    const lit = await photograph(drawing, { ...shot, turn: 0, tilt: 0, uneven: 0.5 }, seeded(1));
    expect(level(lit, lit.truth(55, 30))[1]).toBeGreaterThan(level(lit, lit.truth(5, 30))[1]! + 15);
    const glared = await photograph(
      drawing,
      { ...shot, glare: { x: 50, y: 30, radius: 6, strength: 0.9 } },
      seeded(1),
    );
    expect(level(glared, glared.truth(50, 30))).toEqual([255, 255, 255]);
  });
});

describe("the blender and the second range", () => {
  it("lifts ink, more from fresh layers than the paper gives back", () => {
    const ink = demoRange()[30]!.recipe;
    const Y = (...coats: Parameters<typeof colourSheet>[1]) => look(colourSheet(whiteCard, coats))[1];
    expect(Y(ink, ink, BLENDER)).toBeGreaterThan(Y(ink, ink));
    expect(Y(ink, ink, BLENDER)).toBeLessThan(Y());
  });
  it("has six families in a code of its own, deeper with falling numbers", () => {
    const range = secondRange();
    expect(new Set(range.map((i) => i.family))).toEqual(new Set(secondFamilies));
    expect(new Set(range.map((i) => i.code)).size).toBe(range.length);
    const L = (code: string): number =>
      (xyzToLab(look(colourSheet(whiteCard, [range.find((i) => i.code === code)!.recipe]))) as Lab)[0];
    expect(L("80.kelp")).toBeGreaterThan(L("35.kelp"));
    expect(L("35.kelp")).toBeGreaterThan(L("10.kelp"));
  });
});
