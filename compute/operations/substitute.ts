import { Codes, Optional, Stacks, Whole } from "@/border/fields";
import type { Closeness } from "@/core/colour/delta-e00";
import { seenLab } from "@/core/ink/desk";
import { substitutesFor } from "@/core/stock/substitute";
import type { Work } from "@/core/progress";
import { deskOperation } from "../operation";
import { seen, type SeenColour } from "../seen";

/** Tones that are replaced at once. */
const MOST_TONES = 400;

export class SubstituteQuestion {
  /** Tones to be replaced: stacks of one ink, one entry a coat. */
  @Stacks(MOST_TONES, 1) tones!: string[][];
  /** Codes that may take their place. */
  @Codes(1, 6000) among!: string[];
  @Optional() @Whole(1, 20) top = 3;
}

export interface SubstituteOutput {
  readonly tones: readonly {
    readonly wanted: SeenColour;
    readonly substitutes: readonly (SeenColour & {
      readonly code: string;
      readonly coats: number;
      readonly deltaE00: number;
      readonly closeness: Closeness;
    })[];
  }[];
}

/** For each tone the inks that come nearest to it on this paper. */
export const substitute = deskOperation(
  SubstituteQuestion,
  function* (question, open): Work<SubstituteOutput> {
    const { desk, placeOf } = open;
    const among = [...new Set(question.among)].map((code, i) => placeOf(code, `among[${i}]`));
    const out: SubstituteOutput["tones"][number][] = [];
    for (const [t, tone] of question.tones.entries()) {
      const stack = tone.map((code, c) => placeOf(code, `tones[${t}][${c}]`));
      const wanted = seenLab(desk, stack);
      const others = among.filter((i) => !stack.includes(i));
      out.push({
        wanted: seen(wanted),
        substitutes: substitutesFor(desk, wanted, others, question.top).map((s) => ({
          code: desk.inks[s.ink]!.code,
          coats: s.coats,
          ...seen(s.lab),
          deltaE00: s.deltaE00,
          closeness: s.closeness,
        })),
      });
      yield out.length / question.tones.length;
    }
    return { tones: out };
  },
);
