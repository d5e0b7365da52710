import { deltaE00 } from "@/core/colour/delta-e00";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import { BANDS, tristimulusWeights, type Xyz } from "@/core/colour/observer";
import { seenLab, type Desk, type Stack } from "@/core/ink/desk";
import { doseOfK } from "@/core/ink/dose";
import { liftedStack } from "@/core/ink/fit-lifting";
import { laidLab, type LaidCoat } from "@/core/ink/laid";
import { Lookup } from "@/core/ink/lookup";
import { passWeights } from "@/core/ink/weights";
import type { Work } from "@/core/progress";

/** A place that came out otherwise than it was meant to. */
export interface Fault {
  /** Ink that lies there, one entry a coat, first coat first. */
  readonly stack: Stack;
  readonly wanted: Lab;
  /** What was read there, where it was: what comes over it is counted from that. */
  readonly lies?: Lab | undefined;
  /** Whether the sheet is still wet there. */
  readonly wet: boolean;
  /** Coats that the paper still takes. */
  readonly coatsLeft: number;
}

/** Something that is laid over what lies there. */
export interface Remedy {
  /** Inks, one entry a coat, in the order in which they are laid; empty for the blender. */
  readonly add: Stack;
  readonly blender: boolean;
  /** Whether its first coat goes onto wet ink; else what lies there has to be dry. */
  readonly onWet: boolean;
  readonly lab: Lab;
  readonly deltaE00: number;
}

/** Gain (ΔE00) under which nothing is a remedy, and for which one coat more is worth its trouble. */
export const LEAST_GAIN = 0.5;
export const GAIN_A_COAT = 0.3;
/** Coats that one place is mended with at most: more is colouring it anew, and the more ink lies the less sure is what comes. */
export const MOST_ADDED = 2;
/**
 * By how much (ΔE00) the blender may come out otherwise than its λ says on a pile of inks; measured in bench/repair.ts. It must gain that much
 * more, and stands behind what comes as near by ink.
 */
const BLENDER_DOUBT = 3;

/** How near (ΔE00) a remedy may be counted on to come. */
export const expected = (r: Pick<Remedy, "blender" | "deltaE00">): number =>
  r.deltaE00 + (r.blender ? BLENDER_DOUBT : 0);
/** Inks of which two are tried together with every other. */
const SHORTLIST = 48;
/** Inks after which it is told how far the search is. */
const A_WHILE = 100;

const asCoats = (stack: Stack): LaidCoat[] => stack.map((ink) => ({ ink, coats: 1, wet: false }));

/** What is seen after coats over a stack; the first of them on wet ink or on dry. Readings of the stack as it lies dry carry over to wet. */
export function addedLab(desk: Desk, stack: Stack, add: Stack, onWet: boolean): Lab {
  const dry = seenLab(desk, [...stack, ...add]);
  if (!onWet || !stack.length || !add.length) return dry;
  const laid = asCoats([...stack, ...add]);
  const plain = laidLab(desk, laid);
  const wet = laidLab(
    desk,
    laid.map((c, i) => (i === stack.length ? { ...c, wet: true } : c)),
  );
  const [L, a, b] = dry.map((v, c) => v + wet[c]! - plain[c]!) as unknown as Lab;
  return [Math.min(100, Math.max(0, L)), a, b];
}

/** Light that was read over light that is predicted, of each of X, Y, Z, beyond which one of them is wrong. */
const [LEAST_RATIO, MOST_RATIO] = [0.25, 4] as const;

/**
 * What comes over a place that was read otherwise than predicted: the light that is missing there is missing under every further coat as well, as
 * thin films multiply. What the blender takes away takes its share of that along.
 */
export function carriedOver(predicted: Lab, lies: Lab): (lab: Lab, lifted?: number) => Lab {
  const [is, was] = [labToXyz(lies), labToXyz(predicted)];
  const ratio = is.map((v, c) => Math.min(MOST_RATIO, Math.max(LEAST_RATIO, v / Math.max(1e-3, was[c]!))));
  return (lab, lifted = 0) => {
    const xyz = labToXyz(lab).map((v, c) => v * ratio[c]! ** (1 - lifted)) as unknown as Xyz;
    const [L, a, b] = xyzToLab(xyz);
    return [Math.min(100, L), a, b];
  };
}

/** How far (ΔE00) two coats of ink over a stack come out from what is wanted, by the model alone: no readings, nothing allocated. */
function offByModel(
  desk: Desk,
  { stack, wanted }: Fault,
  onWet: boolean,
  carried: (lab: Lab) => Lab,
): (a: number, b: number) => number {
  const { paper } = desk;
  const { x, y, z, white } = tristimulusWeights(paper.illuminant);
  const coats = asCoats([...stack, 0, 0]).map((c, i) => ({ ...c, wet: onWet && i === stack.length }));
  const weights = passWeights(coats, paper.fit);
  const [wa, wb] = [weights[stack.length]!, weights[stack.length + 1]!];
  const doses = desk.inks.map((ink) => ink.spectrum.map((k) => doseOfK(k, paper.fit)));
  const beneath = new Float64Array(BANDS);
  stack.forEach((ink, n) => doses[ink]!.forEach((d, i) => (beneath[i]! += weights[n]! * d)));
  const heaviest = Math.max(0, ...doses.flatMap((d) => [...d]));
  const lookup = new Lookup(paper, Math.max(0, ...beneath) + (wa + wb) * heaviest);
  const [sum, light] = [new Float64Array(BANDS), new Float64Array(BANDS)];
  return (a, b) => {
    const [first, second] = [doses[a]!, doses[b]!];
    for (let i = 0; i < BANDS; i++) sum[i] = beneath[i]! + wa * first[i]! + wb * second[i]!;
    lookup.fill(sum, light);
    let [X, Y, Z] = [0, 0, 0];
    for (let i = 0; i < BANDS; i++) {
      X += x[i]! * light[i]!;
      Y += y[i]! * light[i]!;
      Z += z[i]! * light[i]!;
    }
    return deltaE00(carried(xyzToLab([X, Y, Z], white)), wanted);
  };
}

/**
 * Everything that brings a place nearer to what is wanted, nearest first: a coat of any ink, two of the same, two inks one over the
 * other (one of them among the best by themselves), and the blender. One that needs more coats than another is there only where each of them
 * gains. Yields progress 0–1.
 * @param usable whether an ink may be proposed
 * @param blender share λ of the ink that the colourless blender takes away; undefined where there is none
 * Complexity: inks × shortlist colours by the model, inks + shortlist with what was read.
 */
export function* remediesFor(
  desk: Desk,
  fault: Fault,
  usable: (ink: number) => boolean,
  blender?: number,
): Work<Remedy[]> {
  const { stack, wanted, lies, wet, coatsLeft } = fault;
  const carried = lies ? carriedOver(seenLab(desk, stack), lies) : (lab: Lab) => lab;
  const inks = desk.inks.flatMap((_, i) => (usable(i) ? [i] : []));
  const most = Math.min(MOST_ADDED, coatsLeft);
  const now = deltaE00(lies ?? seenLab(desk, stack), wanted);
  /** The better of laying it at once and of waiting; at once where that is as good. */
  const tried = (add: Stack): Remedy => {
    const on = (onWet: boolean): Remedy => {
      const lab = carried(addedLab(desk, stack, add, onWet));
      return { add, blender: false, onWet, lab, deltaE00: deltaE00(lab, wanted) };
    };
    const dry = on(false);
    if (!wet || !stack.length) return dry;
    const atOnce = on(true);
    return dry.deltaE00 < atOnce.deltaE00 - GAIN_A_COAT ? dry : atOnce;
  };
  const found: Remedy[] = [];
  const none: Remedy = { add: [], blender: false, onWet: false, lab: [0, 0, 0], deltaE00: now };
  if (blender !== undefined && stack.length) {
    const lab = carried(liftedStack(desk, stack, blender), blender);
    found.push({ add: [], blender: true, onWet: false, lab, deltaE00: deltaE00(lab, wanted) });
  }
  const single: Remedy[] = [];
  if (most > 0)
    for (const ink of inks) {
      const one = tried([ink]);
      single.push(one);
      let last = one;
      for (let n = 2; n <= most; n++) {
        const more = tried(Array<number>(n).fill(ink));
        if (more.deltaE00 > last.deltaE00 - GAIN_A_COAT) break;
        found.push(more);
        last = more;
      }
      if (single.length % A_WHILE === 0) yield 0.3 * (single.length / inks.length);
    }
  found.push(...single);
  if (most > 1) {
    const best = [...single].sort((a, b) => a.deltaE00 - b.deltaE00).slice(0, SHORTLIST);
    const ways = (wet && stack.length ? [false, true] : [false]).map((onWet) =>
      offByModel(desk, fault, onWet, carried),
    );
    const pairs: { readonly add: Stack; readonly off: number }[] = [];
    for (const [n, { add }] of best.entries()) {
      for (const ink of inks) {
        if (ink === add[0]) continue;
        for (const pair of [
          [add[0]!, ink],
          [ink, add[0]!],
        ] as const)
          pairs.push({ add: pair, off: Math.min(...ways.map((off) => off(...pair))) });
      }
      yield 0.3 + (0.6 * (n + 1)) / best.length;
    }
    pairs.sort((a, b) => a.off - b.off);
    found.push(...pairs.slice(0, SHORTLIST).map(({ add }) => tried(add)));
  }
  const sorted = found
    .filter((r) => now - expected(r) >= LEAST_GAIN)
    .sort((a, b) => expected(a) - expected(b) || a.add.length - b.add.length);
  // The least that any number of coats comes to: what takes more must be better than all that take less.
  const least = [none, ...sorted].reduce((by, r) => {
    const n = r.blender ? 1 : r.add.length;
    by[n] = Math.min(by[n] ?? Infinity, expected(r));
    return by;
  }, [] as number[]);
  return sorted.filter((r) => {
    const n = r.blender ? 1 : r.add.length;
    for (let fewer = 1; fewer < n; fewer++)
      if ((least[fewer] ?? Infinity) - GAIN_A_COAT * (n - fewer) < expected(r)) return false;
    return true;
  });
}

/** Remedies that look the same, ΔE00. */
const ALIKE = 0.4;

/** The first few that differ: of those that share an ink and look alike only the nearest. */
export function distinct(remedies: readonly Remedy[], top: number): Remedy[] {
  const kept: Remedy[] = [];
  for (const r of remedies) {
    if (kept.length >= top) break;
    const again = kept.some(
      (k) => k.add.some((ink) => r.add.includes(ink)) && deltaE00(k.lab, r.lab) <= ALIKE,
    );
    if (!again) kept.push(r);
  }
  return kept;
}
