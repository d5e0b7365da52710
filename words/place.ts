import type { Area } from "@/core/piece/piece";

/** mm² below which an area is tiny, small, of middling size. */
const TINY = 25;
const SMALL = 150;
const MEDIUM = 1200;

/** How large an area is for a marker. */
export const sizeInWords = (mm2: number): string =>
  mm2 < TINY ? "tiny" : mm2 < SMALL ? "small" : mm2 < MEDIUM ? "medium" : "large";

/** Ink creeps from both sides: this many creeps wide, an area is wetted right across, or needs care. */
const ACROSS = 2.5;
const CARE = 6;

/** How ink that creeps so far past the nib endangers an area of some width; undefined where it does not, or nobody knows the paper's bleed. */
export function bleedInWords(width: number, bleed: number | null): string | undefined {
  if (bleed === null || bleed <= 0) return undefined;
  if (width < ACROSS * bleed) return "ink creeps right across: dab it, and stop well short of the line";
  return width < CARE * bleed ? "narrow for this paper: stop short of the line" : undefined;
}

/** How sure an order of two areas is. */
export const orderInWords = (confidence: number): string =>
  confidence >= 0.8 ? "clear" : confidence >= 0.66 ? "likely" : "a guess";

/** What is wrong with a line that was found, and what to do; undefined where nothing is. */
export function lineTroubleInWords(share: number, regions: number): string | undefined {
  if (share < 0.0008)
    return "No line was found: the picture is empty, or its line is too pale. Try “lineless”, or a picture with more contrast.";
  if (share > 0.6)
    return "Nearly everything is dark, so there is nothing between the lines. Take a lighter picture, or cut the photo down to the sheet.";
  return regions <= 1
    ? "The line encloses nothing yet: close wider gaps, or draw closed shapes yourself."
    : undefined;
}

/** Caution for a line that alcohol ink may dissolve. */
export const PROOF_CAUTION =
  "Alcohol ink dissolves ink that is not alcohol-proof and drags it into the colour. Try a corner of a scrap first; if it smears, colour first and draw the line last, or copy the sheet with toner.";
export const PROOF_UNKNOWN =
  "Test the line before you colour: one stroke of a pale marker over a spare line, then look whether it greys.";

/** What to mind at the edges of an area while it is coloured. */
export const edgesInWords = (
  { past, joints, place }: Pick<Area, "past" | "joints" | "place">,
  bleed: number | null,
): readonly string[] => [
  ...(past ? ["colour a little past the line: it is cut off"] : []),
  ...(joints === "white" ? ["stop at each block: the joints stay white"] : []),
  ...(joints === "dark" ? ["colour across the blocks; the joints are darkened after it"] : []),
  ...(place ? [bleedInWords(place.width, bleed)].filter((w) => w !== undefined) : []),
];
