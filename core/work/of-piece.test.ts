import { newArea, newPiece } from "@/core/piece/piece";
import { cardsOf, changesByArea, laidAfter, mostCards, onCards, workOf, type PieceWork } from "./of-piece";

const tone = (code: string) => ({ medium: "tone" as const, code, coats: 1 });
const piece = () => {
  const made = newPiece("Work", null);
  const area = (id: string, codes: readonly string[]) => ({
    ...newArea(id, id),
    id,
    name: id,
    size: 1000,
    layers: codes.map(tone),
  });
  return {
    ...made,
    areas: [area("sea", ["a", "b"]), area("sky", ["a"]), { ...area("paper", []), white: true }],
    setUp: { ...made.setUp, touches: [["sea", "sky", 20] as const, ["sea", "paper", 5] as const] },
  };
};
const mm2Of = (_: unknown, from: number, to: number) => 1000 * (to - from);

describe("a piece as work", () => {
  it("is each planned area's course with its ground, and what wet ink it touches", () => {
    const work = workOf(piece(), { capacity: 5 }, mm2Of);
    expect(work.map((w) => w.id)).toEqual(["sea", "sky"]);
    expect(work[0]!.asked.touches).toEqual(["sky"]);
    for (const { asked, passes } of work) {
      expect(asked.passes.map((p) => p.code)).toEqual(passes.map((p) => p.code));
      asked.passes.forEach((p, i) => expect(p.mm2).toBeCloseTo(1000 * (passes[i]!.to - passes[i]!.from), 6));
      expect(asked.passes[0]).toMatchObject({ wet: false, dry: false });
    }
  });
  it("lays dry media once the ink in and beside their area lies, without wet rules of their own", () => {
    const one = piece();
    const [sea, ...rest] = one.areas;
    const finish = { medium: "finish" as const, code: "white", place: "light" as const };
    const drawn = { ...one, areas: [{ ...sea!, layers: [...sea!.layers, finish] }, ...rest] };
    const work = workOf(drawn as never, { capacity: 5 }, mm2Of);
    const dry = work.find((w) => w.isDry)!;
    expect(dry.area.id).toBe("sea");
    expect(dry.asked).toMatchObject({ touches: [], after: ["sea", "sky"] });
    expect(dry.asked.passes.every((p) => !p.wet && !p.dry)).toBe(true);
  });
  it("waits with all others for what is wished first, and with what is wished last for all others", () => {
    const wished = (whole: object) => {
      const one = piece();
      const work = workOf({ ...one, whole: { ...one.whole, ...whole } }, { capacity: 5 }, mm2Of);
      return Object.fromEntries(work.map((w) => [w.id, w.asked.after]));
    };
    expect(wished({})).toEqual({ sea: [], sky: [] });
    expect(wished({ first: ["sky"] })).toEqual({ sea: ["sky"], sky: [] });
    expect(wished({ last: ["sea"] })).toEqual({ sea: ["sky"], sky: [] });
    // What is bare paper, gone or wished both ways holds nothing up.
    expect(wished({ first: ["paper", "gone", "sea"], last: ["sea"] })).toEqual({ sea: [], sky: ["sea"] });
  });
  it("counts changes area by area and section by section, and knows what lies whole at a moment", () => {
    const work = workOf(piece(), { capacity: 5 }, mm2Of);
    const sea = work[0]!.asked.passes.map((p) => p.code);
    const runs = sea.filter((c, i) => c !== sea[i - 1]).length;
    const once = changesByArea(work);
    expect(once).toBe(runs + (sea.at(-1) === "a" ? 0 : 1));
    expect(changesByArea(work, { sea: 3 })).toBeGreaterThan(once);
    const steps = [0, 1].flatMap((section) => [{ area: "sea", pass: 0, section }]);
    expect(laidAfter(work, steps, { sea: 2 }, 1).get("sea")).toBe(0);
    expect(laidAfter(work, steps, { sea: 2 }, 2).get("sea")).toBe(1);
  });
});

test("a series has every part once on each card, and nothing of one waits for another", () => {
  const part = (id: string, after: string[] = []): PieceWork => ({
    id,
    area: newArea(id, id),
    isDry: false,
    course: [0],
    passes: [],
    asked: { id, touches: id === "a" ? ["b"] : ["a"], box: null, after, passes: [] },
  });
  const work = [part("a"), part("b", ["a"])];
  expect(onCards(work, 1)).toBe(work);
  expect(cardsOf([])).toBe(1);
  expect(cardsOf([[work[0]!.id, 0, 0]])).toBe(1);
  expect(cardsOf(onCards(work, 3).map((w) => [w.id, 0, 0] as const))).toBe(3);
  const three = onCards(work, 3);
  expect(three.map((w) => [w.id, w.card, w.asked.touches, w.asked.after])).toEqual([
    ["a", 0, ["b"], []],
    ["b", 0, ["a"], ["a"]],
    ["a~2", 1, ["b~2"], []],
    ["b~2", 1, ["a~2"], ["a~2"]],
    ["a~3", 2, ["b~3"], []],
    ["b~3", 2, ["a~3"], ["a~3"]],
  ]);
  expect([mostCards(work), mostCards(Array.from({ length: 90 }, () => work[0]!))]).toEqual([24, 4]);
});
