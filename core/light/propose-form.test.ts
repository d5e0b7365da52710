import { groundWhere } from "@/fixtures/forms";
import type { Material } from "@/core/group/material";
import { areaShapes, proposeForm } from "./propose-form";

const MM = 0.25;
const shapeOf = (inside: (x: number, y: number) => boolean, width = 320, height = 240) =>
  areaShapes(groundWhere(width, height, 1, (x, y) => (inside(x, y) ? 0 : -1), MM))[0]!;
const turned = (x: number, y: number, degrees: number): readonly [number, number] => {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return [(x - 160) * c - (y - 120) * s, (x - 160) * s + (y - 120) * c];
};
const disc = shapeOf((x, y) => Math.hypot(x - 160, y - 120) < 60);
const bar = (degrees: number) =>
  shapeOf((x, y) => {
    const [u, v] = turned(x, y, degrees);
    return Math.abs(u) < 90 && Math.abs(v) < 10;
  });
const board = (degrees: number) =>
  shapeOf((x, y) => {
    const [u, v] = turned(x, y, degrees);
    return Math.abs(u) < 70 && Math.abs(v) < 45;
  });
/** A half ring: as long as it is bent. */
const bow = shapeOf((x, y) => y < 160 && Math.abs(Math.hypot(x - 160, y - 160) - 100) < 9);
const kind = (shape: typeof disc, material: Material = "other", name = "Area 1") =>
  proposeForm(shape, material, name).set.kind;

describe("how an area lies", () => {
  it("is measured whichever way it is turned, and however it bends", () => {
    expect(disc.mm2).toBeCloseTo(Math.PI * 15 ** 2, -1);
    expect(Math.abs(disc.reach - 15)).toBeLessThan(0.3);
    expect(Math.abs(disc.slender - Math.PI / 4)).toBeLessThan(0.03);
    expect(Math.abs(disc.filled - Math.PI / 4)).toBeLessThan(0.03);
    for (const degrees of [0, 17, 45, 90]) {
      expect(Math.abs(bar(degrees).slender - 9)).toBeLessThan(1.2);
      expect(board(degrees).filled).toBeGreaterThan(0.94);
    }
    // Its middle line is 100π pixels long, and 18 are its width.
    expect(Math.abs(bow.slender - (100 * Math.PI) / 18)).toBeLessThan(3);
    expect(bow.filled).toBeLessThan(0.6);
  });

  it("is that of the largest part, with what it encloses", () => {
    const holed = shapeOf(
      (x, y) => Math.hypot(x - 160, y - 120) < 60 && Math.hypot(Math.abs(x - 160) - 25, y - 120) > 12,
    );
    expect(holed.reach).toBeCloseTo(disc.reach, 6);
    expect(holed.slender).toBeCloseTo(disc.slender, 6);
    expect(holed.mm2).toBeLessThan(disc.mm2 - 50);
    const panes = shapeOf((x, y) => y > 100 && y < 130 && x % 60 < 30);
    expect(panes.slender).toBeLessThan(1.4);
    expect(panes.filled).toBeGreaterThan(0.95);
  });

  it("knows the sides of the picture that it runs out to; an area of no pixel has no size", () => {
    const ground = groundWhere(100, 80, 3, (x, y) => (y < 30 ? 0 : x < 20 ? 1 : -1), MM);
    const [sky, strip, none] = areaShapes(ground);
    expect(sky!.sides).toBe(3);
    expect(sky!.frame).toBeCloseTo((100 + 30 + 30) / 360, 2);
    expect(strip!.sides).toBe(2);
    expect(none!.mm2).toBe(0);
    const [pebbles] = areaShapes(
      groundWhere(100, 80, 1, (x, y) => (x % 20 < 14 && y % 20 < 14 ? 0 : -1), MM),
    );
    expect([pebbles!.sides, pebbles!.frame]).toEqual([0, 0]);
    // Nothing bounds what fills the picture.
    const [all] = areaShapes(groundWhere(100, 80, 1, () => 0, MM));
    expect([all!.sides, all!.frame, Number.isFinite(all!.slender)]).toEqual([4, 1, true]);
  });
});

describe("a form that is proposed", () => {
  it("goes by shape where nothing else is known", () => {
    expect([kind(disc), kind(bar(20)), kind(bow), kind(board(30))]).toEqual(["ball", "tube", "tube", "flat"]);
    const sky = areaShapes(groundWhere(100, 80, 1, (_, y) => (y < 30 ? 0 : -1), MM))[0]!;
    expect(proposeForm(sky, "other", "Area 1")).toEqual({
      set: { kind: "flat", stands: 0 },
      reason: "background",
    });
  });

  it("goes by the material: cloth has folds where there is room, fruit is round, metal mirrors, a limb is a tube", () => {
    expect(kind(board(0), "cloth")).toBe("folded");
    expect(
      kind(
        shapeOf((x, y) => Math.hypot(x - 160, y - 120) < 14),
        "cloth",
      ),
    ).toBe("ball");
    expect(kind(bar(0), "cloth")).toBe("tube");
    expect(kind(board(0), "fruit")).toBe("ball");
    expect(kind(board(0), "skin")).toBe("ball");
    const limb = shapeOf((x, y) => Math.abs(x - 160) < 60 && Math.abs(y - 120) < 22);
    expect([kind(limb, "skin"), kind(limb)]).toEqual(["tube", "flat"]);
    expect(proposeForm(bar(0), "metal", "Area 2").set).toEqual({ kind: "tube", shine: 0.6 });
    expect(kind(disc, "ground shadow", "Apple")).toBe("flat");
  });

  it("goes by the name before its shape, whole words only", () => {
    expect(kind(disc, "other", "The far wall")).toBe("flat");
    expect(kind(disc, "other", "Masts 2")).toBe("tube");
    expect(proposeForm(bar(0), "metal", "Table leg")).toMatchObject({ reason: "name" });
    expect(proposeForm(disc, "other", "Wallflower").reason).toBe("round");
    expect(kind(disc, "other", "Mastiff")).toBe("ball");
  });
});
