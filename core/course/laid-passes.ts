import type { Lab } from "@/core/colour/lab";
import type { InkPass } from "@/core/ink/fade";
import { bringsOf, type Pass } from "@/core/media/medium";
import type { PencilFilm } from "@/core/pencil/film";
import type { PencilLayer, ToothFit } from "@/core/pencil/tooth";
import type { AreaLayers, DrawnScale, Opaque } from "./laid-area";

/** What is known of the things that passes name. */
export interface Known {
  /** Place of a marker on the desk; undefined where it was not read on its paper. */
  readonly inkOf: (code: string) => number | undefined;
  /** Film of a pencil; undefined where it was not drawn down. */
  readonly filmOf: (code: string) => PencilFilm | undefined;
  /** How the paper's tooth takes pencil; asked only where something is drawn. */
  readonly toothOf: () => ToothFit;
  /** Colour of what is opaque. */
  readonly opaqueOf: (code: string) => Lab;
}

/** The ink of passes as it lies, without what was not read on the desk's paper. */
export const inkPasses = (passes: readonly Pass[], inkOf: Known["inkOf"]): InkPass[] =>
  passes.flatMap((pass) => {
    const ink = bringsOf(pass) === "ink" ? inkOf(pass.code) : undefined;
    const { coats, wet, from, to } = pass;
    return ink === undefined ? [] : [{ ink, coats, wet, from, to }];
  });

/** What lies on an area once these passes are laid. What is not known on the desk's paper is left out: nobody can say how it looks. */
export function laidPasses(passes: readonly Pass[], known: Known): AreaLayers {
  const opaque: Opaque[] = [];
  const drawings: PencilLayer[][][] = [];
  for (const pass of passes) {
    const { code, from, to } = pass;
    switch (bringsOf(pass)) {
      case "ink":
        break;
      case "opaque":
        // What is set at a spot lies over the area, not along it.
        if (!pass.marks) opaque.push({ lab: known.opaqueOf(code), from, to });
        break;
      case "pencil": {
        const film = known.filmOf(code);
        const { scale, steps, strokes } = pass.drawing!;
        const own = (drawings[scale] ??= Array.from({ length: steps }, () => []));
        if (film)
          for (const { step, layers, pressure } of strokes) own[step]!.push({ film, layers, pressure });
      }
    }
  }
  const pencil = drawings
    .filter((steps) => steps.some((s) => s.length))
    .map((steps): DrawnScale => ({ steps, fit: known.toothOf() }));
  return { ink: inkPasses(passes, known.inkOf), pencil, opaque };
}
