import { judgeAgain, merging, middleOf, seenAreas, sharedCodes } from "./overview";
import { asLayers, driftIn, newArea, newPiece, NO_DRIFT, type Area, type Piece } from "./piece";

const area = (id: string, ...codes: string[]): Area => ({
  ...newArea(id, id),
  layers: asLayers(codes.map((code) => ({ code, coats: 1 }))),
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
const unlaid = () => undefined;
const seen = seenAreas(areas, unlaid, (code) => colours[code]);

describe("a piece seen as a whole", () => {
  it("has its tones light to dark, whatever order they are laid in, unread ones left out", () => {
    expect(seen[0]!.tones.map((t) => t.code)).toEqual(["a", "b", "c"]);
    expect(seenAreas([area("z", "a", "nobody")], unlaid, (c) => colours[c])[0]!.tones).toHaveLength(1);
    expect(middleOf(seen[3]!)).toBeUndefined();
  });
  it("shows groups as laid where that is known: each tone where it is seen, and the local colour", () => {
    const laid = {
      tones: [{ code: "a", coats: 1, lab: [40, 1, 1] as const }],
      local: [44, 2, 2] as const,
      shade: [{ code: "c", coats: 2, lab: [20, 0, 0] as const }],
      strip: ["#111111"],
    };
    const [one] = seenAreas(
      [area("z", "a", "b")],
      () => laid,
      (c) => colours[c],
    );
    expect(one!.tones.find((t) => t.code === "a")!.lab).toEqual([40, 1, 1]);
    expect(one!.tones.find((t) => t.code === "b")!.lab).toEqual(colours.b);
    expect(middleOf(one!)).toEqual([44, 2, 2]);
    expect(one).toMatchObject({ strip: ["#111111"], shade: [{ code: "c" }] });
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
      sharedCodes(areas)
        .filter((m) => m.areas.length > 1)
        .map((m) => [m.code, m.areas.map((a) => a.id)]),
    ).toEqual([
      ["a", ["skin", "hat"]],
      ["b", ["skin", "coat"]],
    ]));
  it("counts what is beneath, over and last among what is shared", () => {
    const withMore = areas.map((a, i): Area => ({
      ...a,
      layers:
        i < 2
          ? [
              { medium: "shadow", kind: "underlay", code: "plum", coats: 1, place: "shadow" },
              ...a.layers,
              { medium: "finish", code: "gel white", place: "light" },
            ]
          : a.layers,
    }));
    expect(sharedCodes(withMore).flatMap((m) => (m.areas.length > 1 ? [m.code] : []))).toEqual(
      expect.arrayContaining(["plum", "gel white"]),
    );
  });
});

describe("a scene", () => {
  it("warms the light or cools the shadow where the area has no wish of its own", () => {
    expect(driftIn("warm", NO_DRIFT)).toEqual({ light: 1, shadow: 0 });
    expect(driftIn("cool", NO_DRIFT)).toEqual({ light: 0, shadow: -1 });
    expect(driftIn("warm", { light: -1, shadow: 1 })).toEqual({ light: -1, shadow: 1 });
  });
});
