import type { Work } from "@/core/progress";
import type { Problem } from "./problem";
import { Clock, objectiveOf, type Timing } from "./time-order";

/** An order with its times. */
export interface Ordered {
  readonly order: readonly number[];
  readonly timing: Timing;
  readonly objective: number;
}

/** Chains that are taken out at a time. */
const [LEAST_OUT, MOST_OUT] = [1, 7];
/** Places that are tried for the beginning of a chain. */
const MOST_PLACES = 16;
/** How much worse an order may be and still be gone on from, as a share of a change's cost, at the beginning. */
const WARM = 0.8;

/** Small numbers that look random and are the same each time (D. Lehmer 1951). */
function lehmer(seed: number): () => number {
  let state = seed % 2147483647 || 1;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

/** Looks for better orders by taking chains out and putting them in where they cost least (ruin and recreate; G. Schrimpf et al. 2000). */
export class Improver {
  readonly clock: Clock;
  readonly #random: () => number;
  readonly #chainsOf: readonly number[][];

  constructor(
    readonly problem: Problem,
    seed = 1,
  ) {
    this.clock = new Clock(problem);
    this.#random = lehmer(seed);
    this.#chainsOf = problem.question.areas.map(() => []);
    problem.chains.forEach((chain, c) => this.#chainsOf[problem.area[chain[0]!]!]!.push(c));
  }

  judged(order: readonly number[], part = false): Ordered | undefined {
    const timing = this.clock.time(order, part);
    return timing && { order, timing, objective: objectiveOf(timing, this.problem.question.worth) };
  }

  /** Puts a chain in where the whole costs least. */
  #put(order: readonly number[], chain: readonly number[]): Ordered | undefined {
    const { code, area, pass, before, dry } = this.problem;
    const [head, tail] = [chain[0]!, chain.at(-1)!];
    const a = area[head]!;
    // What the rules of before and after leave.
    let [low, high] = [0, order.length];
    for (let k = 0; k < order.length; k++) {
      const y = order[k]!;
      if (area[y] !== a) continue;
      if (y === before[head] || (dry[head] && pass[y]! < pass[head]!)) low = Math.max(low, k + 1);
      if (before[y] === tail || (dry[y] && pass[y]! > pass[head]!)) high = Math.min(high, k);
    }
    const { after } = this.problem.question.areas[a]!;
    if (after.length)
      for (let k = low; k < order.length; k++) if (after.includes(area[order[k]!]!)) low = k + 1;
    for (let k = 0; k < high; k++)
      if (this.problem.question.areas[area[order[k]!]!]!.after.includes(a)) high = k;
    if (low > high) return undefined;
    const places = new Set<number>();
    const spare: number[] = [];
    for (let k = low; k <= high; k++) {
      const [left, right] = [order[k - 1], order[k]];
      const border = left === undefined || right === undefined || code[left] !== code[right];
      if (
        (left !== undefined && code[left] === code[head] && border) ||
        (right !== undefined && (code[right] === code[head] || code[right] === code[tail]) && border)
      )
        places.add(k);
      else if (border) spare.push(k);
    }
    // Of many alike some, and a few where nothing is alike.
    const tried = [...places];
    while (tried.length > MOST_PLACES) tried.splice(Math.floor(this.#random() * tried.length), 1);
    tried.push(high);
    for (let i = 0; i < 4 && spare.length; i++)
      tried.push(...spare.splice(Math.floor(this.#random() * spare.length), 1));
    let best: Ordered | undefined;
    const look = (next: readonly number[]) => {
      const found = this.judged(next, true);
      if (found && (!best || found.objective < best.objective)) best = found;
    };
    for (const k of tried) {
      look([...order.slice(0, k), ...chain, ...order.slice(k)]);
      if (chain.length > 1) {
        const woven = this.#woven(order, chain, k);
        if (woven) look(woven);
      }
    }
    return best;
  }

  /** The chain from a place on, each of its later steps where its marker is in the hand within the next few changes. */
  #woven(order: readonly number[], chain: readonly number[], at: number): number[] | undefined {
    const { code, seconds, question } = this.problem;
    const { openTime, change } = question.desk;
    const next: number[] = [...order.slice(0, at), chain[0]!];
    let k = at;
    let isWoven = false;
    for (let i = 1; i < chain.length; i++) {
      const x = chain[i]!;
      let since = seconds[chain[i - 1]!]!;
      let hand = code[chain[i - 1]!]!;
      let found = -1;
      for (let q = k; q < order.length && since <= openTime; q++) {
        const y = order[q]!;
        if (code[y] !== hand) since += change;
        if (since > openTime) break;
        if (code[y] === code[x]) {
          found = q;
          break;
        }
        since += seconds[y]!;
        hand = code[y]!;
      }
      if (found >= 0) {
        for (; k < found; k++) next.push(order[k]!);
        isWoven ||= found > at;
      }
      next.push(x);
    }
    if (!isWoven) return undefined;
    for (; k < order.length; k++) next.push(order[k]!);
    return next;
  }

  /** Chains to be taken out: one, and others near it in area, marker or time. */
  #chosen(order: readonly number[]): number[] {
    const { chainOf, code, area, chains, question } = this.problem;
    const random = this.#random;
    const most = Math.min(chains.length, LEAST_OUT + Math.floor(random() ** 2 * MOST_OUT));
    const out = new Set([chainOf[order[Math.floor(random() * order.length)]!]!]);
    const seed = chains[[...out][0]!]!;
    const way = random();
    if (way < 0.3) {
      // Its neighbours in time.
      const k = this.clock.at[seed[0]!]!;
      for (let d = 1; out.size < most && d < order.length; d++) {
        if (order[k + d] !== undefined) out.add(chainOf[order[k + d]!]!);
        if (out.size < most && order[k - d] !== undefined) out.add(chainOf[order[k - d]!]!);
      }
    } else if (way < 0.6) {
      // What uses its markers.
      const wanted = new Set(seed.map((x) => code[x]!));
      for (let tries = 0; out.size < most && tries < 60; tries++) {
        const c = chainOf[order[Math.floor(random() * order.length)]!]!;
        if (chains[c]!.some((x) => wanted.has(code[x]!))) out.add(c);
      }
    } else if (way < 0.8) {
      // Its area, or those that touch it.
      const a = area[seed[0]!]!;
      const near = [a, ...question.areas[a]!.touches];
      for (let tries = 0; out.size < most && tries < 40; tries++) {
        const own = this.#chainsOf[near[Math.floor(random() * near.length)]!]!;
        if (own.length) out.add(own[Math.floor(random() * own.length)]!);
      }
    }
    while (out.size < most) out.add(chainOf[order[Math.floor(random() * order.length)]!]!);
    return [...out].filter((c) => this.clock.at[chains[c]![0]!]! >= 0);
  }

  /** One try: chains out, and in again. */
  step(from: Ordered): Ordered | undefined {
    const { chains, chainOf, pass } = this.problem;
    this.clock.time(from.order);
    const out = this.#chosen(from.order);
    const gone = new Set(out);
    let order: readonly number[] = from.order.filter((x) => !gone.has(chainOf[x]!));
    // Passes of one area in their order, else at random.
    const turn = new Map(out.map((c) => [c, this.#random()]));
    out.sort((c, d) => pass[chains[c]![0]!]! - pass[chains[d]![0]!]! || turn.get(c)! - turn.get(d)!);
    let found: Ordered | undefined;
    for (const c of out) {
      found = this.#put(order, chains[c]!);
      if (!found) return undefined;
      order = found.order;
    }
    return this.judged(order);
  }
}

/**
 * Looks for a better order until the time is over.
 * @param over share of the time that has passed, 0–1
 * @param show is told each better one
 */
export function* improve(
  problem: Problem,
  from: readonly number[],
  over: () => number,
  show: (better: Ordered) => void,
): Work<Ordered> {
  const improver = new Improver(problem);
  const first = improver.judged(from);
  if (!first) throw new Error("the first order breaks a rule");
  let best = first;
  let current = best;
  const { worth, desk } = problem.question;
  const warm = WARM * (worth + desk.change + 1);
  for (let share = over(); share < 1; share = over()) {
    const next = improver.step(current);
    const heat = warm * (1 - share) ** 2;
    if (next && next.objective < current.objective + heat * 0.25) current = next;
    if (next && next.objective < best.objective - 1e-7) {
      best = next;
      show(best);
    } else if (current.objective > best.objective + 4 * warm) current = best;
    yield share;
  }
  return best;
}
