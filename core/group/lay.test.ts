import fc from "fast-check";
import { coatsAt, covers, mostCoats } from "@/core/ink/span";
import { bordersOf, laidAt, layingPasses, placesOf, type Laying } from "./lay";
import { middleTone, SCHOOLS, toneBorders } from "./school";

const laying = (change: Partial<Laying> = {}): Laying => ({
  school: "light first",
  coats: [1, 1, 1, 1],
  local: 1,
  under: [],
  over: [],
  capacity: 5,
  ...change,
});
const anyLaying = fc
  .record({
    school: fc.constantFrom(...SCHOOLS),
    coats: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 2, maxLength: 6 }),
    under: fc.array(fc.integer({ min: 1, max: 2 }), { maxLength: 1 }),
    over: fc.array(fc.integer({ min: 1, max: 2 }), { maxLength: 1 }),
    capacity: fc.integer({ min: 2, max: 9 }),
    at: fc.double({ min: 0, max: 0.999, noNaN: true }),
  })
  .map(({ at, ...l }): Laying => ({ ...l, local: Math.floor(at * l.coats.length) }));

describe("where tones are wanted", () => {
  it("the middle of the area is always the local colour's, the ends cover the least", () => {
    for (let n = 2; n <= 7; n++)
      for (let local = 0; local < n; local++) {
        const b = toneBorders(n, local);
        expect(b).toHaveLength(n + 1);
        expect(b[0]).toBeCloseTo(0, 12);
        expect(b[n]).toBeCloseTo(1, 12);
        b.slice(1).forEach((v, i) => expect(v).toBeGreaterThan(b[i]!));
        if (local > 0) expect(b[local]).toBeLessThanOrEqual(0.38 + 1e-9);
        if (local < n - 1) expect(b[local + 1]).toBeGreaterThanOrEqual(0.62 - 1e-9);
      }
    expect(middleTone(4)).toBe(1);
    expect(middleTone(5)).toBe(2);
  });
});

describe("the passes of a group", () => {
  it("lie within the area, lay every tone, and are seen at its place", () =>
    fc.assert(
      fc.property(anyLaying, (l) => {
        const passes = layingPasses(l);
        for (const p of passes) expect(p.from >= 0 && p.to <= 1 + 1e-12 && p.from < p.to).toBe(true);
        const places = placesOf(l, passes);
        expect(places).toHaveLength(l.coats.length + 2);
        l.coats.forEach((_, tone) =>
          expect(
            passes.some((p) => p.tone === tone && p.kind !== "underlay" && covers(p, places[tone + 1]!.t)),
          ).toBe(true),
        );
        for (let i = 1; i < places.length; i++)
          expect(places[i]!.t).toBeGreaterThanOrEqual(places[i - 1]!.t - 1e-9);
      }),
    ));
  it("of a darker tone do not reach the middle of a lighter one, but where the school says so", () =>
    fc.assert(
      fc.property(anyLaying, (l) => {
        const passes = layingPasses(l);
        const places = placesOf(l, passes);
        l.coats.forEach((_, tone) =>
          passes
            .filter((p) => p.kind !== "underlay" && p.kind !== "overlay" && p.tone > tone)
            .forEach((p) => expect(covers(p, places[tone + 1]!.t)).toBe(false)),
        );
      }),
    ));
  it("blend back only as far as the paper holds", () =>
    fc.assert(
      fc.property(anyLaying, (l) => {
        const passes = layingPasses(l);
        const laid = passes.filter((p) => p.kind !== "blend back");
        // Where what must lie already fills the sheet, no blending pass lies over it.
        for (let t = 0.005; t < 1; t += 0.01) {
          const blends = passes.filter(
            (p) =>
              p.kind === "blend back" &&
              covers(p, t) &&
              passes.some((o) => o.kind === "lay" && o.tone === p.tone),
          );
          if (blends.length && coatsAt(laid, t) <= l.capacity)
            expect(coatsAt(passes, t)).toBeLessThanOrEqual(Math.max(l.capacity, coatsAt(laid, t)) + 1e-9);
        }
      }),
    ));
  it("stay in capacity for four tones of one coat on a paper of five, in every school", () => {
    for (const school of SCHOOLS)
      expect(mostCoats(layingPasses(laying({ school })))).toBeLessThanOrEqual(5 + 1e-9);
    expect(mostCoats(layingPasses(laying({ coats: [2, 2, 2, 2] })))).toBeGreaterThan(5);
  });
  it("make the shadow end a place of its own where ink lies under or over it alone", () => {
    const l = laying({ coats: [1, 1, 1], under: [2], local: 1 });
    const passes = layingPasses(l);
    const [, , , last, shadow] = placesOf(l, passes);
    const under = passes.find((p) => p.kind === "underlay")!;
    expect(passes[0]).toBe(under);
    expect(covers(under, last!.t)).toBe(false);
    expect(covers(under, shadow!.t)).toBe(true);
    expect(bordersOf(l)).toHaveLength(5);
    expect(laidAt(passes, { tones: [4, 5, 6], under: [7], over: [] }, shadow!.t)[0]).toEqual({
      ink: 7,
      coats: 2,
      wet: false,
    });
    // The first tone comes onto a dry underlay.
    expect(passes[1]!.wet).toBe(false);
  });
  it("have their places where their tones lie, not where only bare paper is", () => {
    for (const school of ["middle out", "dark first"] as const) {
      const l = laying({ school });
      const passes = layingPasses(l);
      const first = placesOf(l, passes)[1]!;
      const from = Math.min(...passes.filter((p) => p.tone === 0).map((p) => p.from));
      expect(from).toBeGreaterThan(0.01);
      expect(first.t).toBeCloseTo((from + bordersOf(l)[1]!) / 2, 9);
    }
  });
});
