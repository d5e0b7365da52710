import fc from "fast-check";
import { mostCoats } from "@/core/ink/span";
import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma } from "@/core/colour/lab";
import { layDesk, seenLab, type Desk } from "@/core/ink/desk";
import { finish } from "@/core/progress";
import { shapeWish } from "@/fixtures/group-wish";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { planGroups, type PlanOptions } from "./plan";
import { SCHOOLS } from "./school";
import { layingOf } from "./shape";
import { SHADOW_WAYS, shapesOf, toneCounts, type ShapeWish } from "./shapes";
import { weighGroup } from "./weigh";

const range = demoRange().filter((i) => ["clay", "bark", "soot", "dusk"].includes(i.family) && i.depth % 2);
const small: Desk = layDesk(...scanInks(whiteCard, range.filter((_, i) => i % 4 === 0).slice(0, 6), 9));

interface Asked {
  readonly wish: ShapeWish;
  readonly fixed: readonly { readonly ink: number; readonly coats: number }[];
}

/** The least score of any group that a wish leaves open, by laying every one. */
function bruteForce(desk: Desk, { wish, fixed }: Asked): number {
  const tones = desk.inks
    .flatMap((_, ink) =>
      [1, 2].map((coats) => ({ ink, coats, lab: seenLab(desk, Array<number>(coats).fill(ink)) })),
    )
    .sort((a, b) => b.lab[0] - a.lab[0]);
  const isLocked = (t: (typeof tones)[number]) => fixed.some((f) => f.ink === t.ink && f.coats === t.coats);
  let least = Infinity;
  for (const { shape, goal } of toneCounts(wish, fixed.length).flatMap((n) => shapesOf(wish, n))) {
    const shades =
      shape.shadow === "tone"
        ? [undefined]
        : desk.inks.flatMap((_, ink) =>
            shape.shadow === "over" && chroma(seenLab(desk, [ink])) > 14
              ? []
              : [1, 2].map((coats) => ({ ink, coats })),
          );
    const grow = (chosen: typeof tones, from: number): void => {
      if (chosen.length === shape.tones) {
        if (!fixed.every((f) => chosen.some((t) => t.ink === f.ink && t.coats === f.coats))) return;
        for (const shade of shades) {
          if (shade && chosen.some((t) => t.ink === shade.ink)) continue;
          const laying = layingOf(
            shape,
            chosen.map((t) => t.coats),
            shade?.coats ?? 0,
          );
          const one = shade ? [shade.ink] : [];
          const inks = {
            tones: chosen.map((t) => t.ink),
            under: shape.shadow === "under" ? one : [],
            over: shape.shadow === "over" ? one : [],
          };
          const { passes, score } = weighGroup(desk, { laying, inks }, goal);
          if (mostCoats(passes) <= wish.capacity + 1e-9) least = Math.min(least, score);
        }
        return;
      }
      for (let n = from; n < tones.length; n++) {
        const t = tones[n]!;
        const last = chosen.at(-1);
        if (chosen.some((c) => c.ink === t.ink)) continue;
        if (!isLocked(t) && fixed.some((f) => f.ink === t.ink)) continue;
        if (last && !(isLocked(last) && isLocked(t)) && deltaE00(last.lab, t.lab) < 2) continue;
        grow([...chosen, t], n + 1);
      }
    };
    grow([], 0);
  }
  return least;
}

const best = ({ wish, fixed }: Asked, options: PlanOptions = {}) =>
  finish(planGroups(small, wish, 1, { fixed, ...options }))[0];

describe("the planned group", () => {
  it("is the best there is on a small rack: schools, ways to the shadow, locks and capacities included", () =>
    fc.assert(
      fc.property(
        fc.record({
          L: fc.integer({ min: 25, max: 88 }),
          a: fc.integer({ min: -5, max: 25 }),
          b: fc.integer({ min: -10, max: 30 }),
          ends: fc.boolean(),
          tones: fc.constantFrom<number | "auto">(2, 3, 4, "auto"),
          school: fc.constantFrom(...SCHOOLS),
          shadow: fc.constantFrom(...SHADOW_WAYS),
          capacity: fc.integer({ min: 3, max: 7 }),
          locks: fc.uniqueArray(
            fc.record({ ink: fc.integer({ min: 0, max: 5 }), coats: fc.integer({ min: 1, max: 2 }) }),
            { maxLength: 2, selector: (f) => f.ink },
          ),
        }),
        ({ L, a, b, ends, tones, locks, ...how }) => {
          const local = [L, a, b] as const;
          const target = ends
            ? { light: [L + 9, a / 2, b / 2] as const, local, shadow: [Math.max(10, L - 18), a, b] as const }
            : { local };
          const asked = { wish: shapeWish(small, target, { tones, mostTones: 3, ...how }), fixed: locks };
          const least = bruteForce(small, asked);
          const found = best(asked);
          if (least === Infinity) expect(found).toBeUndefined();
          else expect(found!.score).toBeCloseTo(least, 6);
        },
      ),
      { numRuns: 9 },
    ));
  it("buys no more than it may", () => {
    const unowned = (ink: number) => ink % 2 === 0;
    const asked = { wish: shapeWish(small, { local: [62, 12, 18] }, { tones: 3 }), fixed: [] };
    const bought = (purchases: number) => best(asked, { unowned, purchases })!;
    expect(bought(0).inks.tones.some(unowned)).toBe(false);
    expect(bought(1).inks.tones.filter(unowned).length).toBeLessThanOrEqual(1);
    expect(bought(1).score).toBeLessThanOrEqual(bought(0).score + 1e-9);
  });
  it("keeps a locked ink even where it is forbidden otherwise, and in three coats", () => {
    const fixed = [{ ink: 3, coats: 3 }];
    const asked = { wish: shapeWish(small, { local: [62, 12, 18] }, { tones: 2, capacity: 8 }), fixed };
    const found = best(asked, { inkCost: (i) => (i === 3 ? Infinity : 0) })!;
    const at = found.inks.tones.indexOf(3);
    expect(found.laying.coats[at]).toBe(3);
  });
  it("is none where the paper holds none, and never more than the paper holds", () => {
    const target = { local: [62, 12, 18] as const };
    const asked = (capacity: number, tones: number) => ({
      wish: shapeWish(small, target, { tones, capacity }),
      fixed: [],
    });
    expect(best(asked(2, 4))).toBeUndefined();
    for (const capacity of [3, 4, 5, 6])
      for (const tones of [2, 3, 4]) {
        const found = best(asked(capacity, tones));
        if (found) expect(mostCoats(found.weighed.passes)).toBeLessThanOrEqual(capacity + 1e-9);
      }
  });
  it("takes as few tones as it needs: readings that hardly span anything get two or three", () => {
    const pear = { light: [82, 4, 30], local: [77, 6, 34], shadow: [71, 8, 34] } as const;
    const found = best({ wish: shapeWish(small, pear, { tones: "auto" }), fixed: [] })!;
    expect(found.inks.tones.length).toBeLessThanOrEqual(3);
    const wide = { light: [86, 8, 14], local: [62, 14, 18], shadow: [26, 8, 8] } as const;
    const more = best({ wish: shapeWish(small, wide, { tones: "auto" }), fixed: [] })!;
    expect(more.weighed.zones.length).toBeGreaterThanOrEqual(3);
  });
});
