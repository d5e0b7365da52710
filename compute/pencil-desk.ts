import { colourOf } from "@/border/colour";
import { wrong } from "@/border/problem";
import { seenLab, type Stack } from "@/core/ink/desk";
import { stackReflectance } from "@/core/ink/stack-reflectance";
import { pencilsOn, type Pencil } from "@/core/pencil/choose";
import { pencilFilm, type PencilFilm } from "@/core/pencil/film";
import { fitTooth, type FittedTooth, type TrialStrip } from "@/core/pencil/fit-tooth";
import type { Surface } from "@/core/pencil/plan";
import { refineFilm } from "@/core/pencil/refine-film";
import { usualTooth } from "@/core/pencil/tooth";
import type { Work } from "@/core/progress";
import type { OpenDesk } from "./desk";

/** The pencils of a desk, fitted to its paper. */
export interface PencilDesk {
  readonly pencils: readonly Pencil[];
  readonly fit: FittedTooth;
  readonly surface: (stack: Stack) => Surface;
}

/** Fitting films and tooth takes seconds and waits until the first pencil is asked for; it is kept as long as its desk. */
const fitted = new WeakMap<OpenDesk, PencilDesk>();

/** Shares of the progress: the tooth first, the films, the tooth again. */
const [FIRST, FILMS] = [0.4, 0.4];

/** Fits that are under way: whoever asks meanwhile takes the same one further. */
const fitting = new WeakMap<OpenDesk, Work<PencilDesk>>();

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
  const films = input.pencils.map((p) => pencilFilm(p.code, colourOf(p.white).lab, colourOf(p.black).lab));
  const strips = (now: readonly PencilFilm[]): TrialStrip[] =>
    input.strips.map((s, i) => ({
      under: stackReflectance(
        desk,
        s.stack.map((c, j) => placeOf(c, `strips[${i}].stack[${j}]`)),
      ),
      layers: s.layers.map((l, j) => {
        const film = now.find((f) => f.code === l.code);
        if (!film)
          throw wrong(
            `strips[${i}].layers[${j}].code`,
            `expected the code of one of the pencils; "${l.code}" is not among them`,
          );
        return { film, layers: l.layers, pressure: l.pressure };
      }),
      lab: colourOf(s.color).lab,
    }));
  const first = fitTooth(strips(films), usualTooth(input.grain ?? null));
  yield FIRST;
  const drawn = strips(films);
  const refined: PencilFilm[] = [];
  for (const film of films) {
    refined.push(first.strips ? refineFilm(film, drawn, first) : film);
    yield FIRST + (FILMS * refined.length) / films.length;
  }
  const tooth = first.strips ? fitTooth(strips(refined), first) : first;
  const surface = (stack: Stack): Surface => ({
    base: stack[0] ?? -1,
    lab: seenLab(desk, stack),
    reflectance: stackReflectance(desk, stack),
  });
  return { pencils: pencilsOn(refined, desk.paper.reflectance, tooth), fit: tooth, surface };
}
