import { clay, jar, marker, paper, pieceOf, rackOf, skin } from "@/fixtures/studio";
import type { Piece } from "@/core/piece/piece";
import { colouringName } from "./colouring-name";

const rack = rackOf(clay, jar);
const line = { pictureId: "one", kind: "drawn", proof: null, corners: null, width: null } as const;
const blank = pieceOf(skin);
const piece: Piece = { ...blank, setUp: { ...blank.setUp, line } };

describe("the name of a colouring", () => {
  it("is the same for the same, wherever it lies", () => {
    const copy = {
      ...piece,
      paperId: "elsewhere",
      setUp: { ...piece.setUp, line: { ...line, pictureId: "two" } },
    };
    expect(colouringName(JSON.parse(JSON.stringify(copy)) as Piece, rack)).toBe(colouringName(piece, rack));
  });
  it("does not mind the order of fields, which a database changes", () => {
    const turned = (v: unknown): unknown =>
      Array.isArray(v)
        ? v.map(turned)
        : typeof v === "object" && v !== null
          ? Object.fromEntries(
              Object.entries(v)
                .reverse()
                .map(([k, w]) => [k, turned(w)]),
            )
          : v;
    expect(colouringName(turned(piece) as Piece, rack)).toBe(colouringName(piece, rack));
  });
  it("does not mind what cannot be seen", () =>
    expect(
      colouringName({ ...piece, name: "Other", areas: [{ ...skin, note: "again", readings: {} }] }, rack),
    ).toBe(colouringName(piece, rack)));
  it("is another as soon as anything is that can be seen", () => {
    const names = [
      colouringName(piece, rack),
      colouringName({ ...piece, light: { ...piece.light, softness: 0.9 } }, rack),
      colouringName({ ...piece, areas: [{ ...skin, school: "layered" }] }, rack),
      colouringName({ ...piece, areas: [{ ...skin, layers: skin.layers.slice(1) }] }, rack),
      colouringName({ ...piece, whole: { ...piece.whole, underlay: ["clay1"] } }, rack),
      colouringName({ ...piece, setUp: { ...piece.setUp, gap: piece.setUp.gap + 1 } }, rack),
      colouringName(piece, rackOf([marker("clay1", [80]), ...clay.slice(1)], jar)),
      colouringName(piece, rackOf(clay, jar, { paper: { ...paper, bleed: 2 } })),
    ];
    expect(new Set(names).size).toBe(names.length);
  });
});
