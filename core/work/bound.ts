import type { Problem } from "./problem";

/**
 * Markers that must be taken up at least. Between two stretches of a marker in one section another one is used, so each needs a taking up of its own;
 * and what is followed wet by another marker must all be laid within the open time before that one is taken up.
 */
export function leastChanges({
  chains,
  code,
  seconds,
  area,
  section,
  question,
  codes,
  count,
  wet,
  before,
}: Problem): number {
  const { change, openTime } = question.desk;
  const most = new Int32Array(codes.length);
  let own = new Int32Array(codes.length);
  let [of, last] = [-1, -1];
  // Steps stand section by section, pass by pass.
  for (let x = 0, key = -1; x < count; x++) {
    const here = area[x]! * 1e6 + section[x]!;
    if (here !== key) {
      own = new Int32Array(codes.length);
      [key, last] = [here, -1];
    }
    if (code[x] !== last) {
      last = code[x]!;
      of = ++own[last]!;
      if (of > most[last]!) most[last] = of;
    }
  }
  const followed = new Float64Array(codes.length);
  for (let x = 0; x < count; x++)
    if (wet[x] && code[before[x]!] !== code[x]) followed[code[before[x]!]!]! += seconds[before[x]!]!;
  const room = openTime - change;
  let sum = 0;
  for (let c = 0; c < codes.length; c++)
    sum += Math.max(most[c]!, room > 0 ? Math.ceil(followed[c]! / room - 1e-6) : 0);
  return chains.length ? sum : 0;
}

/** Areas from which sets that all touch each other are looked for. */
const MOST_CLIQUES = 60;

/** A lower bound of the cost of every order of a problem's steps. */
export function lowerBound(problem: Problem): number {
  const { question, count, seconds, area, pass, dry, passes, left, now } = problem;
  const { areas, desk, worth } = question;
  if (!count) return now;
  const changes = leastChanges(problem);
  const work = new Float64Array(areas.length);
  for (let x = 0; x < count; x++) work[area[x]!]! += seconds[x]!;
  let whole = 0;
  for (const w of work) whole += w;
  let end = now + whole + desk.change * (changes - 1);
  // An area by itself: its work, and a wait before every pass onto dry ink.
  const waits = new Set<number>();
  for (let x = 0; x < count; x++) {
    if (!dry[x]) continue;
    for (let q = 0; q < pass[x]!; q++)
      if (left[area[x]! * passes + q]!) {
        waits.add(area[x]! * passes + pass[x]!);
        break;
      }
  }
  const alone = areas.map((_, a) => {
    let own = work[a]!;
    for (let p = 0; p < passes; p++) if (waits.has(a * passes + p)) own += desk.dryTime;
    return own;
  });
  // Areas that wait for others: the longest way through them.
  const through = new Map<number, number>();
  const wayTo = (a: number): number => {
    const known = through.get(a);
    if (known !== undefined) return known;
    let from = 0;
    for (const b of areas[a]!.after)
      if (work[b]! > 0 && work[a]! > 0) from = Math.max(from, wayTo(b) + desk.openTime);
    through.set(a, from + alone[a]!);
    return from + alone[a]!;
  };
  for (let a = 0; a < areas.length; a++) end = Math.max(end, now + wayTo(a));
  // Areas that all touch each other: between one and the next the open time passes. Looked for from those with most to do.
  const isBeside = areas.map(({ touches }) => new Set(touches));
  const byWork = [...work.keys()].filter((a) => work[a]! > 0).sort((a, b) => work[b]! - work[a]!);
  for (const a of byWork.slice(0, MOST_CLIQUES)) {
    const set = [a];
    for (const b of byWork) if (b !== a && set.every((c) => isBeside[c]!.has(b))) set.push(b);
    end = Math.max(end, now + set.reduce((sum, b) => sum + work[b]!, 0) + desk.openTime * (set.length - 1));
  }
  return end + worth * changes;
}
