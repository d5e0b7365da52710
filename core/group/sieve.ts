/** Lightness (L*) by which a guess may lie above and below what is wanted: ink over ink darkens less than the guess. */
const FAR_OFF = { above: 9, below: 24 } as const;

/** Lightness of one ink over others, about: luminances as shares of the paper's multiply, and L* grows with their cube root. */
const overLightness = (beneath: number, alone: number, white: number): number =>
  ((beneath + 16) * (alone + 16)) / (white + 16) - 16;

/**
 * Tells at once which tones cannot be near what is wanted. What is out of reach is taken for the nearest lightness that is not, so that
 * something always passes.
 * @param wanted L* that is wanted
 * @param beneath L* of what lies there already; undefined for bare paper
 * @param white L* of the paper
 * @param among L* of the tones' own strokes
 */
export function sieveFor(
  wanted: number,
  beneath: number | undefined,
  white: number,
  among: readonly number[],
): (alone: number) => boolean {
  const about = (alone: number) => (beneath === undefined ? alone : overLightness(beneath, alone, white));
  let [darkest, lightest] = [Infinity, -Infinity];
  for (const alone of among) {
    const L = about(alone);
    if (L < darkest) darkest = L;
    if (L > lightest) lightest = L;
  }
  const near = Math.min(lightest, Math.max(darkest, wanted));
  return (alone) => {
    const L = about(alone);
    return L < near + FAR_OFF.above && L > near - FAR_OFF.below;
  };
}
