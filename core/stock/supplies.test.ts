import { asLayers, newArea, newPiece, type Area, type Piece } from "@/core/piece/piece";
import { needInWords, suppliesMarkdown, usedIn } from "@/words/supplies";
import { needOf, suppliesOf } from "./supplies";

const rack = [
  { code: "clay1c", owned: true, state: "full" },
  { code: "clay5m", owned: true, state: "low" },
  { code: "plum3c", owned: true, state: "dry" },
  { code: "sand2m", owned: false, state: "full" },
  { code: "pencil brick", owned: true, state: "fine" },
];

const brick = (layers: number, pressure: "light" | "medium") => [
  { code: "pencil brick", layers, pressure, part: "over all" as const },
];
const skin: Area = {
  ...newArea("a", "Skin"),
  layers: [
    { medium: "shadow", kind: "underlay", code: "plum3c", coats: 2, place: "shadow" },
    ...asLayers([
      { code: "clay1c", coats: 1 },
      { code: "clay5m", coats: 2 },
    ]),
    {
      medium: "pencil",
      base: "sand2m",
      steps: [
        { lightness: 80, onPaper: false, layers: brick(1, "light") },
        { lightness: 50, onPaper: false, layers: brick(4, "medium") },
      ],
      place: "all",
    },
    { medium: "finish", code: "gel white", place: "light" },
  ],
};
const hat: Area = { ...newArea("b", "Hat"), layers: asLayers([{ code: "clay5m", coats: 1 }]) };
const piece: Piece = { ...newPiece("Kite", null), areas: [skin, hat, newArea("c", "Sky")] };
const codes = (p: Piece) => suppliesOf(p, rack).map((s) => s.code);

describe("the supplies of a piece", () => {
  it("are everything that is taken in hand, each once: what lies beneath, tones, the pencil's base, pencils, finishers", () => {
    expect(codes(piece)).toEqual(["plum3c", "clay1c", "clay5m", "sand2m", "pencil brick", "gel white"]);
  });

  it("name the areas that use them", () => {
    expect(suppliesOf(piece, rack).find((s) => s.code === "clay5m")!.areas).toEqual(["Skin", "Hat"]);
    expect(suppliesOf(piece, rack).find((s) => s.code === "pencil brick")!.areas).toEqual(["Skin"]);
  });

  it("begin with the underlay of the whole piece", () => {
    const under = { ...piece, whole: { ...piece.whole, underlay: ["plum3c", "plum5c"] } };
    expect(codes(under).slice(0, 2)).toEqual(["plum3c", "plum5c"]);
    expect(usedIn(suppliesOf(under, rack).find((s) => s.code === "plum3c")!)).toEqual([
      "underlay of the whole",
      "Skin",
    ]);
  });

  it("say what is to be done about each", () => {
    const need = Object.fromEntries(suppliesOf(piece, rack).map((s) => [s.code, needInWords[needOf(s)]]));
    expect(need).toEqual({
      clay1c: "ready",
      clay5m: "running low",
      plum3c: "refill: dry",
      sand2m: "to buy",
      "pencil brick": "ready",
      "gel white": "to buy",
    });
    expect(needOf(suppliesOf(piece, [])[0]!)).toBe("buy");
  });

  it("are none of an empty piece", () => expect(suppliesOf(newPiece("Empty", null), rack)).toEqual([]));

  it("make a table that an odd name does not break", () => {
    const odd = { ...piece, name: "A | B", areas: [{ ...skin, name: "Skin | face\nand hands" }] };
    const table = suppliesMarkdown(odd, "Card", suppliesOf(odd, rack));
    const rows = table.split("\n").filter((l) => l.startsWith("|"));
    expect(rows).toHaveLength(2 + 6);
    expect(rows[2]).toContain("Skin \\| face and hands");
    expect(table).toContain("Paper: Card. 6 things.");
  });
});
