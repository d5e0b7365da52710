import { Code, OneOf, Optional, Stack, Whole, Within } from "@/border/fields";
import { wrong } from "@/border/problem";
import { seenLab } from "@/core/ink/desk";
import { pencilGreys } from "@/core/pencil/adjust";
import type { Work } from "@/core/progress";
import { neutralPairs as inkPairs } from "@/core/shadow/neutral";
import { costOf } from "../cost";
import { AmongOwned, deskOperation } from "../operation";
import { pencilsOf } from "../pencil-desk";
import { seen, type SeenColour } from "../seen";

export class NeutralPairsQuestion extends AmongOwned {
  @Optional() @OneOf(["inks", "pencils"]) of: "inks" | "pencils" = "inks";
  @Optional() @Within(5, 95, "L*") lightness?: number;
  /** An ink that must be one of the two. */
  @Optional() @Code() with?: string;
  /** What pencils are drawn over; bare paper when it is left out. */
  @Optional() @Stack() base: string[] = [];
  @Optional() @Whole(1, 20) top = 6;
}

export interface NeutralPairsOutput {
  readonly pairs: readonly (SeenColour & {
    readonly codes: readonly [string, string];
    readonly amounts: readonly [number, number];
    readonly chroma: number;
    readonly alone: readonly [SeenColour, SeenColour];
  })[];
}

/** Inks of which every pair is tried. */
const MOST_INKS = 500;

/** Which two inks, or two pencils, neutralise each other best, in which amounts: computed as they would be laid. */
export const neutralPairs = deskOperation(
  NeutralPairsQuestion,
  function* (question, open): Work<NeutralPairsOutput> {
    const { desk, placeOf } = open;
    if (question.of === "pencils") {
      const { pencils, fit, surface } = yield* pencilsOf(open);
      const under = surface(question.base.map((c, i) => placeOf(c, `base[${i}]`)));
      const own = (code: string) => seen(pencils.find((p) => p.film.code === code)!.own);
      const greys = pencilGreys(under.reflectance, pencils, fit, question.top, desk.paper.illuminant);
      return {
        pairs: greys.map((g) => ({
          ...seen(g.lab),
          codes: g.codes,
          amounts: g.layers,
          chroma: g.chroma,
          alone: [own(g.codes[0]), own(g.codes[1])],
        })),
      };
    }
    const price = costOf(open, question.ownedOnly);
    const ready = desk.inks.filter((_, i) => Number.isFinite(price(i))).length;
    if (ready > MOST_INKS && question.with === undefined)
      throw wrong(
        "inks",
        `expected at most ${MOST_INKS} inks to be paired, or "with" for one of the two; there are ${ready}`,
      );
    const found = inkPairs(desk, {
      usable: (i) => Number.isFinite(price(i)),
      top: question.top,
      ...(question.lightness !== undefined && { lightness: question.lightness }),
      ...(question.with !== undefined && { with: placeOf(question.with, "with") }),
    });
    const alone = (ink: number) => seen(seenLab(desk, [ink]));
    return {
      pairs: found.map((p) => ({
        ...seen(p.lab),
        codes: [desk.inks[p.inks[0]]!.code, desk.inks[p.inks[1]]!.code],
        amounts: p.coats,
        chroma: p.chroma,
        alone: [alone(p.inks[0]), alone(p.inks[1])],
      })),
    };
  },
);
