import { chromaWeight, hueTerm, hueWeight, lightnessWeight, redStretch, rotation } from "./ciede2000";
import type { Lab } from "./lab";

const RAD = Math.PI / 180;
/** Hues this far apart or less are joined the direct way: exact opposites must not be split by rounding. */
const OPPOSITE = Math.PI + 1e-12;
/** An angle in 0…2π. */
const fullTurn = (h: number) => (h < 0 ? h + 2 * Math.PI : h >= 2 * Math.PI ? h - 2 * Math.PI : h);

/**
 * CIEDE2000 colour difference of two Lab colours, kL = kC = kH = 1.
 * Source: G. Sharma, W. Wu, E. N. Dalal, Color Res. Appl. 30 (2005) 21–30; checked on its 34 pairs.
 */
export function deltaE00(first: Lab, second: Lab): number {
  return deltaE00Of(first[0], first[1], first[2], second[0], second[1], second[2]);
}

/** As {@link deltaE00} with plain numbers, for hot loops: no arrays are made. */
export function deltaE00Of(L1: number, a1: number, b1: number, L2: number, a2: number, b2: number): number {
  const meanC = (Math.sqrt(a1 * a1 + b1 * b1) + Math.sqrt(a2 * a2 + b2 * b2)) / 2;
  const g = redStretch(meanC);
  const A1 = a1 * g;
  const A2 = a2 * g;
  const C1 = Math.sqrt(A1 * A1 + b1 * b1);
  const C2 = Math.sqrt(A2 * A2 + b2 * b2);
  const h1 = C1 === 0 ? 0 : fullTurn(Math.atan2(b1, A1));
  const h2 = C2 === 0 ? 0 : fullTurn(Math.atan2(b2, A2));
  const bothChromatic = C1 * C2 !== 0;

  let dh = h2 - h1;
  if (dh > OPPOSITE) dh -= 2 * Math.PI;
  else if (dh < -OPPOSITE) dh += 2 * Math.PI;
  if (!bothChromatic) dh = 0;
  const h = bothChromatic ? fullTurn(h1 + dh / 2) : h1 + h2;

  const dL = L2 - L1;
  const dC = C2 - C1;
  const dH = 2 * Math.sqrt(C1 * C2) * Math.sin(dh / 2);
  const L = (L1 + L2) / 2;
  const C = (C1 + C2) / 2;
  const SL = lightnessWeight(L);
  const SC = chromaWeight(C);
  const SH = hueWeight(C, hueTerm(h));
  const RT = -rotation(C, h / RAD - 275);
  const l = dL / SL;
  const c = dC / SC;
  const hh = dH / SH;
  return Math.sqrt(Math.max(0, l * l + c * c + hh * hh + RT * c * hh));
}

export type Closeness = "same" | "very close" | "close" | "visible" | "different";

/** The product's word for a ΔE00: under 1, 2, 4, 8 and beyond. */
export function closeness(difference: number): Closeness {
  if (difference < 1) return "same";
  if (difference < 2) return "very close";
  if (difference < 4) return "close";
  return difference < 8 ? "visible" : "different";
}
