import type { Blending } from "@/core/ink/blending";
import type { ColourInput } from "@/border/colour";
import { Code, Coats, Colour, List, Optional, Whole } from "@/border/fields";
import type { Meeting } from "@/core/chart/layout";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { fitLifting, liftedLab, type Lifting } from "@/core/ink/fit-lifting";
import { DEFAULT_LIFTING } from "@/core/ink/paper";
import { laidBlend, liftsOf } from "@/core/ink/fit-blending";
import { stackLab } from "@/core/ink/stack";
import type { Work } from "@/core/progress";
import { deskOperation } from "../operation";
import { seen, type SeenColour } from "../seen";

class LiftInput {
  @Code() code!: string;
  @Coats() coats!: number;
  @Colour() color!: ColourInput;
}

export class FitPaperQuestion {
  /** Lift cells: coats of one ink, then one pass of the blender. */
  @Optional() @List(() => LiftInput, 0, 5000, '{"code","coats","color"}') lifts: LiftInput[] = [];
  /** Most coats of the curves. */
  @Optional() @Whole(1, 8) curveCoats = 5;
}

export interface FitPaperOutput {
  readonly fit: {
    readonly k1: number;
    readonly k2: number;
    readonly depth: number;
    readonly crowding: number;
    readonly uptake: readonly number[];
    /** Share λ that a pass on dry ink loosens of what lies beneath. */
    readonly lifting: number;
  };
  /** Overlays that crowding and λ are fitted to. */
  readonly overlays: number;
  readonly lifting: Lifting;
  /** How ink moves along the sheet, as far as long cells tell; what they do not tell is assumed. */
  readonly blending: Blending;
  readonly assumed: { readonly wetLifting: number };
  /** Every long cell as read, and as the model lays it; with the same distance from colour to colour. */
  readonly blends: readonly {
    readonly how: Meeting;
    readonly stack: readonly string[];
    readonly over: readonly string[];
    readonly read: readonly SeenColour[];
    readonly laid: readonly SeenColour[];
  }[];
  /** Median ΔE00 between the paper's readings and the model's coats, and on how many inks and readings it rests. */
  readonly residual: number;
  readonly inks: number;
  readonly readings: number;
  /** Whether no sheet can have the paper's colour; the nearest one stands in. */
  readonly clamped: boolean;
  /** Every ink's coats by the model, from none to the most, and what the blender leaves of two. */
  readonly curves: readonly {
    readonly code: string;
    readonly coats: readonly SeenColour[];
    readonly lifted: SeenColour;
    /** ΔE00 of each reading from the model. */
    readonly off: readonly number[];
  }[];
}

/** Fits a paper to its swatches and lift cells, and draws every ink's coats. */
export const fitPaper = deskOperation(FitPaperQuestion, function* (question, open): Work<FitPaperOutput> {
  const { desk, labOf, placeOf } = open;
  const lifts = question.lifts.map((l, i) => ({
    spectrum: desk.inks[placeOf(l.code, `lifts[${i}].code`)]!.spectrum,
    coats: l.coats,
    lab: labOf(l.color),
  }));
  const lifting = fitLifting(desk.paper, [...lifts, ...liftsOf(desk, open.blends)]);
  const { k1, k2, depth, crowding, uptake, lifting: loosened } = desk.paper.fit;
  const curves: FitPaperOutput["curves"][number][] = [];
  for (const ink of desk.inks) {
    const coats = Array.from({ length: question.curveCoats + 1 }, (_, n): Lab =>
      stackLab(desk.paper, Array<typeof ink.spectrum>(n).fill(ink.spectrum)),
    );
    curves.push({
      code: ink.code,
      coats: coats.map(seen),
      lifted: seen(liftedLab(desk.paper, ink.spectrum, 2, lifting.blender)),
      off: ink.coats.map((r, n) => deltaE00(r.lab, coats[n + 1] ?? r.lab)),
    });
    if (curves.length % 20 === 0) yield curves.length / desk.inks.length;
  }
  return {
    fit: { k1, k2, depth, crowding, uptake, lifting: loosened },
    overlays: open.overlaysRead,
    lifting,
    blending: desk.blending ?? {},
    assumed: { wetLifting: DEFAULT_LIFTING.wet },
    blends: open.blends.map((b) => ({
      how: b.how,
      stack: b.stack.map((i) => desk.inks[i]!.code),
      over: b.over.map((i) => desk.inks[i]!.code),
      read: b.profile.labs.map((lab) => seen(labOf({ lab }))),
      laid: (laidBlend(desk, b)?.labs ?? []).map(seen),
    })),
    residual: desk.residual,
    inks: desk.inks.length,
    readings: desk.inks.reduce((sum, i) => sum + i.coats.length, 0),
    clamped: desk.paper.clamped,
    curves,
  };
});
