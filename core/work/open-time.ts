import type { Learnt } from "./pace";
import type { EventOf, WorkRecord } from "./record";

/** A pass that went on from the one before it in its section: seconds from the beginning of that one to its own, and whether an edge was seen. */
export interface FollowedPass {
  readonly gap: number;
  readonly edge: boolean;
}

/** Edges and passes without one from which on they tell anything. */
const FEWEST_EDGES = 3;
const FEWEST_SMOOTH = 5;
/** Log likelihood that an open time must gain over none, and within which of the best another one may be it: nine in ten (profile likelihood). */
const GAIN = 4;
const NEAR = 1.35;

/**
 * Passes of a record that may have been laid into wet ink: those that began sooner after the one before them than ink needs to dry. Of an area
 * where an edge was mended the pass that came latest after the one before it is taken for its cause, and the others for nothing.
 * @param speed mm² of one coat a second, by which passes began before they ended
 * @param dryTime s; who waits so long means to have an edge
 */
export function followedPasses({ events }: WorkRecord, speed: number, dryTime: number): FollowedPass[] {
  const begun = ({ at, mm2, coats }: EventOf<"done">) => at / 1000 - (mm2 * coats) / speed;
  const before = new Map<string, EventOf<"done">>();
  const gaps = new Map<string, { last: string; gap: number }[]>();
  const edged = new Set<string>();
  for (const e of events) {
    if (e.kind === "added" && e.symptom === "edge") edged.add(e.area);
    if (e.kind !== "done") continue;
    const section = `${e.area} ${e.section}`;
    const prev = before.get(section);
    before.set(section, e);
    const gap = prev && prev.pass === e.pass - 1 ? begun(e) - begun(prev) : undefined;
    if (gap === undefined || !(gap > 0) || gap >= dryTime) continue;
    const own = gaps.get(e.area) ?? [];
    own.push({ last: section, gap });
    gaps.set(e.area, own);
  }
  return [...gaps].flatMap(([area, own]): FollowedPass[] =>
    edged.has(area)
      ? [{ gap: Math.max(...own.map((g) => g.gap)), edge: true }]
      : own.map(({ gap }) => ({ gap, edge: false })),
  );
}

/** Log likelihood of so many edges among so many passes at the share that suits them best. */
function likelihood(edges: number, all: number): number {
  const share = edges / all;
  return edges === 0 || edges === all ? 0 : edges * Math.log(share) + (all - edges) * Math.log(1 - share);
}

/**
 * How long ink stays open by what was laid into it: the moment before which edges are seldom and after which they are frequent that makes what was
 * seen likeliest (a change point of two Bernoulli shares, D. V. Hinkley and E. A. Hinkley, Biometrika 57, 1970), whatever shares those are: not
 * every edge is mended. In time n log n of the passes.
 * @returns undefined where too little was seen, or edges come whenever they like
 */
export function openTimeOf(passes: readonly FollowedPass[]): Learnt | undefined {
  const sorted = [...passes].sort((a, b) => a.gap - b.gap);
  const all = sorted.length;
  const edges = sorted.filter((p) => p.edge).length;
  if (edges < FEWEST_EDGES || all - edges < FEWEST_SMOOTH) return undefined;
  const none = likelihood(edges, all);
  const moments: { readonly from: number; readonly to: number; readonly gain: number }[] = [];
  let early = 0;
  for (let i = 0; i < all - 1; i++) {
    if (sorted[i]!.edge) early++;
    const [from, to] = [sorted[i]!.gap, sorted[i + 1]!.gap];
    const n = i + 1;
    if (to === from || early / n >= (edges - early) / (all - n)) continue;
    moments.push({ from, to, gain: likelihood(early, n) + likelihood(edges - early, all - n) - none });
  }
  const best = moments.reduce((a, b) => (b.gain > a.gain ? b : a), { from: 0, to: 0, gain: 0 });
  if (best.gain < GAIN) return undefined;
  const near = moments.filter((m) => m.gain >= best.gain - NEAR);
  return { value: (best.from + best.to) / 2, from: near[0]!.from, to: near.at(-1)!.to, seen: all };
}
