import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import {
  BANDS,
  reflectanceToXyz,
  tristimulusWeights,
  type Illuminant,
  type Spectrum,
  type Xyz,
} from "@/core/colour/observer";
import { smoothestMeeting } from "./smooth";

export interface Reconstruction {
  /** 36 bands, 380–730 nm, each strictly between 0 and the base. */
  readonly reflectance: Spectrum;
  /** True when no reflectance under the base has this colour and the nearest solvable one (less chroma, same hue) was taken. */
  readonly clamped: boolean;
  /** The colour that the reflectance has: the asked one unless clamped. */
  readonly lab: Lab;
}

const MOST_STEPS = 60;
/** Largest change of z in one step: keeps tanh out of its flat ends. */
const LONGEST_STEP = 1.5;
const EXACT = 1e-8;

function solveSmooth(goal: Xyz, base: ArrayLike<number>, illuminant: Illuminant): Spectrum | undefined {
  const w = tristimulusWeights(illuminant);
  const bars = [w.x, w.y, w.z];
  const z = new Float64Array(BANDS);
  const jacobian = new Float64Array(3 * BANDS);
  const wanted = new Float64Array(3);
  const exact = new Float64Array(3);
  for (let step = 0; step < MOST_STEPS; step++) {
    let worst = 0;
    for (let c = 0; c < 3; c++) {
      let sum = 0;
      let jz = 0;
      for (let i = 0; i < BANDS; i++) {
        const t = Math.tanh(z[i]!);
        const weight = (bars[c]![i]! * base[i]!) / 2;
        const slope = weight * (1 - t * t);
        jacobian[c * BANDS + i] = slope;
        sum += weight * (t + 1);
        jz += slope * z[i]!;
      }
      wanted[c] = goal[c]! - sum + jz;
      worst = Math.max(worst, Math.abs(goal[c]! - sum));
    }
    if (worst < EXACT) return Float64Array.from(z, (v, i) => (base[i]! * (Math.tanh(v) + 1)) / 2);
    const next = smoothestMeeting(jacobian, wanted, exact);
    let longest = 0;
    for (let i = 0; i < BANDS; i++) longest = Math.max(longest, Math.abs(next[i]! - z[i]!));
    if (!Number.isFinite(longest) || longest > 1e4) return undefined;
    const share = Math.min(1, LONGEST_STEP / longest);
    for (let i = 0; i < BANDS; i++) z[i]! += share * (next[i]! - z[i]!);
  }
  return undefined;
}

/**
 * The smoothest reflectance that has a given colour, as a share (0–1) of a base reflectance: 1 for a bare paper, the paper's own for an ink.
 * Exact for every solvable colour; others lose chroma at constant lightness and hue until they are, and are said to be clamped.
 * @param base 36 bands, 0–1
 * @throws RangeError for a lightness outside 0–100
 * Source: S. A. Burns, Color Res. Appl. 45 (2020) 93–106, "LHTSS": least slope squared in tanh space, Newton steps.
 */
export function reconstructReflectance(
  lab: Lab,
  base: ArrayLike<number>,
  illuminant: Illuminant = "D65",
): Reconstruction {
  if (!(lab[0] >= 0 && lab[0] <= 100)) throw new RangeError(`lightness must lie in 0–100, not ${lab[0]}`);
  const lit = tristimulusWeights(illuminant);
  const { white } = lit;
  const attempt = (l: Lab) => solveSmooth(labToXyz(l, white), base, illuminant);
  const direct = attempt(lab);
  if (direct) return { reflectance: direct, clamped: false, lab };

  const ceiling = xyzToLab(reflectanceToXyz(base, lit), white);
  const lightness = Math.min(Math.max(lab[0], 0.5), ceiling[0] - 0.5);
  // Towards the base's own hue at this lightness: a neutral darkening of the base is always solvable.
  const anchor: Lab = [
    lightness,
    (ceiling[1] * lightness) / ceiling[0],
    (ceiling[2] * lightness) / ceiling[0],
  ];
  const towards = (t: number): Lab => [
    lightness,
    anchor[1] + t * (lab[1] - anchor[1]),
    anchor[2] + t * (lab[2] - anchor[2]),
  ];
  let low = 0;
  let high = 1;
  let best = attempt(towards(0));
  for (let i = 0; i < 18; i++) {
    const mid = (low + high) / 2;
    const found = attempt(towards(mid));
    if (found) {
      best = found;
      low = mid;
    } else high = mid;
  }
  return { reflectance: best ?? Float64Array.from(base, (r) => r * 1e-3), clamped: true, lab: towards(low) };
}
