import type { Point } from "@/core/algebra/point";
import { seeded } from "@/sim/random";
import { arranged, BETWEEN, EDGE, type CutPart } from "./arranged";

const SHEET = { width: 210, height: 297 };

/** A part with corners of its own somewhere. */
function part(random: () => number, n: number, most: number): CutPart {
  const [w, h] = [2 + most * random(), 2 + most * random()];
  const [l, t] = [300 * random() - 100, 300 * random() - 100];
  const ring: Point[] = [
    [l, t],
    [l + w, t + 0.3 * h],
    [l + 0.6 * w, t + h],
  ];
  return { name: `Part ${n}`, lines: [ring] };
}

function boxOf({ lines }: CutPart) {
  const [xs, ys] = [lines.flat().map((p) => p[0]), lines.flat().map((p) => p[1])];
  return { l: Math.min(...xs), t: Math.min(...ys), r: Math.max(...xs), b: Math.max(...ys) };
}

/** Lengths of all sides: what is moved and turned keeps them. */
const sides = ({ lines }: CutPart) =>
  lines.map((ring) =>
    ring.map(([x, y], i) => {
      const [u, v] = ring[(i + 1) % ring.length]!;
      return Math.hypot(u - x, v - y);
    }),
  );
/** Twice the signed area: what is mirrored changes its sign. */
const turn = (ring: readonly Point[]) =>
  ring.reduce((sum, [x, y], i) => {
    const [u, v] = ring[(i + 1) % ring.length]!;
    return sum + x * v - u * y;
  }, 0);

it("places every part once, in its own size, apart from the others and within the sheet", () => {
  const random = seeded(6);
  for (let round = 0; round < 40; round++) {
    const parts = Array.from({ length: 1 + Math.floor(40 * random()) }, (_, n) =>
      part(random, n, 20 + 120 * random()),
    );
    const { sheets, tooLarge } = arranged(parts, SHEET);
    expect(tooLarge).toEqual([]);
    expect(sheets.flatMap((s) => s.parts.map((p) => p.name)).sort()).toEqual(parts.map((p) => p.name).sort());
    for (const { parts: placed } of sheets)
      for (const [i, a] of placed.entries()) {
        const own = parts.find((p) => p.name === a.name)!;
        sides(own)[0]!.forEach((side, k) => expect(sides(a)[0]![k]).toBeCloseTo(side, 6));
        expect(turn(a.lines[0]!)).toBeCloseTo(turn(own.lines[0]!), 4);
        const box = boxOf(a);
        expect(box.l >= EDGE - 1e-6 && box.t >= EDGE - 1e-6).toBe(true);
        expect(box.r <= SHEET.width - EDGE + 1e-6 && box.b <= SHEET.height - EDGE + 1e-6).toBe(true);
        for (const b of placed.slice(i + 1)) {
          const other = boxOf(b);
          const apart = Math.max(other.l - box.r, box.l - other.r, other.t - box.b, box.t - other.b);
          expect(apart).toBeGreaterThanOrEqual(BETWEEN - 1e-6);
        }
      }
  }
});

it("wastes little: small parts of a third of a sheet find room on one", () => {
  const random = seeded(9);
  for (let round = 0; round < 20; round++) {
    const parts: CutPart[] = [];
    for (let area = 0; area < (SHEET.width * SHEET.height) / 3;) {
      const next = part(random, parts.length, 50);
      const { l, t, r, b } = boxOf(next);
      area += (r - l + BETWEEN) * (b - t + BETWEEN);
      parts.push(next);
    }
    expect(arranged(parts, SHEET).sheets).toHaveLength(1);
  }
});

it("says what is larger than a sheet, and makes nothing of nothing", () => {
  const bar = (name: string, w: number, h: number): CutPart => ({
    name,
    lines: [
      [
        [0, 0],
        [w, 0],
        [w, h],
        [0, h],
      ],
    ],
  });
  const { sheets, tooLarge } = arranged(
    [bar("long", 290, 4), bar("turned", 280, 150), bar("none", 10, 10)],
    SHEET,
  );
  expect(tooLarge).toEqual(["long"]);
  expect(sheets.flatMap((s) => s.parts.map((p) => p.name)).sort()).toEqual(["none", "turned"]);
  expect(arranged([], SHEET)).toEqual({ sheets: [], tooLarge: [] });
  expect(arranged([{ name: "empty", lines: [] }], SHEET)).toEqual({ sheets: [], tooLarge: [] });
});
