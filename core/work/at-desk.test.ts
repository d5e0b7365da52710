import { newArea, newPiece } from "@/core/piece/piece";
import { clockOf, cutsOf, dryingNow, laidBy, lyingOf, openEnds, stackAt } from "./at-desk";
import { workOf } from "./of-piece";
import { recordOf, type WorkEvent } from "./record";

const tone = (code: string) => ({ medium: "tone" as const, code, coats: 1 });
const area = (id: string, codes: readonly string[]) => ({
  ...newArea(id, id),
  id,
  name: id,
  size: 1000,
  layers: codes.map(tone),
});
const made = newPiece("Work", null);
const piece = {
  ...made,
  areas: [area("sea", ["a", "b"]), area("sky", ["a"])],
  setUp: { ...made.setUp, touches: [["sea", "sky", 20] as const] },
};
const work = workOf(piece, { capacity: 5 }, (_, from, to) => 1000 * (to - from));
const wetness = { openTime: 60, dryTime: 300 };
const SPEED = 40;
let n = 0;
const done = (at: number, place: string, section: number, pass: number, of = 2): WorkEvent => {
  const { code, coats, mm2 } = work.find((w) => w.id === place)!.asked.passes[pass]!;
  return {
    id: `e${n++}`,
    kind: "done",
    at: 1000 * at,
    area: place,
    section,
    of,
    pass,
    code,
    coats,
    mm2: mm2 / of,
  };
};

describe("what lies, at the desk", () => {
  it("is told to the order of work in seconds before now, section by section, as far as the plan goes", () => {
    const record = recordOf([
      done(10, "sea", 0, 0),
      done(20, "sea", 1, 0),
      { id: "s", kind: "skipped", at: 21_000, area: "sea", section: 1, of: 2, pass: 1 },
      { id: "x", kind: "skipped", at: 22_000, area: "gone", section: 0, of: 1, pass: 0 },
    ]);
    expect(cutsOf(record)).toMatchObject({ sea: 2 });
    expect(lyingOf(work, record, 30_000)).toEqual([
      { area: "sea", section: 0, pass: 0, end: -20 },
      { area: "sea", section: 1, pass: 0, end: -10 },
      { area: "sea", section: 1, pass: 1, end: -1e6 },
    ]);
    // A clock that runs slow tells of no end to come.
    expect(Math.max(...lyingOf(work, record, 0).map((l) => l.end))).toBe(0);
  });
  it("is whole once it lies in every section", () => {
    const one = [done(1, "sea", 0, 0)];
    expect(laidBy(work, recordOf(one)).get("sea")).toBe(0);
    expect(laidBy(work, recordOf([...one, done(2, "sea", 1, 0)])).get("sea")).toBe(1);
  });
});

describe("the clock of a step", () => {
  const step = { area: "sea", section: 0, pass: 1 };
  it("counts from the beginning of what it blends into, by when that was and not by ticks", () => {
    const record = recordOf([done(100, "sea", 0, 0)]);
    const { mm2, coats } = work[0]!.asked.passes[0]!;
    const took = ((mm2 / 2) * coats) / SPEED;
    const at = (s: number) => clockOf(work, record, step, wetness, SPEED, 1000 * s).blend!;
    expect(work[0]!.asked.passes[1]!.wet).toBe(true);
    expect(at(100)).toBeCloseTo(60 - took, 6);
    // An hour of sleep later it is long closed.
    expect(at(3700)).toBeCloseTo(60 - took - 3600, 6);
    expect(clockOf(work, record, { ...step, section: 1 }, wetness, SPEED, 0).blend).toBeUndefined();
  });
  it("knows what beside it is still open, and no longer", () => {
    const record = recordOf([done(100, "sky", 0, 0, 1)]);
    const beside = (s: number) => clockOf(work, record, step, wetness, SPEED, 1000 * s).beside;
    expect(beside(110)).toEqual([{ area: "sky", seconds: 50 }]);
    expect(beside(161)).toEqual([]);
  });
  it("lists what is open or drying, the soonest dry first", () => {
    const record = recordOf([done(100, "sky", 0, 0, 1), done(50, "sea", 0, 0)]);
    expect(dryingNow(work, record, wetness, 120_000)).toEqual([
      { area: "sea", open: 0, dry: 230 },
      { area: "sky", open: 40, dry: 280 },
    ]);
    expect(dryingNow(work, record, wetness, 1e6)).toEqual([]);
  });
});

describe("what might be forgotten", () => {
  const all = (place: string, of: number) =>
    work
      .find((w) => w.id === place)!
      .passes.flatMap((_, pass) =>
        Array.from({ length: of }, (__, s) => done(pass * 10 + s, place, s, pass, of)),
      );
  it("is what is bare, half laid or skipped, and nothing once all lies", () => {
    expect(openEnds(work, recordOf([])).map((e) => e.kind)).toEqual(["bare", "bare"]);
    expect(openEnds(work, recordOf([done(1, "sea", 0, 0)]))).toEqual([
      { area: "sea", kind: "half laid" },
      { area: "sky", kind: "bare" },
    ]);
    const skip: WorkEvent = { id: "k", kind: "skipped", at: 1, area: "sky", section: 0, of: 1, pass: 0 };
    const rest = work.find((w) => w.id === "sky")!.passes.length;
    const skipped = Array.from({ length: rest }, (_, pass) => ({ ...skip, id: `k${pass}`, pass }));
    const note: WorkEvent = { ...done(1, "sky", 0, 0, 1), kind: "part", share: 0.5 } as WorkEvent;
    expect(openEnds(work, recordOf([...all("sea", 2), note, ...skipped]))).toEqual([
      { area: "sky", kind: "skipped" },
    ]);
    expect(openEnds(work, recordOf([...all("sea", 2), ...all("sky", 1)]))).toEqual([]);
  });
  it("says so of what has its underlay and not its cover", () => {
    const under = {
      medium: "shadow" as const,
      kind: "underlay" as const,
      code: "v",
      coats: 1,
      place: "shadow" as const,
    };
    const [sea] = piece.areas;
    const shaded = { ...piece, areas: [{ ...sea!, layers: [...sea!.layers, under] }] };
    const parts = workOf(shaded as never, { capacity: 5 }, () => 100);
    const pass = parts[0]!.passes.findIndex((p) => p.role === "underlay");
    expect(pass).toBe(0);
    const event: WorkEvent = {
      id: "u",
      kind: "done",
      at: 1,
      area: "sea",
      section: 0,
      of: 1,
      pass,
      code: "v",
      coats: 1,
      mm2: 9,
    };
    expect(openEnds(parts, recordOf([event]))).toEqual([{ area: "sea", kind: "underlay only" }]);
  });
});

describe("the stack at a place", () => {
  const sea = work.filter((w) => w.area.id === "sea");
  it("is what the course lays there, and what was laid there of it in that section", () => {
    const record = recordOf([done(1, "sea", 0, 0), done(2, "sea", 0, 1)]);
    const at = (section: number, t: number) => stackAt(sea, record, section, t);
    const whole = (t: number) =>
      sea[0]!.passes.flatMap((p) =>
        p.from <= t && t <= p.to ? Array<string>(Math.round(p.coats)).fill(p.code) : [],
      );
    expect(at(0, 0.9).planned).toEqual(whole(0.9));
    expect(at(0, 0.9).laid).toEqual(["a", "b"]);
    expect(at(1, 0.9).laid).toEqual([]);
    // The dark tone does not reach the light end.
    expect(at(0, 0.02).laid).toEqual(["a"]);
    expect(at(0, 0.9).light).toEqual(whole(0));
  });
  it("has what was laid beside the plan on top, where that was", () => {
    const added: WorkEvent = {
      id: "x",
      kind: "added",
      at: 5000,
      area: "sea",
      codes: ["v", "v"],
      from: 0.7,
      to: 1,
      wet: false,
    };
    const record = recordOf([done(1, "sea", 0, 0), added]);
    expect(stackAt(sea, record, 0, 0.9).laid).toEqual(["a", "v", "v"]);
    expect(stackAt(sea, record, 0, 0.5).laid).toEqual(["a"]);
  });
});
