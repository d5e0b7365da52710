import { groundWhere } from "@/fixtures/forms";
import { DARKEST } from "@/core/light/value-field";
import { seeded } from "@/sim/random";
import { calmed, smoothed } from "./calm";
import { NO_TONES, toneMap, tOf, zoneAt, type ToneWish } from "./tone-map";

const [SIDE, MM] = [160, 0.25];
const borders = [0, 0.3, 0.7, 1];
const wish: ToneWish = { ...NO_TONES, borders };
const sheet = groundWhere(SIDE, SIDE, 1, () => 0, MM);
const zonesOf = (places: Uint8Array) => Uint8Array.from(places, (b) => (b ? 1 + zoneAt(borders, tOf(b)) : 0));

/** Sizes, mm², of the joined places of each tone, by a plain flood. */
function sizesOf(zones: Uint8Array, own: Int16Array, width = SIDE): number[] {
  const seen = new Uint8Array(zones.length);
  const out: number[] = [];
  for (let seed = 0; seed < zones.length; seed++) {
    if (seen[seed] || !zones[seed]) continue;
    const reached = [seed];
    seen[seed] = 1;
    for (let i = 0; i < reached.length; i++) {
      const p = reached[i]!;
      for (const q of [p % width ? p - 1 : -1, (p + 1) % width ? p + 1 : -1, p - width, p + width])
        if (q >= 0 && q < zones.length && !seen[q] && zones[q] === zones[p] && own[q] === own[p]) {
          seen[q] = 1;
          reached.push(q);
        }
    }
    out.push(reached.length * MM ** 2);
  }
  return out;
}

/** Light from the left, with freckles and a ragged edge. */
function freckled(seed: number): Uint16Array {
  const random = seeded(seed);
  const spots = Array.from({ length: 40 }, () => ({
    x: random() * SIDE,
    y: random() * SIDE,
    r: 1 + 4 * random(),
    by: (random() - 0.5) * 1.4,
  }));
  const bend = 6 + 20 * random();
  const light = Float64Array.from({ length: SIDE * SIDE }, (_, p) => {
    const [x, y] = [p % SIDE, Math.floor(p / SIDE)];
    return (x + bend * Math.sin(y / 17)) / SIDE + 0.05 * (random() - 0.5);
  });
  for (const s of spots)
    for (let y = Math.max(0, Math.floor(s.y - s.r)); y < Math.min(SIDE, s.y + s.r); y++)
      for (let x = Math.max(0, Math.floor(s.x - s.r)); x < Math.min(SIDE, s.x + s.r); x++)
        if (Math.hypot(x - s.x, y - s.y) < s.r) light[y * SIDE + x]! += s.by;
  return Uint16Array.from(light, (v) => Math.min(1, Math.max(0, v)) * DARKEST);
}

describe("a tone map that a hand can follow", () => {
  it("has no place too small for a nib, on forty lights; few and whole", () => {
    for (let seed = 1; seed <= 40; seed++) {
      const values = freckled(seed);
      const plain = toneMap(values, sheet, [wish]);
      const calm = calmed(toneMap(smoothed(values, sheet), sheet, [wish]), sheet, [wish]);
      const [before, after] = [plain, calm].map((m) => sizesOf(zonesOf(m.places), sheet.own));
      expect(before!.filter((mm2) => mm2 < 6).length).toBeGreaterThan(5);
      expect(after!.filter((mm2) => mm2 < 6)).toEqual([]);
      expect(after!.length).toBeLessThanOrEqual(9);
      // Light stays light and dark stays dark: in the mean over a nib's breadth hardly anything moved.
      const off = calm.places.reduce((sum, b, p) => sum + Math.abs(tOf(b) - tOf(plain.places[p]!)), 0);
      expect(off / calm.places.length).toBeLessThan(0.09);
      // Each tone keeps its share of the area.
      const share = (m: typeof calm, zone: number) =>
        zonesOf(m.places).filter((z) => z === zone).length / SIDE ** 2;
      for (const zone of [1, 2, 3])
        expect(Math.abs(share(calm, zone) - share(plain, zone))).toBeLessThan(0.06);
    }
  });
  it("counts what it shows", () => {
    const calm = calmed(toneMap(freckled(3), sheet, [wish]), sheet, [wish]);
    const counted = new Uint32Array(256);
    for (const b of calm.places) counted[b]!++;
    expect([...calm.counts]).toEqual([...counted]);
  });
  it("leaves what stays white by hand, small areas, one tone and what is drawn as hair", () => {
    const values = freckled(5);
    const white: ToneWish = { ...wish, whites: [{ at: [0.8, 0.5], radius: 0.8 }] };
    const kept = calmed(toneMap(values, sheet, [white]), sheet, [white]);
    expect(kept.places[80 * SIDE + 128]).toBe(0);
    const tiny = groundWhere(16, 16, 1, () => 0, MM);
    const spots = Uint16Array.from({ length: 256 }, (_, p) => (p % 5 ? 20_000 : 50_000));
    const small = toneMap(spots, tiny, [wish]);
    expect(calmed(small, tiny, [wish])).toBe(small);
    const one = toneMap(values, sheet, [NO_TONES]);
    expect(calmed(one, sheet, [NO_TONES])).toBe(one);
    expect([...smoothed(values, sheet, () => true)]).toEqual([...values]);
  });
  it("lets nothing cross from one area into another", () => {
    const two = groundWhere(SIDE, SIDE, 2, (x) => (x < SIDE / 2 ? 0 : 1), MM);
    const values = Uint16Array.from({ length: SIDE * SIDE }, (_, p) => (p % SIDE < SIDE / 2 ? 0 : DARKEST));
    expect([...smoothed(values, two)]).toEqual([...values]);
  });
});
