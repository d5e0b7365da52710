import { chroma, hue, type Lab } from "@/core/colour/lab";

/** Hue names by where they end, degrees of CIELAB hue. */
const HUES: readonly (readonly [number, string])[] = [
  [18, "pink-red"],
  [45, "red"],
  [72, "orange"],
  [105, "yellow"],
  [130, "yellow-green"],
  [172, "green"],
  [225, "blue-green"],
  [285, "blue"],
  [320, "violet"],
  [345, "purple"],
  [360, "pink-red"],
];
/** Chroma under which a colour is a grey, and under which it is muted. */
const [GREY, MUTED] = [6, 28];

const lightnessOf = (L: number): string =>
  L > 92 ? "very light" : L > 75 ? "light" : L > 45 ? "" : L > 22 ? "dark" : "very dark";

/** A plain name for a colour, for who hears it: "light muted orange", "brown", "dark grey". */
export function colourInWords(lab: Lab): string {
  const [L] = lab;
  const C = chroma(lab);
  if (C < GREY)
    return L > 95 ? "white" : L < 8 ? "black" : [lightnessOf(L), "grey"].filter(Boolean).join(" ");
  const name = HUES.find(([end]) => hue(lab) < end)?.[1] ?? "pink-red";
  // What is orange when it is light is called brown when it is dark.
  if (name === "orange" && L < 55) return [L < 30 ? "dark" : "", "brown"].filter(Boolean).join(" ");
  return [lightnessOf(L), C < MUTED ? "muted" : "", name].filter(Boolean).join(" ");
}

/** A paper's own colour: “white”, “off-white”, else its plain name. */
export const paperInWords = (lab: Lab): string =>
  lab[0] > 94 && chroma(lab) < 2.5
    ? "white"
    : lab[0] > 88 && chroma(lab) < 9
      ? "off-white"
      : colourInWords(lab);
