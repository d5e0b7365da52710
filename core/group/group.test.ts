import { adviceInWords } from "@/words/advice";
import fc from "fast-check";
import { deltaE00 } from "@/core/colour/delta-e00";
import { layDesk, seenLab, type Desk } from "@/core/ink/desk";
import { scanInks, scannedDesk } from "@/fixtures/scanned-desk";
import { finish } from "@/core/progress";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { inkBetween } from "./advice";
import { assessGroup } from "./assess";
import { groupGoal, hueDistance, naturalContrast } from "./goal";
import { areTwins, isAlternative, planGroups } from "./plan";
import { blendPath, judgeStep, verdictOf, STEP_LIMITS } from "./step";
import { rolesOf, type Tone } from "./tone";

const range = demoRange().filter((i) => ["rust", "clay", "bark", "soot", "fern", "dusk"].includes(i.family));
const desk: Desk = layDesk(
  ...scanInks(
    whiteCard,
    range.filter((_, i) => i % 2 === 0),
    5,
  ),
);
const paper = desk.paper.lab;
const tone = (ink: number, coats = 1): Tone => ({
  ink,
  coats,
  lab: seenLab(desk, Array<number>(coats).fill(ink)),
});
const place = (code: string) => desk.inks.findIndex((i) => i.code === code);

describe("the goal of a group", () => {
  it("steps evenly through the readings", () => {
    const goal = groupGoal({ light: [88, 5, 20], local: [70, 15, 25], shadow: [46, 18, 20] }, 4, paper);
    const L = goal.tones.map((t) => t[0]);
    expect(L[0]).toBeCloseTo(88, 9);
    expect(L[3]).toBeCloseTo(46, 9);
    expect(L[0]! - L[1]!).toBeCloseTo(L[1]! - L[2]!, 9);
    expect(goal.contrast).toBeCloseTo(42, 9);
  });
  it("gives pale subjects less contrast, and more tones more", () => {
    expect(naturalContrast([90, 0, 5], 4, paper)).toBeLessThan(naturalContrast([60, 0, 5], 4, paper));
    expect(naturalContrast([60, 0, 5], 3, paper)).toBeLessThan(naturalContrast([60, 0, 5], 5, paper));
  });
  it("follows a contrast that is asked for, short of the paper and of black", () => {
    expect(groupGoal({ local: [60, 10, 10] }, 4, paper, { contrast: 50 }).contrast).toBeCloseTo(50, 9);
    const pale = groupGoal({ local: [90, 0, 5] }, 4, paper, { contrast: 60 });
    expect(pale.tones[0]![0]).toBeLessThan(paper[0]);
    expect(pale.tones[3]![0]).toBeGreaterThanOrEqual(14);
  });
  it("measures hue turns by chroma", () => {
    expect(hueDistance([50, 20, 0], [50, 0, 20])).toBeCloseTo(2 * 20 * Math.SQRT1_2, 9);
    expect(hueDistance([50, 0, 0], [50, 0, 20])).toBe(0);
  });
});

describe("a step", () => {
  it("is judged by its limits", () =>
    expect([25, 10, 3].map((d) => verdictOf(d, STEP_LIMITS))).toEqual(["too wide", "even", "too narrow"]));

  it("of opposite colours turns muddy, of neighbours it does not", () => {
    const opposite = blendPath(desk, tone(place("rust5c")), tone(place("dusk5c")));
    const near = blendPath(desk, tone(place("rust3c")), tone(place("rust5c")));
    expect(opposite.mud).toBeGreaterThan(5);
    expect(near.mud).toBeLessThan(1);
  });
});

describe("a planned group", () => {
  const goal = groupGoal({ local: [66, 14, 20] }, 4, paper);
  const groups = finish(planGroups(desk, goal, 4));

  it("falls in lightness, with different inks, none of them twins side by side", () => {
    for (const { tones } of groups) {
      expect(tones).toHaveLength(4);
      expect(new Set(tones.map((t) => t.ink)).size).toBe(4);
      tones.slice(1).forEach((t, i) => {
        expect(t.lab[0]).toBeLessThan(tones[i]!.lab[0]);
        expect(deltaE00(t.lab, tones[i]!.lab)).toBeGreaterThanOrEqual(2);
      });
    }
  });
  it("comes best first, each a real alternative to the others", () => {
    expect(groups.map((g) => g.score)).toEqual(groups.map((g) => g.score).sort((a, b) => a - b));
    groups.forEach((g, i) => groups.slice(0, i).forEach((h) => expect(isAlternative(desk, h, g)).toBe(true)));
  });
  it("reaches the local colour with its mids", () =>
    expect(assessGroup(desk, groups[0]!.tones, goal).localColourDeltaE00).toBeLessThan(4));
  it("is scored alike by planner and assessor", () =>
    groups.forEach((g) => expect(assessGroup(desk, g.tones, goal).score).toBeCloseTo(g.score, 6)));
  it("does without forbidden inks", () => {
    const used = new Set(groups[0]!.tones.map((t) => t.ink));
    const [other] = finish(planGroups(desk, goal, 1, { inkCost: (i) => (used.has(i) ? Infinity : 0) }));
    expect(other!.tones.some((t) => used.has(t.ink))).toBe(false);
    expect(other!.score).toBeGreaterThanOrEqual(groups[0]!.score);
  });

  it("is the best there is, tried against every group of small desks", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 7 }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 2, max: 4 }),
        fc.integer({ min: 30, max: 85 }),
        (count, seed, places, L) => {
          const small = layDesk(...scannedDesk(count, seed));
          const wanted = groupGoal({ local: [L, 10, 15] }, places, small.paper.lab);
          const [best] = finish(planGroups(small, wanted, 1));
          const all = small.inks
            .flatMap((_, ink) =>
              [1, 2].map((coats) => ({ ink, coats, lab: seenLab(small, Array<number>(coats).fill(ink)) })),
            )
            .sort((a, b) => b.lab[0] - a.lab[0]);
          let least = Infinity;
          const extend = (tones: Tone[], from: number) => {
            if (tones.length === places) {
              least = Math.min(least, assessGroup(small, tones, wanted).score);
              return;
            }
            for (let n = from; n < all.length; n++) {
              const [last, next] = [tones.at(-1), all[n]!];
              if (
                tones.some((t) => t.ink === next.ink) ||
                (last && (last.lab[0] <= next.lab[0] || deltaE00(last.lab, next.lab) < 2))
              )
                continue;
              extend([...tones, next], n + 1);
            }
          };
          extend([], 0);
          if (best) expect(best.score).toBeCloseTo(least, 6);
          else expect(least).toBe(Infinity);
        },
      ),
      { numRuns: 12 },
    );
  });
});

describe("advice", () => {
  const goal = groupGoal({ local: [60, 12, 16] }, 3, paper);
  const kinds = (tones: { ink: number; coats: number }[]) =>
    assessGroup(desk, tones, goal).advice.map((a) => a.kind);

  it("warns of a step that is too wide and proposes an owned ink that divides it", () => {
    const chosen = [tone(place("rust1c")), tone(place("bark9m"))];
    const { advice } = assessGroup(desk, chosen, groupGoal({ local: [60, 12, 16] }, 2, paper));
    const wide = advice.find((a) => a.kind === "step too wide")!;
    expect(adviceInWords(wide)).toMatch(/Step \d+ L\* from rust1c to bark9m: an edge will show/);
    const fix = wide.fix as { kind: "insert"; code: string; coats: number };
    const L = seenLab(desk, Array<number>(fix.coats).fill(place(fix.code)))[0];
    expect(L).toBeLessThan(chosen[0]!.lab[0]);
    expect(L).toBeGreaterThan(chosen[1]!.lab[0]);
  });
  it("proposes only what may be proposed", () => {
    expect(inkBetween(desk, tone(place("rust1c")), tone(place("bark9m")), [], () => false)).toBeUndefined();
  });
  it("warns of mud, of twins and of steps that are hardly seen", () => {
    expect(
      assessGroup(
        desk,
        [tone(place("rust5c")), tone(place("dusk5c"))],
        groupGoal({ local: [60, 12, 16] }, 2, paper),
      ).advice.map((a) => a.kind),
    ).toContain("mud");
    const pair = desk.inks
      .flatMap((_, a) => desk.inks.map((__, b) => [a, b] as const))
      .find(([a, b]) => a < b && areTwins(desk, a, b));
    if (pair) expect(kinds([tone(pair[0]), tone(pair[1]), tone(place("bark9m"))])).toContain("twins");
    const narrow = judgeStep(desk, tone(place("rust3c")), {
      ...tone(place("rust5c")),
      lab: [seenLab(desk, [place("rust3c")])[0] - 2, 30, 40],
    });
    expect(narrow.verdict).toBe("too narrow");
  });
  it("says when the local colour is missed, and when the area will look flat", () => {
    const off = assessGroup(
      desk,
      [tone(place("fern2c")), tone(place("fern4c")), tone(place("fern6c"))],
      groupGoal({ local: [55, 40, 30] }, 3, paper, { contrast: 75 }),
    );
    expect(off.advice.map((a) => a.kind)).toEqual(expect.arrayContaining(["local colour", "contrast"]));
  });
});

it("names the tones of every group size", () => {
  for (let n = 2; n <= 6; n++) expect(rolesOf(n)).toHaveLength(n);
  expect(rolesOf(4)).toEqual(["highlight", "light mid", "dark mid", "shadow"]);
});
