/**
 * The parts of CIEDE2000 (kL = kC = kH = 1) that more than the formula itself needs. Source: G. Sharma, W. Wu, E. N. Dalal, Color Res. Appl.
 * 30 (2005) 21–30, eqs. 4–21.
 */
const RAD = Math.PI / 180;
const POW25_7 = 25 ** 7;

const saturation = (c: number): number => {
  const c7 = c ** 7;
  return Math.sqrt(c7 / (c7 + POW25_7));
};

/** SL of a mean lightness. */
export const lightnessWeight = (L: number): number => {
  const l50 = (L - 50) * (L - 50);
  return 1 + (0.015 * l50) / Math.sqrt(20 + l50);
};

/** SC of a mean chroma. */
export const chromaWeight = (C: number): number => 1 + 0.045 * C;

/** SH of a mean chroma and T. */
export const hueWeight = (C: number, T: number): number => 1 + 0.015 * C * T;

/** T of a mean hue in radians. */
export const hueTerm = (h: number): number =>
  1 -
  0.17 * Math.cos(h - 30 * RAD) +
  0.24 * Math.cos(2 * h) +
  0.32 * Math.cos(3 * h + 6 * RAD) -
  0.2 * Math.cos(4 * h - 63 * RAD);

/** Largest slope of T, per radian: the sum of its amplitudes times their frequencies. */
export const STEEPEST_HUE_TERM = 0.17 + 2 * 0.24 + 3 * 0.32 + 4 * 0.2;

/** 1 + G: how far a* is stretched at a mean (unstretched) chroma. */
export const redStretch = (C: number): number => 1.5 - 0.5 * saturation(C);

/** −RT for a mean chroma and a hue so many degrees from 275°. */
export const rotation = (C: number, from275: number): number =>
  2 * saturation(C) * Math.sin(60 * RAD * Math.exp(-((from275 / 25) ** 2)));
