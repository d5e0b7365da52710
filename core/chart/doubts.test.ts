import { confidenceOf, doubtsOf } from "./doubts";

const sound = {
  lab: [60, 10, 20] as const,
  spread: 0.3,
  streakiness: 0.3,
  over: 0,
  glare: false,
  lift: false,
  fromPaper: 30,
  oneCoatLess: [66, 9, 17] as const,
  known: undefined,
};
const kinds = (change: Partial<Parameters<typeof doubtsOf>[0]>) =>
  doubtsOf({ ...sound, ...change }).map((d) => d.kind);

describe("doubts about a cell", () => {
  it("has none about an even cell that is darker than one coat less", () => expect(kinds({})).toEqual([]));
  it("names glare, streaks, an empty cell, a coat that lightens, and a reading unlike the known one", () => {
    expect(kinds({ over: 0.2 })).toEqual(["glare"]);
    expect(kinds({ glare: true })).toEqual(["glare"]);
    expect(kinds({ streakiness: 3 })).toEqual(["uneven"]);
    expect(kinds({ fromPaper: 0.4 })).toEqual(["not coloured"]);
    expect(kinds({ oneCoatLess: [55, 9, 17] })).toEqual(["lighter than one coat less"]);
    expect(kinds({ known: [40, 30, 0] })).toEqual(["unlike before"]);
  });
  it("lets a lift cell be light", () =>
    expect(kinds({ lift: true, oneCoatLess: [40, 9, 17], fromPaper: 0.2 })).toEqual([]));
  it("trusts a cell less with each doubt and each streak", () => {
    const one = doubtsOf({ ...sound, over: 0.5 });
    expect(confidenceOf(sound, [])).toBeGreaterThan(0.95);
    expect(confidenceOf(sound, one)).toBeLessThan(0.51);
    expect(confidenceOf({ streakiness: 4 }, [])).toBeLessThan(0.4);
  });
});
