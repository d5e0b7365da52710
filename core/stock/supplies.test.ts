import { newArea, newPiece, type Area, type Piece } from "@/core/piece/piece";
import { needOf, suppliesMarkdown, suppliesOf } from "./supplies";

const rack = [
  { code: "clay1c", owned: true, state: "full" },
  { code: "clay5m", owned: true, state: "low" },
  { code: "plum3c", owned: true, state: "dry" },
  { code: "sand2m", owned: false, state: "full" },
  { code: "pencil brick", owned: true, state: "fine" },
];

const skin: Area = {
  ...newArea("a", "Skin"),
  group: {
    tones: [
      { code: "clay1c", coats: 1 },
      { code: "clay5m", coats: 2 },
    ],
  },
  shadow: { kind: "underlay", code: "plum3c", coats: 2 },
  pencil: {
    base: "sand2m",
    steps: [
      {
        lightness: 80,
        onPaper: false,
        layers: [{ code: "pencil brick", layers: 1, pressure: "light", part: "over all" }],
      },
      {
        lightness: 50,
        onPaper: false,
        layers: [{ code: "pencil brick", layers: 4, pressure: "medium", part: "over all" }],
      },
    ],
  },
};
const hat: Area = { ...newArea("b", "Hat"), group: { tones: [{ code: "clay5m", coats: 1 }] } };
const piece: Piece = { ...newPiece("Kite", null), areas: [skin, hat, newArea("c", "Sky")] };
const codes = (p: Piece) => suppliesOf(p, rack).map((s) => s.code);

describe("the supplies of a piece", () => {
  it("are everything that is taken in hand: tones, what lies under the shadow, the pencil's base, pencils, each once", () => {
    expect(codes(piece)).toEqual(["clay1c", "clay5m", "plum3c", "sand2m", "pencil brick"]);
  });

  it("name the areas that use them", () => {
    expect(suppliesOf(piece, rack).find((s) => s.code === "clay5m")!.areas).toEqual(["Skin", "Hat"]);
    expect(suppliesOf(piece, rack).find((s) => s.code === "pencil brick")!.areas).toEqual(["Skin"]);
  });

  it("begin with the underlay of the whole piece", () => {
    const under = { ...piece, whole: { ...piece.whole, underlay: ["plum3c", "plum5c"] } };
    expect(codes(under).slice(0, 2)).toEqual(["plum3c", "plum5c"]);
    expect(suppliesOf(under, rack).find((s) => s.code === "plum3c")!.areas).toEqual([
      "underlay of the whole",
      "Skin",
    ]);
  });

  it("say what is to be done about each", () => {
    const need = Object.fromEntries(suppliesOf(piece, rack).map((s) => [s.code, needOf(s)]));
    expect(need).toEqual({
      clay1c: "ready",
      clay5m: "running low",
      plum3c: "refill: dry",
      sand2m: "to buy",
      "pencil brick": "ready",
    });
    expect(needOf(suppliesOf(piece, [])[0]!)).toBe("to buy");
  });

  it("are none of an empty piece", () => expect(suppliesOf(newPiece("Empty", null), rack)).toEqual([]));

  it("make a table that an odd name does not break", () => {
    const odd = { ...piece, name: "A | B", areas: [{ ...skin, name: "Skin | face\nand hands" }] };
    const table = suppliesMarkdown(odd, "Card", suppliesOf(odd, rack));
    const rows = table.split("\n").filter((l) => l.startsWith("|"));
    expect(rows).toHaveLength(2 + 5);
    expect(rows[2]).toContain("Skin \\| face and hands");
    expect(table).toContain("Paper: Card. 5 markers.");
  });
});
