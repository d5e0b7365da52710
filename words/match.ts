import type { Recipe } from "@/core/match/recipe";
import { coatsInWords, counted } from "./numbers";

const coats = (r: Recipe) => r.layers.reduce((sum, l) => sum + l.coats, 0);

/** Why a recipe that is not the nearest is preferred. */
export const preferenceInWords = (r: Recipe, best: Recipe): string =>
  `Preferred: only ${(r.deltaE00 - best.deltaE00).toFixed(2)} ΔE00 behind the best, with ${counted(r.layers.length, "ink")} and ${coatsInWords(coats(r))} instead of ${best.layers.length} and ${coats(best)}.`;
