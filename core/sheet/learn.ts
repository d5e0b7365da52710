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

/** How a photo is wrong: everywhere alike, and from place to place (median ΔE00). */
interface PhotoError {
  readonly shift: Lab;
  readonly spread: number;
}

/** As those places tell whose colour swatches told before, else as the photo says of itself. */
function photoError(known: readonly TaughtPlace[], says: number): PhotoError {
  if (known.length < FEW_KNOWN) return { shift: [0, 0, 0], spread: Math.max(LEAST_PHOTO, says) };
  const shift = [0, 1, 2].map((c) => median(known.map((p) => p.lies[c]! - p.planned[c]!))) as unknown as Lab;
  const left = median(known.map((p) => deltaE00(movedBy(p.lies, shift, [0, 0, 0]), p.planned)));
  return { shift, spread: Math.max(LEAST_PHOTO, left) };
}

/**
 * What places of a sheet say of the stacks that lie there. Stacks of one ink, and such as were read otherwise, teach nothing, for a swatch tells more
 * than a photo: they tell how the photo is wrong, everywhere alike and from place to place. What lies is counted from what was planned, so that fades,
 * the tones beside and the paper stay in. Each lesson is believed by how far model and photo are wrong: the mean of two normal estimates, each weighed
 * by one over its variance; the model's follows from the differences themselves where there are enough of them (empirical Bayes: H. Robbins, Proc. 3rd
 * Berkeley Symp. 1 (1956) 157–163), less what the photo adds. A photo that is much less sure than the model teaches
 * nothing.
 * @param photo median ΔE00 by which the photo may be wrong, as it says itself
 */
export function lessonsOf(desk: Desk, places: readonly TaughtPlace[], photo: number): Lesson[] {
  const isKnown = ({ stack }: TaughtPlace) => new Set(stack).size < 2 || isMeasured(desk, stack);
  const { shift, spread } = photoError(places.filter(isKnown), photo);
  const known = new Map<string, TaughtPlace[]>();
  for (const p of places)
    if (!isKnown(p)) known.set(keyOf(p.stack), [...(known.get(keyOf(p.stack)) ?? []), p]);
  const read = [...known.values()].map((own) => {
    const { stack } = own[0]!;
    const predicted = seenLab(desk, stack);
    const mm2 = own.reduce((sum, p) => sum + p.mm2, 0);
    const as = (lab: Lab, p: TaughtPlace) =>
      movedBy(lab, p.planned, movedBy(p.lies, shift, [0, 0, 0]), p.mm2 / mm2);
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
