import { finish } from "@/core/progress";
import { planPurchases, type PurchaseWish } from "@/core/stock/purchases";
import { deltaE00 } from "@/core/colour/delta-e00";
import { quantile } from "@/core/algebra/median";
import type { Lab } from "@/core/colour/lab";
import { xyzToLab } from "@/core/colour/lab";
import { demoRange } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { layOnSheet } from "@/sim/sheet";

const CASES = 12;

/** The plain way: again and again the cheapest offer that meets anything, as it comes. */
function plain({ wanted, owned, offers, budget, within }: PurchaseWish): number {
  const isMet = wanted.map(({ lab }) => owned.some((o) => deltaE00(o, lab) <= within));
  let left = budget;
  for (const { labs, price } of offers) {
    const meets = wanted.flatMap(({ lab }, t) =>
      !isMet[t] && labs.some((own) => deltaE00(own, lab) <= within) ? [t] : [],
    );
    if (!meets.length || price > left) continue;
    left -= price;
    for (const t of meets) isMet[t] = true;
  }
  const all = wanted.reduce((s, w) => s + w.weight, 0);
  return wanted.reduce((s, w, t) => s + (isMet[t] ? w.weight : 0), 0) / all;
}

/** What a budget buys for a few hundred wanted colours from the demo's range. */
export function judgePurchases(): string {
  const inks = demoRange().map((i) => ({
    labs: [1, 2, 3].map((coats): Lab =>
      xyzToLab(look(layOnSheet(whiteCard, [{ ink: i.recipe, coats, wet: false }]))),
    ),
  }));
  const rows = [10, 30, 60].map((budget) => {
    const gains: number[] = [];
    const against: number[] = [];
    const proven: number[] = [];
    let [exact, took, plainTook] = [0, 0, 0];
    for (let n = 0; n < CASES; n++) {
      const random = seeded(100 * budget + n);
      const mixed = [...inks].sort(() => random() - 0.5);
      const wish: PurchaseWish = {
        wanted: Array.from({ length: 300 }, () => {
          const [L, a, b] = inks[Math.floor(random() * inks.length)]!.labs[Math.floor(random() * 3)]!;
          return { lab: [L + 6 * random() - 3, a + 6 * random() - 3, b + 6 * random() - 3], weight: 1 };
        }),
        owned: mixed.slice(0, 60).flatMap((i) => i.labs),
        offers: mixed.slice(60).map((i) => ({ codes: ["x"], labs: i.labs, price: 2 + 3 * random() })),
        budget,
        within: 3,
      };
      const t0 = performance.now();
      const plan = finish(planPurchases(wish));
      took += performance.now() - t0;
      const t1 = performance.now();
      const other = plain(wish);
      plainTook += performance.now() - t1;
      gains.push(plan.after - plan.before);
      against.push(other - plan.before);
      proven.push(plan.proven);
      exact += Number(plan.exact);
    }
    const mid = (v: number[]) => (100 * quantile(v, 0.5)).toFixed(1);
    return `| ${budget} | **${mid(gains)} %** | ${mid(against)} % | ${mid(proven)} % (least ${(100 * Math.min(...proven)).toFixed(0)}) | ${exact} of ${CASES} | ${(took / plainTook).toFixed(0)} |`;
  });
  return [
    "### What to buy (300 wanted colours about the demo’s range, 60 inks owned, the rest on offer at 2 to 5 each; medians of twelve; the plain way takes what meets anything, as it comes)",
    "",
    "| budget | colours met more | the plain way | proven share of the best | proven to be the best | time in times of the plain way |",
    "| --- | --- | --- | --- | --- | --- |",
    ...rows,
  ].join("\n");
}
