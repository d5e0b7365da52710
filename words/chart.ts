import type { Doubt } from "@/core/chart/doubts";
import type { ChartRefused, Refusal } from "@/core/chart/refusal";

const REASONS: Readonly<Record<Refusal, string>> = {
  "no chart":
    "No chart is seen in this picture: none of the ring marks of its corners was found. Photograph the whole printed page, sharp and from the front.",
  "cut off":
    "The page is not whole: a corner mark is cut off or covered. Photograph it again with all four ring marks in view.",
  "no page code":
    "Four ring marks are seen, but the strip of black and white fields between the upper two cannot be read. Keep it flat, uncovered and sharp.",
  "too small":
    "The page is too small in the picture, or seen from too far aslant. Go nearer and hold the camera more squarely.",
  blurred: "The picture is blurred. Hold the camera still, let it focus on the page, and use more light.",
  "too bright":
    "The white paper is overexposed, so light colours cannot be told apart. Take the picture again a little darker.",
  "too dark": "The picture is too dark for its colours to be read. Use more light, or expose longer.",
  glare:
    "Light glares on too many of the cells. Turn the page or the lamp so that no lamp is mirrored, and photograph again.",
  "uneven light":
    "The light falls too unevenly, as when a shadow lies over the page. Move the lamp or yourself and photograph again.",
  "wrong page": "This is a page of another chart than the one that was asked for.",
  "unknown chart": "This page belongs to no chart of this studio.",
};

/** Why a picture of a chart is not read, and what to do about it. */
export const refusalInWords = ({ reason, figure }: Pick<ChartRefused, "reason" | "figure">): string =>
  figure ? `${REASONS[reason]} (${figure})` : REASONS[reason];

/** A reason to look at a cell, with its number. */
export function doubtInWords(d: Doubt): string {
  // Pages that were read by earlier versions bring their sentence along.
  if ("message" in d && typeof d.message === "string") return d.message;
  switch (d.kind) {
    case "glare":
      return d.figure > 0
        ? `${Math.round(100 * d.figure)} % of it is at the end of the scale`
        : "a white cell beside it glares";
    case "uneven":
      return `lightness varies by ${d.figure.toFixed(1)} within it: streaks, or not filled`;
    case "not coloured":
      return `only ${d.figure.toFixed(1)} ΔE00 from bare paper`;
    case "lighter than one coat less":
      return `${d.figure.toFixed(1)} lighter than with one coat less`;
    case "unlike before":
      return `${d.figure.toFixed(1)} ΔE00 from the known reading`;
  }
}
