import type { Amount, InkEvent, InkUse } from "./ink-use";
import type { MarkerState } from "./kinds";

/** What is found out of a marker's ink: it was weighed (g), something was added (ml), it is full again and holds so much (ml). */
export const SCALE_KINDS = ["weighed", "filled", "full"] as const;
export type ScaleKind = (typeof SCALE_KINDS)[number];

/** What somebody found out and wrote down. */
export interface ScaleEvent {
  readonly id: string;
  readonly code: string;
  readonly kind: ScaleKind;
  readonly amount: number;
  /** ms. */
  readonly at: number;
  /** What was filled in came from a refill in stock, of which there is one less since. */
  readonly refill?: boolean | undefined;
}

/** Ink that was laid at the desk. */
export interface LaidInk {
  readonly code: string;
  readonly mm2: number;
  readonly coats: number;
  readonly paper: string;
  readonly piece: string;
  /** ms. */
  readonly at: number;
}

/** All that is known of the ink in a studio's markers. */
export interface InkLedger {
  /** Markers that are owned: the word for their level, and since when it holds, ms. */
  readonly markers: readonly { readonly code: string; readonly state: MarkerState; readonly since: number }[];
  readonly scale: readonly ScaleEvent[];
  readonly laid: readonly LaidInk[];
}

/** Papers whose laydown is told apart, and what stands for the others. */
const MOST_PAPERS = 36;
const ELSEWHERE = "other papers";
const LONGEST_NAME = 80;

/**
 * What happened to markers since the word for their level was said, first things first. What was laid or weighed before is in the word.
 * @param codes of the markers that are asked about; all when it is left out
 */
export function eventsOf({ markers, scale, laid }: InkLedger, codes?: ReadonlySet<string>): InkEvent[] {
  const since = new Map(markers.map((m) => [m.code, m.since]));
  const holds = ({ code, at }: { readonly code: string; readonly at: number }) =>
    at >= (since.get(code) ?? Infinity) && (!codes || codes.has(code));
  const timed: { readonly at: number; readonly event: InkEvent }[] = [];
  for (const e of scale) {
    if (!holds(e)) continue;
    const { at, kind, code, amount } = e;
    timed.push({
      at,
      event: kind === "weighed" ? { kind, code, grams: amount } : { kind, code, ml: amount },
    });
  }
  const papers = new Set<string>();
  for (const e of laid) {
    if (!holds(e)) continue;
    const { at, code, mm2, coats } = e;
    const paper = e.paper.slice(0, LONGEST_NAME);
    if (papers.size < MOST_PAPERS) papers.add(paper);
    const on = papers.has(paper) ? paper : ELSEWHERE;
    timed.push({ at, event: { kind: "laid", code, mm2, coats, paper: on } });
  }
  return timed.sort((a, b) => a.at - b.at).map((t) => t.event);
}

/** Weeks that the pace of use is taken from, and the fewest that it is spread over: one busy evening is no pace. */
const [WEEKS, FEWEST] = [12, 3];
const WEEK = 7 * 24 * 3600 * 1000;
/** Pieces whose use says what one more takes. */
const PIECES = 5;
/** Farther ahead nobody plans, weeks. */
const FARTHEST = 104;

/** How long a marker's ink will last. */
export interface RunOut {
  /** ml a week, of late. */
  readonly perWeek: number;
  /** When it is gone at that pace, ms: as is likeliest, and as early as one time in twenty. Null where it is not in sight. */
  readonly likely: number | null;
  readonly early: number | null;
  /** More pieces like the last ones that it is enough for, nine times in ten; null where none was coloured with it. */
  readonly pieces: number | null;
}

const MM2 = 1e-6;

/** When ink runs out at the pace of late, and how many more pieces it is enough for. */
export function runOut(
  left: Amount,
  laid: readonly LaidInk[],
  { laydown, opening }: Pick<InkUse, "laydown" | "opening">,
  now: number,
): RunOut {
  const by = new Map(laydown.map((l) => [l.paper, l.ml]));
  const usual = laydown.length ? laydown.reduce((sum, l) => sum + l.ml, 0) / laydown.length : 0;
  const taken = laid.map(({ at, piece, mm2, coats, paper }) => ({
    at,
    piece,
    ml: mm2 * coats * MM2 * (by.get(paper) ?? usual) + opening.ml,
  }));
  const late = taken.filter((t) => t.at > now - WEEKS * WEEK && t.at <= now);
  const first = late.reduce((least, t) => Math.min(least, t.at), now);
  const perWeek = late.reduce((sum, t) => sum + t.ml, 0) / Math.max(FEWEST, (now - first) / WEEK);
  const when = (ml: number): number | null =>
    perWeek > 0 && ml / perWeek < FARTHEST ? now + (Math.max(0, ml) / perWeek) * WEEK : null;
  const pieces = new Map<string, { at: number; ml: number }>();
  for (const { at, piece, ml } of taken) {
    const known = pieces.get(piece);
    pieces.set(piece, { at: Math.max(at, known?.at ?? 0), ml: ml + (known?.ml ?? 0) });
  }
  const last = [...pieces.values()].sort((a, b) => b.at - a.at).slice(0, PIECES);
  const each = last.reduce((sum, p) => sum + p.ml, 0) / (last.length || 1);
  return {
    perWeek,
    likely: when(left.ml),
    early: when(left.low),
    pieces: each > 0 ? Math.floor(Math.max(0, left.low) / each) : null,
  };
}
