import type { Difference } from "@/core/group/difference";

/** Difference that is worth a word. */
const WORTH = 3;

const SHADOWS: Readonly<Record<NonNullable<Difference["shadow"]>, string>> = {
  deeper: "a deeper tone makes the shadow",
  underlay: "an underlay makes the shadow",
  overlay: "a grey over it makes the shadow",
};

/** How a group differs from the first one offered as it will lie on the paper; contrast, warmth and chroma in their own units. */
export function differenceInWords({
  contrast,
  warmth,
  chroma,
  shared,
  markers,
  apart,
  school,
  shadow,
}: Difference): string {
  const say = (v: number, more: string, less: string) =>
    Math.abs(v) < WORTH ? [] : [`${v > 0 ? more : less} by ${Math.abs(v).toFixed(0)}`];
  const how = [
    ...(school ? [`laid ${school}`] : []),
    ...(shadow ? [SHADOWS[shadow]] : []),
    ...(markers ? [`${Math.abs(markers)} ${markers < 0 ? "fewer" : "more"} to pull out`] : []),
  ];
  const words = [
    ...say(contrast, "more contrast", "less contrast"),
    ...say(warmth, "warmer", "cooler"),
    ...say(chroma, "stronger in colour", "greyer"),
  ];
  const look = words.length ? words.join(", ") : "much the same look";
  const whose = shared ? `${shared} of the same markers` : "other markers";
  return [...how, look, `${whose}, ${apart.toFixed(1)} ΔE00 apart`].join("; ");
}
