import type { Problem } from "./problem";

/** What an order comes to. */
export interface Timing {
  /** End of the last step, s. */
  readonly end: number;
  /** Markers that are taken up, the first among them. */
  readonly changes: number;
  /** Steps into wet ink that come too late, and by how much in all, s. */
  readonly late: number;
  readonly lateness: number;
  /** Areas that come before one that was wished first; steps with the hand over wet ink. */
  readonly inversions: number;
  readonly crossings: number;
}

const EPSILON = 1e-7;
/** How often an order is timed anew because something must wait for what follows it. */
const MOST_ROUNDS = 40;

/** Times orders of a problem; what it needs is taken up once. */
export class Clock {
  /** Start of each step as it was timed last. */
  readonly start: Float64Array;
  /** Where each step stands. */
  readonly at: Int32Array;
  /** Seconds waited before the places up to each. */
  readonly #idle: Float64Array;
  readonly #notBefore: Float64Array;
  readonly #lastEnd: Float64Array;
  readonly #left: Int32Array;
  readonly #endOf: Float64Array;
  readonly #open: Int32Array;
  readonly #areaLeft: Int32Array;
  readonly #wished: Int32Array;
  readonly #centres: readonly (readonly [number, number] | null)[];

  constructor(readonly problem: Problem) {
    const { count, question, left, lastEnd, endOf, passes } = problem;
    const areas = question.areas.length;
    this.start = new Float64Array(count);
    this.at = new Int32Array(count).fill(-1);
    this.#idle = new Float64Array(count + 1);
    this.#notBefore = new Float64Array(count);
    this.#lastEnd = new Float64Array(lastEnd);
    this.#left = new Int32Array(left);
    this.#endOf = new Float64Array(endOf);
    this.#open = new Int32Array(areas);
    this.#areaLeft = new Int32Array(areas);
    for (let a = 0; a < areas; a++)
      for (let p = 0; p < passes; p++) this.#areaLeft[a]! += left[a * passes + p]!;
    this.#wished = new Int32Array(areas).fill(-1);
    question.first.forEach((a, i) => (this.#wished[a] = i));
    const { hand } = question.desk;
    this.#centres = question.areas.map(({ box }) =>
      box && hand ? [((box[0] + box[2]) / 2) * (hand === "right" ? 1 : -1), (box[1] + box[3]) / 2] : null,
    );
  }

  /**
   * Earliest times of an order, as longest paths: every step as early as the rules let it, delayed only where what follows it wet could not
   * come in time otherwise (B. Roy 1964).
   * @param part whether steps may be missing: they are then in nobody's way
   * @returns undefined for an order that breaks a rule of what comes before what
   */
  time(order: ArrayLike<number>, part = false): Timing | undefined {
    this.#notBefore.fill(-Infinity);
    for (let round = 0; ; round++) {
      const found = this.#once(order, part, round < MOST_ROUNDS);
      if (found !== "again") return found;
    }
  }

  #once(order: ArrayLike<number>, part: boolean, mayDelay: boolean): Timing | undefined | "again" {
    const { problem, start, at } = this;
    const { question, passes, area, pass, code, seconds, before, wet, dry, latest, heldBy } = problem;
    const { areas, desk } = question;
    const { change, openTime, dryTime } = desk;
    const lastEnd = this.#lastEnd;
    const left = this.#left;
    const endOf = this.#endOf;
    const open = this.#open;
    const areaLeft = this.#areaLeft;
    lastEnd.set(problem.lastEnd);
    left.set(problem.left);
    endOf.set(problem.endOf);
    open.fill(0);
    areaLeft.fill(0);
    if (part) {
      left.fill(0);
      for (let k = 0; k < order.length; k++) left[area[order[k]!]! * passes + pass[order[k]!]!]!++;
      at.fill(-1);
    }
    for (let k = 0; k < order.length; k++) at[order[k]!] = k;
    for (let a = 0; a < areas.length; a++)
      for (let p = 0; p < passes; p++) areaLeft[a]! += left[a * passes + p]!;
    let now = problem.now;
    let hand = problem.inHand;
    let [changes, late, lateness, crossings] = [0, 0, 0, 0];
    const idle = this.#idle;
    for (let k = 0; k < order.length; k++) {
      const x = order[k]!;
      const a = area[x]!;
      const base = a * passes;
      const ready = hand < 0 || hand === code[x] ? now : now + change;
      let t = ready;
      const p = before[x]!;
      const known = p >= 0 && at[p]! >= 0;
      if (known) {
        if (at[p]! >= k) return undefined;
        t = Math.max(t, start[p]! + seconds[p]!);
      }
      const held = heldBy[x]!;
      for (let i = 0; i < held.length; i++) if (at[held[i]!]! >= k) return undefined;
      if (dry[x]) {
        const own = pass[x]!;
        while (open[a]! < own && left[base + open[a]!] === 0) open[a]!++;
        if (open[a]! < own) return undefined;
        for (let q = 0; q < own; q++) t = Math.max(t, endOf[base + q]! + dryTime);
      }
      const { touches, after } = areas[a]!;
      for (let i = 0; i < touches.length; i++) {
        const from = lastEnd[touches[i]!]! + openTime;
        if (from > t) t = from;
      }
      for (let i = 0; i < after.length; i++) {
        if (areaLeft[after[i]!]! > 0) return undefined;
        t = Math.max(t, lastEnd[after[i]!]! + openTime);
      }
      if (this.#notBefore[x]! > t) t = this.#notBefore[x]!;
      idle[k + 1] = idle[k]! + (t - ready);
      if (wet[x] && known) {
        const over = t - (start[p]! + openTime);
        if (over > EPSILON) {
          // Waiting less between them brings them nearer; work that lies between does not.
          if (mayDelay && idle[k + 1]! - idle[at[p]! + 1]! > over - EPSILON) {
            this.#notBefore[p] = t - openTime;
            return "again";
          }
          late++;
          lateness += over;
        }
      } else if (t - latest[x]! > EPSILON) {
        late++;
        lateness += t - latest[x]!;
      }
      if (!k || code[order[k - 1]!] !== code[x]) changes++;
      const mine = this.#centres[a];
      if (mine)
        for (let b = 0; b < areas.length; b++) {
          const other = this.#centres[b];
          if (b !== a && other && t - lastEnd[b]! < openTime && other[0] > mine[0] && other[1] > mine[1]) {
            crossings++;
            break;
          }
        }
      start[x] = t;
      now = t + seconds[x]!;
      hand = code[x]!;
      lastEnd[a] = now;
      endOf[base + pass[x]!] = now;
      left[base + pass[x]!]!--;
      areaLeft[a]!--;
    }
    return { end: now, changes, late, lateness, inversions: this.#inversions(order), crossings };
  }

  /** Pairs of areas that begin the other way round than was wished. */
  #inversions(order: ArrayLike<number>): number {
    const { first } = this.problem.question;
    if (first.length < 2) return 0;
    const begun: number[] = [];
    const seen = new Set<number>();
    for (let k = 0; k < order.length && seen.size < first.length; k++) {
      const a = this.problem.area[order[k]!]!;
      if (this.#wished[a]! < 0 || seen.has(a)) continue;
      seen.add(a);
      begun.push(this.#wished[a]!);
    }
    let inversions = 0;
    for (let i = 0; i < begun.length; i++)
      for (let j = i + 1; j < begun.length; j++) if (begun[j]! < begun[i]!) inversions++;
    return inversions;
  }
}

/** Seconds that a wish is worth: an area before one that was wished first, and a step with the hand over wet ink. */
export const PRICES = { inversion: 5, crossing: 2 } as const;
/** What comes too late into wet ink is worth nearly any time. */
const [LATE, LATENESS] = [1000, 20];

/** What an order costs: the end of its last step, and its changes. */
export const costOf = ({ end, changes }: Pick<Timing, "end" | "changes">, worth: number): number =>
  end + worth * changes;

/** What is sought to be least: cost, wishes, and whatever comes too late. */
export const objectiveOf = (t: Timing, worth: number): number =>
  costOf(t, worth) +
  PRICES.inversion * t.inversions +
  PRICES.crossing * t.crossings +
  LATE * t.late +
  LATENESS * t.lateness;
