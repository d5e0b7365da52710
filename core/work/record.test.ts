import { paceOf } from "./pace";
import { leftOf, recordOf, stepKey, type EventOf, type WorkEvent } from "./record";

let n = 0;
const id = () => `e${String(++n).padStart(4, "0")}`;
const step = (area: string, section: number, pass: number) => ({ area, section, of: 2, pass });
const done = (at: number, area: string, section: number, pass: number, code = "rust2c"): EventOf<"done"> => ({
  id: id(),
  kind: "done",
  at,
  ...step(area, section, pass),
  code,
  coats: 1,
  mm2: 200,
});

describe("the record of work", () => {
  it("counts what came twice once, in the order in which it happened, whatever the order in which it came", () => {
    const events: WorkEvent[] = [
      { id: id(), kind: "begun", at: 1 },
      done(10, "skin", 0, 0),
      done(20, "skin", 1, 0),
      { id: id(), kind: "paused", at: 30 },
    ];
    const there = recordOf([...events].reverse().concat(events));
    expect(there.events.map((e) => e.at)).toEqual([1, 10, 20, 30]);
    expect([...there.done.keys()]).toEqual([stepKey(step("skin", 0, 0)), stepKey(step("skin", 1, 0))]);
    expect([there.going, there.finished]).toEqual([false, false]);
    expect(there.inked.get("skin")).toBe(20);
  });
  it("takes back what was undone, and what undid it", () => {
    const first = done(10, "skin", 0, 0);
    const undo: WorkEvent = { id: id(), kind: "undone", at: 20, undoes: first.id };
    const again: WorkEvent = { id: id(), kind: "undone", at: 30, undoes: undo.id };
    expect(recordOf([first, undo]).done.size).toBe(0);
    expect(recordOf([first, undo, again]).done.size).toBe(1);
    expect(recordOf([first, undo]).inked.size).toBe(0);
  });
  it("undoes things of two devices whose clocks differ alike on both", () => {
    const first = done(10, "skin", 0, 0);
    // The device that undid it runs slow: its event says an earlier moment than what it undoes.
    const undo: WorkEvent = { id: id(), kind: "undone", at: 5, undoes: first.id };
    expect(recordOf([undo, first]).done.size).toBe(0);
    const again: WorkEvent = { id: id(), kind: "undone", at: 2, undoes: undo.id };
    expect(recordOf([again, undo, first]).done.size).toBe(1);
    // Two that undo each other, as nobody can do by hand.
    const [a, b] = [id(), id()];
    const circle: WorkEvent[] = [
      { id: a, kind: "undone", at: 1, undoes: b },
      { id: b, kind: "undone", at: 2, undoes: a },
    ];
    expect(recordOf([...circle, first]).events).toEqual([first]);
  });
  it("leaves what neither lies nor was skipped; what was laid in part is left", () => {
    const steps = [step("skin", 0, 0), step("skin", 1, 0), step("hair", 0, 0), step("hair", 1, 0)];
    const record = recordOf([
      done(1, "skin", 0, 0),
      { ...done(2, "skin", 1, 0), kind: "part", share: 0.5 },
      { id: id(), kind: "skipped", at: 3, ...step("hair", 0, 0) },
    ]);
    expect(leftOf(steps, record)).toEqual([steps[1], steps[3]]);
    expect(record.parts.get(stepKey(steps[1]!))!.share).toBe(0.5);
  });
  it("follows exchanges of what stands in for something", () => {
    const swap = (at: number, code: string, by: string): WorkEvent => ({
      id: id(),
      kind: "exchanged",
      at,
      code,
      by,
    });
    const { exchanged } = recordOf([swap(1, "a", "b"), swap(2, "b", "c")]);
    expect(Object.fromEntries(exchanged)).toEqual({ a: "c", b: "c" });
  });
});

describe("the pace of a hand", () => {
  /** Steps as a hand of this speed lays them. */
  const workedAt = (speed: number, change: number, from = 0) => {
    const events: WorkEvent[] = [{ id: id(), kind: "begun", at: from }];
    let at = from;
    for (let k = 0; k < 40; k++) {
      const code = ["a", "a", "b", "b", "b"][k % 5]!;
      const before = ["a", "a", "b", "b", "b"][(k + 4) % 5]!;
      const mm2 = 100 + 37 * (k % 7);
      at += 1000 * (mm2 / speed + (k && code !== before ? change : 0));
      events.push({ ...done(at, "skin", k, 0, code), mm2 });
    }
    return events;
  };
  it("is found in the times between steps, with and without a change", () => {
    const { speed, change } = paceOf([recordOf(workedAt(25, 9))]);
    expect(speed!.value).toBeCloseTo(25, 6);
    expect(change!.value).toBeCloseTo(9, 6);
  });
  it("is not disturbed by pauses, by a telephone, by two pieces", () => {
    const events = workedAt(25, 9);
    // An hour passes: once with a pause said, once without.
    const later = events.map((e, k) => ({ ...e, at: e.at + (k > 12 ? 3.6e6 : 0) + (k > 25 ? 3.6e6 : 0) }));
    later.push({ id: id(), kind: "paused", at: later[12]!.at + 1 });
    const { speed, change } = paceOf([recordOf(later), recordOf(workedAt(25, 9, 1e9))]);
    expect(speed!.value).toBeCloseTo(25, 6);
    expect(change!.value).toBeCloseTo(9, 6);
  });
  it("is found where every step comes after a change", () => {
    let at = 0;
    const events = Array.from({ length: 20 }, (_, k) => {
      const mm2 = 80 + 53 * (k % 6);
      at += 1000 * (mm2 / 25 + 9);
      return { ...done(at, "skin", k, 0, k % 2 ? "a" : "b"), mm2 };
    });
    const { speed, change } = paceOf([recordOf(events)]);
    expect(speed!.value).toBeCloseTo(25, 3);
    expect(change!.value).toBeCloseTo(9, 3);
  });
  it("says nothing of too little", () => {
    expect(paceOf([recordOf(workedAt(25, 9).slice(0, 4))])).toEqual({});
    expect(paceOf([])).toEqual({});
  });
});

describe("what is to be mended", () => {
  const mend: EventOf<"mend"> = {
    id: "m1",
    kind: "mend",
    at: 50,
    area: "skin",
    with: "ink",
    codes: ["rust3m"],
    from: 0.6,
    to: 1,
    says: "One coat of rust3m.",
  };
  const added = (at: number): EventOf<"added"> => ({
    id: id(),
    kind: "added",
    at,
    area: "skin",
    codes: ["rust3m"],
    from: 0.6,
    to: 1,
    wet: false,
    mends: "m1",
  });
  it("waits until something was laid or noted for it, and waits again when that is taken back", () => {
    const laid = added(60);
    const back: WorkEvent = { id: id(), kind: "undone", at: 70, undoes: laid.id };
    expect(recordOf([mend]).toMend).toEqual([mend]);
    expect(recordOf([mend]).inked.size).toBe(0);
    expect(recordOf([laid, mend]).toMend).toEqual([]);
    expect(recordOf([mend, laid]).added).toHaveLength(1);
    expect(recordOf([mend, laid, back]).toMend).toEqual([mend]);
    const note: WorkEvent = { id: id(), kind: "noted", at: 60, note: "Mended", area: "skin", mends: "m1" };
    expect(recordOf([mend, note]).toMend).toEqual([]);
  });
  it("is gone when it is dropped, and lies nowhere", () => {
    const drop: WorkEvent = { id: id(), kind: "undone", at: 60, undoes: "m1" };
    expect(recordOf([mend, drop]).toMend).toEqual([]);
    expect(recordOf([mend, { ...mend, id: "m2" }, drop]).toMend.map((m) => m.id)).toEqual(["m2"]);
  });
});
