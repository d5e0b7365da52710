import { deltaE00 } from "@/core/colour/delta-e00";
import { labOf } from "@/core/colour/lab-of";
import { tristimulusWeights, type Illuminant, type Spectrum } from "@/core/colour/observer";
import { seeded } from "@/sim/random";
import { alike, partingPairs, standIns, twinsOf } from "./twins";

describe("twins", () => {
  it("differ by less than two ΔE00: lightness 50 and 51.5, not 50 and 53", () => {
    expect(alike([50, 0, 0], [51.5, 0, 0])).toBe(true);
    expect(alike([50, 0, 0], [53, 0, 0])).toBe(false);
  });
  it("are stood in for by the first of them", () =>
    expect([
      ...standIns([
        [50, 0, 0],
        [70, 0, 0],
        [51, 0, 0],
        [70.5, 0, 0],
        [30, 0, 0],
      ]),
    ]).toEqual([0, 1, 0, 1, 4]));
  it("are told nearest first, without the marker itself", () => {
    const all = [
      { code: "a", lab: [50, 0, 0] as const },
      { code: "b", lab: [51.6, 0, 0] as const },
      { code: "c", lab: [50.4, 0, 0] as const },
      { code: "d", lab: [60, 0, 0] as const },
    ];
    expect(twinsOf("a", all).map((t) => t.code)).toEqual(["c", "b"]);
  });
});

describe("pairs that part under a lamp", () => {
  const day = tristimulusWeights();
  /** What of a curve nobody sees by day: its part square to the three weights (Gram–Schmidt). */
  const unseenByDay = (curve: Spectrum): Spectrum => {
    const dot = (a: Spectrum, b: Spectrum) => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
    const square: Spectrum[] = [];
    const rest = (c: Spectrum) =>
      square.reduce((left, q) => left.map((v, i) => v - dot(left, q) * q[i]!), c.slice());
    for (const w of [day.x, day.y, day.z]) {
      const left = rest(w);
      square.push(left.map((v) => v / Math.sqrt(dot(left, left))));
    }
    return rest(curve);
  };
  const inks = Array.from({ length: 120 }, (_, i) => {
    const [base, own] = [seeded(i % 12), seeded(100 + i)];
    const [level, tilt] = [0.3 + 0.3 * base(), base() - 0.5];
    const wave = unseenByDay(Float64Array.from({ length: 36 }, (_, k) => Math.sin(k / (2 + 3 * own()))));
    const size = i < 12 ? 0 : 0.25 * own();
    return {
      code: `i${i}`,
      reflectance: wave.map((v, k) => level + (0.3 * tilt * (k - 18)) / 36 + size * v),
    };
  });
  it("are those that every pair compared under every light gives, farthest apart first", () => {
    const found = partingPairs(inks);
    const plain: { codes: string; apart: number; light: Illuminant }[] = [];
    for (const [i, a] of inks.entries())
      for (const b of inks.slice(i + 1)) {
        const off = (light: Illuminant) => deltaE00(labOf(a.reflectance, light), labOf(b.reflectance, light));
        const light = off("A") >= off("D50") ? "A" : "D50";
        if (off("D65") < 2 && off(light) > 3)
          plain.push({ codes: [a.code, b.code].sort().join(), apart: off(light), light });
      }
    expect(plain.length).toBeGreaterThan(3);
    expect(found.map((p) => ({ codes: [...p.codes].sort().join(), apart: p.apart, light: p.light }))).toEqual(
      plain.sort((a, b) => b.apart - a.apart),
    );
  });
  it("are none among inks of one curve", () =>
    expect(partingPairs(inks.slice(0, 12).flatMap((i) => [i, { ...i, code: `${i.code}b` }]))).toEqual([]));
});
