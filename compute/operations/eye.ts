import { Codes, OneOf, Optional, Whole, Within } from "@/border/fields";
import { wrong } from "@/border/problem";
import { randomOf } from "@/core/algebra/random";
import { EYE_KINDS, eyeQuestion, FEWEST_INKS, type EyeColour, type EyeKind } from "@/core/practice/eye";
import { eyeAnswerInWords, eyeInWords } from "@/words/eye";
import { deskOperation } from "../operation";
import type { OpenDesk } from "../desk";
import { seen, type SeenColour } from "../seen";

/** Inks that a question may be about, at most. */
const MOST_ABOUT = 3000;

export class EyeQuestionInput {
  @OneOf(EYE_KINDS) kind!: EyeKind;
  /** Codes that it is to be about; others stand beside them. Of all inks where there are none. */
  @Optional() @Codes(0, MOST_ABOUT) about: string[] = [];
  /** 0 easy to 1 hard. */
  @Optional() @Within(0, 1) level = 0.2;
  /** The same one asks the same. */
  @Whole(0, 2 ** 31 - 1) seed!: number;
}

type EyeColourOutput = SeenColour & { readonly codes: readonly string[] };

export interface EyeOutput {
  readonly kind: EyeKind;
  readonly asks: string;
  readonly shown: readonly EyeColourOutput[];
  readonly choices: readonly EyeColourOutput[];
  /** Places of the choices that are right, from 0: one, or all of them, darkest first. */
  readonly right: readonly number[];
  /** By how much the right one differs from the next: L* or ΔE00. */
  readonly margin: number;
  readonly says: string;
}

const colour = (open: OpenDesk, { lab, stack }: EyeColour): EyeColourOutput => ({
  ...seen(lab),
  codes: stack.map((i) => open.inks[i]!.code),
});

/** Something to train an eye on, of the inks of a desk as they are read. */
export const eye = deskOperation(EyeQuestionInput, function* ({ kind, about, level, seed }, open): Generator<
  number,
  EyeOutput
> {
  yield 0;
  const places = about.map((c, i) => open.placeOf(c, `about[${i}]`));
  const asked = eyeQuestion(open.desk, kind, { about: places, level, random: randomOf(seed) });
  if (!asked)
    throw wrong(
      "kind",
      open.desk.inks.length < FEWEST_INKS
        ? `expected a desk of at least ${FEWEST_INKS} inks`
        : `expected inks of which that can be asked; there are none for “${eyeInWords[kind].name}”`,
    );
  const choices = asked.choices.map((c) => colour(open, c));
  return {
    kind,
    asks: eyeInWords[kind].asks,
    shown: asked.shown.map((c) => colour(open, c)),
    choices,
    right: asked.right,
    margin: asked.margin,
    says: eyeAnswerInWords(kind, asked.margin, choices[asked.right[0]!]!.codes),
  };
});
