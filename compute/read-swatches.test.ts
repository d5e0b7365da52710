import type { BadInput } from "@/border/problem";
import { deltaE00 } from "@/core/colour/delta-e00";
import { labToXyz, type Lab } from "@/core/colour/lab";
import { applyMatrix, levelOf, XYZ_TO_RGB } from "@/core/colour/rgb";
import { keepPicture } from "./pictures";
import { runOperation } from "./run";

const [COLUMNS, ROWS, SIDE] = [6, 5, 20];
const [WIDE, HIGH] = [COLUMNS * SIDE, ROWS * SIDE];
const paper: Lab = [95, 0.5, 3];
/** Thirty colours all round. */
const truth = Array.from({ length: COLUMNS * ROWS }, (_, i): Lab => [
  35 + ((i * 13) % 50),
  24 * Math.sin(i),
  24 * Math.cos(1.7 * i),
]);

/** A camera under a warm lamp whose channels leak into each other; the paper along the upper edge, beneath it the swatches. */
function photo(change: (p: number, level: number[]) => number[] = (_, l) => l) {
  const rgb = new Uint8Array(WIDE * (HIGH + SIDE) * 3);
  for (let y = 0, p = 0; y < HIGH + SIDE; y++)
    for (let x = 0; x < WIDE; x++, p++) {
      const lab = y < SIDE ? paper : truth[Math.floor(y / SIDE - 1) * COLUMNS + Math.floor(x / SIDE)]!;
      const [r, g, b] = applyMatrix(XYZ_TO_RGB, labToXyz(lab));
      const seen = change(p, [0.9 * r + 0.1 * g, 0.82 * g + 0.06 * r, 0.6 * b + 0.1 * g]);
      seen.forEach((v, c) => (rgb[3 * p + c] = Math.round(levelOf(Math.min(1, Math.max(0, 0.9 * v))))));
    }
  return { width: WIDE, height: HIGH + SIDE, rgb };
}
const boxAt = (x: number, y: number, side = SIDE / 2) => ({
  x: (x - side / 2) / WIDE,
  y: (y - side / 2) / (HIGH + SIDE),
  width: side / WIDE,
  height: side / (HIGH + SIDE),
});
const swatches = truth.map((_, i) => ({
  code: `ink${i}`,
  box: boxAt(((i % COLUMNS) + 0.5) * SIDE, (Math.floor(i / COLUMNS) + 1.5) * SIDE),
}));
const asked = (picture: string, more: object = {}) =>
  runOperation("readSwatches", {
    image: { picture },
    paper: { lab: paper },
    bare: boxAt(SIDE, SIDE / 2),
    swatches,
    known: truth.slice(0, 14).map((lab, i) => ({ code: `ink${i}`, color: { lab } })),
    ...more,
  });
const off = ({ swatches: read }: Awaited<ReturnType<typeof asked>>) =>
  read
    .slice(14)
    .map((s, i) => deltaE00(s.lab, truth[14 + i]!))
    .reduce((a, b) => a + b, 0) /
  (truth.length - 14);

describe("swatches in a photo", () => {
  it("have their colours, set right by those that are known; in the order asked", async () => {
    keepPicture("sheet", photo());
    const answer = await asked("sheet");
    expect(answer.swatches.map((s) => s.code)).toEqual(swatches.map((s) => s.code));
    expect(answer.references).toBe(14);
    expect(answer.swatches.every((s) => !s.doubt)).toBe(true);
    expect(off(answer)).toBeLessThan(1.5);
    const plain = await asked("sheet", { known: [] });
    expect(plain.references).toBe(0);
    expect(off(plain)).toBeGreaterThan(2 * off(answer));
  });
  it("are read under light that falls off, where bare paper is shown in several places", async () => {
    // Darker by two fifths at the right end.
    keepPicture(
      "falling",
      photo((p, level) => level.map((v) => v * (1 - (0.4 * (p % WIDE)) / WIDE))),
    );
    const further = Array.from({ length: 11 }, (_, i) => boxAt((i + 0.5) * (WIDE / 11), SIDE / 2, SIDE / 3));
    const even = off(await asked("falling", { further }));
    expect(even).toBeLessThan(2);
    expect(off(await asked("falling"))).toBeGreaterThan(2 * even);
    // Too few to tell the light from: the first is white for all.
    expect(off(await asked("falling", { further: further.slice(0, 5) }))).toBeCloseTo(
      off(await asked("falling")),
      6,
    );
  });
  it("are doubted where two colours lie in the window, or nothing but paper", async () => {
    keepPicture("sheet", photo());
    const beside = [
      { code: "between", box: boxAt(SIDE, 1.5 * SIDE) },
      { code: "bare", box: boxAt(3 * SIDE, SIDE / 2) },
      swatches[0],
    ];
    const { swatches: read } = await asked("sheet", { swatches: beside, known: [] });
    expect(read.map((s) => s.doubt)).toEqual(["uneven", "like bare paper", undefined]);
  });
  it("are refused where windows lie over all of the picture again and again, or there are none", async () => {
    keepPicture("sheet", photo());
    const whole = { code: "a", box: { x: 0, y: 0, width: 1, height: 1 } };
    const wrong = (swatches: unknown) =>
      asked("sheet", { swatches }).then(
        () => [],
        (e: BadInput) => e.problems.map((p) => p.path),
      );
    expect(await wrong(Array.from({ length: 9 }, () => whole))).toEqual(["swatches"]);
    expect(await wrong([])).toEqual(["swatches"]);
    expect(
      await asked("sheet", { further: Array.from({ length: 401 }, () => boxAt(5, 5)) }).then(
        () => [],
        (e: BadInput) => e.problems.map((p) => p.path),
      ),
    ).toEqual(["further"]);
    expect(await wrong(Array.from({ length: 601 }, () => swatches[0]))).toEqual(["swatches"]);
    expect(await wrong([{ code: "a", box: { x: 0, y: 0, width: 1e308, height: null } }])).toEqual([
      "swatches[0].box.width",
      "swatches[0].box.height",
    ]);
  });
});
