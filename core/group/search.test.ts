import { layDesk, seenLab, type Desk } from "@/core/ink/desk";
import { deltaE00 } from "@/core/colour/delta-e00";
import { scanInks } from "@/fixtures/scanned-desk";
import { finish } from "@/core/progress";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { groupGoal } from "./goal";
import { planGreedily, planTogether, weighJoint, type JointWish } from "./joint";
import { goalLike, likeness, LIKENESS_WEIGHTS } from "./like";
import { nearestTone, searchLibrary, groupUses } from "./library";
import { planGroups } from "./plan";
import fc from "fast-check";
import { blendCost, SCORE_WEIGHTS, stepCost } from "./score";
import { candidatesOf, placeCosts, searchGroups, type SearchWish } from "./search";
import { STEP_LIMITS } from "./step";
import { assessGroup } from "./assess";
import { asLayers, newArea, newPiece } from "@/core/piece/piece";

const range = demoRange().filter((i) => ["clay", "bark", "sand", "rust"].includes(i.family) && i.depth % 2);
const desk: Desk = layDesk(...scanInks(whiteCard, range, 5));
const paper = desk.paper.lab;
const goal = groupGoal({ local: [66, 14, 20] }, 4, paper);
const first = (options: Parameters<typeof planGroups>[3]) => finish(planGroups(desk, goal, 1, options))[0]!;

describe("planning around what is given", () => {
  const free = first({});
  it("keeps locked tones and plans the rest, never worse for less", () => {
    const other = desk.inks.findIndex(
      (_, i) => !free.tones.some((t) => t.ink === i) && Math.abs(seenLab(desk, [i])[0] - 60) < 8,
    );
    const locked = first({ fixed: [{ ink: other, coats: 1 }] });
    expect(locked.tones.filter((t) => t.ink === other && t.coats === 1)).toHaveLength(1);
    expect(locked.tones).toHaveLength(4);
    expect(locked.score).toBeGreaterThanOrEqual(free.score - 1e-9);
  });
  it("keeps a locked ink even when it is forbidden otherwise, in three coats too", () => {
    const ink = free.tones[1]!.ink;
    const locked = first({ fixed: [{ ink, coats: 3 }], inkCost: (i) => (i === ink ? Infinity : 0) });
    expect(locked.tones.find((t) => t.ink === ink)).toMatchObject({ coats: 3 });
  });
  it("buys no more than it may", () => {
    const unowned = (i: number) => i % 2 === 0;
    const bought = (purchases: number) =>
      first({ unowned, purchases }).tones.filter((t) => unowned(t.ink)).length;
    expect(bought(0)).toBe(0);
    expect(bought(1)).toBeLessThanOrEqual(1);
    expect(first({ unowned, purchases: 1 }).score).toBeLessThanOrEqual(
      first({ unowned, purchases: 0 }).score + 1e-9,
    );
  });
});

describe("locked tones", () => {
  const inks = range.filter((_, i) => i % 3 === 0).slice(0, 8);
  const small = layDesk(...scanInks(whiteCard, inks, 9));
  const candidates = candidatesOf(small, 2, () => true);
  const { tones } = candidates;

  /** The cheapest group with the locks, by trying every one. */
  function bruteForce(wish: SearchWish, own: readonly (readonly number[])[]): number {
    const locks = wish.fixed!.map((f) => tones.findIndex((t) => t.ink === f.ink && t.coats === f.coats));
    const places = wish.goal.tones.length;
    let best = Infinity;
    const grow = (path: number[], cost: number): void => {
      const place = path.length;
      if (place === places) {
        if (locks.every((l) => path.includes(l))) best = Math.min(best, cost);
        return;
      }
      tones.forEach((t, node) => {
        const last = path.at(-1);
        const locked = locks.includes(node);
        if (!locked && wish.fixed!.some((f) => f.ink === t.ink)) return;
        let step = 0;
        if (last !== undefined) {
          const both = locked && locks.includes(last);
          if (both ? last >= node : tones[last]!.lab[0] <= t.lab[0]) return;
          if (!both && (path.some((n) => tones[n]!.ink === t.ink) || candidates.alike(last, node))) return;
          step =
            stepCost(tones[last]!, t, wish.goal, wish.limits, wish.weights) +
            blendCost(candidates.path(last, node), place - 1, wish.goal, wish.weights);
        }
        grow([...path, node], cost + own[place]![node]! + wish.inkCost(t.ink) + step);
      });
    };
    grow([], 0);
    return best;
  }

  it("stand where the whole group is cheapest: as cheap as trying everything finds, and found whenever there is one", () =>
    fc.assert(
      fc.property(
        fc.record({
          local: fc.tuple(
            fc.integer({ min: 30, max: 85 }),
            fc.integer({ min: 0, max: 25 }),
            fc.integer({ min: 0, max: 30 }),
          ),
          places: fc.integer({ min: 2, max: 4 }),
          locks: fc.uniqueArray(
            fc.tuple(fc.integer({ min: 0, max: inks.length - 1 }), fc.integer({ min: 1, max: 2 })),
            { minLength: 1, maxLength: 3, selector: ([ink]) => ink },
          ),
        }),
        ({ local, places, locks }) => {
          const fixed = locks.slice(0, places).map(([ink, coats]) => ({ ink, coats }));
          const wish: SearchWish = {
            goal: groupGoal({ local }, places, small.paper.lab),
            limits: STEP_LIMITS,
            weights: SCORE_WEIGHTS,
            fixed,
            inkCost: () => 0,
          };
          const own = placeCosts(candidates, wish.goal, SCORE_WEIGHTS);
          const [found] = searchGroups(candidates, own, wish, Infinity);
          const best = bruteForce(wish, own);
          if (best === Infinity) expect(found).toBeUndefined();
          else expect(found!.cost).toBeCloseTo(best, 9);
        },
      ),
      { numRuns: 120 },
    ));
});

describe("a drift of temperature", () => {
  it("moves the ends that were not read, and only them", () => {
    const plain = groupGoal({ local: [60, 10, 10] }, 4, paper);
    const cool = groupGoal({ local: [60, 10, 10] }, 4, paper, { drift: { light: 1, shadow: -1 } });
    expect(cool.tones[3]![2]).toBeLessThan(plain.tones[3]![2]);
    expect(cool.tones[0]![2]).toBeGreaterThan(plain.tones[0]![2]);
    const target = { light: [80, 5, 10], local: [60, 10, 10], shadow: [40, 8, 6] } as const;
    expect(groupGoal(target, 4, paper, { drift: { light: 1, shadow: -1 } })).toEqual(
      groupGoal(target, 4, paper),
    );
  });
});

describe("a whole piece", () => {
  const area = (local: readonly [number, number, number], tones = 3) => ({
    goal: groupGoal({ local }, tones, paper),
    fixed: [],
    excluded: () => false,
    emphasis: false,
  });
  const wish: JointWish = {
    areas: [area([66, 14, 20]), area([70, 10, 18]), area([52, 18, 24]), area([62, 6, 14])],
    neighbours: [
      [0, 1],
      [1, 2],
    ],
    apart: 6,
    markerCost: 1,
    inkCost: () => 0,
    limit: null,
  };
  const greedy = planGreedily(desk, wish)!;
  const joint = finish(planTogether(desk, wish))!;
  it("planned together is never worse on its own objective, and shares markers", () => {
    expect(joint.objective).toBeLessThanOrEqual(greedy.objective + 1e-9);
    expect(joint.markers).toBeLessThanOrEqual(greedy.markers);
    expect(weighJoint(wish, joint.groups).objective).toBeCloseTo(joint.objective, 9);
  });
  it("meets a limit of markers where it can", () => {
    const limited = finish(planTogether(desk, { ...wish, limit: joint.markers - 1 }))!;
    expect(limited.markers).toBeLessThanOrEqual(joint.markers - 1);
  });
  it("keeps neighbours apart, more so with emphasis", () => {
    const same = {
      ...wish,
      areas: [area([66, 14, 20]), area([66, 14, 20])],
      neighbours: [[0, 1] as const],
      apart: 8,
    };
    const gap = (w: JointWish) => {
      const { groups } = finish(planTogether(desk, w))!;
      return deltaE00(groups[0]!.local, groups[1]!.local);
    };
    expect(gap(same)).toBeGreaterThan(gap({ ...same, apart: 0 }) + 2);
  });
  it("reports scores that an assessment of the same groups gives, locks included", () => {
    const { ink, coats } = joint.groups[1]!.tones[0]!;
    const locked: JointWish = {
      ...wish,
      markerCost: 2.5,
      areas: wish.areas.map((a, i) => (i === 2 ? { ...a, fixed: [{ ink, coats }] } : a)),
    };
    const plan = finish(planTogether(desk, locked))!;
    expect(plan.groups[2]!.tones.some((t) => t.ink === ink)).toBe(true);
    plan.groups.forEach((g, i) =>
      expect(g.score).toBeCloseTo(assessGroup(desk, g.tones, locked.areas[i]!.goal).score, 9),
    );
    expect(plan.fit).toBeCloseTo(
      plan.groups.reduce((sum, g) => sum + g.score, 0),
      9,
    );
  });
  it("keeps locked tones, leaves excluded inks", () => {
    const locked = joint.groups[1]!.tones[0]!;
    const barred = new Set(joint.groups[0]!.tones.map((t) => t.ink));
    const again = finish(
      planTogether(desk, {
        ...wish,
        areas: [
          { ...wish.areas[0]!, excluded: (i) => barred.has(i) },
          { ...wish.areas[1]!, fixed: [locked] },
          ...wish.areas.slice(2),
        ],
      }),
    )!;
    expect(again.groups[0]!.tones.some((t) => barred.has(t.ink))).toBe(false);
    expect(again.groups[1]!.tones.some((t) => t.ink === locked.ink)).toBe(true);
  });
  it("that cannot be planned gives nothing", () =>
    expect(finish(planTogether(desk, { ...wish, inkCost: () => Infinity }))).toBeUndefined());
});

describe("a group like another", () => {
  it("finds the very group when its inks are there, and says how far others are", () => {
    const own = first({});
    const wanted = own.tones.map((t) => t.lab);
    const [same] = finish(planGroups(desk, goalLike(wanted), 1, { weights: LIKENESS_WEIGHTS }));
    expect(likeness(same!.tones, wanted).mean).toBeLessThan(1.5);
    const used = new Set(own.tones.map((t) => t.ink));
    const [other] = finish(
      planGroups(desk, goalLike(wanted), 1, {
        weights: LIKENESS_WEIGHTS,
        inkCost: (i) => (used.has(i) ? Infinity : 0),
      }),
    );
    expect(likeness(other!.tones, wanted).mean).toBeGreaterThan(0.5);
    expect(likeness(other!.tones, wanted).each).toHaveLength(4);
  });
});

describe("the library", () => {
  const groups = [
    {
      name: "Skin, olive",
      tags: ["skin"],
      notes: "",
      tones: [
        { code: "sand1m", coats: 1 },
        { code: "clay5m", coats: 1 },
      ],
    },
    {
      name: "Bark",
      tags: ["wood"],
      notes: "for skin too",
      tones: [
        { code: "bark3c", coats: 1 },
        { code: "bark5c", coats: 1 },
      ],
    },
  ];
  it("is searched by name, tag, note, family and code", () => {
    const names = (q: string) => searchLibrary(groups, q).map((g) => g.name);
    expect(names("skin")).toEqual(["Skin, olive", "Bark"]);
    expect(names("skin olive")).toEqual(["Skin, olive"]);
    expect(names("bark5")).toEqual(["Bark"]);
    expect(names("")).toHaveLength(2);
    expect(names("lake")).toEqual([]);
  });
  it("knows how near a group comes to a colour, and where it is used", () => {
    expect(
      nearestTone(
        [
          [50, 0, 0],
          [60, 10, 10],
        ],
        [60, 10, 10],
      ),
    ).toBe(0);
    expect(nearestTone([], [60, 10, 10])).toBe(Infinity);
    const piece = {
      ...newPiece("Kite", null),
      areas: [
        { ...newArea("a", "Face"), layers: asLayers(groups[0]!.tones) },
        { ...newArea("b", "Sky"), layers: asLayers(groups[1]!.tones) },
      ],
    };
    expect(groupUses(groups[0]!.tones, [{ id: "p", document: piece }])).toEqual([
      { piece: "Kite", pieceId: "p", area: "Face", areaId: "a", share: 1 },
    ]);
  });
});
