import { Codes, List, Optional, Stack, Whole } from "@/border/fields";
import { wrong } from "@/border/problem";
import { seenLab } from "@/core/ink/desk";
import type { Drawing } from "@/core/pencil/fit-pencils";
import { nextStrips } from "@/core/pencil/next-strips";
import { mixedDesigns, stripDesigns } from "@/core/pencil/strip-designs";
import type { Pressure } from "@/core/pencil/tooth";
import { part, type Work } from "@/core/progress";
import { StripLayerInput } from "@/border/desk";
import { costOf } from "../cost";
import { AmongOwned, deskOperation } from "../operation";
import { pencilsOf } from "../pencil-desk";

class WantedDrawing {
  @Stack() stack!: string[];
  @List(() => StripLayerInput, 1, 6, '{"code","layers","pressure"}') layers!: StripLayerInput[];
}

export class PencilStripsQuestion extends AmongOwned {
  /** Pencils to be known; else all of the desk, or those of the drawings. */
  @Optional() @Codes(1, 300) codes?: string[];
  /** Drawings that are to come out as predicted, as a plan has them; else drawings of all kinds. */
  @Optional() @List(() => WantedDrawing, 1, 60, '{"stack","layers"}') drawings?: WantedDrawing[];
  @Optional() @Whole(1, 40) top = 12;
}

export interface PencilStripsOutput {
  /** Mean spread (ΔE00, one standard deviation) of what is wanted, as it is known now. */
  readonly now: number;
  /** Strips to draw, most telling first, each with the spread that is left once it and those before it are read. */
  readonly strips: readonly {
    readonly stack: readonly string[];
    readonly layers: readonly {
      readonly code: string;
      readonly layers: number;
      readonly pressure: Pressure;
    }[];
    readonly spread: number;
  }[];
}

/** Markers that strips may lie on, beside bare paper: spread from light to dark. */
const GROUNDS = 4;
/** Drawings of two or three pencils that are thought of, and drawings of all kinds that stand for what may be wanted. */
const MIXED = 300;
const ANY = 80;
/** Share of the progress that fitting takes. */
const FITTED = 0.4;

/** Which trial strips to draw so that pencils are known best, or so that a plan comes out as predicted. */
export const pencilStrips = deskOperation(
  PencilStripsQuestion,
  function* (question, open): Work<PencilStripsOutput> {
    const { desk, input, placeOf } = open;
    if (!input.pencils.length)
      throw wrong("pencils", "expected at least one pencil with its colour over white");
    const own = yield* part(pencilsOf(open), 0, FITTED);
    const codes = input.pencils.map((p) => p.code);
    const wanted: Drawing[] | undefined = question.drawings?.map((d, i) =>
      own.drawing(
        own.surface(d.stack.map((c, j) => placeOf(c, `drawings[${i}].stack[${j}]`))),
        d.layers,
        `drawings[${i}].layers`,
      ),
    );
    const asked = question.codes ?? [
      ...new Set(question.drawings?.flatMap((d) => d.layers.map((l) => l.code)) ?? codes),
    ];
    const pencils = asked.map((code, i) => {
      const at = codes.indexOf(code);
      if (at < 0)
        throw wrong(`codes[${i}]`, `expected the code of one of the pencils; "${code}" is not among them`);
      return at;
    });
    const price = costOf(open, question.ownedOnly);
    const inks = desk.inks
      .flatMap((_, i) => (price(i) === 0 ? [i] : []))
      .sort((a, b) => seenLab(desk, [b])[0] - seenLab(desk, [a])[0]);
    const picked = Array.from(
      { length: Math.min(GROUNDS, inks.length) },
      (_, k) => inks[Math.floor(((k + 0.5) * inks.length) / Math.min(GROUNDS, inks.length))]!,
    );
    const bases = question.drawings
      ? [
          ...new Set(
            question.drawings.flatMap((d) => (d.stack.length ? [placeOf(d.stack[0]!, "drawings")] : [])),
          ),
        ].slice(0, GROUNDS)
      : picked;
    const grounds = [own.surface([]), ...(bases.length ? bases : picked).map((i) => own.surface([i]))];
    const asDrawing = (d: ReturnType<typeof stripDesigns>[number]): Drawing => ({
      under: grounds[d.ground]!.reflectance,
      layers: d.layers,
    });
    const designs = stripDesigns(pencils, grounds.length, MIXED);
    const goals = wanted ?? mixedDesigns(pencils, grounds.length, ANY, 4).map(asDrawing);
    const { now, chosen } = yield* part(
      nextStrips(own.posterior, goals, designs.map(asDrawing), question.top),
      FITTED,
      1 - FITTED,
    );
    return {
      now,
      strips: chosen.map(({ candidate, spread }) => {
        const { ground, layers } = designs[candidate]!;
        return {
          stack: ground ? [desk.inks[grounds[ground]!.base]!.code] : [],
          layers: layers.map((l) => ({ code: codes[l.pencil]!, layers: l.layers, pressure: l.pressure })),
          spread,
        };
      }),
    };
  },
);
