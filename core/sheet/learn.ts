import { invert } from "@/core/algebra/invert";
import { median } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { isMeasured, seenLab, type Desk, type Stack } from "@/core/ink/desk";
import { doubtOf } from "./why";

/** A place of a finished sheet that was laid as planned: its ink, one entry a coat, what was to be seen there and what was read. */
export interface TaughtPlace {
  readonly stack: Stack;
  readonly planned: Lab;
  readonly lies: Lab;
  readonly mm2: number;
}

/** What a sheet says of a stack. */
export interface Lesson {
  readonly stack: Stack;
  /** What the model says. */
  readonly predicted: Lab;
  /** What was read, the mean of its places by their ground. */
  readonly read: Lab;
  /** What is believed then. */
  readonly lab: Lab;
  /** Share of the difference that is believed: how sure the photo is beside the model. */
  readonly weight: number;
  readonly places: number;
  readonly mm2: number;
}

const keyOf = (stack: Stack) => stack.join();

/** L*a*b* of a colour moved by a share of the way from one to another; lightness stays within 0–100. */
export const movedBy = (lab: Lab, from: Lab, to: Lab, share = 1): Lab => {
  const [L, a, b] = lab.map((v, c) => v + share * (to[c]! - from[c]!)) as unknown as Lab;
  return [Math.min(100, Math.max(0, L)), a, b];
};

/** Places of colours that are known from swatches, from which on they say how the photo is wrong. */
const FEW_KNOWN = 4;
/** Stacks from which on their differences say how far the model is wrong. */
const FEW_STACKS = 8;
/** No photo is surer, and no model worse known (median ΔE00). */
const LEAST_PHOTO = 0.3;
const LEAST_MODEL = 0.2;
/** Share of a difference that must be believed for it to be taken on at all. */
const LEAST_WEIGHT = 0.3;

/** What is added to a colour that a photo has, and how far it is still wrong then (median ΔE00). */
interface PhotoError {
  readonly corrected: (lies: Lab) => Lab;
  readonly spread: number;
}

/** Terms of a photo's error: alike everywhere, and by how far a colour lies from grey of middle lightness (in units of 40). */
const termsOf = ([L, a, b]: Lab): readonly number[] => [1, (L - 60) / 40, a / 40, b / 40];
/** How strongly the terms beyond the first are held to nothing, in places: hardly, or altogether. */
const HELD = [0.3, 1e6] as const;
/** A known place that is so many medians further off than others was not laid as planned. */
const STRAY = 4;

/** The error of a photo over places whose colours are known: least squares with ridge (A. E. Hoerl & R. W. Kennard, Technometrics 12 (1970) 55–67). */
function errorOver(known: readonly TaughtPlace[], held: number): (lies: Lab) => Lab {
  const n = 4;
  const normal = new Float64Array(n * n);
  const right = [0, 1, 2].map(() => new Float64Array(n));
  for (let i = 1; i < n; i++) normal[i * n + i] = held;
  normal[0] = 1e-9;
  for (const { lies, planned } of known) {
    const terms = termsOf(lies);
    for (let i = 0; i < n; i++) {
      for (let j = 0; j < n; j++) normal[i * n + j]! += terms[i]! * terms[j]!;
      for (let c = 0; c < 3; c++) right[c]![i]! += terms[i]! * (planned[c]! - lies[c]!);
    }
  }
  const inverse = invert(normal, n);
  const by = right.map((r) =>
    Array.from({ length: n }, (_, i) => r.reduce((sum, v, j) => sum + inverse[i * n + j]! * v, 0)),
  );
  return (lies) => {
    const terms = termsOf(lies);
    const more = by.map((f) => f.reduce((sum, v, i) => sum + v * terms[i]!, 0)) as unknown as Lab;
    return movedBy(lies, [0, 0, 0], more);
  };
}

/** As those places tell whose colour swatches told before, each judged by the others; else as the photo says of itself. */
function photoError(known: readonly TaughtPlace[], says: number): PhotoError {
  if (known.length < FEW_KNOWN) return { corrected: (lies) => lies, spread: Math.max(LEAST_PHOTO, says) };
  const shift = [0, 1, 2].map((c) => median(known.map((p) => p.lies[c]! - p.planned[c]!))) as unknown as Lab;
  const off = known.map((p) => deltaE00(movedBy(p.lies, shift, [0, 0, 0]), p.planned));
  const usual = Math.max(LEAST_PHOTO, median(off));
  const sound = known.filter((_, i) => off[i]! <= STRAY * usual);
  // Whatever predicts each of them better from the others.
  const ways = HELD.map((held) => ({
    held,
    left: median(sound.map((p, i) => deltaE00(errorOver(sound.toSpliced(i, 1), held)(p.lies), p.planned))),
  }));
  const { held, left } = ways.reduce((x, y) => (y.left < x.left ? y : x));
  return { corrected: errorOver(sound, held), spread: Math.max(LEAST_PHOTO, left) };
}

/**
 * What places of a sheet say of the stacks that lie there. Stacks of one ink, and such as were read otherwise, teach nothing, for a swatch tells more
 * than a photo: they tell how the photo is wrong, everywhere alike and colour by colour. What lies is counted from what was planned, so that fades,
 * the tones beside and the paper stay in. Each lesson is believed by how far model and photo are wrong: the mean of two normal estimates, each weighed
 * by one over its variance; the model's follows from the differences themselves where there are enough of them (empirical Bayes: H. Robbins, Proc. 3rd
 * Berkeley Symp. 1 (1956) 157–163), less what the photo adds. A photo that is much less sure than the model teaches
 * nothing.
 * @param photo median ΔE00 by which the photo may be wrong, as it says itself
 */
export function lessonsOf(desk: Desk, places: readonly TaughtPlace[], photo: number): Lesson[] {
  const isKnown = ({ stack }: TaughtPlace) => new Set(stack).size < 2 || isMeasured(desk, stack);
  const { corrected, spread } = photoError(places.filter(isKnown), photo);
  const known = new Map<string, TaughtPlace[]>();
  for (const p of places)
    if (!isKnown(p)) known.set(keyOf(p.stack), [...(known.get(keyOf(p.stack)) ?? []), p]);
  const read = [...known.values()].map((own) => {
    const { stack } = own[0]!;
    const predicted = seenLab(desk, stack);
    const mm2 = own.reduce((sum, p) => sum + p.mm2, 0);
    const as = (lab: Lab, p: TaughtPlace) => movedBy(lab, p.planned, corrected(p.lies), p.mm2 / mm2);
    return { stack, predicted, read: own.reduce(as, predicted), places: own.length, mm2 };
  });
  const told = read.length >= FEW_STACKS ? median(read.map((r) => deltaE00(r.predicted, r.read))) : undefined;
  return read.flatMap((r) => {
    const model =
      told === undefined ? doubtOf(desk, r.stack) ** 2 : Math.max(LEAST_MODEL ** 2, told ** 2 - spread ** 2);
    const weight = model / (model + spread ** 2);
    return weight < LEAST_WEIGHT
      ? []
      : [{ ...r, lab: movedBy(r.predicted, r.predicted, r.read, weight), weight }];
  });
}
