import { EYE_KINDS } from "./eye";
import { eyeProgress } from "./progress";
import { eyeSchedule, levelsOf, type EyeAnswer } from "./schedule";

const T = Date.UTC(2026, 4, 1, 9);
const DAY = 86_400_000;
const families = ["rust", "sea", "soot"];
let n = 0;
const answer = (over: Partial<EyeAnswer> = {}): EyeAnswer => ({
  id: `a${n++}`,
  at: T,
  kind: "lighter",
  family: "rust",
  right: true,
  seconds: 5,
  level: 0.2,
  ...over,
});

describe("what an eye is asked next", () => {
  it("begins with every kind in turn, each with every family, before anything is due again", () => {
    const answers: EyeAnswer[] = [];
    const seen = new Set<string>();
    for (let k = 0; k < 12; k++) {
      const { next, due } = eyeSchedule(answers, families, T + k);
      expect([due, next.why]).toEqual([0, "new"]);
      expect(seen.has(`${next.kind} ${next.family}`)).toBe(false);
      seen.add(`${next.kind} ${next.family}`);
      answers.push(answer({ ...next, at: T + k, seconds: 1 }));
      if (k === EYE_KINDS.length - 1) expect(new Set(answers.map((a) => a.kind)).size).toBe(EYE_KINDS.length);
    }
    // Enough was begun for one day.
    const { next, nextAt } = eyeSchedule(answers, families, T + 20);
    expect(next.why).toBe("early");
    expect(nextAt).toBeGreaterThan(T + 20);
    expect(eyeSchedule(answers, families, T + 1.5 * DAY).next.why).not.toBe("early");
  });
  it("repeats what was wrong within the hour, and what was right later each time", () => {
    const wrong = eyeSchedule([answer({ right: false })], families, T + 1000);
    expect(wrong.nextAt! - T).toBeLessThan(3_600_000);
    expect(eyeSchedule([answer({ right: false })], families, T + 3_600_000)).toMatchObject({
      due: 1,
      next: { kind: "lighter", family: "rust", why: "due" },
    });
    const answers = [answer({ seconds: 1 })];
    let last = 0;
    for (let k = 0; k < 5; k++) {
      const { nextAt } = eyeSchedule(answers, families, answers.at(-1)!.at);
      const wait = nextAt! - answers.at(-1)!.at;
      expect(wait).toBeGreaterThan(last);
      last = wait;
      answers.push(answer({ at: nextAt!, seconds: 1 }));
    }
    expect(last).toBeGreaterThan(20 * DAY);
  });
  it("asks nothing of families that are gone, and bears clocks that were set back", () => {
    const answers = [answer({ family: "gone", right: false }), answer({ at: T - 30 * DAY })];
    const { due, next } = eyeSchedule(answers, families, T + DAY);
    expect(due).toBeLessThanOrEqual(1);
    expect(families).toContain(next.family);
    const back = [answer(), answer({ at: T - 5 * DAY })];
    expect(() => eyeSchedule(back, families, T)).not.toThrow();
    expect(eyeSchedule([], [], T).next).toMatchObject({ why: "new", family: "" });
  });
  it("is as hard as seven of ten are right", () => {
    // Someone who sees all up to 0.6 and guesses beyond.
    const answers: EyeAnswer[] = [];
    for (let k = 0; k < 400; k++) {
      const level = levelsOf(answers).twin;
      answers.push(answer({ kind: "twin", right: level < 0.6 || k % 4 === 0 }));
    }
    const late = answers.slice(100);
    const share = late.filter((a) => a.right).length / late.length;
    expect(share).toBeGreaterThan(0.65);
    expect(share).toBeLessThan(0.78);
    expect(levelsOf(answers).twin).toBeGreaterThan(0.4);
    expect(levelsOf(answers).order).toBe(0.2);
  });
});

describe("how an eye has come on", () => {
  it("is told by the newest of each kind, by family and by week from Monday", () => {
    const monday = Date.UTC(2026, 4, 4);
    const answers = [
      ...Array.from({ length: 30 }, (_, i) => answer({ at: monday + i, kind: "coats", right: i >= 10 })),
      ...Array.from({ length: 6 }, (_, i) => answer({ at: monday + 8 * DAY, family: "sea", right: i > 0 })),
      answer({ at: monday + 8 * DAY, family: "soot", right: false }),
    ];
    const { kinds, families: byFamily, weeks } = eyeProgress(answers);
    expect(kinds.find((k) => k.kind === "coats")).toMatchObject({ asked: 20, right: 20 });
    expect(kinds.find((k) => k.kind === "twin")).toMatchObject({ asked: 0, level: 0.2 });
    // Soot was asked too seldom to tell.
    expect(byFamily.map((f) => f.family)).toEqual(["rust", "sea"]);
    expect(weeks.map((w) => [w.from, w.asked])).toEqual([
      [monday, 30],
      [monday + 7 * DAY, 7],
    ]);
    expect(eyeProgress([]).weeks).toEqual([]);
  });
  it("does not ask what the inks at hand cannot be asked", () => {
    const without = new Set(EYE_KINDS.filter((k) => k !== "twin"));
    expect(eyeSchedule([answer()], families, T + 5 * DAY, without).next.kind).toBe("twin");
  });
});
