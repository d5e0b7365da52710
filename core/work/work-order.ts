import { part, type Work } from "@/core/progress";
import { leastChanges, lowerBound } from "./bound";
import { exactOrder, MOST_EXACT } from "./exact";
import { improve, Improver, type Ordered } from "./improve";
import { listOrder } from "./list-order";
import { against, followed, problemOf, type Broken, type Problem, type WorkQuestion } from "./problem";
import { costOf, PRICES, type Timing } from "./time-order";

export interface WorkStep {
  readonly area: string;
  /** Sections and passes are counted from 0. */
  readonly section: number;
  readonly pass: number;
  readonly code: string;
  /** Seconds, on the clock on which what lies already ended. */
  readonly start: number;
  readonly seconds: number;
  readonly mm2: number;
}

export interface WorkOrder {
  readonly steps: readonly WorkStep[];
  readonly sections: Readonly<Record<string, number>>;
  /** Markers taken up; the first counts as one. */
  readonly changes: number;
  /** No order of these sections gets by with fewer. */
  readonly leastChanges: number;
  /** End of the last step. */
  readonly seconds: number;
  /** Seconds in which nothing is laid and no marker is changed. */
  readonly waiting: number;
  readonly cost: number;
  /** No order of these sections costs less. */
  readonly bound: number;
  /** Wishes that are not kept, and the seconds that each counts in the search. */
  readonly wishes: {
    readonly first: number;
    readonly hand: number;
    readonly prices: { readonly first: number; readonly hand: number };
  };
  /** It is the order that somebody has put. */
  readonly followed?: true;
  /** Rules that no order can keep: they are let go, and the order is the nearest that can be worked. */
  readonly broken: readonly (Broken | Late)[];
}

/** A step into wet ink that comes too late, because of what lies already. */
export interface Late {
  readonly rule: "too late";
  readonly area: string;
  readonly section: number;
  readonly pass: number;
  /** When it starts, and when it should at the latest. */
  readonly needs: number;
  readonly has: number;
}

/** Time, as work may know it. */
export interface Time {
  /** Seconds since the work began. */
  readonly passed: () => number;
  /** Seconds that it may take. */
  readonly most: number;
}

const tooLate = (problem: Problem, order: readonly number[], start: Float64Array): Late[] =>
  order.flatMap((x) => {
    const p = problem.before[x]!;
    const has = problem.wet[x] && p >= 0 ? start[p]! + problem.question.desk.openTime : problem.latest[x]!;
    if (start[x]! <= has + 1e-6) return [];
    const area = problem.question.areas[problem.area[x]!]!.id;
    return [
      { rule: "too late", area, section: problem.section[x]!, pass: problem.pass[x]!, needs: start[x]!, has },
    ];
  });

/** An order in words of its question. */
function told(problem: Problem, { order, timing }: Ordered, start: Float64Array, bound: number): WorkOrder {
  const { question, area, pass, code, codes, seconds, mm2, now, inHand } = problem;
  const { worth, desk, areas } = question;
  let work = 0;
  let switches = 0;
  let hand = inHand;
  for (const x of order) {
    work += seconds[x]!;
    if (hand >= 0 && hand !== code[x]) switches++;
    hand = code[x]!;
  }
  const cost = costOf(timing, worth);
  const sectionOf = inTurn(problem, order);
  return {
    steps: order.map((x) => ({
      area: areas[area[x]!]!.id,
      section: sectionOf(x),
      pass: pass[x]!,
      code: codes[code[x]!]!,
      start: start[x]!,
      seconds: seconds[x]!,
      mm2: mm2[x]!,
    })),
    sections: Object.fromEntries(areas.map((a, i) => [a.id, problem.sections[i]!])),
    changes: timing.changes,
    leastChanges: Math.min(leastChanges(problem), timing.changes),
    seconds: timing.end,
    waiting: Math.max(0, timing.end - now - work - switches * desk.change),
    cost,
    bound: Math.min(bound, cost),
    wishes: {
      first: timing.inversions,
      hand: timing.crossings,
      prices: { first: PRICES.inversion, hand: PRICES.crossing },
    },
    broken: [...problem.broken, ...tooLate(problem, order, start)],
  };
}

/** Sections of an area are alike: they are counted as they are begun, unless something of the area lies already. */
function inTurn({ question, area, section }: Problem, order: readonly number[]): (x: number) => number {
  // What somebody has put somewhere keeps its name.
  if (question.pins?.length || question.follow) return (x) => section[x]!;
  const lies = new Set(question.done.map((d) => d.area));
  const turns = new Map<number, Map<number, number>>();
  for (const x of order) {
    const own = turns.get(area[x]!) ?? new Map<number, number>();
    turns.set(area[x]!, own);
    if (!own.has(section[x]!)) own.set(section[x]!, own.size);
  }
  return (x) => (lies.has(area[x]!) ? section[x]! : turns.get(area[x]!)!.get(section[x]!)!);
}

/** A question with as many of its pins as can be kept, the older ones first, and what is left of them told. */
function workable(question: WorkQuestion): { problem: Problem; list: number[]; broken: Broken[] } {
  const broken: Broken[] = [];
  const pins = [...(question.pins ?? [])];
  for (;;) {
    const problem = problemOf({ ...question, pins });
    const list = listOrder(problem);
    if (list) return { problem, list, broken };
    const pin = pins.pop();
    if (!pin) throw new Error("areas that wait for each other");
    const [first, then] = pin;
    broken.push({
      rule: "pinned",
      area: question.areas[then.area]!.id,
      other: question.areas[first.area]!.id,
      section: then.section,
      pass: then.pass,
      needs: 0,
      has: 0,
    });
  }
}

const NOTHING: Timing = { end: 0, changes: 0, late: 0, lateness: 0, inversions: 0, crossings: 0 };
/** Share of the time after which few steps are looked at one by one. */
const SEARCHED = 0.15;

/**
 * The order of work: one hand, times to change markers, least and largest times between passes.
 * @param show is told each better order, and the bound
 */
export function* workOrder(
  question: WorkQuestion,
  time: Time,
  show: (soFar: WorkOrder) => void = () => undefined,
): Work<WorkOrder> {
  const { problem, list, broken } = workable(question);
  const { now, count } = problem;
  if (!count)
    return told(
      problem,
      { order: [], timing: { ...NOTHING, end: now }, objective: 0 },
      new Float64Array(0),
      now,
    );
  const improver = new Improver(problem);
  const tell = (o: Ordered, bound: number): WorkOrder => {
    improver.clock.time(o.order);
    const said = told(problem, o, improver.clock.start, bound);
    return broken.length ? { ...said, broken: [...broken, ...said.broken] } : said;
  };
  let bound = lowerBound(problem);
  const order = question.follow && followed(problem, question.follow);
  if (order) {
    const put = improver.judged(order);
    const why = put ? undefined : against(problem, order);
    // What cannot be is told beside the plain order.
    return put
      ? { ...tell(put, bound), followed: true }
      : { ...tell(improver.judged(list)!, bound), broken: why ? [why] : [] };
  }
  let best = improver.judged(list)!;
  show(tell(best, bound));
  yield 0.02;
  const few = count <= MOST_EXACT;
  const most = few ? time.most * SEARCHED : time.most;
  // What cannot be better is not looked for any longer.
  const over = () => (best.objective <= bound + 1e-6 ? 1 : Math.min(1, time.passed() / most));
  best = yield* part(
    improve(problem, best.order, over, (better) => {
      best = better;
      show(tell(better, bound));
    }),
    0.02,
    few ? 0.3 : 0.98,
  );
  if (few && best.objective > bound + 1e-6) {
    const { best: found, isWhole } = yield* part(
      exactOrder(problem, best, () => time.passed() > time.most),
      0.3,
      0.7,
    );
    best = found;
    // Where a wish is not kept, another order may cost less: the best with wishes proves nothing of it.
    if (isWhole && wishesOf(best.timing) === 0) bound = costOf(best.timing, question.worth);
  }
  return tell(best, bound);
}

const wishesOf = (t: Timing): number => PRICES.inversion * t.inversions + PRICES.crossing * t.crossings;
