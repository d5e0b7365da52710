import { cutLines, measured } from "./cut-line";

const MM = 0.2;
const plane = { width: 300, height: 240, mmPerPixel: MM };
const where = (is: (x: number, y: number) => boolean) =>
  Uint8Array.from({ length: 300 * 240 }, (_, p) => (is(p % 300, Math.floor(p / 300)) ? 1 : 0));
const disc = (cx: number, cy: number, r: number) => (x: number, y: number) =>
  Math.hypot(x + 0.5 - cx, y + 0.5 - cy) < r;
const lines = (is: (x: number, y: number) => boolean, offset: number, holes = false) =>
  cutLines(where(is), plane, { offset, holes });
/** Whether a point lies in what is cut out, by the even-odd rule. */
const isIn = (outline: ReturnType<typeof lines>, [x, y]: readonly [number, number]) =>
  outline.reduce((odd, ring) => {
    let hit = odd;
    ring.forEach(([ax, ay], i) => {
      const [bx, by] = ring[(i + 1) % ring.length]!;
      if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) hit = !hit;
    });
    return hit;
  }, false);

describe("where a blade goes", () => {
  it.each([0, 0.5, 2, 5])("is a circle round a disc, %s mm outside of it", (offset) => {
    const outline = lines(disc(150, 120, 70), offset);
    expect(outline).toHaveLength(1);
    const radius = 70 * MM + offset;
    for (const [x, y] of outline[0]!)
      expect(Math.abs(Math.hypot(x - 30, y - 24) - radius)).toBeLessThan(0.25);
    const { mm, mm2 } = measured(outline);
    expect(mm2 / (Math.PI * radius * radius)).toBeCloseTo(1, 1);
    expect(mm / (2 * Math.PI * radius)).toBeGreaterThan(0.97);
    expect(mm / (2 * Math.PI * radius)).toBeLessThan(1.1);
  });
  it("goes round what belongs together, over the line that parts it, and apart where it is apart", () => {
    const two = (gap: number) => (x: number, y: number) =>
      y > 60 && y < 180 && ((x > 60 && x < 150 - gap / 2) || (x >= 150 + gap / 2 && x < 240));
    expect(lines(two(4), 0)).toHaveLength(1);
    expect(lines(two(40), 0)).toHaveLength(2);
    // A margin that is wider than half of the gap joins them.
    expect(lines(two(40), 5)).toHaveLength(1);
  });
  it("cuts no hole unless that is asked for, and never a speck", () => {
    const ring = (hole: number) => (x: number, y: number) =>
      disc(150, 120, 90)(x, y) && !disc(150, 120, hole)(x, y);
    expect(lines(ring(40), 0)).toHaveLength(1);
    const open = lines(ring(40), 0, true);
    expect(open).toHaveLength(2);
    expect(isIn(open, [30, 24])).toBe(false);
    expect(isIn(open, [30 + 13, 24])).toBe(true);
    expect(lines(ring(4), 0, true)).toHaveLength(1);
    expect(lines((x, y) => disc(150, 120, 60)(x, y) || disc(20, 20, 2)(x, y), 0)).toHaveLength(1);
  });
  it("has room outside of the drawing", () => {
    const outline = lines(() => true, 3);
    const xs = outline.flat().map(([x]) => x);
    expect(Math.min(...xs)).toBeCloseTo(-3, 0);
    expect(Math.max(...xs)).toBeCloseTo(63, 0);
    expect(lines(() => false, 3)).toEqual([]);
  });
  it("holds all of the part, and nothing farther than its offset, at random", () => {
    let enclosed = 0;
    let seed = 5;
    const next = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
    for (let n = 0; n < 6; n++) {
      const discs = Array.from(
        { length: 4 },
        () => [60 + 180 * next(), 60 + 120 * next(), 15 + 30 * next()] as const,
      );
      const off = (x: number, y: number) =>
        Math.min(...discs.map(([cx, cy, r]) => Math.hypot(x - cx, y - cy) - r));
      const outline = lines((x, y) => off(x + 0.5, y + 0.5) < 0, 2);
      for (let p = 0; p < 300 * 240; p += 317) {
        const [x, y] = [(p % 300) + 0.5, Math.floor(p / 300) + 0.5];
        const far = off(x, y) * MM;
        const at = [x * MM, y * MM] as const;
        if (far < 1.6) expect(isIn(outline, at)).toBe(true);
        // What they enclose is not cut out, and lies within.
        if (far > 2.6 && isIn(outline, at)) enclosed++;
      }
    }
    expect(enclosed).toBeLessThan(20);
  });
});
