import fc from "fast-check";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { finish } from "@/core/progress";
import { seeded } from "@/sim/random";
import { planPurchases, type PurchaseWish } from "./purchases";

const lab = fc.tuple(
  fc.integer({ min: 40, max: 60 }),
  fc.integer({ min: -8, max: 8 }),
  fc.integer({ min: -8, max: 8 }),
) as fc.Arbitrary<Lab>;

const wishes: fc.Arbitrary<PurchaseWish> = fc.record({
  wanted: fc.array(fc.record({ lab, weight: fc.integer({ min: 1, max: 5 }) }), { maxLength: 14 }),
  owned: fc.array(lab, { maxLength: 3 }),
  offers: fc.array(
    fc.record({
      codes: fc.constant(["x"]),
      labs: fc.array(lab, { minLength: 1, maxLength: 3 }),
      price: fc.integer({ min: 0, max: 6 }),
    }),
    { maxLength: 9 },
  ),
  budget: fc.integer({ min: 0, max: 14 }),
  within: fc.constant(3),
});

/** The largest share that any choice within the budget meets, by trying every one. */
function bruteForce({ wanted, owned, offers, budget, within }: PurchaseWish): number {
  const all = wanted.reduce((sum, w) => sum + w.weight, 0);
  let most = 0;
  for (let set = 0; set < 1 << offers.length; set++) {
    const chosen = offers.filter((_, i) => set & (1 << i));
    if (chosen.reduce((sum, o) => sum + o.price, 0) > budget) continue;
    const had = [...owned, ...chosen.flatMap((o) => o.labs)];
    const met = wanted.filter((w) => had.some((own) => deltaE00(w.lab, own) <= within));
    most = Math.max(most, met.reduce((sum, w) => sum + w.weight, 0) / (all || 1));
  }
  return most;
}

describe("what to buy", () => {
  it("meets as much as any choice within the budget: packs, prices of nothing, nothing wanted", () => {
    fc.assert(
      fc.property(wishes, (wish) => {
        const plan = finish(planPurchases(wish));
        expect(plan.exact).toBe(true);
        expect(plan.after).toBeCloseTo(bruteForce(wish), 9);
        expect(plan.atMost).toBeCloseTo(plan.after, 9);
        expect(plan.spent).toBeLessThanOrEqual(wish.budget + 1e-9);
        for (const { adds } of plan.buy) expect(adds).toBeGreaterThan(0);
        expect(plan.before + plan.buy.reduce((sum, b) => sum + b.adds, 0)).toBeCloseTo(plan.after, 9);
      }),
      { numRuns: 150 },
    );
  });

  const random = seeded(11);
  const anywhere = (): Lab => [20 + 70 * random(), 80 * random() - 40, 80 * random() - 40];
  const many: PurchaseWish = {
    wanted: Array.from({ length: 250 }, () => ({ lab: anywhere(), weight: 1 + random() })),
    owned: Array.from({ length: 40 }, anywhere),
    offers: Array.from({ length: 300 }, () => ({
      codes: ["x"],
      labs: [anywhere(), anywhere()],
      price: 2 + 6 * random(),
    })),
    budget: 60,
    within: 6,
  };
  it("is never better than what it says can be had at most, nor worse than 63 % of it, among hundreds", () => {
    const plan = finish(planPurchases(many));
    expect(plan.after).toBeGreaterThan(plan.before);
    expect(plan.after).toBeLessThanOrEqual(plan.atMost + 1e-9);
    // The share of what can be added, which is what the theorem speaks of.
    expect((plan.after - plan.before) / (plan.atMost - plan.before)).toBeGreaterThan(0.63);
    expect(plan.spent).toBeLessThanOrEqual(60);
    for (const { offer, meets } of plan.buy)
      for (const t of meets)
        expect(
          Math.min(...many.offers[offer]!.labs.map((own) => deltaE00(own, many.wanted[t]!.lab))),
        ).toBeLessThanOrEqual(6);
  });
  it("has a curve that begins where one stands and never falls, and goes on beyond the budget", () => {
    const { curve, before } = finish(planPurchases(many));
    expect(curve[0]).toEqual({ money: 0, share: before });
    curve.slice(1).forEach(({ money, share }, i) => {
      expect(money).toBeGreaterThanOrEqual(curve[i]!.money);
      expect(share).toBeGreaterThanOrEqual(curve[i]!.share - 1e-12);
    });
    expect(curve.at(-1)!.money).toBeGreaterThan(60);
    expect(curve.at(-1)!.share).toBeGreaterThan(curve.at(-2)!.share);
  });
  it("buys no twin of what is owned, and nothing where all is met", () => {
    const own: Lab = [50, 10, 10];
    const wanted = [{ lab: own, weight: 1 }];
    const offers = [{ codes: ["twin"], labs: [own], price: 1 }];
    const plan = finish(planPurchases({ wanted, owned: [own], offers, budget: 10, within: 3 }));
    expect(plan).toMatchObject({ buy: [], spent: 0, before: 1, after: 1, exact: true });
  });
});
