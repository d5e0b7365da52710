/** What the figures on the screens mean, for who asks. */
export const meaningOf = {
  ΔE00: "How different two colours look (CIEDE2000, ΔE00). Under 1 they are the same to the eye, to 2 very close, to 4 close, to 8 visibly different, beyond that another colour.",
  "L*": "Lightness (L*) from 0, black, to 100, white. Contrast is the lightness of the light end less that of the shadow end.",
  C: "Colour strength (chroma, C*): 0 is a grey, 30 muted, 60 and more a strong colour.",
} as const;

export type Unit = keyof typeof meaningOf;
