import type { Recipe } from "@/core/match/recipe";
import { SHOWS, type Shortfall } from "@/core/match/shortfall";
import { differenceWords } from "./closeness";
import { coatsInWords, counted } from "./numbers";

const coats = (r: Recipe) => r.layers.reduce((sum, l) => sum + l.coats, 0);

/** Why a recipe that is not the nearest is preferred. */
export const preferenceInWords = (r: Recipe, best: Recipe): string =>
  `Preferred: only ${(r.deltaE00 - best.deltaE00).toFixed(2)} ΔE00 behind the best, with ${counted(r.layers.length, "marker")} and ${coatsInWords(coats(r))} instead of ${best.layers.length} and ${coats(best)}.`;

/** L* and chroma that are worth a word. */
const WORTH = 3;

/**
 * How far the best recipe misses a colour, in which direction, and what would help.
 * @param bound ΔE00 nearer than which nothing is proven to exist, while the search goes on
 */
export function shortfallInWords(
  { deltaE00, deltaL, deltaC, abovePaper, marker }: Shortfall,
  bound?: number,
): string {
  const ways = [
    ...(Math.abs(deltaL) < WORTH
      ? []
      : [`too ${deltaL > 0 ? "light" : "dark"} by ${Math.abs(deltaL).toFixed(0)}`]),
    ...(Math.abs(deltaC) < WORTH ? [] : [`too ${deltaC > 0 ? "strong" : "grey"}`]),
  ];
  const how = ways.length ? `: ${ways.join(" and ")}` : ", of another hue";
  const help = [
    ...(abovePaper
      ? ["It is lighter than the bare paper: white or pale pencil, or opaque white, would give it."]
      : []),
    ...(marker
      ? [
          `${marker.code}, ${coatsInWords(marker.coats)}, would come within ${marker.deltaE00.toFixed(1)}: look for it.`,
        ]
      : []),
  ];
  const sure =
    bound === undefined
      ? "None of these markers reaches this colour."
      : bound >= SHOWS
        ? `None of these markers reaches this colour: the nearest would still be ${differenceWords(bound)}.`
        : "Nothing that was found so far reaches this colour.";
  const best = bound === undefined ? "The best" : "The best so far";
  return [
    sure,
    `${best} is ${differenceWords(deltaE00)}, ${deltaE00.toFixed(1)} ΔE00 off${how}.`,
    ...help,
  ].join(" ");
}
