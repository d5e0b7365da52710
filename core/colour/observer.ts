import cie from "./cie-1931-10nm.json" with { type: "json" };

/** Number of spectral bands everywhere in the core: 380 to 730 nm, every 10 nm. */
export const BANDS = 36;

/** Light sources that a paper may be judged under. */
export type Illuminant = "D65" | "D50" | "A";

/** 36 values, one a band, 380–730 nm. */
export type Spectrum = Float64Array;

/** CIE XYZ relative to a perfect white of Y = 1. */
export type Xyz = readonly [number, number, number];

/** Observer times illuminant, normalised so that a perfect diffuser gives Y = 1. */
export interface Weights {
  readonly x: Spectrum;
  readonly y: Spectrum;
  readonly z: Spectrum;
  readonly white: Xyz;
}

const power: Record<Illuminant, number[]> = { D65: cie.d65, D50: cie.d50, A: cie.a };

function weightsFor(illuminant: Illuminant): Weights {
  const light = power[illuminant];
  const total = light.reduce((sum, p, i) => sum + p * cie.ybar[i]!, 0);
  const weigh = (bar: number[]) => Float64Array.from(bar, (v, i) => (v * light[i]!) / total);
  const [x, y, z] = [weigh(cie.xbar), weigh(cie.ybar), weigh(cie.zbar)];
  const sum = (s: Spectrum) => s.reduce((a, b) => a + b, 0);
  return { x, y, z, white: [sum(x), sum(y), sum(z)] };
}

const known = new Map<Illuminant, Weights>();

/** Tristimulus weights of the CIE 1931 2° observer under an illuminant (CIE 015:2018, table method, 10 nm). */
export function tristimulusWeights(illuminant: Illuminant = "D65"): Weights {
  const found = known.get(illuminant) ?? weightsFor(illuminant);
  known.set(illuminant, found);
  return found;
}

/** XYZ (perfect white Y = 1) of a 36-band reflectance. */
export function reflectanceToXyz(reflectance: ArrayLike<number>, w: Weights = tristimulusWeights()): Xyz {
  let X = 0;
  let Y = 0;
  let Z = 0;
  for (let i = 0; i < BANDS; i++) {
    const r = reflectance[i]!;
    X += w.x[i]! * r;
    Y += w.y[i]! * r;
    Z += w.z[i]! * r;
  }
  return [X, Y, Z];
}
