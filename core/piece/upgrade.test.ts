import { DEFAULT_WHOLE, newArea, type Piece } from "./piece";
import { upgradePiece } from "./upgrade";

const tones = [
  { code: "clay1c", coats: 1 },
  { code: "clay5m", coats: 2, locked: true },
];
const first = {
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
      group: { tones },
      note: "kept",
    },
  ],
};
const { layers: _none, ...blank } = newArea("a", "Skin");
const steps = [
  { lightness: 80, onPaper: true, layers: [] },
  { lightness: 50, onPaper: false, layers: [] },
];
const second = (change: object) => ({
  version: 2,
  name: "Older",
  paperId: null,
  pictureId: null,
  whole: DEFAULT_WHOLE,
  areas: [{ ...blank, group: { tones }, shadow: null, pencil: null, ...change }],
});

describe("a document of version 1", () => {
  it("comes up to the present shape with nothing lost", () => {
    const now = upgradePiece(first) as Piece;
    expect(now).toMatchObject({ version: 5, name: "Old", whole: DEFAULT_WHOLE });
    expect(now.areas[0]).toEqual({
      ...newArea("a", "Skin"),
      tones: 3,
      contrast: 20,
      ownedOnly: false,
      layers: tones.map((t) => ({ medium: "tone", ...t })),
      note: "kept",
    });
  });
});

describe("a document of version 2", () => {
  it.each([
    ["underlay", ["plum3c", "clay1c", "clay5m"]],
    ["overlay", ["clay1c", "clay5m", "plum3c"]],
  ])("lays its one shadow, an %s, where it belongs", (kind, order) => {
    const now = upgradePiece(second({ shadow: { kind, code: "plum3c", coats: 2 } })) as Piece;
    expect(now.areas[0]!.layers.map((l) => "code" in l && l.code)).toEqual(order);
    expect(now.areas[0]!.layers).toContainEqual({
      medium: "shadow",
      kind,
      code: "plum3c",
      coats: 2,
      place: "shadow",
    });
    expect("shadow" in now.areas[0]!).toBe(false);
  });
  it("puts its pencil last, all over", () => {
    const now = upgradePiece(second({ pencil: { base: "sand2m", steps } })) as Piece;
    expect(now.areas[0]!.layers.at(-1)).toEqual({ medium: "pencil", base: "sand2m", steps, place: "all" });
  });
  it("has no layers where it had no group", () => {
    const now = upgradePiece(second({ group: null })) as Piece;
    expect(now.areas[0]!.layers).toEqual([]);
  });
});

it("leaves documents of another shape for the border to refuse", () => {
  for (const odd of [null, 4, "x", [], { version: 5 }, { version: 7 }, { version: "2" }])
    expect(upgradePiece(odd)).toBe(odd);
  expect(upgradePiece({ version: 1, areas: "x" })).toMatchObject({ version: 5, areas: "x" });
  expect(upgradePiece({ version: 1, areas: [7, null] })).toMatchObject({ areas: [7, null] });
  expect(upgradePiece({ version: 2, areas: [{ shadow: { kind: 5 }, group: { tones: [3] } }] })).toMatchObject(
    {
      areas: [{ layers: [3, { kind: 5 }] }],
    },
  );
});
