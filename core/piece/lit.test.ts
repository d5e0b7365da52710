import { DEFAULT_FORM, NO_GROWTH } from "@/core/light/form";
import { DEFAULT_LIGHT } from "@/core/light/light";
import { applyCommand } from "./commands";
import { groundShadowOf } from "./ground-shadow";
import { formOf, toneWishOf, zonesOf } from "./lit";
import { newArea, newPiece, type Piece } from "./piece";
import { upgradePiece } from "./upgrade";

const piece: Piece = { ...newPiece("Kite", null), areas: [newArea("a", "Skin"), newArea("b", "Hair")] };

describe("the light of a piece", () => {
  it("is changed part by part, areas several at once, and what nobody said is as usual", () => {
    const lit = applyCommand(piece, { type: "change light", set: { softness: 0.9 } });
    expect(lit.light).toEqual({ ...DEFAULT_LIGHT, softness: 0.9 });
    expect(formOf(lit.areas[0]!)).toEqual(DEFAULT_FORM);
    const each = applyCommand(lit, {
      type: "change forms",
      sets: [
        { id: "b", set: { kind: "flat", stands: 0 } },
        { id: "a", set: { kind: "folded" } },
        { id: "nobody", set: { kind: "flat" } },
      ],
    });
    expect(each.areas.map((a) => [a.id, a.form?.kind])).toEqual([
      ["a", "folded"],
      ["b", "flat"],
    ]);
    const shaped = applyCommand(lit, { type: "change form", ids: ["a", "b"], set: { kind: "tube" } });
    expect(shaped.areas.map((a) => formOf(a).kind)).toEqual(["tube", "tube"]);
    const haired = applyCommand(shaped, {
      type: "change form",
      ids: ["b"],
      set: { growth: { ...NO_GROWTH, band: 0 } },
    });
    expect(haired.areas[0]!.form!.growth).toBeNull();
    expect(haired.areas[1]!.form).toMatchObject({ kind: "tube", growth: { band: 0 } });
    const touched = applyCommand(haired, {
      type: "change tones",
      id: "a",
      set: { touches: [{ at: [0.5, 0.5], radius: 3, by: 1 }] },
    });
    expect(zonesOf(touched.areas[0]!)).toMatchObject({ shares: null, whites: [] });
    expect(zonesOf(touched.areas[1]!).touches).toEqual([]);
  });
  it("tells the tone map of shares only where they are for its number of tones", () => {
    const said = applyCommand(piece, { type: "change tones", id: "a", set: { shares: [0.3, 0.6] } })
      .areas[0]!;
    expect(toneWishOf(said, [0, 0.2, 0.7, 1]).shares).toEqual([0.3, 0.6]);
    expect(toneWishOf(said, [0, 0.5, 1]).shares).toBeNull();
    expect(toneWishOf({ ...said, white: true }, [0, 1]).white).toBe(true);
  });
  it("comes to documents of the fourth version", () => {
    const { light: _light, ...rest } = piece;
    const { form: _form, zones: _zones, ...bare } = newArea("a", "Skin");
    const now = upgradePiece({ ...rest, version: 4, areas: [bare] }) as Piece;
    expect(now).toEqual({ ...piece, areas: [newArea("a", "Skin")] });
  });
});

describe("a ground shadow", () => {
  const drawn = (box: [number, number, number, number]) => ({
    width: 1200,
    height: 1000,
    areas: [{ id: "a", mm2: 90, box }],
  });
  it("lies under the figure, away from the light, inside the drawing, as an area of its own that comes last", () => {
    const command = groundShadowOf(piece, drawn([0.3, 0.2, 0.6, 0.9]), new Set(), "g")!;
    const after = applyCommand(piece, command);
    const area = after.areas.at(-1)!;
    expect(area).toMatchObject({ id: "g", name: "Ground shadow", school: "layered", tones: 2 });
    expect(after.whole.last).toEqual(["g"]);
    const [cut] = after.setUp.cuts;
    expect(cut).toMatchObject({ closed: false, curved: true });
    const xs = cut!.points.map((p) => p[0]);
    const ys = cut!.points.map((p) => p[1]);
    for (const v of [...xs, ...ys]) {
      expect(v).toBeGreaterThanOrEqual(0);
      expect(v).toBeLessThanOrEqual(1);
    }
    // It begins and ends within what throws it, which stays one shape.
    for (const [x, y] of [cut!.points[0]!, cut!.points.at(-1)!]) {
      expect(Math.abs(x - 0.45)).toBeLessThan(0.05);
      expect(y).toBeLessThan(0.9);
    }
    // Lit from the left it falls to the right.
    expect((Math.min(...xs) + Math.max(...xs)) / 2).toBeGreaterThan(0.45);
    expect(Math.max(...ys)).toBeGreaterThan(0.9);
    expect(
      area.place!.at.every(([x, y]) => x > Math.min(...xs) && x < Math.max(...xs) && y < Math.max(...ys)),
    ).toBe(true);
    const second = groundShadowOf(after, drawn([0.3, 0.2, 0.6, 0.9]), new Set(["a"]), "h")!;
    expect(second).toMatchObject({ name: "Ground shadow 2" });
  });
  it("needs something that stands", () =>
    expect(groundShadowOf(piece, drawn([0, 0, 1, 1]), new Set(), "g")).toBeUndefined());
});
