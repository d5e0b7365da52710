import { eventsOf, runOut, type InkLedger, type LaidInk } from "./ink-ledger";
import { inkOfState, wordFor } from "./ink-level";

const DAY = 24 * 3600 * 1000;
const NOW = Date.parse("2026-06-01T12:00:00Z");
const laid = (code: string, days: number, more: Partial<LaidInk> = {}): LaidInk => ({
  code,
  mm2: 10_000,
  coats: 2,
  paper: "card",
  piece: "p",
  at: NOW - days * DAY,
  ...more,
});
const laydown = [{ paper: "card", ml: 10, low: 8, high: 12, weighed: false }];
const opening = { ml: 0, low: 0, high: 0 };
const left = { ml: 1, low: 0.65, high: 1.4 };
/** Twenty thousand mm² at 10 ml/m². */
const EACH = 0.2;

describe("what happened to markers", () => {
  const ledger: InkLedger = {
    markers: [
      { code: "a", state: "full", since: NOW - 10 * DAY },
      { code: "b", state: "low", since: NOW - 30 * DAY },
    ],
    scale: [
      { id: "1", code: "a", kind: "weighed", amount: 12.5, at: NOW - 11 * DAY },
      { id: "2", code: "a", kind: "weighed", amount: 12.4, at: NOW - 2 * DAY },
      { id: "3", code: "b", kind: "full", amount: 2, at: NOW - 20 * DAY },
      { id: "4", code: "gone", kind: "full", amount: 2, at: NOW },
    ],
    laid: [laid("a", 12), laid("a", 5), laid("b", 3), laid("gone", 1)],
  };
  it("counts from when the word for their level was said, in the order of time", () => {
    expect(eventsOf(ledger)).toEqual([
      { kind: "full", code: "b", ml: 2 },
      { kind: "laid", code: "a", mm2: 10_000, coats: 2, paper: "card" },
      { kind: "laid", code: "b", mm2: 10_000, coats: 2, paper: "card" },
      { kind: "weighed", code: "a", grams: 12.4 },
    ]);
    expect(eventsOf(ledger, new Set(["b"])).map((e) => e.code)).toEqual(["b", "b"]);
  });
  it("tells no more papers apart than can be told apart", () => {
    const many = Array.from({ length: 300 }, (_, i) => laid("b", 3, { paper: `paper ${i % 100}` }));
    const papers = new Set(
      eventsOf({ ...ledger, laid: many }).flatMap((e) => ("paper" in e ? [e.paper] : [])),
    );
    expect(papers.size).toBeLessThanOrEqual(37);
  });
});

describe("how long ink lasts", () => {
  it("follows the pace of late and what the last pieces took", () => {
    // One piece a week for six weeks.
    const uses = Array.from({ length: 6 }, (_, i) => laid("a", 7 * (i + 1) - 1, { piece: `p${i}` }));
    const out = runOut(left, uses, { laydown, opening }, NOW);
    const weeks = (7 * 6 - 1) / 7;
    expect(out.perWeek).toBeCloseTo((6 * EACH) / weeks, 6);
    expect((out.likely! - NOW) / (7 * DAY)).toBeCloseTo(left.ml / out.perWeek, 6);
    expect((out.early! - NOW) / (7 * DAY)).toBeCloseTo(left.low / out.perWeek, 6);
    expect(out.pieces).toBe(Math.floor(left.low / EACH + 1e-9));
  });
  it("takes one busy evening for no pace, and forgets what is long ago", () => {
    const evening = [laid("a", 0.1), laid("a", 0.1), laid("a", 0.1)];
    expect(runOut(left, evening, { laydown, opening }, NOW).perWeek).toBeCloseTo((3 * EACH) / 3, 6);
    const old = runOut(left, [laid("a", 200)], { laydown, opening }, NOW);
    expect(old).toMatchObject({ perWeek: 0, likely: null, early: null, pieces: 3 });
  });
  it("says nothing of what was never laid, and nothing below nothing of what is empty", () => {
    expect(runOut(left, [], { laydown, opening }, NOW)).toEqual({
      perWeek: 0,
      likely: null,
      early: null,
      pieces: null,
    });
    const empty = runOut({ ml: 0, low: -0.1, high: 0.1 }, [laid("a", 3)], { laydown, opening }, NOW);
    expect(empty).toMatchObject({ likely: NOW, early: NOW, pieces: 0 });
    expect(
      runOut(left, [laid("a", 3, { paper: "unknown" })], { laydown: [], opening }, NOW).pieces,
    ).toBeNull();
  });
});

it("the word for an amount of ink is the one whose own amount lies nearest", () => {
  for (const word of ["full", "fine", "low", "dry"] as const)
    expect(wordFor(inkOfState(word).left)).toBe(word);
  expect(wordFor(40)).toBe("full");
  expect(wordFor(0)).toBe("dry");
});
