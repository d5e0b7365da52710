import type { Lab } from "@/core/colour/lab";
import { newArea, newPiece } from "@/core/piece/piece";
import { looksWeak } from "./judge-again";
import { workOf } from "./of-piece";
import { recordOf, type WorkEvent } from "./record";

const area = (id: string, codes: readonly string[]) => ({
  ...newArea(id, id),
  size: 1000,
  layers: codes.map((code) => ({ medium: "tone" as const, code, coats: 1 })),
});
const made = newPiece("Work", null);
const piece = {
  ...made,
  areas: [area("skin", ["a", "b"]), area("hair", ["c"]), area("sky", ["d"])],
  setUp: { ...made.setUp, touches: [["skin", "hair", 20] as const, ["skin", "sky", 20] as const] },
};
const work = workOf(piece, { capacity: 5 }, (_, from, to) => 1000 * (to - from));
let n = 0;
const done = (at: number, place: string, pass = 0): WorkEvent => {
  const { code, coats, mm2 } = work.find((w) => w.id === place)!.asked.passes[pass]!;
  return { id: `e${n++}`, kind: "done", at, area: place, section: 0, of: 1, pass, code, coats, mm2 };
};
const all = (from: number, place: string) =>
  work.find((w) => w.id === place)!.passes.map((_, pass) => done(from + pass, place, pass));
const L: Record<string, number> = { skin: 78, hair: 30, sky: 70 };
const weak = (events: readonly WorkEvent[], of: Record<string, number> = L) =>
  looksWeak(work, recordOf([...events]), (id) =>
    of[id] === undefined ? undefined : ([of[id], 0, 0] as Lab),
  );

describe("what looks weak once its neighbours are in", () => {
  it("is what lies whole beside something darker that came later", () => {
    expect(weak([...all(1, "skin"), ...all(20, "hair"), ...all(40, "sky")])).toEqual([
      { id: "skin", beside: "hair", darker: 48 },
    ]);
  });

  it("is nothing that came last, that is not whole, or whose neighbour is not whole or little darker", () => {
    expect(weak([...all(1, "hair"), ...all(20, "skin")])).toEqual([]);
    expect(weak([done(1, "skin"), ...all(20, "hair")])).toEqual([]);
    expect(weak([...all(1, "skin"), ...all(20, "sky")])).toEqual([]);
    expect(weak([...all(1, "skin")])).toEqual([]);
    expect(weak([...all(1, "skin"), ...all(20, "hair")], { skin: 78 })).toEqual([]);
  });

  it("goes by the darkest neighbour, and is seen to once something was laid over it", () => {
    const events = [...all(1, "skin"), ...all(20, "hair"), ...all(40, "sky")];
    expect(weak(events, { skin: 78, hair: 55, sky: 20 })[0]).toMatchObject({ beside: "sky", darker: 58 });
    const over: WorkEvent = {
      id: "o",
      kind: "added",
      at: 60,
      area: "skin",
      codes: ["b"],
      from: 0.3,
      to: 1,
      wet: false,
    };
    expect(weak([...events, over])).toEqual([]);
    // What came after that speaks anew.
    expect(weak([...all(1, "skin"), { ...over, at: 10 }, ...all(20, "hair")])).toHaveLength(1);
  });
});
