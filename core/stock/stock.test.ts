import { newArea, newPiece, type Piece } from "@/core/piece/piece";
import { findMarkers } from "@/core/codes/find";
import { needOf, suppliesMarkdown, suppliesOf } from "./supplies";
import { twinsOf } from "@/core/ink/twins";

const area = (name: string, ...codes: string[]) => ({
  ...newArea(name, name),
  group: { tones: codes.map((code) => ({ code, coats: 1 })) },
});
const piece: Piece = {
  ...newPiece("A | test", null),
  areas: [area("Skin", "clay1c", "clay4m"), area("Hat", "clay4m", "dusk3c"), newArea("x", "Sky")],
};
const rack = [
  { code: "clay1c", owned: true, state: "fine" },
  { code: "clay4m", owned: true, state: "low" },
  { code: "dusk3c", owned: false, state: "full" },
];

describe("the supply list", () => {
  const supplies = suppliesOf(piece, rack);
  it("names each marker once, with where it is used", () =>
    expect(supplies.map((s) => [s.code, s.areas])).toEqual([
      ["clay1c", ["Skin"]],
      ["clay4m", ["Skin", "Hat"]],
      ["dusk3c", ["Hat"]],
    ]));
  it("says what each needs", () => expect(supplies.map(needOf)).toEqual(["ready", "running low", "to buy"]));
  it("counts a code that the rack does not know as to buy", () =>
    expect(needOf(suppliesOf(piece, [])[0]!)).toBe("to buy"));
  it("is a Markdown table whose cells stay cells", () => {
    const text = suppliesMarkdown(
      { ...piece, areas: [area("Hat | scarf", "clay1c")] },
      "card",
      suppliesOf({ ...piece, areas: [area("Hat | scarf", "clay1c")] }, rack),
    );
    expect(text).toContain("| `clay1c` | ready | Hat \\| scarf |");
    expect(text).toContain("1 marker.");
  });
});

describe("twins", () => {
  const oneCoat = [
    { code: "a", lab: [60, 10, 10] as const },
    { code: "b", lab: [60.5, 10.5, 10] as const },
    { code: "c", lab: [61.5, 10, 11] as const },
    { code: "d", lab: [40, 10, 10] as const },
  ];
  it("are the markers within 2 ΔE00, nearest first", () =>
    expect(twinsOf("a", oneCoat).map((t) => t.code)).toEqual(["b", "c"]));
  it("of an unknown code are none", () => expect(twinsOf("zz", oneCoat)).toEqual([]));
});

describe("finding a marker", () => {
  const markers = ["reed2c", "reed5m", "rose3c", "bark3m", "sand3c"].map((code) => ({
    code,
    family: code.replace(/\d.$/, ""),
  }));
  const found = (q: string) => findMarkers(markers, q).map((m) => m.code);
  it("understands families, beginnings, parts and several words", () => {
    expect(found("reed")).toEqual(["reed2c", "reed5m"]);
    expect(found("REED5")).toEqual(["reed5m"]);
    expect(found("3")).toEqual(["rose3c", "bark3m", "sand3c"]);
    expect(found("3m bark")).toEqual(["bark3m"]);
    expect(found("nothing")).toEqual([]);
    expect(found("")).toHaveLength(5);
  });
  it("puts the exact code first", () =>
    expect(
      findMarkers(
        [
          { code: "xclay1", family: "x" },
          { code: "clay1", family: "clay" },
        ],
        "clay1",
      )[0]!.code,
    ).toBe("clay1"));
});
