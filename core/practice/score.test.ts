import type { Lab } from "@/core/colour/lab";
import type { ReadSheetArea } from "@/core/sheet/read-sheet";
import { seeded } from "@/sim/random";
import { FLAT_CELLS, LIGHT_CLASSES, RAMP_COLUMNS, RING_PARTS, SHADOW_PARTS, type ExerciseId } from "./shapes";
import { NothingToJudge, rankCorrelation, scoreSheet, type Finding } from "./score";

const BARE: Lab = [95, 0, 2];
const areaOf = (area: number, labs: readonly Lab[]): ReadSheetArea => ({
  area,
  lab: labs[0] ?? BARE,
  zones: labs.map((lab, i) => ({ zone: i + 1, from: 0, to: 1, lab, mm2: 20 })),
  glare: 0,
  trust: 1,
});
const grey = (L: number): Lab => [L, 0, 0];
const zones = (count: number, L: (i: number) => number) =>
  Array.from({ length: count }, (_, i) => grey(L(i)));
const score = (id: ExerciseId, labs: readonly Lab[], ring: readonly Lab[] = []) =>
  scoreSheet(id, [areaOf(1, labs), areaOf(2, ring)], BARE);
const of = <K extends Finding["kind"]>(found: { readonly findings: readonly Finding[] }, kind: K) =>
  found.findings.find((f): f is Extract<Finding, { kind: K }> => f.kind === kind)!;
const [across, down] = FLAT_CELLS;

describe("what a practised sheet shows", () => {
  it("a flat: the more uneven, the lower; streaks by the way they run", () => {
    const random = seeded(2);
    const noise = Array.from({ length: across * down }, () => random() - 0.5);
    const scores = [0, 2, 6, 12].map(
      (by) =>
        score(
          "flat",
          zones(across * down, (i) => 60 + by * noise[i]!),
        ).score,
    );
    expect(scores[0]).toBe(100);
    expect(scores).toEqual([...scores].sort((a, b) => b - a));
    const rows = score(
      "flat",
      zones(across * down, (i) => 60 + 5 * (Math.floor(i / across) % 2)),
    );
    const columns = score(
      "flat",
      zones(across * down, (i) => 60 + 5 * (i % 2)),
    );
    expect([of(rows, "streaks").along, of(columns, "streaks").along]).toEqual(["rows", "columns"]);
    expect(of(rows, "streaks").by).toBeCloseTo(5, 6);
  });
  it("a ramp: even is best, whichever end is dark; edges, turns and too little contrast cost", () => {
    const even = (i: number) => 85 - (50 * i) / (RAMP_COLUMNS - 1);
    const best = score("ramp4", zones(RAMP_COLUMNS, even));
    expect(best.score).toBe(100);
    expect(
      score(
        "ramp4",
        zones(RAMP_COLUMNS, (i) => even(RAMP_COLUMNS - 1 - i)),
      ).score,
    ).toBe(100);
    const hard = score(
      "ramp4",
      zones(RAMP_COLUMNS, (i) => (i < 16 ? 85 : 35)),
    );
    expect(hard.score).toBeLessThan(40);
    expect(of(hard, "edges").times).toBeGreaterThan(10);
    const back = score(
      "ramp4",
      zones(RAMP_COLUMNS, (i) => even(i) + (i % 4 === 3 ? 8 : 0)),
    );
    expect(of(back, "turns back").times).toBe(6);
    expect(back.score).toBeLessThan(60);
    const pale = score(
      "ramp4",
      zones(RAMP_COLUMNS, (i) => 85 - i * 0.5),
    );
    expect(of(pale, "contrast").by).toBeCloseTo(11.5, 6);
    expect(pale.score).toBeLessThan(best.score - 10);
    const uneven = score("scale", [85, 80, 75, 70, 65, 45, 40].map(grey));
    expect(of(uneven, "uneven steps").at).toBe(5);
  });
  it("a ball: values that follow the light", () => {
    expect(
      score(
        "ball",
        zones(12, (i) => 90 - 5 * i),
      ).score,
    ).toBe(100);
    const mixed = score(
      "ball",
      zones(12, (i) => 90 - 5 * ((i * 5) % 12)),
    );
    expect(of(mixed, "roundness").by).toBeLessThan(0.6);
    expect(mixed.score).toBeLessThan(70);
  });
  it("a shadow that is cast: dark where it begins, paler further off", () => {
    const form = zones(LIGHT_CLASSES, (i) => 90 - 5 * i);
    const shadow = (L: (i: number) => number) => score("cast", form, zones(SHADOW_PARTS, L));
    const good = shadow((i) => 60 + 3 * i);
    const back = shadow((i) => 81 - 3 * i);
    const pale = shadow((i) => 86 + i);
    expect(good.score).toBe(100);
    expect(of(back, "fades").by).toBeCloseTo(-1, 6);
    expect(back.score).toBeLessThan(40);
    expect(of(pale, "fades").dark).toBeCloseTo(9, 6);
    expect(pale.score).toBeLessThan(90);
    expect(() => score("cast", form, [])).toThrow(new NothingToJudge("bare"));
  });
  it("colours that are met: by what is between the boxes of a pair", () => {
    const pairs = (...off: readonly number[]) =>
      score(
        "match",
        off.flatMap((by, i): Lab[] => [grey(70 - 10 * i), grey(70 - 10 * i + by)]),
      );
    expect(pairs(0.2, 0.1, 0).score).toBe(100);
    const one = pairs(0, 12, 0);
    expect([of(one, "off").at, of(one, "off").worst > 8]).toEqual([2, true]);
    expect(pairs(10, 12, 14).score).toBeLessThan(one.score);
    // Half done, what is there is judged.
    expect(pairs(0).score).toBe(100);
  });
  it("an edge: each part over which ink ran", () => {
    const ring = (n: number) => Array.from({ length: RING_PARTS }, (_, i): Lab => (i < n ? grey(60) : BARE));
    const scores = [0, 1, 4, 16].map((n) => score("edge", [grey(60)], ring(n)));
    expect(scores.map((s) => of(s, "over the line").share)).toEqual([0, 1 / 16, 0.25, 1]);
    expect(scores[0]!.score).toBe(100);
    expect(scores.at(-1)!.score).toBe(0);
  });
  it("nothing is judged where nothing is laid, seen or graded", () => {
    expect(() =>
      score(
        "flat",
        zones(50, () => 94),
      ),
    ).toThrow(new NothingToJudge("bare"));
    expect(() => score("flat", [])).toThrow(new NothingToJudge("unseen"));
    expect(() =>
      score(
        "ramp3",
        zones(RAMP_COLUMNS, () => 60),
      ),
    ).toThrow(new NothingToJudge("flat"));
  });
  it("ranks agree from −1 to 1, ties and all", () => {
    expect(rankCorrelation([1, 2, 3], [10, 20, 30])).toBeCloseTo(1, 9);
    expect(rankCorrelation([1, 2, 3], [9, 4, 1])).toBeCloseTo(-1, 9);
    expect(rankCorrelation([1, 2, 3], [5, 5, 5])).toBe(0);
    expect(rankCorrelation([1, 2, 2, 3], [1, 2, 2, 3])).toBeCloseTo(1, 9);
  });
});
