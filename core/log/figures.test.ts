import type { WorkEvent } from "@/core/work/record";
import { figuresOf, mondayOf } from "./figures";

const MINUTE = 60_000;
const START = Date.parse("2026-11-23T10:00:00Z");
const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);
let serial = 0;
const event = (kind: WorkEvent["kind"], minute: number, more: object = {}) =>
  ({ id: `e${serial++}`, kind, at: START + minute * MINUTE, ...more }) as WorkEvent;
const done = (minute: number, code: string, mm2 = 60, coats = 1) =>
  event("done", minute, { area: "a", section: 0, pass: serial, code, mm2, coats });

describe("the record of work in figures", () => {
  it("has time between events that follow each other, and neither pauses nor long breaks", () => {
    const events = [
      event("begun", 0),
      done(2, "a"),
      done(3, "a"),
      event("paused", 4),
      event("begun", 9),
      done(10, "b", 100, 2),
      done(40, "b"),
      event("finished", 41),
      event("noted", 45, { note: "later" }),
    ];
    const { pieces, weeks, markers } = figuresOf([{ id: "p", name: "Kite", events }], dayOf);
    expect(pieces).toEqual([{ id: "p", name: "Kite", minutes: 6, steps: 4, mm2: 380 }]);
    expect(weeks).toEqual([{ week: "2026-11-23", minutes: 6, steps: 4, mm2: 380 }]);
    expect(markers).toEqual([
      { code: "b", steps: 2, mm2: 260, pieces: 1 },
      { code: "a", steps: 2, mm2: 120, pieces: 1 },
    ]);
  });
  it("counts nothing that was taken back, unless that was taken back too", () => {
    const [one, two] = [done(1, "a"), done(2, "a")];
    const back = event("undone", 3, { undoes: two.id });
    const again = event("undone", 4, { undoes: back.id });
    const steps = (events: WorkEvent[]) => figuresOf([{ id: "p", name: "", events }], dayOf).pieces[0]!.steps;
    expect(steps([one, two, back])).toBe(1);
    expect(steps([one, two, back, again])).toBe(2);
  });
  it("tells a week's speed from steps without a change of markers, once there are enough", () => {
    const even = Array.from({ length: 7 }, (_, i) => done(i, "a", 120));
    const [week] = figuresOf([{ id: "p", name: "", events: even }], dayOf).weeks;
    expect(week!.speed).toBeCloseTo(2, 6);
    const changing = Array.from({ length: 7 }, (_, i) => done(i, i % 2 ? "a" : "b"));
    expect(figuresOf([{ id: "p", name: "", events: changing }], dayOf).weeks[0]!.speed).toBeUndefined();
  });
  it("parts weeks at Mondays, and sorts pieces by time", () => {
    expect(mondayOf("2026-11-29")).toBe("2026-11-23");
    expect(mondayOf("2026-11-30")).toBe("2026-11-30");
    expect(mondayOf("2027-01-01")).toBe("2026-12-28");
    const week = 7 * 24 * 60;
    const of = (id: string, minutes: number, from: number) => ({
      id,
      name: id,
      events: [event("begun", from), done(from + minutes, "a")],
    });
    const { weeks, pieces } = figuresOf([of("short", 1, 0), of("long", 5, week)], dayOf);
    expect(weeks.map((w) => w.week)).toEqual(["2026-11-23", "2026-11-30"]);
    expect(pieces.map((p) => p.id)).toEqual(["long", "short"]);
    expect(figuresOf([], dayOf)).toEqual({ weeks: [], pieces: [], markers: [] });
  });
});
