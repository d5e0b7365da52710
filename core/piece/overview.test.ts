import { judgeAgain, merging, middleOf, seenAreas, sharedMarkers } from "./overview";
import { driftIn, newArea, newPiece, NO_DRIFT, upgradePiece, type Area, type Piece } from "./piece";

const area = (id: string, ...codes: string[]): Area => ({
  ...newArea(id, id),
  group: { tones: codes.map((code) => ({ code, coats: 1 })) },
});
const colours: Record<string, readonly [number, number, number]> = {
  a: [80, 5, 5],
  b: [60, 5, 5],
  c: [40, 5, 5],
  d: [62, 6, 5],
  x: [30, 0, 0],
};
const areas = [
  area("skin", "c", "a", "b"),
  area("hat", "a", "d"),
  area("coat", "x", "b"),
  newArea("sky", "sky"),
];
const blank = newPiece("Test", null);
const piece: Piece = {
  ...blank,
  areas,
  whole: {
    ...blank.whole,
    apart: 8,
    neighbours: [
      ["skin", "hat"],
      ["skin", "coat"],
      ["coat", "sky"],
    ],
  },
};
const seen = seenAreas(areas, (code) => colours[code]);

describe("a piece seen as a whole", () => {
  it("has its tones light to dark, whatever order they are laid in, unread ones left out", () => {
    expect(seen[0]!.tones.map((t) => t.code)).toEqual(["a", "b", "c"]);
    expect(seenAreas([area("z", "a", "nobody")], (c) => colours[c])[0]!.tones).toHaveLength(1);
    expect(middleOf(seen[3]!)).toBeUndefined();
  });
  it("says which neighbours merge", () => {
    expect(merging(piece, seen).map((m) => m.areas.map((a) => a.id))).toEqual([["skin", "hat"]]);
    expect(merging({ ...piece, whole: { ...piece.whole, apart: 0 } }, seen)).toEqual([]);
  });
  it("asks to judge early areas again beside much darker later ones", () => {
    expect(judgeAgain(piece, seen).map((c) => [c.early.id, c.late.id, c.darker])).toEqual([
      ["skin", "coat", 30],
    ]);
    expect(
      judgeAgain({ ...piece, whole: { ...piece.whole, neighbours: [["coat", "skin"]] } }, seen)[0]!.early.id,
    ).toBe("skin");
  });
  it("knows what is shared", () =>
    expect(
      sharedMarkers(areas)
        .filter((m) => m.areas.length > 1)
        .map((m) => [m.code, m.areas.map((a) => a.id)]),
    ).toEqual([
      ["a", ["skin", "hat"]],
      ["b", ["skin", "coat"]],
    ]));
});

describe("a document of version 1", () => {
  const old = {
    version: 1,
    name: "Old",
    paperId: null,
    pictureId: null,
    areas: [
      {
        id: "a",
        name: "Skin",
        readings: {},
        tones: 3,
        contrast: 20,
        ownedOnly: false,
        group: { tones: [{ code: "clay1c", coats: 1 }] },
        note: "kept",
      },
    ],
  };
  it("comes up to the present shape with nothing lost", () => {
    const now = upgradePiece(old) as Piece;
    expect(now).toMatchObject({ version: 2, name: "Old", whole: blank.whole });
    expect(now.areas[0]).toEqual({
      ...newArea("a", "Skin"),
      tones: 3,
      contrast: 20,
      ownedOnly: false,
      group: old.areas[0]!.group,
      note: "kept",
    });
  });
  it("of another shape is left for the border to refuse", () => {
    for (const odd of [null, 4, "x", { version: 2 }, { version: 7 }]) expect(upgradePiece(odd)).toBe(odd);
    expect(upgradePiece({ version: 1, areas: "x" })).toMatchObject({ version: 2, areas: "x" });
    expect(upgradePiece({ version: 1, areas: [7, null] })).toMatchObject({ areas: [7, null] });
  });
});

describe("a scene", () => {
  it("warms the light or cools the shadow where the area has no wish of its own", () => {
    expect(driftIn("warm", NO_DRIFT)).toEqual({ light: 1, shadow: 0 });
    expect(driftIn("cool", NO_DRIFT)).toEqual({ light: 0, shadow: -1 });
    expect(driftIn("warm", { light: -1, shadow: 1 })).toEqual({ light: -1, shadow: 1 });
  });
});
