import { chroma, hue, hueTurn, type Lab } from "@/core/colour/lab";
import { seenLab, type Desk } from "@/core/ink/desk";

/** Two inks that neutralise each other. */
export interface NeutralPair {
  /** Places on the desk, first laid first. */
  readonly inks: readonly [number, number];
  readonly coats: readonly [number, number];
  readonly lab: Lab;
  readonly chroma: number;
  /** Chroma of the weaker of the two alone: how much was neutralised. */
  readonly from: number;
}

export interface NeutralWish {
  /** Wanted lightness; none takes what comes. */
  readonly lightness?: number;
  /** An ink that must be one of the two. */
  readonly with?: number;
  readonly usable: (ink: number) => boolean;
  readonly top: number;
}

/** Inks of less chroma are greys already. */
const COLOURFUL = 18;
/** Hues this far apart may cancel. */
const OPPOSED = 95;
const MOST_COATS = 2;

/**
 * The pairs of colourful inks that make the best neutrals, found by laying them in the ink model and not read off a wheel. A pair is given
 * once, in its best order and coats.
 */
export function neutralPairs(desk: Desk, wish: NeutralWish): NeutralPair[] {
  const one = desk.inks.map((_, i) => seenLab(desk, [i]));
  const able = one.flatMap((lab, i) => (wish.usable(i) && chroma(lab) >= COLOURFUL ? [i] : []));
  const pairs: (NeutralPair & { readonly cost: number })[] = [];
  for (const [n, a] of able.entries())
    for (const b of able.slice(n + 1)) {
      if (wish.with !== undefined && a !== wish.with && b !== wish.with) continue;
      if (Math.abs(hueTurn(hue(one[a]!), hue(one[b]!))) < OPPOSED) continue;
      const best = bestOf(desk, a, b, one, wish);
      if (best) pairs.push(best);
    }
  const chosen: NeutralPair[] = [];
  const uses = new Map<number, number>();
  for (const { cost: _, ...pair } of pairs.sort((a, b) => a.cost - b.cost)) {
    if (chosen.length >= wish.top) break;
    // A list of one ink with all its neighbours' neighbours helps nobody.
    if (pair.inks.some((i) => i !== wish.with && (uses.get(i) ?? 0) >= 2)) continue;
    pair.inks.forEach((i) => uses.set(i, (uses.get(i) ?? 0) + 1));
    chosen.push(pair);
  }
  return chosen;
}

function bestOf(desk: Desk, a: number, b: number, one: readonly Lab[], wish: NeutralWish) {
  // Light to dark, as they would be coloured.
  const [first, second] = one[a]![0] >= one[b]![0] ? [a, b] : [b, a];
  let best: (NeutralPair & { cost: number }) | undefined;
  for (let m = 1; m <= MOST_COATS; m++)
    for (let n = 1; n <= MOST_COATS; n++) {
      const lab = seenLab(desk, [...Array<number>(m).fill(first), ...Array<number>(n).fill(second)]);
      const cost =
        chroma(lab) +
        0.3 * (m + n) +
        (wish.lightness === undefined ? 0 : 0.5 * Math.abs(lab[0] - wish.lightness));
      if (!best || cost < best.cost)
        best = {
          inks: [first, second],
          coats: [m, n],
          lab,
          chroma: chroma(lab),
          from: Math.min(chroma(one[a]!), chroma(one[b]!)),
          cost,
        };
    }
  return best;
}

/** A cool and a warm base of equal depth, to separate the parts of a grey thing before it is neutralised. */
export interface GreyBases {
  readonly cool: number;
  readonly warm: number;
  readonly labs: readonly [cool: Lab, warm: Lab];
  /** How far apart they stand in a*b*, and in L*. */
  readonly apart: number;
  readonly deltaL: number;
}

/** Chroma within which an ink is a base for grey rather than a colour. */
const BASE_CHROMA = [3, 16] as const;
/** Difference in L* beyond which two bases are two values. */
const SAME_VALUE = 5;
/** Distance in a*b* that separates parts well enough; more makes them coloured. */
const WELL_APART = 14;

/** Pairs of a bluish and a yellowish grey of about one lightness, best first. */
export function greyBases(
  desk: Desk,
  lightness: number,
  usable: (ink: number) => boolean,
  top = 3,
): GreyBases[] {
  const greys = desk.inks.flatMap((_, ink) => {
    const lab = seenLab(desk, [ink]);
    const c = chroma(lab);
    return usable(ink) && c >= BASE_CHROMA[0] && c <= BASE_CHROMA[1] && Math.abs(lab[0] - lightness) < 18
      ? [{ ink, lab }]
      : [];
  });
  const cool = greys.filter((g) => g.lab[2] < -1.5);
  const warm = greys.filter((g) => g.lab[2] > 2);
  const pairs = cool.flatMap((c) =>
    warm.map((w): GreyBases => ({
      cool: c.ink,
      warm: w.ink,
      labs: [c.lab, w.lab],
      apart: Math.hypot(c.lab[1] - w.lab[1], c.lab[2] - w.lab[2]),
      deltaL: Math.abs(c.lab[0] - w.lab[0]),
    })),
  );
  const cost = (p: GreyBases) =>
    p.deltaL +
    0.5 * Math.abs(p.apart - WELL_APART) +
    0.25 * Math.abs((p.labs[0][0] + p.labs[1][0]) / 2 - lightness);
  return pairs
    .filter((p) => p.deltaL <= SAME_VALUE)
    .sort((a, b) => cost(a) - cost(b))
    .slice(0, top);
}
