import { BANDS, type Spectrum } from "@/core/colour/observer";
import { FormatError } from "./format-error";

/** First band and distance from band to band, nm. */
const [FIRST, STEP] = [380, 10];

/** Wavelengths that an instrument may tell, nm. */
const [SHORTEST, LONGEST] = [300, 900];

/**
 * Wavelength, nm, of a column's name in any of the usual spellings (`SPECTRAL_NM380`, `SPEC_380`, `nm380`, `R_400`, `400`, `400nm`);
 * undefined when it names none.
 */
export function wavelengthOf(name: string): number | undefined {
  const found =
    /^(?:SPECTRAL|SPECTRUM|SPEC|REFLECTANCE|REFL|R|LAMBDA)?[_ ]?(?:NM|WL)?[_ ]?(\d{3})(?:\.0+)?[_ ]?(?:NM)?$/i.exec(
      name.trim(),
    );
  const nm = found ? Number(found[1]) : NaN;
  return nm >= SHORTEST && nm <= LONGEST ? nm : undefined;
}

/** How reflectances of one file come to the bands of the core, worked out once for all of its samples. */
export interface Resampling {
  /** Range and step of the file, nm; the step is 0 where it is uneven. */
  readonly from: number;
  readonly to: number;
  readonly step: number;
  /** Bands beyond the file's range at its short and its long end: its last value is held there. */
  readonly held: readonly [short: number, long: number];
  /** 36 bands, 380–730 nm, of values in the file's own order. */
  readonly resample: (values: ArrayLike<number>) => Spectrum;
}

/** Fewest bands that are a spectrum, and the widest step between them, nm: beyond it an ink's edges are lost. */
const FEWEST = 16;
const WIDEST = 20;

/** What Sprague's interpolation needs beyond its ends: CIE 167:2005, table 1. */
const BEFORE = [
  [884, -1960, 3033, -2648, 1080, -180],
  [508, -540, 488, -367, 144, -24],
] as const;

/** Values with two more at either end, by Sprague's end conditions. */
function extended(values: readonly number[]): number[] {
  const beyond = (own: readonly number[]) =>
    BEFORE.map((row) => row.reduce((sum, w, i) => sum + w * own[i]!, 0) / 209);
  const back = [...values].reverse();
  const [b2, b1] = beyond(values);
  const [a2, a1] = beyond(back);
  return [b2!, b1!, ...values, a1!, a2!];
}

/** Sprague's quintic between `y[i]` and `y[i + 1]` of extended values at share `x`: CIE 167:2005. */
function sprague(y: readonly number[], i: number, x: number): number {
  const [p, q, r, s, t, u] = [y[i]!, y[i + 1]!, y[i + 2]!, y[i + 3]!, y[i + 4]!, y[i + 5]!];
  const c1 = (2 * p - 16 * q + 16 * s - 2 * t) / 24;
  const c2 = (-p + 16 * q - 30 * r + 16 * s - t) / 24;
  const c3 = (-9 * p + 39 * q - 70 * r + 66 * s - 33 * t + 7 * u) / 24;
  const c4 = (13 * p - 64 * q + 126 * r - 124 * s + 61 * t - 12 * u) / 24;
  const c5 = (-5 * p + 25 * q - 50 * r + 50 * s - 25 * t + 5 * u) / 24;
  return r + x * (c1 + x * (c2 + x * (c3 + x * (c4 + x * c5))));
}

/** Lagrange's cubic through the four values around a wavelength, for uneven steps: CIE 167:2005. */
function lagrange(nms: readonly number[], y: readonly number[], nm: number): number {
  const after = nms.findIndex((v) => v >= nm);
  const first = Math.max(0, Math.min(nms.length - 4, after - 2));
  let sum = 0;
  for (let i = first; i < first + 4; i++) {
    let weight = 1;
    for (let j = first; j < first + 4; j++) if (j !== i) weight *= (nm - nms[j]!) / (nms[i]! - nms[j]!);
    sum += weight * y[i]!;
  }
  return sum;
}

/**
 * How to bring values at some wavelengths to 36 bands, 380–730 nm: taken as they are where they lie on a band, between by the interpolation of
 * CIE 167:2005 (Sprague, or Lagrange's cubic where steps are uneven), and held at the ends.
 * @param wavelengths nm, in the file's order
 * @param line of the file that names them
 * @throws FormatError for too few, too wide steps, one twice, or a range that leaves most of the visible out
 */
export function resampling(wavelengths: readonly number[], line: number): Resampling {
  const order = wavelengths.map((nm, at) => ({ nm, at })).sort((a, b) => a.nm - b.nm);
  const nms = order.map((o) => o.nm);
  const twice = nms.find((nm, i) => nm === nms[i - 1]);
  if (twice !== undefined)
    throw new FormatError(line, `expected each wavelength once; ${twice} nm is there twice`);
  if (nms.length < FEWEST)
    throw new FormatError(line, `expected at least ${FEWEST} wavelengths; there are ${nms.length}`);
  const steps = nms.slice(1).map((nm, i) => nm - nms[i]!);
  if (Math.max(...steps) > WIDEST)
    throw new FormatError(
      line,
      `expected steps of at most ${WIDEST} nm; after ${nms[steps.findIndex((s) => s > WIDEST)]} nm there are ${Math.max(...steps)}`,
    );
  const [from, to] = [nms[0]!, nms.at(-1)!];
  if (from > 420 || to < 680)
    throw new FormatError(
      line,
      `expected reflectance from 420 nm or less to 680 nm or more; it is from ${from} to ${to}`,
    );
  const even = steps.every((s) => s === steps[0]);
  const places = new Map(nms.map((nm, i) => [nm, i]));
  const bands = Array.from({ length: BANDS }, (_, i) => FIRST + STEP * i);
  const isWhole = bands.every((nm) => nm < from || nm > to || places.has(nm));
  return {
    from,
    to,
    step: even ? steps[0]! : 0,
    held: [bands.filter((nm) => nm < from).length, bands.filter((nm) => nm > to).length],
    resample: (values) => {
      const y = order.map((o) => values[o.at]!);
      const wide = !isWhole && even ? extended(y) : y;
      return Float64Array.from(bands, (nm) => {
        if (nm <= from) return y[0]!;
        if (nm >= to) return y.at(-1)!;
        const known = places.get(nm);
        if (known !== undefined) return y[known]!;
        if (!even) return Math.max(0, lagrange(nms, y, nm));
        const at = (nm - from) / steps[0]!;
        return Math.max(0, sprague(wide, Math.floor(at), at - Math.floor(at)));
      });
    },
  };
}
