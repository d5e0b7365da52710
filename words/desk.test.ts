import {
  openTimeInWords,
  clockSays,
  countdown,
  openEndInWords,
  paceInWords,
  takeUpInWords,
  darkerWords,
} from "./desk";

const name = (id: string) => id.toUpperCase();

describe("what is said at the desk", () => {
  it("counts down as a clock, and never below nothing", () => {
    expect([0, -5, 44.2, 60, 754, 3725].map(countdown)).toEqual([
      "0:00",
      "0:00",
      "0:45",
      "1:00",
      "12:34",
      "1:02:05",
    ]);
  });
  it("says first what cannot be mended by waiting, then what asks to wait, then what is wet beside it", () => {
    const beside = [{ area: "hair", seconds: 20 }];
    expect(clockSays({ blend: -12, dry: 40, beside }, name)).toMatchObject({ closed: true, wait: false });
    expect(clockSays({ dry: 40, beside }, name)).toMatchObject({
      says: "Wait 0:40: what lies here must be dry first.",
      wait: true,
    });
    expect(clockSays({ beside }, name)!.says).toBe(
      "HAIR beside it is wet for 0:20: stay clear of that edge, or wait.",
    );
    expect(clockSays({ blend: 30, beside: [] }, name)).toMatchObject({ wait: false, closed: false });
    expect(clockSays({ blend: 30, beside: [] }, name)!.says).toContain("0:30");
    expect(clockSays({ dry: 0, beside: [] }, name)).toBeUndefined();
  });
  it("says what to cap and what to take up", () => {
    expect(takeUpInWords(undefined, "a1")).toBe("Take up a1");
    expect(takeUpInWords("a1", "a1")).toBe("Keep a1 in the hand");
    expect(takeUpInWords("b2", "a1")).toBe("Cap b2, take up a1");
  });
  it("says what might be forgotten, and what the work tells of the hand", () => {
    expect(openEndInWords({ kind: "underlay only" }, "Ear")).toBe("Ear has its underlay but not its cover");
    expect(openEndInWords({ kind: "half laid" }, "Ear")).toBe("Ear is half laid");
    expect(paceInWords({})).toContain("Once some steps are laid");
    const said = paceInWords({
      speed: { value: 31.4, from: 25, to: 40, seen: 20 },
      change: { value: 8.6, from: 7, to: 10, seen: 9 },
    });
    expect(said).toContain("31 mm² a second, half of them 25–40");
    expect(said).toContain("9 s to change markers, half of the times 7–10");
  });
});

it("says how long ink stays open on a paper, and whether that is what it says", () => {
  const learnt = { value: 52.4, from: 44.6, to: 61.2, seen: 63 };
  expect(openTimeInWords(learnt, null)).toBe(
    "By 63 passes at the desk and where edges were mended, ink stays wet for about 52 s (45–61).",
  );
  expect(openTimeInWords(learnt, 60)).toContain(", as it says here.");
  expect(openTimeInWords(learnt, 30)).not.toContain("as it says");
  expect(openTimeInWords({ ...learnt, seen: 1 }, 30)).toContain("1 pass at");
});

it("says how much darker a coat makes a place", () => {
  expect([0, 3, 8, 20].map(darkerWords)).toEqual([
    "hardly darker",
    "a little darker",
    "clearly darker",
    "much darker",
  ]);
});
