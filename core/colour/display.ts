import {
  converter,
  differenceCiede2000,
  modeLab65,
  modeLch65,
  modeLrgb,
  modeRgb,
  modeXyz65,
  parse,
  toGamut,
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

/** How far, as a share of its range, a component may leave 0–1 and still round to what a screen shows: half a level of 8 bits. */
const HALF_LEVEL = 0.5 / 255;
const isShown = (v: number) => v >= -HALF_LEVEL && v <= 1 + HALF_LEVEL;

/** ΔE00 within which a colour is simply cut to the screen's gamut rather than given less chroma: the same to the eye. */
const SAME = 1;

/**
 * What a screen cannot show is brought in by lowering chroma at equal lightness and hue, as far as cutting the rest changes nothing that is
 * seen (W3C, CSS Color Module Level 4, 2022, §13.2, "binary search with local clipping"; here in CIELCh with CIEDE2000).
 */
// Its types take the difference for a number.
const intoGamut = toGamut("rgb", "lch65", differenceCiede2000() as never, SAME);

export interface Shown {
  /** 8-bit levels, not rounded. */
  readonly rgb: readonly [red: number, green: number, blue: number];
  /** False when a screen cannot show the colour. */
  readonly inGamut: boolean;
}

/** What a screen shows for a Lab (D65, 2°): of chips, pictures and exports alike. */
export function shownOf([l, a, b]: Lab): Shown {
  const colour = { mode: "lab65" as const, l, a, b };
  const rgb = toRgb(colour);
  const inGamut = isShown(rgb.r) && isShown(rgb.g) && isShown(rgb.b);
  const shown = inGamut ? rgb : intoGamut(colour);
  const level = (v: number) => 255 * Math.min(1, Math.max(0, v));
  return { rgb: [level(shown.r), level(shown.g), level(shown.b)], inGamut };
}

export interface Displayed {
  readonly hex: string;
  readonly inGamut: boolean;
}

/** {@link shownOf} as a hex colour. */
export function displayLab(lab: Lab): Displayed {
  const { rgb, inGamut } = shownOf(lab);
  return { hex: `#${rgb.map((v) => Math.round(v).toString(16).padStart(2, "0")).join("")}`, inGamut };
}

/** `hex` of {@link displayLab}, for painting. */
export const labToHex = (lab: Lab): string => displayLab(lab).hex;

/** 8-bit red, green and blue of a hex colour such as "#c8a27a". */
export const hexToRgb = (hex: string): [number, number, number] =>
  [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];
