import type { Mark } from "@/core/media/mark";
import { coverage, markedPixels, setMarks } from "./set-marks";

const sheet = { width: 60, height: 40, mmPerPixel: 0.5 };
const whole = [0, 0, 60, 40] as const;
const WHITE = [255, 255, 255] as const;
const spark = (x: number, y: number, width: number): Mark => ({ kind: "spark", points: [[x, y]], width });
const line = (kind: "line" | "hair", width = 4): Mark => ({
  kind,
  points: [
    [0.2, 0.5],
    [0.8, 0.5],
  ],
  width,
});
const covered = (mark: Mark, box: readonly [number, number, number, number] = whole) =>
  coverage(mark, sheet, box).cover.reduce((sum, c) => sum + c, 0);
const picture = (n: number) => new Uint8ClampedArray(60 * 40 * 4).fill(n);
const at = (rgba: Uint8ClampedArray, x: number, y: number) => [
  ...rgba.slice((y * 60 + x) * 4, (y * 60 + x) * 4 + 4),
];

describe("marks at their spot", () => {
  it("cover as much as a disc or a bar of their width does", () => {
    const area = covered(spark(0.5, 0.5, 8));
    expect(area / (Math.PI * 8 * 8)).toBeCloseTo(1, 1);
    // 36 pixels long, 8 broad, round at both ends.
    expect(covered(line("line")) / (36 * 8 + Math.PI * 16)).toBeCloseTo(1, 1);
    // A hair of the same width at its root covers little more than half of it.
    expect(covered(line("hair")) / covered(line("line"))).toBeCloseTo(0.6, 1);
    // A dab has the same reach and less in it.
    expect(covered({ ...spark(0.5, 0.5, 8), kind: "dab" })).toBeLessThan(0.8 * area);
    expect(covered({ ...spark(0.5, 0.5, 8), kind: "dab" })).toBeGreaterThan(0.3 * area);
  });
  it("are seen where they are narrower than a pixel, by what they take of it", () => {
    const thin = covered(line("line", 0.1));
    expect(thin).toBeGreaterThan(0);
    expect(thin / (36 * 0.2)).toBeGreaterThan(0.5);
    expect(thin / (36 * 0.2)).toBeLessThan(2.2);
  });
  it("thin out along a hair, and bend without covering twice", () => {
    const { box, cover } = coverage(line("hair"), sheet, whole);
    const column = (x: number) => {
      let sum = 0;
      for (let y = box[1]; y < box[3]; y++) sum += cover[(y - box[1]) * (box[2] - box[0]) + x - box[0]]!;
      return sum;
    };
    expect(column(14)).toBeGreaterThan(column(30));
    expect(column(30)).toBeGreaterThan(column(46));
    const bent: Mark = {
      ...line("line"),
      points: [
        [0.2, 0.5],
        [0.5, 0.5],
        [0.2, 0.5],
      ],
    };
    const once: Mark = {
      ...line("line"),
      points: [
        [0.2, 0.5],
        [0.5, 0.5],
      ],
    };
    expect(covered(bent)).toBeCloseTo(covered(once), 1);
  });
  it("lie over what was painted, and over nothing where it is clear", () => {
    const rgba = picture(0);
    for (let p = 0; p < 60 * 40; p++) rgba[4 * p + 3] = p % 60 < 30 ? 255 : 0;
    setMarks(rgba, sheet, whole, [{ marks: [spark(0.25, 0.5, 6), spark(0.75, 0.5, 6)], rgb: WHITE }]);
    expect(at(rgba, 15, 20)).toEqual([255, 255, 255, 255]);
    expect(at(rgba, 45, 20)).toEqual([255, 255, 255, 255]);
    expect(at(rgba, 15, 35)).toEqual([0, 0, 0, 255]);
    expect(at(rgba, 45, 35)).toEqual([0, 0, 0, 0]);
    // At its edge on clear ground it is white of less opacity, not grey.
    const edge = [...Array(20).keys()].map((i) => at(rgba, 45, 20 + i)).find((c) => c[3]! > 0 && c[3]! < 255);
    expect(edge?.slice(0, 3)).toEqual([255, 255, 255]);
    const later = picture(0);
    setMarks(later, sheet, whole, [
      { marks: [spark(0.5, 0.5, 6)], rgb: WHITE },
      { marks: [spark(0.5, 0.5, 6)], rgb: [10, 20, 30] },
    ]);
    expect(at(later, 30, 20)).toEqual([10, 20, 30, 255]);
  });
  it("are the same in a part of the picture as in the whole, and go beyond its edge without harm", () => {
    const marks = [spark(0.5, 0.5, 9), line("hair"), spark(0, 0, 12), spark(1, 1, 12)];
    const all = picture(90);
    setMarks(all, sheet, whole, [{ marks, rgb: WHITE }]);
    const box = [20, 10, 50, 30] as const;
    const part = new Uint8ClampedArray(30 * 20 * 4).fill(90);
    setMarks(part, sheet, box, [{ marks, rgb: WHITE }]);
    for (let y = 10; y < 30; y++)
      for (let x = 20; x < 50; x++) {
        const o = ((y - 10) * 30 + x - 20) * 4;
        expect([...part.slice(o, o + 4)]).toEqual(at(all, x, y));
      }
  });
  it("cost what is said before anything is walked", () => {
    const sets = [{ marks: [spark(0.5, 0.5, 8), line("line")] }];
    const walked = sets[0]!.marks.reduce((sum, m) => sum + coverage(m, sheet, whole).cover.length, 0);
    // Of one segment each: once around that, once all of the mark.
    expect(markedPixels(sheet, sets)).toBe(2 * walked);
    // A frame is little ink, and costs the picture that it holds.
    const frame: Mark = {
      ...line("line"),
      points: [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ],
    };
    expect(markedPixels(sheet, [{ marks: [frame] }])).toBeGreaterThan(60 * 40);
    expect(markedPixels(sheet, [])).toBe(0);
  });
});
