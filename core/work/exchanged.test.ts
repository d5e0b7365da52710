import { newArea, newPiece } from "@/core/piece/piece";
import { exchangedIn } from "./exchanged";
import { recordOf, type WorkEvent } from "./record";

const tone = (code: string) => ({ medium: "tone" as const, code, coats: 1 });
const area = (id: string, codes: readonly string[]) => ({ ...newArea(id, id), id, layers: codes.map(tone) });
const made = newPiece("Work", null);
const piece = {
  ...made,
  areas: [area("sea", ["a", "b"]), area("sky", ["a"])],
  whole: { ...made.whole, underlay: ["v"] },
};
const swap = (at: number, code: string, by: string): WorkEvent => ({
  id: `${code}${at}`,
  kind: "exchanged",
  at,
  code,
  by,
});
const codesOf = (p: typeof piece) => p.areas.map((a) => a.layers.map((l) => l.code));

describe("a marker that is exchanged", () => {
  it("is another one wherever it was still to come, in the underlay of the whole as well", () => {
    const after = exchangedIn(piece, recordOf([swap(1, "a", "c"), swap(2, "v", "w")]));
    expect(codesOf(after)).toEqual([["c", "b"], ["c"]]);
    expect(after.whole.underlay).toEqual(["w"]);
    expect(exchangedIn(piece, recordOf([]))).toBe(piece);
  });
  it("is exchanged beneath pencil too", () => {
    const pencil = {
      medium: "pencil" as const,
      part: "all",
      base: "a",
      steps: [{ layers: [{ code: "a", layers: 2 }] }],
    };
    const drawn = { ...piece, areas: [{ ...piece.areas[0]!, layers: [pencil] }] } as never as typeof piece;
    expect(exchangedIn(drawn, recordOf([swap(1, "a", "c")])).areas[0]!.layers[0]).toMatchObject({
      base: "c",
      steps: [{ layers: [{ code: "c" }] }],
    });
  });
  it("stays where something was laid with it", () => {
    const done: WorkEvent = {
      id: "d",
      kind: "done",
      at: 0,
      area: "sea",
      section: 0,
      of: 2,
      pass: 0,
      code: "a",
      coats: 1,
      mm2: 5,
    };
    expect(codesOf(exchangedIn(piece, recordOf([done, swap(1, "a", "c")])))).toEqual([["a", "b"], ["c"]]);
  });
});
