import { lightnessWeight } from "@/core/colour/ciede2000";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { part, type Work } from "@/core/progress";

/** A colour that is wanted, and how much. */
export interface Wanted {
  readonly lab: Lab;
  readonly weight: number;
}

/** What can be bought in one go: a marker, or a pack of several. */
export interface Offer {
  readonly codes: readonly string[];
  /** Colours that it gives: one, two, three coats of each. */
  readonly labs: readonly Lab[];
  readonly price: number;
}

export interface PurchaseWish {
  readonly wanted: readonly Wanted[];
  /** Colours that are there already. */
  readonly owned: readonly Lab[];
  readonly offers: readonly Offer[];
  readonly budget: number;
  /** ΔE00 within which a wanted colour counts as met. */
  readonly within: number;
}

export interface Bought {
  /** Place among the offers. */
  readonly offer: number;
  /** Share of what is wanted that it adds to those before it. */
  readonly adds: number;
  /** Places of the wanted colours that it brings within reach. */
  readonly meets: readonly number[];
}

export interface Purchases {
  /** In the order in which each adds most for its price. */
  readonly buy: readonly Bought[];
  readonly spent: number;
  /** Share of what is wanted that is met, by weight. */
  readonly before: number;
  readonly after: number;
  /** No choice within the budget meets more than this. */
  readonly atMost: number;
  /** Nothing within the budget is better: every choice was looked at or ruled out. */
  readonly exact: boolean;
  /** Of what can be added at most, the share that is added: 1 where nothing better exists. */
  readonly proven: number;
  /** Share met by what was spent, offer by offer, well beyond the budget. */
  readonly curve: readonly { readonly money: number; readonly share: number }[];
}

/** What being near counts for where colours are not met, in all, as a share of the least wanted one: it parts choices that meet the same. */
const NEARNESS = 1e-4;
/** Worths are compared to within this share of all. */
const ALIKE = 1e-12;
/** As near as a colour has to come, in times of what counts as met, to count for anything. */
const NEAR = 4;
/** Scores that are looked at while one offer is exchanged for others, and while every choice is looked at or ruled out; then what is known stands. */
const MOST_EXCHANGE = 2e7;
const MOST_EXACT = 3e7;
/** Offers that the curve follows beyond the budget. */
const CURVE = 60;
/** Prices are compared to within this. */
const CENT = 1e-9;

/** What an offer gives each wanted colour that it serves better than what is owned: places and scores. */
interface Gives {
  readonly at: Int32Array;
  readonly score: Float64Array;
}

/**
 * Worth of a choice: for each wanted colour the best score among what is had, summed by weight. Monotone and submodular (facility location), so
 * that a greedy choice has its bound: Nemhauser, Wolsey & Fisher 1978; for this very choice min over prefixes A of f(A) + the best fractional
 * filling of the budget with what each offer adds to A (Minoux 1978).
 */
class Worth {
  readonly best: Float64Array;
  readonly gives: readonly Gives[];
  readonly weight: Float64Array;
  readonly total: number;
  /** Difference of worth that is none. */
  readonly alike: number;
  /** Scores that were looked at so far. */
  looked = 0;

  constructor({ wanted, owned, offers, within }: PurchaseWish) {
    this.weight = Float64Array.from(wanted, (w) => w.weight);
    this.total = Math.max(
      1e-12,
      this.weight.reduce((a, b) => a + b, 0),
    );
    this.alike = ALIKE * this.total;
    const least = this.weight.reduce((a, b) => (b > 0 && b < a ? b : a), this.total);
    const near = (NEARNESS * least) / this.total;
    const score = (d: number) => (d <= within ? 1 : d <= NEAR * within ? (near * within) / d : 0);
    // CIEDE2000 without chroma and hue, which can only add to it, rules most colours out at once.
    const isFar = (a: Lab, b: Lab) =>
      Math.abs(a[0] - b[0]) > NEAR * within * lightnessWeight((a[0] + b[0]) / 2);
    const nearest = (labs: readonly Lab[], lab: Lab) =>
      labs.reduce((least, own) => (isFar(lab, own) ? least : Math.min(least, deltaE00(lab, own))), Infinity);
    this.best = Float64Array.from(wanted, ({ lab }) => (owned.length ? score(nearest(owned, lab)) : 0));
    this.gives = offers.map(({ labs }) => {
      const at: number[] = [];
      const scores: number[] = [];
      wanted.forEach(({ lab }, t) => {
        if (this.best[t]! >= 1) return;
        const s = score(nearest(labs, lab));
        if (s > this.best[t]!) {
          at.push(t);
          scores.push(s);
        }
      });
      return { at: Int32Array.from(at), score: Float64Array.from(scores) };
    });
  }

  gain(offer: number, best: Float64Array): number {
    const { at, score } = this.gives[offer]!;
    this.looked += at.length + 1;
    let sum = 0;
    for (let i = 0; i < at.length; i++) {
      const more = score[i]! - best[at[i]!]!;
      if (more > 0) sum += more * this.weight[at[i]!]!;
    }
    return sum;
  }

  take(offer: number, best: Float64Array): void {
    const { at, score } = this.gives[offer]!;
    for (let i = 0; i < at.length; i++) if (score[i]! > best[at[i]!]!) best[at[i]!] = score[i]!;
  }

  of(chosen: readonly number[]): { readonly best: Float64Array; readonly worth: number } {
    const best = this.best.slice();
    for (const offer of chosen) this.take(offer, best);
    return { best, worth: this.sum(best) };
  }

  sum(best: Float64Array): number {
    let sum = 0;
    for (let t = 0; t < best.length; t++) sum += best[t]! * this.weight[t]!;
    return sum;
  }

  /** Share of what is wanted that is met, by weight. */
  met(best: Float64Array): number {
    let sum = 0;
    for (let t = 0; t < best.length; t++) if (best[t]! >= 1) sum += this.weight[t]!;
    return sum / this.total;
  }

  /** What a budget can add at most to what is had, each offer counted by itself and the last one in part. */
  bound(best: Float64Array, offers: readonly number[], prices: readonly number[], budget: number): number {
    const gains = offers
      .filter((o) => prices[o]! <= budget + CENT)
      .map((o) => ({ price: prices[o]!, gain: this.gain(o, best) }))
      .filter(({ gain }) => gain > 0)
      .sort((a, b) => b.gain * a.price - a.gain * b.price);
    let [left, sum] = [budget, 0];
    for (const { price, gain } of gains) {
      if (price <= left) {
        sum += gain;
        left -= price;
      } else {
        sum += (gain * left) / price;
        break;
      }
    }
    return Math.min(sum, this.total - this.sum(best));
  }
}

/** Greedy choice within a budget, lazily: what an offer adds only falls as more is had. `had` becomes what is had then. */
function greedy(
  worth: Worth,
  prices: readonly number[],
  budget: number,
  byPrice: boolean,
  had: Float64Array = worth.best.slice(),
  without: readonly number[] = [],
  most = Infinity,
): number[] {
  const out = new Set(without);
  const value = (o: number) => worth.gain(o, had) / (byPrice ? Math.max(CENT, prices[o]!) : 1);
  let left = budget;
  let open = prices
    .flatMap((price, o) => (price <= left + CENT && !out.has(o) ? [{ o, value: value(o) }] : []))
    .filter((e) => e.value > 0)
    .sort((a, b) => b.value - a.value);
  const chosen: number[] = [];
  while (open.length && chosen.length < most) {
    let top: { o: number; value: number } | undefined;
    for (const entry of open) {
      if (top && entry.value <= top.value) break;
      entry.value = value(entry.o);
      if (!top || entry.value > top.value) top = entry;
    }
    if (!top || top.value <= 0) break;
    chosen.push(top.o);
    worth.take(top.o, had);
    left -= prices[top.o]!;
    open = open.filter((e) => e !== top && e.value > 0 && prices[e.o]! <= left + CENT);
    open.sort((a, b) => b.value - a.value);
  }
  return chosen;
}

/** Exchanges one offer for others as long as that is worth more, and as long as there is time for it. */
function* exchanged(
  worth: Worth,
  prices: readonly number[],
  budget: number,
  from: readonly number[],
): Work<number[]> {
  let chosen = [...from];
  let now = worth.of(chosen).worth;
  const began = worth.looked;
  for (;;) {
    let better: number[] | undefined;
    for (const out of chosen) {
      const share = (worth.looked - began) / MOST_EXCHANGE;
      if (share > 1) return better ?? chosen;
      yield share;
      const rest = chosen.filter((o) => o !== out);
      const { best } = worth.of(rest);
      const left = budget - rest.reduce((sum, o) => sum + prices[o]!, 0);
      const added = greedy(worth, prices, left, false, best, rest);
      const value = worth.sum(best);
      if (value > now + worth.alike) [better, now] = [[...rest, ...added], value];
    }
    if (!better) return chosen;
    chosen = better;
  }
}

/** Branch and bound over the offers that add anything, most for their price first; undefined once it takes too long. */
function* exact(
  worth: Worth,
  prices: readonly number[],
  budget: number,
  known: readonly number[],
): Work<number[] | undefined> {
  const order = prices
    .map((_, o) => o)
    .filter((o) => prices[o]! <= budget + CENT && worth.gain(o, worth.best) > 0)
    .sort(
      (a, b) =>
        worth.gain(b, worth.best) * Math.max(CENT, prices[a]!) -
        worth.gain(a, worth.best) * Math.max(CENT, prices[b]!),
    );
  let chosen = [...known];
  let most = worth.of(chosen).worth;
  const began = worth.looked;
  let nodes = 0;
  interface Node {
    readonly from: number;
    readonly taken: readonly number[];
    readonly best: Float64Array;
    readonly left: number;
  }
  const open: Node[] = [{ from: 0, taken: [], best: worth.best.slice(), left: budget }];
  while (open.length) {
    const share = (worth.looked - began) / MOST_EXACT;
    if (share > 1) return undefined;
    if (++nodes % 100 === 0) yield share;
    const { from, taken, best, left } = open.pop()!;
    const value = worth.sum(best);
    if (value > most + worth.alike) [chosen, most] = [[...taken], value];
    if (from >= order.length) continue;
    const rest = order.slice(from);
    if (value + worth.bound(best, rest, prices, left) <= most + worth.alike) continue;
    const offer = order[from]!;
    open.push({ from: from + 1, taken, best, left });
    if (prices[offer]! <= left + CENT) {
      const more = best.slice();
      worth.take(offer, more);
      open.push({ from: from + 1, taken: [...taken, offer], best: more, left: left - prices[offer]! });
    }
  }
  return chosen;
}

/**
 * What to buy within a budget so that most of what is wanted is met: a greedy choice, exchanged as long as that helps, and the best there is where
 * every other choice can be ruled out. Yields progress 0–1.
 */
export function* planPurchases(wish: PurchaseWish): Work<Purchases> {
  const { offers, budget } = wish;
  const worth = new Worth(wish);
  yield 0.2;
  const prices = offers.map((o) => o.price);
  const all = prices.map((_, o) => o);
  const ways = [true, false].map((byPrice) => greedy(worth, prices, budget, byPrice));
  const first = ways.reduce((a, b) => (worth.of(b).worth > worth.of(a).worth ? b : a));
  yield 0.3;
  let chosen = yield* part(exchanged(worth, prices, budget, first), 0.3, 0.2);
  // What is proven of any choice is proven from every prefix of the greedy one.
  let atMost = Infinity;
  const best = worth.best.slice();
  for (const offer of [undefined, ...ways[0]!]) {
    if (offer !== undefined) worth.take(offer, best);
    atMost = Math.min(atMost, worth.sum(best) + worth.bound(best, all, prices, budget));
  }
  const work = exact(worth, prices, budget, chosen);
  let step = work.next();
  for (; !step.done; step = work.next()) yield 0.5 + 0.4 * step.value;
  const found = step.value;
  chosen = needed(worth, found ?? chosen);
  const after = worth.met(worth.of(chosen).best);
  const before = worth.met(worth.best);
  const most = found ? after : Math.min(1, Math.max(after, atMost / worth.total));
  return {
    buy: inOrderOfUse(worth, prices, chosen),
    spent: chosen.reduce((sum, o) => sum + prices[o]!, 0),
    before,
    after,
    atMost: most,
    proven: most - before < 1e-12 ? 1 : (after - before) / (most - before),
    exact: found !== undefined,
    curve: curveOf(worth, prices),
  };
}

/** Leaves out what meets nothing that the others do not: it would be money for being a little nearer. */
function needed(worth: Worth, chosen: readonly number[]): number[] {
  let kept = [...chosen];
  const all = worth.met(worth.of(kept).best);
  for (const offer of chosen) {
    const rest = kept.filter((o) => o !== offer);
    if (worth.met(worth.of(rest).best) >= all) kept = rest;
  }
  return kept;
}

/** A choice in the order in which each adds most for its price. */
function inOrderOfUse(worth: Worth, prices: readonly number[], chosen: readonly number[]): Bought[] {
  const best = worth.best.slice();
  const left = new Set(chosen);
  const out: Bought[] = [];
  while (left.size) {
    const rate = (o: number) => worth.gain(o, best) / Math.max(CENT, prices[o]!);
    const offer = [...left].reduce((a, b) => (rate(b) > rate(a) ? b : a));
    left.delete(offer);
    const before = best.slice();
    worth.take(offer, best);
    const meets = [...worth.gives[offer]!.at].filter((t) => before[t]! < 1 && best[t]! >= 1);
    out.push({ offer, adds: worth.met(best) - worth.met(before), meets });
  }
  return out;
}

/** What money meets, offer by offer in the greedy order. */
function curveOf(worth: Worth, prices: readonly number[]): Purchases["curve"] {
  const best = worth.best.slice();
  let money = 0;
  const out = [{ money, share: worth.met(best) }];
  for (const offer of greedy(worth, prices, Infinity, true, undefined, [], CURVE)) {
    worth.take(offer, best);
    money += prices[offer]!;
    out.push({ money, share: worth.met(best) });
  }
  // Where nothing more is met, the curve ends.
  return out.slice(0, 1 + out.findIndex((p) => p.share === out.at(-1)!.share));
}
