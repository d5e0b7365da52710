import type { Work } from "@/core/progress";
import type { Ordered } from "./improve";
import type { Problem } from "./problem";
import { Clock, objectiveOf } from "./time-order";

/** Steps up to which every order is looked at, or ruled out. */
export const MOST_EXACT = 12;

/**
 * The best order of a few steps, by branch and bound over all orders: each beginning is timed as a whole, so that what must wait for what follows
 * it wet does so. A beginning is left when its end, the work and the changes that are left come to more than the best known.
 * @param over whether the time is up
 * @returns the best order, and whether all others were ruled out
 */
export function* exactOrder(
  problem: Problem,
  best: Ordered,
  over: () => boolean,
): Work<{ readonly best: Ordered; readonly isWhole: boolean }> {
  const { count, code, seconds, question, section, area, pass, before, codes } = problem;
  const { worth, desk } = question;
  const clock = new Clock(problem);
  const order: number[] = [];
  const used = new Uint8Array(count);
  let found = best;
  let looked = 0;
  let ended = false;
  // Sections of an area are alike as long as nothing lies: they begin in their order.
  const alike = question.done.length === 0 && !question.pins?.length;
  const left = new Int32Array(codes.length);
  for (let x = 0; x < count; x++) left[code[x]!]!++;
  let work = 0;
  for (const s of seconds) work += s;

  /** Changes that are still to come, at least: every marker that is left but the one in the hand. */
  const changesLeft = (hand: number): number => {
    let sum = 0;
    for (let c = 0; c < left.length; c++) if (left[c]! > 0 && c !== hand) sum++;
    return sum;
  };
  function* descend(rest: number): Work<void> {
    if (++looked % 500 === 0) {
      yield 0.5;
      ended ||= over();
    }
    if (ended) return;
    const next: { x: number; objective: number; atLeast: number }[] = [];
    for (let x = 0; x < count; x++) {
      if (used[x]) continue;
      if (before[x]! >= 0 && !used[before[x]!]) continue;
      if (alike && section[x]! > 0 && pass[x] === 0 && !used[x - strideOf(area[x]!)]) continue;
      order.push(x);
      const timing = isReady(x) ? clock.time(order, true) : undefined;
      order.pop();
      if (!timing || timing.late > 0) continue;
      left[code[x]!]!--;
      const more = changesLeft(code[x]!);
      left[code[x]!]!++;
      const end = timing.end + rest - seconds[x]! + more * desk.change;
      const atLeast = objectiveOf({ ...timing, end, changes: timing.changes + more }, worth);
      if (atLeast < found.objective - 1e-7) next.push({ x, objective: objectiveOf(timing, worth), atLeast });
    }
    next.sort((a, b) => a.atLeast - b.atLeast || a.objective - b.objective);
    for (const { x, atLeast } of next) {
      if (ended) return;
      if (atLeast >= found.objective - 1e-7) continue;
      order.push(x);
      used[x] = 1;
      left[code[x]!]!--;
      if (order.length === count) {
        const timing = clock.time(order);
        const objective = timing ? objectiveOf(timing, worth) : Infinity;
        if (timing && objective < found.objective - 1e-7) found = { order: [...order], timing, objective };
      } else yield* descend(rest - seconds[x]!);
      order.pop();
      used[x] = 0;
      left[code[x]!]!++;
    }
  }
  const strideOf = (a: number): number => question.areas[a]!.passes.length;
  /** Whether all that must lie before a step does: a beginning knows nothing of steps that it does not have. */
  const isReady = (x: number): boolean => {
    const { after } = question.areas[area[x]!]!;
    if (problem.heldBy[x]!.some((y) => !used[y])) return false;
    for (let y = 0; y < count; y++) {
      if (used[y]) continue;
      if (problem.dry[x] && area[y] === area[x] && pass[y]! < pass[x]!) return false;
      if (after.includes(area[y]!)) return false;
    }
    return true;
  };
  yield* descend(work);
  return { best: found, isWhole: !ended && found.timing.late === 0 };
}
