/** L* at which black and white stand out alike from a grey, each 4.6 to 1 (WCAG 2.2, relative luminance). */
const TURN = 49.5;

/** Black or white, whichever can be read on a colour of this lightness. */
export const readableOn = (lightness: number): string => (lightness > TURN ? "#000" : "#fff");
