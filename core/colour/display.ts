import {
  clampChroma,
  converter,
  displayable,
  formatHex,
  modeLab65,
  modeLch65,
  modeLrgb,
  modeRgb,
  modeXyz65,
  parse,
  useMode as knowing,
} from "culori/fn";
import type { Lab } from "./lab";

// Of all its spaces only those that are met here, since every page carries them.
for (const mode of [modeRgb, modeLrgb, modeXyz65, modeLab65, modeLch65]) knowing(mode);

const toLab65 = converter("lab65");
const toRgb = converter("rgb");

/** Lab (D65, 2°) of an sRGB hex colour such as "#c8a27a"; undefined when it is not one. */
export function hexToLab(hex: string): Lab | undefined {
  if (!/^#[0-9a-f]{6}$/i.test(hex)) return undefined;
  const lab = toLab65(parse(hex));
  return lab && [lab.l, lab.a, lab.b];
}

/** Lab (D65, 2°) of 8-bit sRGB values. */
export function rgb8ToLab(r: number, g: number, b: number): Lab {
  const lab = toLab65({ mode: "rgb", r: r / 255, g: g / 255, b: b / 255 });
  return [lab.l, lab.a, lab.b];
}

export interface Displayed {
  /** sRGB, out-of-gamut colours brought in by lowering chroma at equal lightness and hue. */
  readonly hex: string;
  /** False when a screen cannot show the colour. */
  readonly inGamut: boolean;
}

/** How far a linear component may leave 0–1 before a colour counts as outside the screen's gamut. */
const GAMUT_SLACK = 0.002;

/** sRGB for a Lab (D65, 2°). */
export function displayLab([l, a, b]: Lab): Displayed {
  const colour = { mode: "lab65" as const, l, a, b };
  const rgb = toRgb(colour);
  const inGamut = [rgb.r, rgb.g, rgb.b].every((v) => v >= -GAMUT_SLACK && v <= 1 + GAMUT_SLACK);
  const shown = displayable(colour) ? colour : clampChroma(colour, "lch65", "rgb");
  return { hex: formatHex(shown), inGamut };
}

/** `hex` of {@link displayLab}, for painting. */
export const labToHex = (lab: Lab): string => displayLab(lab).hex;
