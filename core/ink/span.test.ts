import fc from "fast-check";
import { coatsAt, covers, mostCoats, stretches } from "./span";

const span = fc
  .tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }))
  .map(([a, b]) => ({ from: Math.min(a, b), to: Math.max(a, b), coats: 1 }));

describe("spans of an area", () => {
  it("that meet leave no place to both and none to neither", () => {
    const [one, two] = [
      { from: 0, to: 0.4 },
      { from: 0.4, to: 1 },
    ];
    for (const t of [0, 0.2, 0.4, 0.7, 1])
      expect([covers(one, t), covers(two, t)].filter(Boolean)).toHaveLength(1);
    expect(covers(two, 0.4)).toBe(true);
    expect(covers(one, 0.4)).toBe(false);
  });
  it("that were worked out along different ways still meet", () =>
    expect(covers({ from: 0.1 + 0.2, to: 1 }, 0.3)).toBe(true));
  it("cut the area into stretches on which the same ones lie", () =>
    fc.assert(
      fc.property(
        fc.array(span, { maxLength: 6 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (spans, share) => {
          const parts = stretches(spans);
          expect(parts[0]!.from).toBe(0);
          expect(parts.at(-1)!.to).toBe(1);
          for (const { from, to } of parts.filter((p) => p.to - p.from > 1e-6)) {
            const there = coatsAt(spans, (from + to) / 2);
            const inside = from + (to - from) * (0.01 + 0.98 * share);
            expect(coatsAt(spans, inside)).toBe(there);
            expect(there).toBeLessThanOrEqual(mostCoats(spans));
          }
        },
      ),
    ));
});
