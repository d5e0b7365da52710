import { SAMPLES, wavelength } from "./observer";

/** A dye as absorption bands [centre nm, half width towards blue, half width towards red, strength]. */
export type Dye = readonly (readonly [number, number, number, number])[];

export const dyes = {
  lemon: [[412, 34, 26, 1]],
  yellow: [[436, 44, 30, 1]],
  orange: [
    [478, 46, 30, 1],
    [390, 30, 30, 0.25],
  ],
  scarlet: [
    [508, 44, 30, 1],
    [400, 28, 40, 0.3],
  ],
  magenta: [
    [552, 40, 22, 1],
    [516, 22, 22, 0.55],
    [385, 20, 30, 0.18],
  ],
  violet: [
    [588, 46, 28, 1],
    [548, 26, 26, 0.5],
  ],
  ultramarine: [
    [618, 52, 34, 1],
    [570, 30, 30, 0.45],
  ],
  cyan: [
    [672, 46, 34, 1],
    [616, 30, 30, 0.55],
    [392, 20, 26, 0.12],
  ],
  turquoise: [
    [642, 50, 40, 1],
    [415, 22, 30, 0.2],
  ],
  leaf: [
    [652, 46, 38, 1],
    [432, 34, 34, 0.85],
  ],
  earth: [
    [420, 60, 90, 1],
    [530, 70, 90, 0.42],
  ],
  carbon: [
    [470, 110, 120, 0.72],
    [640, 110, 120, 0.8],
  ],
} satisfies Record<string, Dye>;

export type DyeName = keyof typeof dyes;

/** Recipe of an ink: strength of each dye in its solvent. */
export type InkRecipe = Partial<Record<DyeName, number>>;

const bell = (nm: number, [centre, blueward, redward, strength]: Dye[number]) =>
  strength * Math.exp(-(((nm - centre) / (nm < centre ? blueward : redward)) ** 2) / 2);

/** Absorption of an ink per µm at full wetting, every 5 nm. */
export function absorption(recipe: InkRecipe): Float64Array {
  const out = new Float64Array(SAMPLES);
  for (const [name, amount] of Object.entries(recipe) as [DyeName, number][])
    for (const band of dyes[name] as Dye)
      for (let i = 0; i < SAMPLES; i++) out[i]! += amount * bell(wavelength(i), band);
  return out;
}
