/** Why a picture of a chart cannot be trusted, and what to do about it. */
const REASONS = {
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
} as const;

export type Refusal = keyof typeof REASONS;

/** A picture that is not read, with the reason in words. */
export class ChartRefused extends Error {
  constructor(
    readonly reason: Refusal,
    readonly figure?: string,
  ) {
    super(figure ? `${REASONS[reason]} (${figure})` : REASONS[reason]);
    this.name = "ChartRefused";
  }
}

export function refuse(reason: Refusal, figure?: string): never {
  throw new ChartRefused(reason, figure);
}
