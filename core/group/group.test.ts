import type { Lab } from "@/core/colour/lab";
import { layDesk, type Desk } from "@/core/ink/desk";
import { deltaE00 } from "@/core/colour/delta-e00";
import { askedOf, shapeWish } from "@/fixtures/group-wish";
import { scanInks } from "@/fixtures/scanned-desk";
import { finish } from "@/core/progress";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { assessGroup, judgeLaid } from "./assess";
import type { ChosenGroup } from "./chosen";
import { groupGoal, hueDistance, naturalContrast } from "./goal";
import { goalLike, likeness, LIKENESS_WEIGHTS } from "./like";
import { inksOf, isAlternative, planGroups, type PlannedGroup } from "./plan";
import { blendOf, STEP_LIMITS, verdictOf } from "./step";
import { rolesOf } from "./tone";

const range = demoRange().filter((i) => ["rust", "clay", "bark", "soot", "fern", "dusk"].includes(i.family));
const desk: Desk = layDesk(
  ...scanInks(
    whiteCard,
    range.filter((_, i) => i % 2 === 0),
    5,
  ),
);
const few: Desk = layDesk(
  ...scanInks(
    whiteCard,
    range.filter((_, i) => i % 5 === 0),
    5,
  ),
);
const paper = desk.paper.lab;

describe("the goal of a group", () => {
  const target = { light: [88, 5, 20], local: [70, 15, 25], shadow: [46, 18, 20] } as const;
  it("steps evenly from the light end to the local colour, and from there to the shadow end", () => {
    const goal = groupGoal(target, 5, paper, {}, 2);
    expect(goal.places.map((p) => p[0])).toEqual(
      [88, 79, 70, 58, 46].map((L) => expect.closeTo(L, 9) as number),
    );
    expect(goal.contrast).toBeCloseTo(42, 9);
    expect(groupGoal(target, 4, paper, {}, 1).places[1]).toEqual(target.local);
  });
  it("gives pale subjects less contrast, and more tones more", () => {
    expect(naturalContrast([90, 0, 5], 4, paper)).toBeLessThan(naturalContrast([60, 0, 5], 4, paper));
    expect(naturalContrast([60, 0, 5], 3, paper)).toBeLessThan(naturalContrast([60, 0, 5], 5, paper));
  });
  it("follows a contrast that is asked for, short of the paper and of black, the local colour within", () => {
    expect(groupGoal({ local: [60, 10, 10] }, 4, paper, { contrast: 50 }).contrast).toBeCloseTo(50, 9);
    const pale = groupGoal({ local: [90, 0, 5] }, 4, paper, { contrast: 60 });
    expect(pale.places[0]![0]).toBeLessThan(paper[0]);
    expect(pale.places[3]![0]).toBeGreaterThanOrEqual(14);
    const odd = groupGoal({ light: [50, 0, 0], local: [60, 0, 0], shadow: [70, 0, 0] }, 3, paper);
    expect(odd.places.map((p) => p[0])).toEqual([60, 60, 60]);
  });
  it("drifts the ends that were not read, and only them", () => {
    const drift = { light: 1, shadow: -1 } as const;
    const [plain, cool] = [{}, { drift }].map((w) => groupGoal({ local: [60, 10, 10] }, 4, paper, w));
    expect(cool!.shadow[2]).toBeLessThan(plain!.shadow[2]);
    expect(cool!.light[2]).toBeGreaterThan(plain!.light[2]);
    expect(groupGoal(target, 4, paper, { drift })).toEqual(groupGoal(target, 4, paper));
  });
  it("measures hue turns by chroma", () => {
    expect(hueDistance([50, 20, 0], [50, 0, 20])).toBeCloseTo(2 * 20 * Math.SQRT1_2, 9);
    expect(hueDistance([50, 0, 0], [50, 0, 20])).toBe(0);
    for (let turn = -179; turn <= 179; turn += 7) {
      const [from, to] = [1, 1 + (turn * Math.PI) / 180];
      const wanted = 2 * Math.sqrt(20 * 30) * Math.sin((turn * Math.PI) / 360);
      const [a, b]: [Lab, Lab] = [
        [50, 20 * Math.cos(from), 20 * Math.sin(from)],
        [40, 30 * Math.cos(to), 30 * Math.sin(to)],
      ];
      expect(hueDistance(a, b)).toBeCloseTo(wanted, 9);
    }
  });
});

describe("a step", () => {
  it("is judged by its limits", () =>
    expect([25, 10, 3].map((d) => verdictOf(d, STEP_LIMITS))).toEqual(["too wide", "even", "too narrow"]));
  it("is muddy where the mixture is greyer than both ends, and bows where it leaves the line between them", () => {
    expect(blendOf([60, 30, 0], [50, -30, 0], [55, 2, 0])).toEqual({ mud: 28, bow: 0 });
    expect(blendOf([60, 30, 0], [50, 40, 0], [55, 35, 6]).mud).toBe(0);
    expect(blendOf([60, 30, 0], [50, 40, 0], [55, 35, 6]).bow).toBeCloseTo(6, 9);
    expect(blendOf([60, 30, 0], [50, 30, 0], [55, 30, 4]).bow).toBeCloseTo(4, 9);
  });
});

describe("planned groups", () => {
  const target = { local: [66, 14, 20] as const };
  const wish = shapeWish(desk, target, { tones: 3, shadow: "best", capacity: 6 });
  const groups = finish(planGroups(desk, wish, 5));
  const chosen = ({ inks, laying }: PlannedGroup): ChosenGroup => ({
    tones: inks.tones.map((ink, i) => ({ ink, coats: laying.coats[i]! })),
    under: inks.under.map((ink, i) => ({ ink, coats: laying.under[i]! })),
    over: inks.over.map((ink, i) => ({ ink, coats: laying.over[i]! })),
  });

  it("reach the local colour as laid, fall in lightness and have different inks", () => {
    const [first] = groups;
    expect(deltaE00(first!.weighed.zones[first!.goal.localAt]!.lab, target.local)).toBeLessThan(2.5);
    for (const g of groups) {
      expect(new Set(inksOf(g)).size).toBe(inksOf(g).length);
      g.weighed.zones.slice(1).forEach((p, i) => expect(p.lab[0]).toBeLessThan(g.weighed.zones[i]!.lab[0]));
    }
  });
  it("come best first, each a real alternative: other inks, another school or another way to the shadow", () => {
    expect(groups.length).toBeGreaterThan(2);
    const scores = groups.slice(1).map((g) => g.score);
    expect(scores).toEqual([...scores].sort((a, b) => a - b));
    groups.forEach((g, i) => groups.slice(0, i).forEach((h) => expect(isAlternative(desk, h, g)).toBe(true)));
    expect(new Set(groups.map((g) => g.laying.school)).size).toBeGreaterThan(1);
    expect(groups.some((g) => g.inks.under.length) && groups.some((g) => !g.inks.under.length)).toBe(true);
  });
  it("are scored alike by planner and assessor, whoever chose them", () =>
    groups.forEach((g) => {
      const asked = askedOf(desk, target, 3, { school: g.laying.school });
      const assessed = assessGroup(desk, chosen(g), asked);
      expect(assessed.score).toBeLessThanOrEqual(g.score + 1e-6);
      if (assessed.laying.local === g.laying.local) expect(assessed.score).toBeCloseTo(g.score, 6);
      expect(judgeLaid(desk, g, asked).score).toBeCloseTo(g.score, 9);
    }));
  it("are found for colours that lie far outside what ink and paper give: lighter than the sheet, blacker than any ink", () => {
    for (const local of [
      [99, 40, -40],
      [3, 0, 0],
      [60, 110, 90],
    ] as const)
      for (const how of [
        { tones: 2, shadow: "deeper" },
        { tones: "auto", shadow: "best" },
      ] as const)
        expect(finish(planGroups(few, shapeWish(few, { local }, how), 1))).toHaveLength(1);
    const ends = { light: [100, 0, 0], local: [70, 10, 10], shadow: [0, 0, 0] } as const;
    expect(finish(planGroups(desk, shapeWish(desk, ends), 1))).toHaveLength(1);
  });
  it("do without forbidden inks", () => {
    const used = new Set(inksOf(groups[0]!));
    const [other] = finish(planGroups(desk, wish, 1, { inkCost: (i) => (used.has(i) ? Infinity : 0) }));
    expect(inksOf(other!).some((ink) => used.has(ink))).toBe(false);
    expect(other!.score).toBeGreaterThanOrEqual(groups[0]!.score - 1e-9);
  });
});

describe("a group like another", () => {
  it("finds the very group when its inks are there, and says how far others are", () => {
    const wish = shapeWish(desk, { local: [66, 14, 20] }, { tones: 3 });
    const [own] = finish(planGroups(desk, wish, 1));
    const wanted = assessGroup(
      desk,
      { tones: own!.inks.tones.map((ink) => ({ ink, coats: 1 })) },
      askedOf(desk, { local: [66, 14, 20] }, 3),
    ).tones.map((t) => t.lab);
    const like = (barred: readonly number[]) => {
      const [found] = finish(
        planGroups(
          desk,
          shapeWish(desk, { local: wanted[1]! }, { tones: 3 }),
          1,
          {
            weights: LIKENESS_WEIGHTS,
            goalOf: (shape) => goalLike(desk, wanted, shape),
            inkCost: (ink) => (barred.includes(ink) ? Infinity : 0),
          },
          3,
        ),
      );
      return likeness(
        assessGroup(
          desk,
          { tones: found!.inks.tones.map((ink, i) => ({ ink, coats: found!.laying.coats[i]! })) },
          askedOf(desk, { local: wanted[1]! }, 3),
        ).tones,
        wanted,
      );
    };
    expect(like([]).mean).toBeLessThan(2.5);
    const other = like(own!.inks.tones);
    expect(other.mean).toBeGreaterThan(0.5);
    expect(other.each).toHaveLength(3);
  });
});

it("names the tones of every group size", () => {
  for (let n = 2; n <= 7; n++) expect(rolesOf(n)).toHaveLength(n);
  expect(rolesOf(4)).toEqual(["highlight", "light mid", "dark mid", "shadow"]);
});
