import { CODE, exerciseOf, exercisePlanes, SHEET_HEIGHT, SHEET_WIDTH } from "@/core/practice/exercise";
import { EXERCISES, FLAT_CELLS, type ExerciseId } from "@/core/practice/shapes";
import { photograph, type Shot } from "@/sim/camera";
import { demoRange } from "@/sim/demo-range";
import type { Drawing } from "@/sim/drawing";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import type { PracticeSheetOutput } from "./operations/practice-sheet";
import { runOperation } from "./run";

const PER_MM = 4;
const MARGIN = 12;
const bare = colourSheet(whiteCard, []);
const inks = demoRange();
const byLight = [...inks].sort((a, b) => sum(b) - sum(a));
function sum(ink: (typeof inks)[number]): number {
  return colourSheet(whiteCard, [ink.recipe]).reduce((s, v) => s + v, 0);
}
const dark = colourSheet(whiteCard, [byLight.at(-1)!.recipe]);
/** The sheet between bare paper (0) and a dark ink (1). */
const shade = (t: number) => bare.map((v, i) => v * (1 - t) + t * dark[i]!);

const printed = bare.map(() => 0.05);
const SHOT: Shot = {
  width: 760,
  height: 560,
  turn: 5,
  tilt: 18,
  lean: 60,
  fill: 0.85,
  shift: [0.01, -0.01],
  lamp: 4200,
  uneven: 0.2,
  lampFrom: 120,
  vignette: 0.1,
  exposure: 0.7,
  noise: 1.5,
  blur: 0.5,
  quality: 90,
};

/** A photo of a sheet as somebody coloured it: how dark each zone of each area is, 0–1. */
async function photoOf(id: ExerciseId, laid: (area: number, zone: number) => number) {
  const { line, labels, zones } = exercisePlanes(exerciseOf(id), PER_MM);
  const keys = [...new Set(labels.data.map((a, p) => a * 256 + zones.data[p]!))].filter((k) => k >= 256);
  const number = new Map(keys.map((k, i) => [k, i + 1]));
  const black = new Set(exerciseOf(id).code.flatMap((c, i) => (c.black ? [CODE[i]!] : [])));
  const drawing: Drawing = {
    width: SHEET_WIDTH + 2 * MARGIN,
    height: SHEET_HEIGHT + 2 * MARGIN,
    paper: bare,
    discs: [],
    bars: [],
    patches: [],
    art: {
      x: MARGIN,
      y: MARGIN,
      pxPerMm: PER_MM,
      width: line.width,
      height: line.height,
      line: Float32Array.from(line.data, (v) => v / 255),
      ink: bare.map(() => 0.05),
      coloured: {
        areas: labels.data.map((a, p) => number.get(a * 256 + zones.data[p]!) ?? 0),
        reflectances: keys.map((k) => {
          const area = Math.floor(k / 256);
          if (area >= CODE[0]) return black.has(area as (typeof CODE)[number]) ? printed : undefined;
          const t = laid(area, k % 256);
          return t > 0 ? shade(t) : undefined;
        }),
        streaks: 0.01,
      },
    },
  };
  const taken = await photograph(drawing, SHOT, seeded(4));
  const { width, height } = taken;
  const corners = [
    [0, 0],
    [SHEET_WIDTH, 0],
    [SHEET_WIDTH, SHEET_HEIGHT],
    [0, SHEET_HEIGHT],
  ].map(([x, y]) => {
    const [px, py] = taken.truth(MARGIN + x!, MARGIN + y!);
    return [px / width, py / height];
  });
  return { corners, photo: { width, height, channels: 3, data: Buffer.from(taken.rgb).toString("base64") } };
}
const score = async (exercise: ExerciseId, asked: object) =>
  (await runOperation("practiceSheet", { exercise, ...asked })) as PracticeSheetOutput;
const own = (t: (zone: number) => number) => (area: number, zone: number) => (area === 1 ? t(zone) : 0);

describe("a sheet that was practised on, from print to score", () => {
  // Photographs take longer than all else: what is judged of what is read is tested beside core/practice/score.ts.
  it("a flat, found by itself: streaks are told from which way they run, and where; it is no other sheet", async () => {
    const laid = own((z) => (Math.floor((z - 1) / FLAT_CELLS[0]) % 2 ? 0.62 : 0.42));
    const { photo, corners } = await photoOf("flat", laid);
    const rows = await score("flat", { photo });
    expect(rows.score).toBeLessThan(60);
    expect(rows.findings.find((f) => f.kind === "streaks")).toMatchObject({ along: "rows" });
    expect(rows.next).toContain("each row");
    const off = (zone: number) => rows.places.find((p) => p.zone === zone)!.off;
    expect(off(1)).toBeGreaterThan(off(11) + 5);
    expect(new Set(rows.map.data).size).toBeGreaterThan(3);
    await expect(score("ball", { photo, corners })).rejects.toThrow(
      "This is another sheet: “A flat without streaks”",
    );
  });
  it("an edge: ink that ran over it is found where it is", async () => {
    const laid = (area: number, zone: number) => (area === 1 || (area === 2 && zone <= 4) ? 0.6 : 0);
    const over = await score("edge", await photoOf("edge", laid));
    expect(over.score).toBeLessThan(75);
    const [first] = [...over.places].sort((a, b) => b.off - a.off);
    expect(first!.zone).toBeLessThanOrEqual(4);
    expect(over.findings.map((f) => f.says).join()).toContain("Ink ran over");
  });
  it("colours that are met: the pair that differs is found in a photo", async () => {
    const shown = [0.2, 0.2, 0.45, 0.75, 0.6, 0.6];
    const pairs = await score(
      "match",
      await photoOf(
        "match",
        own((z) => shown[z - 1]!),
      ),
    );
    expect(pairs.findings).toMatchObject([{ kind: "off", at: 2 }]);
    expect(pairs.places.map((p) => Math.abs(p.off) < 3)).toEqual([true, false, true]);
  });
  it.each(["ribbon", "cast"] as const)(
    "%s: light that follows the form scores well, light the other way round badly",
    async (id) => {
      const good = await score(
        id,
        await photoOf(id, (area, z) => (area === 1 ? z / 14 : area === 2 ? 0.8 - z / 12 : 0)),
      );
      expect(good.score).toBeGreaterThan(80);
      const bad = await score(
        id,
        await photoOf(id, (area, z) => (area === 1 ? (13 - z) / 14 : area === 2 ? z / 12 : 0)),
      );
      expect(bad.score).toBeLessThan(20);
    },
  );
  it.each(EXERCISES)("%s fits its sheet, and has bare ground to set the light by", (id) => {
    const { line, labels } = exercisePlanes(exerciseOf(id), 2);
    const share = (of: (a: number) => boolean) => labels.data.filter(of).length / labels.data.length;
    expect(share((a) => a === 9)).toBeGreaterThan(0.1);
    expect(share((a) => a === 1)).toBeGreaterThan(0.1);
    expect(line.data.some((v) => v > 200)).toBe(true);
    for (const path of exerciseOf(id).lines)
      for (const [x, y] of path) expect(x > 0 && y > 0 && x < SHEET_WIDTH && y < SHEET_HEIGHT).toBe(true);
  });
});
