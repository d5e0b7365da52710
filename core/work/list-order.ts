import type { Problem } from "./problem";

/**
 * A plain order: passes that follow each other wet are one job, and the job that may start first goes next, with the marker in hand where two
 * may. What a person does without a plan; and the order from which a better one is sought.
 * @returns undefined where steps that somebody has put before others wait for each other
 */
export function listOrder(problem: Problem): number[] | undefined {
  const { question, area, pass, code, seconds, before, dry, passes, count, heldBy } = problem;
  // What somebody has put between them parts passes that would follow each other.
  const chains = problem.chains.flatMap((c) =>
    c.some((x, i) => i > 0 && heldBy[x]!.length > 0) ? c.map((x) => [x]) : [c],
  );
  const { areas, desk } = question;
  const { change, openTime, dryTime } = desk;
  const left = new Int32Array(problem.left);
  const lastEnd = new Float64Array(problem.lastEnd);
  const endOf = new Float64Array(problem.endOf);
  const ends = new Float64Array(count).fill(NaN);
  let [now, hand] = [problem.now, problem.inHand];
  const order: number[] = [];
  const waiting = new Set(chains.keys());
  // What each area must wait for, kept as steps are laid: nobody looks at all neighbours of all jobs again and again.
  const beside = new Float64Array(areas.length).fill(-Infinity);
  const areaLeft = new Int32Array(areas.length);
  const lowest = new Int32Array(areas.length);
  const behind: number[][] = areas.map(() => []);
  const waitsFor = areas.map(({ after }) => after.length);
  const released = new Float64Array(areas.length).fill(-Infinity);
  const release = (b: number, at: number) => {
    for (const a of behind[b]!) {
      waitsFor[a]!--;
      released[a] = Math.max(released[a]!, at);
    }
  };
  areas.forEach(({ touches, after }, a) => {
    for (const b of touches) beside[a] = Math.max(beside[a]!, lastEnd[b]!);
    for (const b of after) behind[b]!.push(a);
    for (let q = 0; q < passes; q++) areaLeft[a]! += left[a * passes + q]!;
  });
  areas.forEach((_, b) => {
    if (!areaLeft[b]) release(b, lastEnd[b]!);
  });
  const startOf = (x: number): number => {
    const a = area[x]!;
    if (waitsFor[a]! > 0 || heldBy[x]!.some((y) => Number.isNaN(ends[y]!))) return Infinity;
    let t = hand < 0 || hand === code[x] ? now : now + change;
    const p = before[x]!;
    if (p >= 0) {
      if (Number.isNaN(ends[p]!)) return Infinity;
      t = Math.max(t, ends[p]!);
    }
    if (dry[x]) {
      while (lowest[a]! < pass[x]! && !left[a * passes + lowest[a]!]) lowest[a]!++;
      if (lowest[a]! < pass[x]!) return Infinity;
      for (let q = 0; q < pass[x]!; q++) t = Math.max(t, endOf[a * passes + q]! + dryTime);
    }
    return Math.max(t, beside[a]! + openTime, released[a]! + openTime);
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
    if (best < 0) return undefined;
    waiting.delete(best);
    for (const x of chains[best]!) {
      const t = startOf(x);
      now = ends[x] = t + seconds[x]!;
      hand = code[x]!;
      const a = area[x]!;
      lastEnd[a] = endOf[a * passes + pass[x]!] = now;
      left[a * passes + pass[x]!]!--;
      for (const b of areas[a]!.touches) beside[b] = now;
      if (!--areaLeft[a]!) release(a, now);
      order.push(x);
    }
  }
  return order;
}
