import { inkTrial } from "@/fixtures/inked-pieces";
import { INK_LAWS } from "@/sim/ink-bottle";
import { INK_PRIOR, inkUse, type InkEvent, type InkMarker } from "./ink-use";

const marker = (code: string, more: Partial<InkMarker> = {}): InkMarker => ({
  code,
  full: 2,
  left: 1,
  spread: 0,
  ...more,
});
const laid = (code: string, mm2: number, coats = 1, paper = "card"): InkEvent => ({
  kind: "laid",
  code,
  mm2,
  coats,
  paper,
});
const weighed = (code: string, grams: number): InkEvent => ({ kind: "weighed", code, grams });

describe("ink in a marker", () => {
  it("falls by area, coats and openings as long as nothing is weighed", () => {
    const use = inkUse([marker("a")], [laid("a", 10_000, 2), laid("a", 5000)], []).markers[0]!;
    const wanted = 1 - 25_000e-6 * INK_PRIOR.laydown - 2 * INK_PRIOR.opening;
    expect(use.left.ml).toBeCloseTo(wanted, 9);
    expect(use.left.low).toBeLessThan(wanted - 0.1);
    expect(use.left.high).toBeGreaterThan(wanted + 0.1);
    expect(use).toMatchObject({ chance: 0, driesAt: null, takes: { ml: 0, low: 0, high: 0 } });
  });
  it("is what the scale says went, whatever the model thought", () => {
    const events = [weighed("a", 12.0), laid("a", 40_000), weighed("a", 11.15)];
    const { left } = inkUse([marker("a")], events, []).markers[0]!;
    expect(left.ml).toBeCloseTo(0, 9);
    const refilled = inkUse([marker("a")], [...events, { kind: "filled", code: "a", ml: 0.5 }], []);
    expect(refilled.markers[0]!.left.ml).toBeCloseTo(0.5, 9);
  });
  it("is never less than nothing nor more than a full one", () => {
    const all = inkUse(
      [marker("a", { left: 0.05 }), marker("b", { left: 2, spread: 0.5 })],
      [laid("a", 1e6, 5)],
      [{ code: "a", mm2: 10, coats: 1, paper: "card" }],
    ).markers;
    expect(all[0]!.left).toMatchObject({ ml: 0, low: 0 });
    expect(all[0]!.driesAt).toBe(0);
    expect(all[0]!.chance).toBeGreaterThan(0.95);
    expect(all[1]!.left.high).toBeLessThanOrEqual(2);
    expect(all[1]!.left.ml).toBeLessThan(2);
  });
  it("of a marker that is filled up is known anew", () => {
    const events: InkEvent[] = [laid("a", 200_000), { kind: "full", code: "a", ml: 1.8 }];
    const { left } = inkUse([marker("a", { spread: 0.4 })], events, []).markers[0]!;
    expect(left.ml).toBeGreaterThan(1.75);
    expect(left.high - left.low).toBeLessThan(0.35);
  });
  it("teaches the laydown of its paper to markers that no scale has seen, and of no other paper", () => {
    const events = Array.from({ length: 6 }, (_, i) => {
      const code = `w${i}`;
      return [weighed(code, 12), laid(code, 50_000), weighed(code, 12 - 0.85 * 50_000e-6 * 20)];
    }).flat();
    const markers = [...Array.from({ length: 6 }, (_, i) => marker(`w${i}`)), marker("a")];
    const steps = [
      { code: "a", mm2: 10_000, coats: 1, paper: "card" },
      { code: "a", mm2: 10_000, coats: 1, paper: "vellum" },
    ];
    const { laydown } = inkUse(markers, events, steps);
    const [card, vellum] = laydown;
    expect(card!.ml).toBeGreaterThan(17);
    expect(card!.ml).toBeLessThan(20.5);
    expect(card!.weighed).toBe(true);
    expect(vellum!.ml).toBeCloseTo(INK_PRIOR.laydown, 9);
    expect(vellum!.weighed).toBe(false);
    expect(card!.high - card!.low).toBeLessThan((vellum!.high - vellum!.low) / 1.5);
  });
  it("dries up at the step that asks for more than there is", () => {
    const steps = [1, 2, 3, 4].map(() => ({ code: "a", mm2: 30_000, coats: 1, paper: "card" }));
    const use = inkUse([marker("a"), marker("b")], [], steps).markers;
    expect(use[0]!.driesAt).toBe(2);
    expect(use[0]!.after.ml).toBe(0);
    expect(use[1]).toMatchObject({ driesAt: null, chance: 0 });
  });
  it.each(Object.keys(INK_LAWS))(
    "lies where it says over 60 pieces, and nothing runs dry unsaid: %s",
    (law) => {
      const { held, unwarned, warnings, asked } = inkTrial(INK_LAWS[law]!, 60, 3);
      expect(held).toBeGreaterThan(0.85);
      expect(unwarned).toBe(0);
      expect(warnings).toBeLessThan(asked / 4);
    },
  );
});
