import { groundOf } from "@/core/light/ground";
import { cutLevels, sectionPlane } from "./sections";

/** A ground drawn in letters: a dot is nobody's. */
function drawn(rows: readonly string[]) {
  const [width, height] = [rows[0]!.length, rows.length];
  const letters = [...new Set(rows.join(""))].filter((c) => c !== ".").sort();
  const data = Uint16Array.from(rows.join(""), (c) => letters.indexOf(c) + 1);
  const owner = [-1, ...letters.map((_, i) => i)];
  return groundOf({ width, height, data }, owner, letters.length, [], 1);
}
const dark = (g: { own: ArrayLike<number> }) => new Uint8Array(g.own.length).fill(200);
const counts = (plane: Uint16Array, own: ArrayLike<number>, area: number) => {
  const out: number[] = [];
  plane.forEach((s, p) => own[p] === area && (out[s - 1] = (out[s - 1] ?? 0) + 1));
  return out;
};

describe("sections of an area", () => {
  it("cuts a long area across its length into parts of the same ground, from the left", () => {
    const ground = drawn(Array<string>(6).fill("a".repeat(60)));
    const plane = sectionPlane(ground, [3], dark(ground));
    const sizes = counts(plane, ground.own, 0);
    expect(sizes).toHaveLength(3);
    for (const n of sizes) expect(Math.abs(n - 120)).toBeLessThan(45);
    expect([plane[0], plane[59]]).toEqual([1, 3]);
    expect(sectionPlane(ground, [3], dark(ground), "left")[0]).toBe(3);
  });
  it("cuts at a neck", () => {
    const ball = (row: number) => (Math.abs(row - 5) <= 4 ? "a".repeat(12) : ".".repeat(12));
    const ground = drawn(
      Array.from({ length: 11 }, (_, y) => `${ball(y)}${y === 5 ? "aaaa" : "...."}${ball(y)}`),
    );
    const plane = sectionPlane(ground, [2], dark(ground));
    // All of the left ball is one section, all of the right one the other.
    for (let y = 1; y < 10; y++) {
      expect(plane[y * 28 + 3]).toBe(1);
      expect(plane[y * 28 + 24]).toBe(2);
    }
  });
  it("does not cut through a highlight where there is another way", () => {
    const ground = drawn(Array<string>(6).fill("a".repeat(40)));
    const places = dark(ground);
    // The highlight lies in the very middle.
    for (let y = 0; y < 6; y++) for (let x = 17; x < 23; x++) places[y * 40 + x] = 20;
    const plane = sectionPlane(ground, [2], places);
    const inside = new Set<number>();
    for (let y = 1; y < 5; y++) for (let x = 18; x < 22; x++) inside.add(plane[y * 40 + x]!);
    expect(inside.size).toBe(1);
    for (const n of counts(plane, ground.own, 0)) expect(n).toBeGreaterThan(70);
  });
  it("numbers every pixel of every area, of parts that hang together nowhere too, and leaves what is whole whole", () => {
    const ground = drawn(["aa..aa..bb", "aa..aa..bb", "aa......bb"]);
    const plane = sectionPlane(ground, [2, 1], dark(ground));
    ground.own.forEach((a, p) => expect(plane[p]! > 0).toBe(a >= 0));
    expect(counts(plane, ground.own, 0)).toHaveLength(2);
    expect(counts(plane, ground.own, 1)).toEqual([6]);
    // More sections than pixels: none is numbered beyond what there is.
    const many = sectionPlane(ground, [40, 1], dark(ground));
    expect(Math.max(...many)).toBeLessThanOrEqual(40);
  });
});

it("cuts an area that winds on and on, in time", () => {
  // A path one pixel wide, there and back, 200,000 pixels long.
  const [width, height] = [400, 1001];
  const data = new Uint16Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      if (y % 2 === 0 || x === (y % 4 === 1 ? width - 1 : 0)) data[y * width + x] = 1;
  const ground = groundOf({ width, height, data }, [-1, 0], 1, [], 1);
  const sizes = counts(sectionPlane(ground, [300], dark(ground)), ground.own, 0);
  expect(sizes).toHaveLength(300);
  const share = ground.own.reduce((n, a) => n + (a === 0 ? 1 : 0), 0) / 300;
  for (const n of sizes) expect(n).toBeLessThan(2.1 * share);
});

describe("cutting levels", () => {
  it("costs no more than any other way that keeps the parts near even", () => {
    let seed = 7;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    for (let k = 0; k < 60; k++) {
      const n = 6 + Math.floor(random() * 6);
      const ground = Float64Array.from({ length: n }, () => 1 + Math.floor(random() * 4));
      const cost = Float64Array.from({ length: n }, () => 1 + Math.floor(random() * 9));
      const parts = 2 + Math.floor(random() * 2);
      const whole = ground.reduce((a, b) => a + b, 0);
      const middling = cost.reduce((a, b) => a + b, 0) / n;
      const priceOf = (ends: readonly number[]) => {
        let [price, from] = [0, 0];
        for (const end of ends) {
          const off = (ground.slice(from, end).reduce((a, b) => a + b, 0) * parts) / whole - 1;
          if (off > 0.35 + 1e-9 || off < -0.35 - 1e-9) return Infinity;
          price += (end < n ? cost[end]! : 0) + 1.5 * middling * (off / 0.35) ** 2;
          from = end;
        }
        return price;
      };
      let least = Infinity;
      const tryAll = (ends: number[], from: number) => {
        if (ends.length === parts - 1) least = Math.min(least, priceOf([...ends, n]));
        else for (let e = from + 1; e < n; e++) tryAll([...ends, e], e);
      };
      tryAll([], 0);
      const ends = cutLevels(ground, cost, parts);
      expect(ends.at(-1)).toBe(n);
      expect(ends).toHaveLength(parts);
      if (Number.isFinite(least)) expect(priceOf(ends)).toBeCloseTo(least, 9);
    }
  });
});
