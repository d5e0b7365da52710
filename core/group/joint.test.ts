import { deltaE00 } from "@/core/colour/delta-e00";
import { layDesk, type Desk } from "@/core/ink/desk";
import { finish } from "@/core/progress";
import { askedOf, shapeWish } from "@/fixtures/group-wish";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { judgeLaid } from "./assess";
import { planTogether, weighJoint, type JointWish } from "./joint";
import { inksOf } from "./plan";

const range = demoRange().filter((i) => ["clay", "bark", "sand", "rust"].includes(i.family) && i.depth % 2);
const desk: Desk = layDesk(...scanInks(whiteCard, range, 5));

describe("a whole piece", () => {
  const area = (local: readonly [number, number, number], tones = 3) => ({
    wish: shapeWish(desk, { local }, { tones }),
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
  const together = (w: JointWish) => finish(planTogether(desk, w))!.together;
  const { alone: greedy, together: joint, priced } = finish(planTogether(desk, wish, [0, 3]))!;
  it("planned together is never worse on its own objective, and shares markers", () => {
    expect(joint.objective).toBeLessThanOrEqual(greedy.objective + 1e-9);
    expect(joint.markers).toBeLessThanOrEqual(greedy.markers);
    expect(weighJoint(wish, joint.groups).objective).toBeCloseTo(joint.objective, 9);
  });
  it("meets a limit of markers where it can", () => {
    const limited = together({ ...wish, limit: joint.markers - 1 });
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
      const { groups } = together(w);
      return deltaE00(groups[0]!.local, groups[1]!.local);
    };
    expect(gap(same)).toBeGreaterThan(gap({ ...same, apart: 0 }) + 2);
  });
  it("reports scores that an assessment of the same groups gives, locks included", () => {
    const [ink, coats] = [joint.groups[1]!.inks.tones[0]!, joint.groups[1]!.laying.coats[0]!];
    const locked: JointWish = {
      ...wish,
      markerCost: 2.5,
      areas: wish.areas.map((a, i) => (i === 2 ? { ...a, fixed: [{ ink, coats }] } : a)),
    };
    const plan = together(locked);
    expect(plan.groups[2]!.inks.tones).toContain(ink);
    plan.groups.forEach((g, i) =>
      expect(g.score).toBeCloseTo(
        judgeLaid(desk, g, askedOf(desk, locked.areas[i]!.wish.target, g.inks.tones.length)).score,
        9,
      ),
    );
    expect(plan.fit).toBeCloseTo(
      plan.groups.reduce((sum, g) => sum + g.score, 0),
      9,
    );
  });
  it("keeps locked tones, leaves excluded inks", () => {
    const locked = { ink: joint.groups[1]!.inks.tones[0]!, coats: joint.groups[1]!.laying.coats[0]! };
    const barred = new Set(inksOf(joint.groups[0]!));
    const again = together({
      ...wish,
      areas: [
        { ...wish.areas[0]!, excluded: (i) => barred.has(i) },
        { ...wish.areas[1]!, fixed: [locked] },
        ...wish.areas.slice(2),
      ],
    });
    expect(inksOf(again.groups[0]!).some((ink) => barred.has(ink))).toBe(false);
    expect(again.groups[1]!.inks.tones).toContain(locked.ink);
  });
  it("that cannot be planned gives nothing", () =>
    expect(finish(planTogether(desk, { ...wish, inkCost: () => Infinity }))).toBeUndefined());
  it("trades markers for fit as they are priced", () => {
    expect(priced[0]!.groups).toEqual(greedy.groups);
    expect(priced[1]!.markers).toBeLessThanOrEqual(priced[0]!.markers);
    expect(priced[1]!.fit).toBeGreaterThanOrEqual(priced[0]!.fit - 1e-9);
  });
  it("of many areas is sketched first, and each plan that is shown is better than the one before", () => {
    const many = Math.ceil(25_000 / 24 / desk.inks.length);
    const open = Array.from({ length: many }, (_, i) => {
      const local = [45 + (i % 8) * 4, 6 + (i % 5) * 3, 10 + (i % 7) * 2.5] as const;
      return {
        ...area(local),
        wish: shapeWish(desk, { local }, { tones: "auto", mostTones: 5, shadow: "best" }),
      };
    });
    const shown: number[] = [];
    const large = { ...wish, areas: open, neighbours: [] };
    const {
      alone,
      together: plan,
      isBrief,
    } = finish(planTogether(desk, large, [], ({ together: t }) => shown.push(t.objective)))!;
    expect(isBrief).toBe(false);
    expect(shown.length).toBeGreaterThanOrEqual(3);
    for (const [i, objective] of shown.entries())
      expect(objective).toBeLessThanOrEqual((shown[i - 1] ?? Infinity) + 1e-9);
    expect(plan.objective).toBe(shown.at(-1));
    expect(plan.objective).toBeLessThan(shown[0]!);
    expect(plan.objective).toBeLessThanOrEqual(alone.objective + 1e-9);
  }, 60_000);
  it("of very many areas ends with the likeliest ways of each, and with all of them where that is asked for", () => {
    const many = Math.ceil(121_000 / 24 / desk.inks.length);
    const open = Array.from({ length: many }, (_, i) => {
      const local = [45 + (i % 8) * 4, 6 + (i % 3) * 3, 10 + (i % 2) * 2.5] as const;
      const wished = shapeWish(desk, { local }, { tones: "auto", mostTones: 5, shadow: "best" });
      return { ...area(local), wish: wished };
    });
    // A piece is as large as its desk is; that few of its inks can be had makes the test short.
    const large = {
      ...wish,
      areas: open,
      neighbours: [],
      inkCost: (ink: number) => (ink % 6 ? Infinity : 0),
    };
    const soon = finish(planTogether(desk, large))!;
    expect(soon.isBrief).toBe(true);
    expect(soon.together.objective).toBeLessThanOrEqual(soon.alone.objective + 1e-9);
    const late = finish(planTogether(desk, large, [], undefined, true))!;
    expect(late.isBrief).toBe(false);
    expect(late.together.objective).toBeLessThanOrEqual(soon.together.objective + 1e-9);
    expect(late.together.objective).toBeGreaterThan(0.85 * soon.together.objective);
  }, 60_000);
});
