import { newArea, newPiece, type Area } from "@/core/piece/piece";
import { usesByCode } from "./losses";

const area: Area = {
  ...newArea("a", "Skin"),
  layers: [
    { medium: "shadow", kind: "underlay", code: "plum3c", coats: 2, place: "shadow" },
    { medium: "tone", code: "clay1c", coats: 1 },
    {
      medium: "pencil",
      base: "clay1c",
      steps: [
        {
          lightness: 50,
          onPaper: false,
          layers: [{ code: "pencil brick", layers: 2, pressure: "light", part: "over all" }],
        },
      ],
      place: "all",
    },
    { medium: "finish", code: "gel white", place: "light" },
  ],
};
const blank = newPiece("Kite", null);
const pieces = [
  { id: "p", document: { ...blank, areas: [area], whole: { ...blank.whole, underlay: ["plum3c"] } } },
];

describe("what a loss would touch", () => {
  it("is every layer of every medium, and the underlay of the whole", () => {
    expect((usesByCode(pieces).get("plum3c") ?? []).map((u) => [u.medium, u.coats])).toEqual([
      ["underlay of the whole", 1],
      ["shadow", 2],
    ]);
    expect((usesByCode(pieces).get("clay1c") ?? []).map((u) => u.medium)).toEqual(["tone", "pencil"]);
    for (const code of ["pencil brick", "gel white"])
      expect(usesByCode(pieces).get(code) ?? []).toHaveLength(1);
  });
  it("is nothing for what nobody uses", () => {
    expect(usesByCode(pieces).get("soot9c") ?? []).toEqual([]);
    expect([...usesByCode([]).keys()]).toEqual([]);
  });
});
