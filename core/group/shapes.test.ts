import { mostCoats } from "@/core/ink/span";
import type { Lab } from "@/core/colour/lab";
import { shapeWish } from "@/fixtures/group-wish";
import { layDesk } from "@/core/ink/desk";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { layingPasses } from "./lay";
import { SCHOOLS } from "./school";
import { layingOf } from "./shape";
import { shapesOf, toneCounts, type ShadowWay } from "./shapes";

const desk = layDesk(...scannedDesk(3, 2));
const local: Lab = [60, 15, 20];
const ends = { light: [84, 8, 14] as Lab, local, shadow: [30, 12, 12] as Lab };

describe("the ways to lay a group", () => {
  it("are those that were asked for", () => {
    const ways = (shadow: ShadowWay) =>
      new Set(shapesOf(shapeWish(desk, ends, { shadow }), 3).map((s) => s.shape.shadow));
    expect(ways("deeper")).toEqual(new Set(["tone"]));
    expect(ways("underlay")).toEqual(new Set(["under"]));
    expect(ways("overlay")).toEqual(new Set(["over"]));
    expect(ways("best")).toEqual(new Set(["tone", "under", "over"]));
  });
  it("are none that the paper cannot hold with one coat of everything", () => {
    for (const school of SCHOOLS)
      for (let capacity = 1; capacity <= 7; capacity++)
        for (const { shape } of shapesOf(shapeWish(desk, ends, { school, capacity, shadow: "best" }), 4)) {
          const passes = layingPasses(layingOf(shape, [1, 1, 1, 1], 1));
          expect(mostCoats(passes)).toBeLessThanOrEqual(capacity + 1e-9);
        }
    expect(shapesOf(shapeWish(desk, ends, { capacity: 2 }), 4)).toEqual([]);
    expect(shapesOf(shapeWish(desk, ends, { capacity: 2, school: "dark first" }), 4).length).toBeGreaterThan(
      0,
    );
  });
  it("give the local colour to the tone from which the steps fall evenly", () => {
    const nearLight = { light: [66, 15, 20] as Lab, local, shadow: [20, 10, 10] as Lab };
    const nearShadow = { light: [92, 4, 8] as Lab, local, shadow: [54, 15, 20] as Lab };
    const first = (target: typeof nearLight) => shapesOf(shapeWish(desk, target), 4)[0]!.shape.local;
    expect(first(nearLight)).toBeLessThan(first(nearShadow));
    expect(shapesOf(shapeWish(desk, ends), 3)[0]!.shape.local).toBe(1);
  });
  it("want a place more where ink under or over it makes the shadow end", () => {
    const shapes = shapesOf(shapeWish(desk, ends, { shadow: "best" }), 3);
    for (const { shape, goal } of shapes) {
      expect(goal.places).toHaveLength(shape.shadow === "tone" ? 3 : 4);
      expect(goal.places[shape.local]).toEqual(local);
      if (shape.local > 0) expect(goal.places[0]![0]).toBeCloseTo(84, 9);
      expect(goal.places.at(-1)![0]).toBeCloseTo(shape.local === goal.places.length - 1 ? 60 : 30, 9);
    }
  });
  it("span as much with few tones as with many, where the number is left open", () => {
    const span = (n: number) => {
      const { goal } = shapesOf(shapeWish(desk, { local }, { tones: "auto", mostTones: 5 }), n)[0]!;
      return goal.contrast;
    };
    expect(span(3)).toBeCloseTo(span(4), 6);
    const fixed = (n: number) => shapesOf(shapeWish(desk, { local }, { tones: n }), n)[0]!.goal.contrast;
    expect(fixed(3)).toBeLessThan(fixed(4));
  });
});

describe("the number of tones", () => {
  it("is what was said, or all from two to what suits, never fewer than are locked", () => {
    expect(toneCounts(shapeWish(desk, ends, { tones: 5 }))).toEqual([5]);
    expect(toneCounts(shapeWish(desk, ends, { tones: "auto", mostTones: 4 }))).toEqual([2, 3, 4]);
    expect(toneCounts(shapeWish(desk, ends, { tones: "auto", mostTones: 4 }), 3)).toEqual([3, 4]);
    expect(toneCounts(shapeWish(desk, ends, { tones: "auto", mostTones: 2 }), 4)).toEqual([4]);
  });
});
