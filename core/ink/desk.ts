import type { Blending } from "./blending";
import type { Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import type { Spectrum } from "@/core/colour/observer";
import { finish, type Work } from "@/core/progress";
import type { Coats } from "./fit-ink";
import { fittingPaper } from "./fit-paper";
import { leanOn, type Lean } from "./lean";
import { uptakeOf, type Paper, type PaperFit } from "./paper";
import type { Reading } from "./reading";
import { stackAbsorbance, stackLab, type InkSpectrum } from "./stack";
import { inkedLab, inkedReflectance } from "./sheet";

export interface MeasuredInk {
  readonly code: string;
  /** Readings of one, two and three coats on the desk's paper; at least one. */
  readonly coats: Coats;
}

export interface DeskInk extends MeasuredInk {
  readonly spectrum: InkSpectrum;
}

/** The inks that lie ready, as they are on one paper. */
export interface Desk {
  readonly paper: Paper;
  readonly inks: readonly DeskInk[];
  /** Median ΔE00 of the model against its own swatches. */
  readonly residual: number;
  /** Measured overlays, and what they say of stacks near them. */
  readonly overlays?: Overlays;
  /** How ink moves on the paper, as far as a blend page told. */
  readonly blending?: Blending;
}

/** One coat of ink after another, first coat first: positions in `Desk.inks`. */
export type Stack = readonly number[];

interface Overlays {
  readonly stacks: readonly Stack[];
  readonly seen: ReadonlyMap<string, Lab>;
  /** Reflectances of those that an instrument read. */
  readonly spectra: ReadonlyMap<string, Spectrum>;
  readonly lean: Lean;
}

const keyOf = (stack: Stack) => stack.join();

/**
 * Fits a paper and its inks from swatches read under daylight; yields progress 0–1.
 * @param known the paper's values where these very swatches were fitted before
 */
export function* layingDesk(
  paper: Lab | Reading,
  inks: readonly MeasuredInk[],
  known?: PaperFit,
): Work<Desk> {
  const fitted = yield* fittingPaper(
    paper,
    inks.map((i) => i.coats),
    "D65",
    known,
  );
  return {
    paper: fitted.paper,
    inks: inks.map((ink, i) => ({
      ...ink,
      coats: ink.coats.map((c, n) => byDay(fitted.paper, fitted.inks[i]!, n + 1, c)),
      spectrum: fitted.inks[i]!,
    })),
    residual: fitted.residual,
  };
}

/**
 * A reading under daylight. One that was told under another light is carried over by the ink's own spectrum, which follows from all of its
 * coats, and keeps what the model does not say.
 */
function byDay(paper: Paper, spectrum: InkSpectrum, coats: number, reading: Reading): Reading {
  const { told } = reading;
  if (!told) return reading;
  const model = inkedReflectance(
    paper,
    spectrum.map((k) => k * uptakeOf(paper.fit, coats)),
  );
  const [there, here] = [labOf(model, told.light), labOf(model)];
  const [L, a, b] = here.map((v, c) => v + told.lab[c]! - there[c]!) as unknown as Lab;
  return { ...reading, lab: [Math.min(100, Math.max(0, L)), a, b] };
}

/** {@link layingDesk} in one go. */
export const layDesk = (paper: Lab | Reading, inks: readonly MeasuredInk[]): Desk =>
  finish(layingDesk(paper, inks));

const absorbanceOf = (desk: Desk, stack: Stack): Spectrum =>
  stackAbsorbance(
    stack.map((i) => desk.inks[i]!.spectrum),
    desk.paper.fit,
  );
/** Keeps the logarithm finite where an ink adds next to nothing. */
const LEAST_K = 1e-3;
const logOf = (added: Spectrum): Spectrum => added.map((k) => Math.log(k + LEAST_K));

/**
 * The desk with overlays that were measured on its paper: they are shown as measured, and near stacks lean towards them. Stacks of one ink
 * belong to the ink's own coats and are left out.
 */
export function withOverlays(
  desk: Desk,
  measured: readonly { readonly stack: Stack; readonly lab: Lab; readonly reflectance?: Spectrum }[],
): Desk {
  const overlays = measured.filter(({ stack }) => new Set(stack).size > 1);
  if (!overlays.length) return desk;
  const leanings = overlays.map(({ stack, lab }) => {
    const added = absorbanceOf(desk, stack);
    const predicted = inkedLab(desk.paper, added);
    return { z: logOf(added), off: lab.map((v, c) => v - predicted[c]!) as unknown as Lab };
  });
  return {
    ...desk,
    overlays: {
      stacks: overlays.map((o) => o.stack),
      seen: new Map(overlays.map(({ stack, lab }) => [keyOf(stack), lab])),
      spectra: new Map(
        overlays.flatMap(({ stack, reflectance }) => (reflectance ? [[keyOf(stack), reflectance]] : [])),
      ),
      lean: leanOn(leanings),
    },
  };
}

/** The desk with some of its inks put away, and what was measured of the others. */
export function keepInks(desk: Desk, keep: (ink: DeskInk) => boolean): Desk {
  const place = new Map<number, number>();
  desk.inks.forEach((ink, i) => keep(ink) && place.set(i, place.size));
  const { overlays, ...model } = desk;
  const kept: Desk = { ...model, inks: desk.inks.filter((_, i) => place.has(i)) };
  const left = overlays?.stacks.filter((s) => s.every((i) => place.has(i))) ?? [];
  return withOverlays(
    kept,
    left.map((stack) => {
      const reflectance = overlays!.spectra.get(keyOf(stack));
      return {
        stack: stack.map((i) => place.get(i)!),
        lab: overlays!.seen.get(keyOf(stack))!,
        ...(reflectance && { reflectance }),
      };
    }),
  );
}

/** How the colour of a stack is known: read, leaning on a stack that was read, or by the model alone. */
export type Knowledge = "measured" | "leaning" | "predicted";

/** Nearness from which a prediction is said to lean on a trial. */
const LEANS = 0.3;

/** A stack's colour has been measured when its overlay was, or it is some coats of one ink none of whose channels was at the end of its scale. */
export function knowledgeOf(desk: Desk, stack: Stack): Knowledge {
  const reading = stack.every((i) => i === stack[0])
    ? desk.inks[stack[0] ?? -1]?.coats[stack.length - 1]
    : undefined;
  if ((reading && !reading.clipping) || desk.overlays?.seen.has(keyOf(stack))) return "measured";
  const leans =
    desk.overlays &&
    new Set(stack).size > 1 &&
    desk.overlays.lean.nearness(logOf(absorbanceOf(desk, stack))) > LEANS;
  return leans ? "leaning" : "predicted";
}

export const isMeasured = (desk: Desk, stack: Stack): boolean => knowledgeOf(desk, stack) === "measured";

/** How far the overlays that were read move the colour that the model gives for K/S added to the sheet. */
export const leanOf = ({ overlays }: Desk, added: Spectrum): Lab =>
  overlays ? overlays.lean.shift(logOf(added)) : [0, 0, 0];

/** Reflectance of a stack as an instrument read it. */
export function readSpectrum(desk: Desk, stack: Stack): Spectrum | undefined {
  const one = stack.length > 0 && stack.every((i) => i === stack[0]);
  return one
    ? desk.inks[stack[0]!]!.coats[stack.length - 1]?.reflectance
    : desk.overlays?.spectra.get(keyOf(stack));
}

/** What one sees after a stack: its measured colour where there is one, else the prediction. No coats show the paper. */
export function seenLab(desk: Desk, stack: Stack): Lab {
  if (!stack.length) return desk.paper.lab;
  const overlay = desk.overlays?.seen.get(keyOf(stack));
  if (overlay) return overlay;
  const one = new Set(stack).size === 1;
  const reading = one ? desk.inks[stack[0]!]!.coats[stack.length - 1] : undefined;
  if (reading && !reading.clipping) return reading.lab;
  if (one || !desk.overlays)
    return stackLab(
      desk.paper,
      stack.map((i) => desk.inks[i]!.spectrum),
    );
  const added = absorbanceOf(desk, stack);
  const [L, a, b] = inkedLab(desk.paper, added);
  const [dL, da, db] = leanOf(desk, added);
  return [Math.min(100, Math.max(0, L + dL)), a + da, b + db];
}
