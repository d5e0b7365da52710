/** Difference that is worth a word. */
const WORTH = 3;

/** How a group differs from the first one offered; contrast, warmth and chroma in their own units. */
export function differenceInWords({
  contrast,
  warmth,
  chroma,
  shared,
  apart = 0,
}: {
  readonly contrast: number;
  readonly warmth: number;
  readonly chroma: number;
  readonly shared: number;
  readonly apart: number | undefined;
}): string {
  const say = (v: number, more: string, less: string) =>
    Math.abs(v) < WORTH ? [] : [`${v > 0 ? more : less} by ${Math.abs(v).toFixed(0)}`];
  const words = [
    ...say(contrast, "more contrast", "less contrast"),
    ...say(warmth, "warmer", "cooler"),
    ...say(chroma, "purer", "greyer"),
  ];
  const look = words.length ? words.join(", ") : "much the same look";
  return `${look}; ${shared ? `${shared} of the same markers` : "other markers"}, ${apart.toFixed(1)} ΔE00 apart`;
}
