import { applyCommand } from "./commands";
import { asLayers, newArea, newPiece, type Area, type Piece } from "./piece";
import { allVariants, compared, drawingChanges, isBuiltAlike, withDrawingOf, type Variant } from "./variants";

const area = (id: string, ...codes: string[]): Area => ({
  ...newArea(id, `Area ${id}`),
  layers: asLayers(codes.map((code) => ({ code, coats: 1 }))),
});
const variant = (id: string, areas: readonly Area[], underlay: readonly string[] = []): Variant => ({
  id,
  name: id,
  piece: { areas: [...areas], whole: { ...newPiece(id, null).whole, underlay: [...underlay] } },
});
const pale = variant(
  "pale",
  [area("skin", "rust1c", "rust2c"), area("hair", "corn2m", "corn4m")],
  ["dusk2c"],
);
const deep = variant("deep", [
  area("skin", "rust6d", "rust8d"),
  area("hair", "corn2m", "soot8m"),
  area("hat", "ruby5m"),
]);

describe("variants of one drawing", () => {
  it("say what they take in hand together, what each of them does, and what one alone does", () => {
    const { variants, all, inEvery } = compared([pale, deep]);
    expect([all, inEvery]).toEqual([9, 1]);
    expect([...variants[0]!.codes].sort()).toEqual(["corn2m", "corn4m", "dusk2c", "rust1c", "rust2c"]);
    expect([...variants[1]!.onlyHere].sort()).toEqual(["ruby5m", "rust6d", "rust8d", "soot8m"]);
    // The sum of what is in one alone and what is shared is all of it, however many there are.
    const three = compared([pale, deep, variant("night", [area("skin", "rust6d", "soot8m")])]);
    const inMore = [...new Set(three.variants.flatMap((v) => [...v.codes]))].filter(
      (c) => three.variants.filter((v) => v.codes.has(c)).length > 1,
    ).length;
    expect(three.variants.reduce((sum, v) => sum + v.onlyHere.length, inMore)).toBe(three.all);
  });
  it("meet by their areas, also where one has an area that another has not", () => {
    const { rows } = compared([pale, deep]);
    expect(rows.map((r) => r.id)).toEqual(["skin", "hair", "hat"]);
    expect(rows[2]!.areas).toEqual([undefined, deep.piece.areas[2]]);
    expect(isBuiltAlike(pale.piece.areas[0]!, deep.piece.areas[0]!)).toBe(false);
    expect(isBuiltAlike(pale.piece.areas[0]!, area("other", "rust1c", "rust2c"))).toBe(true);
  });
  it("tell first where they differ", () => {
    const same = [area("sky", "lake1c"), area("sea", "lake5c"), area("skin", "rust1c")];
    const { rows } = compared([
      variant("a", same),
      variant("b", [...same.slice(0, 2), area("skin", "rust6d")]),
    ]);
    expect(rows.map((r) => r.id)).toEqual(["skin", "sky", "sea"]);
  });
  it("of one piece alone share nothing with anybody", () => {
    const { all, inEvery, variants } = compared([pale]);
    expect([all, inEvery, variants[0]!.onlyHere]).toEqual([5, 5, []]);
    expect(compared([]).rows).toEqual([]);
  });
});

describe("an area that takes the plan of another piece's", () => {
  const place = { at: [[0.5, 0.5] as const], mm2: 40, part: 40, width: 4 };
  const own: Area = { ...area("skin", "rust1c"), place, note: "mine", name: "Face" };
  const piece: Piece = { ...newPiece("Pale", null), areas: [own, { ...area("paper"), white: true }] };
  const source: Area = {
    ...area("skin", "rust6d", "rust8d"),
    material: "skin",
    note: "theirs",
    readings: { local: { lab: [40, 10, 10], spread: 1, at: { x: 0.1, y: 0.1, width: 0, height: 0 } } },
  };
  const take = (id: string) => applyCommand(piece, { type: "take plan", id, source, from: "Deep" }).areas;

  it("has its layers and what was wished, and keeps its place, name and note", () => {
    const [face] = take("skin");
    expect(face).toMatchObject({
      name: "Face",
      note: "mine",
      place,
      material: "skin",
      layers: source.layers,
    });
    expect(face!.readings).toEqual({ local: { lab: [40, 10, 10], spread: 0, from: "like Deep" } });
  });
  it("is no area that stays bare, nor one that is not there", () => {
    expect(take("paper")).toEqual(piece.areas);
    expect(take("nobody")).toEqual(piece.areas);
  });
});

describe("a drawing that reaches its variants", () => {
  const at = (id: string, x: number, ...codes: string[]): Area => ({
    ...area(id, ...codes),
    place: { at: [[x, 0.5]], mm2: 40, part: 40, width: 4 },
  });
  const source: Piece = {
    ...newPiece("Day", null),
    areas: [
      at("skin", 0.2, "rust1c"),
      { ...at("hair", 0.4, "corn2m"), name: "Fringe" },
      at("bow", 0.6, "ruby5m"),
    ],
    light: { ...newPiece("", null).light, contrast: 0.9 } as Piece["light"],
  };
  const own: Piece = {
    ...newPiece("Night", null),
    areas: [at("hat", 0.9, "soot8m"), at("hair", 0.3, "dusk4m"), at("skin", 0.2, "rust6d")],
    whole: { ...newPiece("", null).whole, neighbours: [["hat", "hair"]], first: ["hat"], scene: "cool" },
  };

  it("says what differs, and nothing where nothing does", () => {
    expect(drawingChanges(own, source)).toMatchObject({
      fresh: ["Area bow"],
      gone: ["Area hat"],
      otherwise: ["Fringe"],
    });
    expect(drawingChanges(source, source)).toBeUndefined();
    // What is measured anew whenever it is seen is no change.
    const seen = {
      ...source,
      areas: source.areas.map((a) => ({ ...a, place: { ...a.place!, shares: [1], mm2: 41 } })),
    };
    expect(drawingChanges(seen, source)).toBeUndefined();
  });
  it("leaves the variant its colours and wishes, and nothing that differs", () => {
    const then = withDrawingOf(own, source);
    expect(drawingChanges(then, source)).toBeUndefined();
    expect(then.areas.map((a) => [a.id, a.name, a.layers])).toEqual([
      ["skin", "Area skin", own.areas[2]!.layers],
      ["hair", "Fringe", own.areas[1]!.layers],
      ["bow", "Area bow", source.areas[2]!.layers],
    ]);
    expect(then.whole.scene).toBe("cool");
    expect(JSON.stringify(then)).not.toContain('"hat"');
    expect([then.name, then.light]).toEqual(["Night", source.light]);
  });
  it("gives a drawing back as it was, colours and all but what went with an area", () => {
    const back = withDrawingOf(withDrawingOf(own, source), own);
    expect(drawingChanges(back, own)).toBeUndefined();
    expect(back.areas).toEqual(own.areas);
  });
});

describe("variants as one piece", () => {
  it("keeps every area once under a name of its own, its neighbours within its variant, and its scene", () => {
    const pieces = [pale, deep].map(({ piece }, i) => ({
      ...piece,
      whole: { ...piece.whole, scene: i ? ("warm" as const) : ("neutral" as const), neighbours: null },
      setUp: { touches: [["skin", "hair", 12] as const] },
    }));
    const first: Piece = {
      ...newPiece("pale", null),
      ...pieces[0]!,
      setUp: { ...newPiece("", null).setUp, ...pieces[0]!.setUp },
    };
    const { piece, of } = allVariants(first, pieces.slice(1));
    expect(new Set(piece.areas.map((a) => a.id)).size).toBe(5);
    expect([...of.values()].map((o) => `${o.variant} ${o.area}`)).toEqual([
      "0 skin",
      "0 hair",
      "1 skin",
      "1 hair",
      "1 hat",
    ]);
    expect(piece.whole.neighbours).toHaveLength(2);
    for (const pair of piece.whole.neighbours!)
      expect(new Set(pair.map((id) => of.get(id)!.variant)).size).toBe(1);
    expect(piece.areas.map((a) => a.drift.light)).toEqual([0, 0, 1, 1, 1]);
  });
});
