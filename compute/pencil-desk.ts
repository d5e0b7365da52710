import { colourOf } from "@/border/colour";
import { wrong } from "@/border/problem";
import { seenLab, type Stack } from "@/core/ink/desk";
import type { DeskFit } from "@/core/ink/desk-fit";
import { stackReflectance } from "@/core/ink/stack-reflectance";
import { pencilsOn, type Pencil } from "@/core/pencil/choose";
import { doubtOf } from "@/core/pencil/doubt";
import { median } from "@/core/algebra/median";
import { guessedFilm, pencilFilm, scatterOf, USUAL_SCATTER } from "@/core/pencil/film";
import {
  fitPencils,
  type Drawing,
  type FittedTooth,
  type Posterior,
  type TrialStrip,
} from "@/core/pencil/fit-pencils";
import type { LaidPencil, Surface } from "@/core/pencil/plan";
import { usualTooth } from "@/core/pencil/tooth";
import type { Work } from "@/core/progress";
import type { OpenDesk } from "./desk";

type Laid = Pick<LaidPencil, "code" | "layers" | "pressure">;

/** The pencils of a desk, fitted to its paper. */
export interface PencilDesk {
  readonly pencils: readonly Pencil[];
  readonly fit: FittedTooth;
  readonly posterior: Posterior;
  readonly surface: (stack: Stack) => Surface;
  /** Layers by the codes of pencils, over a surface. @throws Problem naming `path` for a code that is none of them */
  readonly drawing: (under: Surface, layers: readonly Laid[], path: string) => Drawing;
  /** ΔE00 within which layers over a surface come out in nine of ten cases. */
  readonly doubt: (under: Surface, layers: readonly Laid[]) => number;
}

/** Pencils that were drawn down, from which on they say how others cover. */
const FEW = 4;

/** Fitting films and tooth takes seconds and waits until the first pencil is asked for; it is kept as long as its desk. */
const fitted = new WeakMap<OpenDesk, PencilDesk>();

/** Fits that are under way: whoever asks meanwhile takes the same one further. */
const fitting = new WeakMap<OpenDesk, Work<PencilDesk>>();

/** What was fitted to a desk: its pencils too, once somebody has asked for them. */
export function fitOf(open: OpenDesk): DeskFit {
  const pencils = fitted.get(open)?.posterior.x ?? open.input.fit?.pencils;
  return { ...open.fit, ...(pencils && { pencils: [...pencils] }) };
}

/** Pencils on a desk: films from drawdowns, bent to the strips there are; how the paper takes wax from those strips. Yields progress 0–1. */
export function* pencilsOf(open: OpenDesk): Work<PencilDesk> {
  for (;;) {
    const known = fitted.get(open);
    if (known) return known;
    const work = fitting.get(open) ?? fit(open);
    fitting.set(open, work);
    try {
      const { done, value } = work.next();
      if (!done) yield value;
      else {
        fitting.delete(open);
        fitted.set(open, value);
      }
    } catch (e) {
      fitting.delete(open);
      throw e;
    }
  }
}

function* fit(open: OpenDesk): Work<PencilDesk> {
  const { desk, input, placeOf } = open;
  const places = new Map(input.pencils.map((p, i) => [p.code, i]));
  const numbered = (layers: readonly Laid[], path: string) =>
    layers.map(({ code, layers: n, pressure }, j) => {
      const pencil = places.get(code);
      if (pencil === undefined)
        throw wrong(
          `${path}[${j}].code`,
          `expected the code of one of the pencils; "${code}" is not among them`,
        );
      return { pencil, layers: n, pressure };
    });
  const strips = input.strips.map((s, i): TrialStrip => ({
    under: stackReflectance(
      desk,
      s.stack.map((c, j) => placeOf(c, `strips[${i}].stack[${j}]`)),
    ),
    layers: numbered(s.layers, `strips[${i}].layers`),
    lab: colourOf(s.color).lab,
  }));
  const drawn = input.pencils.flatMap((p) =>
    p.black ? [pencilFilm(p.code, colourOf(p.white).lab, colourOf(p.black).lab)] : [],
  );
  // Where several were drawn down, the others are supposed to cover as those do.
  const usual = drawn.length >= FEW ? median(drawn.map(scatterOf)) : USUAL_SCATTER;
  const known = new Map(drawn.map((f) => [f.code, f]));
  const drawdowns = input.pencils.map(
    (p) => known.get(p.code) ?? guessedFilm(p.code, colourOf(p.white).lab, usual),
  );
  const { films, tooth, posterior } = yield* fitPencils(
    drawdowns,
    strips,
    usualTooth(input.grain ?? null),
    input.fit?.pencils,
  );
  const drawing: PencilDesk["drawing"] = (under, layers, path) => ({
    under: under.reflectance,
    layers: numbered(layers, path),
  });
  return {
    pencils: pencilsOn(films, desk.paper.reflectance, tooth),
    fit: tooth,
    posterior,
    surface: (stack) => ({
      base: stack[0] ?? -1,
      lab: seenLab(desk, stack),
      reflectance: stackReflectance(desk, stack),
    }),
    drawing,
    doubt: (under, layers) => doubtOf(posterior, drawing(under, layers, "layers")),
  };
}
