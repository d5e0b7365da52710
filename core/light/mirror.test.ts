import { groundWhere } from "@/fixtures/forms";
import { DEFAULT_FORM, NO_GROWTH, type Form } from "./form";
import { lampDirection, type Lamp } from "./light";
import { DEFAULT_LIGHT } from "./light";
import { mirroredMarks, mirrorOf } from "./mirror";
import { relieve, valueField } from "./value-field";

const SIDE = 200;
const MM = 0.2;
const nobody = () => -1;
const lamp = (from: number, height: number, behind = false): Lamp => ({ from, height, behind, strength: 1 });
const round: Form = { ...DEFAULT_FORM, height: 1 };
const disc = (x: number, y: number) => (Math.hypot(x - 100, y - 100) < 70 ? 1 : 0);
const bar = (x: number, y: number) => (Math.abs(x - 100) < 20 && y > 20 && y < 180 ? 1 : 0);

const marksOf = (where: (x: number, y: number) => number, form: Form, main: Lamp) => {
  const ground = groundWhere(SIDE, SIDE, 1, (x, y) => where(x, y) - 1, MM);
  const relieved = relieve(ground, [form], nobody);
  const light = { ...DEFAULT_LIGHT, main };
  return { relieved, found: mirroredMarks(relieved, main, valueField(relieved, light).values, [0]) };
};

describe("where a form mirrors the lamp", () => {
  it.each([
    [315, 45],
    [40, 30],
    [90, 70],
    [200, 60],
    [0, 89],
  ])("is on a ball where its normal halves the way to a lamp at %i°, %i° high", (from, height) => {
    const main = lamp(from, height);
    const { found, relieved } = marksOf(disc, round, main);
    expect(found).toHaveLength(1);
    const { mark } = found[0]!;
    expect(mark.kind).toBe("spark");
    const [hx, hy] = mirrorOf(main)!;
    // On a half ball of 70 pixels a normal is the way from its middle.
    const [x, y] = mark.points[0]!;
    expect(Math.hypot(x * SIDE - (100 + 70 * hx), y * SIDE - (100 + 70 * hy))).toBeLessThan(4);
    // No other pixel mirrors it better, all tried.
    const { normals, ground } = relieved;
    const shine = (p: number) => {
      const [nx, ny] = [normals.x[p]!, normals.y[p]!];
      const half = mirrorOf(main)!;
      return nx * half[0] + ny * half[1] + Math.sqrt(Math.max(0, 1 - nx * nx - ny * ny)) * half[2];
    };
    const best = Math.max(...[...ground.own.keys()].filter((p) => ground.own[p] === 0).map(shine));
    expect(shine(Math.floor(y * SIDE) * SIDE + Math.floor(x * SIDE))).toBeGreaterThan(best - 0.004);
  });
  it("halves the way between lamp and eye", () => {
    const [x, y, z] = mirrorOf(lamp(60, 20))!;
    const [lx, ly, lz] = lampDirection(lamp(60, 20));
    expect(Math.hypot(x, y, z)).toBeCloseTo(1);
    expect(x * lx + y * ly + z * lz).toBeCloseTo(z);
  });
  it("is a line along a tube, on its lit side", () => {
    const { found } = marksOf(bar, { ...round, kind: "tube", axis: 90 }, lamp(300, 50));
    expect(found).toHaveLength(1);
    const { mark } = found[0]!;
    expect(mark.kind).toBe("line");
    const xs = mark.points.map(([x]) => x * SIDE);
    expect(Math.max(...xs) - Math.min(...xs)).toBeLessThan(4);
    expect(Math.max(...xs)).toBeLessThan(98);
    const ys = mark.points.map(([, y]) => y * SIDE);
    expect(Math.max(...ys) - Math.min(...ys)).toBeGreaterThan(80);
    expect(mark.width).toBeGreaterThanOrEqual(0.4);
    expect(mark.width).toBeLessThanOrEqual(1.6);
  });
  it("is nowhere on what is flat, on hair, with the lamp behind, in deep shade, or where nothing is asked", () => {
    expect(marksOf(disc, { ...round, kind: "flat" }, lamp(315, 45)).found).toEqual([]);
    const growth = {
      ...NO_GROWTH,
      strokes: [
        [
          [0.5, 0.3],
          [0.5, 0.7],
        ] as const,
      ],
    };
    expect(marksOf(disc, { ...round, growth }, lamp(315, 45)).found).toEqual([]);
    expect(marksOf(disc, round, lamp(315, 45, true)).found).toEqual([]);
    const { relieved } = marksOf(disc, round, lamp(315, 45));
    const dark = new Uint16Array(SIDE * SIDE).fill(65535);
    expect(mirroredMarks(relieved, lamp(315, 45), dark, [0])).toEqual([]);
    expect(mirroredMarks(relieved, lamp(315, 45), new Uint16Array(SIDE * SIDE), [])).toEqual([]);
    expect(mirroredMarks(relieved, lamp(315, 45), new Uint16Array(SIDE * SIDE), [7])).toEqual([]);
  });
});
