import fc from "fast-check";
import type { Lab } from "@/core/colour/lab";
import { layDesk, type Desk } from "@/core/ink/desk";
import { finish } from "@/core/progress";
import { shapeWish } from "@/fixtures/group-wish";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { EVEN_SHARES, placeShares, SHARE_STEPS } from "./area-shares";
import { groupGoal } from "./goal";
import { planGroups } from "./plan";
import { missed, wantedAt, wantedOf } from "./wanted";
import { weighGroup } from "./weigh";

const steps = fc
  .array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: SHARE_STEPS, maxLength: SHARE_STEPS })
  .filter((s) => s.some((v) => v > 0.01));
const borders = [0, 0.2, 0.38, 0.62, 1];

describe("how an area is divided among the places of a group", () => {
  it("sums to one, and is what lies between the borders", () =>
    fc.assert(
      fc.property(steps, (own) => {
        const { shares } = placeShares(borders, own);
        const total = own.reduce((a, b) => a + b, 0);
        expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        // Counted in a thousand grains.
        const grains = Array.from({ length: 32_000 }, (_, i) => (i + 0.5) / 32_000);
        shares.forEach((share, z) => {
          const inside = grains.filter((t) => t >= borders[z]! && t < borders[z + 1]!);
          const counted = inside.reduce(
            (sum, t) => sum + own[Math.floor(t * SHARE_STEPS)]! / total / 1000,
            0,
          );
          expect(share).toBeCloseTo(counted, 3);
        });
      }),
      { numRuns: 10 },
    ));
  it("is even where nobody says, and where nothing lies", () => {
    for (const own of [undefined, EVEN_SHARES, Array<number>(SHARE_STEPS).fill(0)])
      placeShares(borders, own).shares.forEach((s, z) =>
        expect(s).toBeCloseTo(borders[z + 1]! - borders[z]!, 9),
      );
  });
  it("minds what is hardly shown less, and never not at all", () => {
    const flat = EVEN_SHARES.map((_, s) => (s === 15 || s === 16 ? 1 : 0));
    const { presence, division } = placeShares(borders, flat);
    expect(presence[2]).toBe(1);
    for (const z of [0, 1, 3]) expect(presence[z]).toBeCloseTo(0.15, 9);
    expect(division.every(([t]) => Math.abs(t - 0.5) < 0.05)).toBe(true);
  });
});

describe("what is wanted along an area", () => {
  const paper: Lab = [96, 0, 2];
  const target = { light: [86, 8, 14], local: [64, 16, 22], shadow: [34, 14, 14] } as const;
  it("is what was picked where it was picked, and straight between", () => {
    const goal = groupGoal(target, 3, paper, {}, 1);
    const wanted = wantedOf(goal, [{ t: 0.02 }, { t: 0.1 }, { t: 0.5 }, { t: 0.9 }, { t: 0.98 }]);
    expect(wantedAt(wanted, 0.02)).toEqual(target.light);
    expect(wantedAt(wanted, 0.5)).toEqual(target.local);
    expect(wantedAt(wanted, 0.98)).toEqual(target.shadow);
    expect(wantedAt(wanted, 0.3)[0]).toBeCloseTo((86 + 64) / 2, 6);
    expect(
      missed((t) => wantedAt(wanted, t), wanted, [
        [0.2, 1],
        [0.7, 3],
      ]),
    ).toBe(0);
    expect(missed(() => target.local, wanted, [[0.5, 1]])).toBe(0);
  });
});

describe("a group that is planned for how its area is divided", () => {
  const range = demoRange().filter((i) => ["clay", "bark", "sand", "rust"].includes(i.family) && i.depth % 2);
  const desk: Desk = layDesk(...scanInks(whiteCard, range, 5));
  const target = { light: [84, 6, 16], local: [62, 14, 22], shadow: [34, 12, 14] } as const;
  const planned = (shares?: readonly number[]) =>
    finish(planGroups(desk, shapeWish(desk, target, { tones: "auto", wish: { shares } }), 1))[0]!;
  const flat = EVEN_SHARES.map((_, s) => (Math.abs(s - 15.5) < 2 ? 1 : 0));
  it("is no worse for that area than one planned for another, and lies nearer to it as a whole", () => {
    const [even, own] = [planned(), planned(flat)];
    const places = even.weighed.zones.length;
    const goal = groupGoal(target, places, desk.paper.lab, { shares: flat }, even.goal.localAt);
    const there = weighGroup(desk, even, goal);
    expect(own.score).toBeLessThanOrEqual(there.score + 1e-9);
    expect(own.weighed.missed).toBeLessThan(there.missed + 0.5);
  });
  it("needs no tones for ends that nothing shows", () =>
    expect(planned(flat).inks.tones.length).toBeLessThanOrEqual(planned().inks.tones.length));
});
