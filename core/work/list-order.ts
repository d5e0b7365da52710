import type { Problem } from "./problem";

/**
 * A plain order: passes that follow each other wet are one job, and the job that may start first goes next, with the marker in hand where two
 * may. What a person does without a plan; and the order from which a better one is sought.
 */
export function listOrder(problem: Problem): number[] {
  const { question, chains, area, pass, code, seconds, before, dry, passes, count } = problem;
  const { areas, desk } = question;
  const { change, openTime, dryTime } = desk;
  const left = new Int32Array(problem.left);
  const lastEnd = new Float64Array(problem.lastEnd);
  const endOf = new Float64Array(problem.endOf);
  const ends = new Float64Array(count).fill(NaN);
  let [now, hand] = [problem.now, problem.inHand];
  const order: number[] = [];
  const waiting = new Set(chains.keys());
  const startOf = (x: number): number => {
    const a = area[x]!;
    let t = hand < 0 || hand === code[x] ? now : now + change;
    const p = before[x]!;
    if (p >= 0) {
      if (Number.isNaN(ends[p]!)) return Infinity;
      t = Math.max(t, ends[p]!);
    }
    if (dry[x])
      for (let q = 0; q < pass[x]!; q++) {
        if (left[a * passes + q]!) return Infinity;
        t = Math.max(t, endOf[a * passes + q]! + dryTime);
      }
    for (const b of areas[a]!.touches) t = Math.max(t, lastEnd[b]! + openTime);
    for (const b of areas[a]!.after) {
      for (let q = 0; q < passes; q++) if (left[b * passes + q]!) return Infinity;
      t = Math.max(t, lastEnd[b]! + openTime);
    }
    return t;
  };
  while (waiting.size) {
    let best = -1;
    let [soonest, urgent] = [Infinity, Infinity];
    for (const c of waiting) {
      const x = chains[c]![0]!;
      const t = startOf(x);
      // What must follow ink that lies already goes first.
      const by = problem.latest[x]!;
      if (t < Infinity && (by < urgent || (by === urgent && t < soonest - 1e-9)))
        [best, soonest, urgent] = [c, t, by];
    }
    if (best < 0) throw new Error("areas that wait for each other");
    waiting.delete(best);
    for (const x of chains[best]!) {
      const t = startOf(x);
      now = ends[x] = t + seconds[x]!;
      hand = code[x]!;
      const a = area[x]!;
      lastEnd[a] = endOf[a * passes + pass[x]!] = now;
      left[a * passes + pass[x]!]!--;
      order.push(x);
    }
  }
  return order;
}
