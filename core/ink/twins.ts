import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import type { Illuminant, Spectrum } from "@/core/colour/observer";

/** Two inks nearer than this ΔE00 (one coat, on one paper) are twins: nobody can tell them apart. */
export const TWIN = 2;
/** ΔE00 counts a difference of lightness by at most 1/1.75, at the ends of the scale: twins differ less than this in L*. */
const LIGHTNESS_APART = TWIN * 1.76;

/** Whether two colours look alike. */
export const alike = (a: Lab, b: Lab): boolean => deltaE00(a, b) < TWIN;

/** For each colour the place of the first one that stands for it and its twins. */
export function standIns(labs: readonly Lab[]): Int32Array {
  const out = Int32Array.from(labs, (_, k) => k);
  for (let k = 0; k < labs.length; k++)
    for (let j = 0; j < k; j++)
      if (out[j] === j && alike(labs[j]!, labs[k]!)) {
        out[k] = j;
        break;
      }
  return out;
}

export interface Twin {
  readonly code: string;
  readonly deltaE00: number;
}

/** Markers that look like a given one in one coat (ΔE00 under 2), nearest first. */
export function twinsOf(
  code: string,
  oneCoat: readonly { readonly code: string; readonly lab: Lab }[],
): Twin[] {
  const own = oneCoat.find((m) => m.code === code);
  if (!own) return [];
  return oneCoat
    .filter((m) => m.code !== code)
    .map((m) => ({ code: m.code, deltaE00: deltaE00(own.lab, m.lab) }))
    .filter((t) => t.deltaE00 < TWIN)
    .sort((a, b) => a.deltaE00 - b.deltaE00);
}

export interface TwinPair {
  readonly codes: readonly [string, string];
  readonly deltaE00: number;
}

/** Every pair of markers that nobody can tell apart in one coat, nearest first. */
export function twinPairs(oneCoat: readonly { readonly code: string; readonly lab: Lab }[]): TwinPair[] {
  // ΔE00 under 2 needs lightness within about 4: sorted by it, most pairs are never compared.
  const sorted = [...oneCoat].sort((a, b) => a.lab[0] - b.lab[0]);
  const out: TwinPair[] = [];
  sorted.forEach((a, i) => {
    for (let j = i + 1; j < sorted.length && sorted[j]!.lab[0] - a.lab[0] < LIGHTNESS_APART; j++) {
      const off = deltaE00(a.lab, sorted[j]!.lab);
      if (off < TWIN) out.push({ codes: [a.code, sorted[j]!.code], deltaE00: off });
    }
  });
  return out.sort((a, b) => a.deltaE00 - b.deltaE00);
}

/** Two inks that are twins by day, and farther apart than this under another light, are told to part there: ΔE00, plain to see side by side. */
const PARTED = 3;
const LAMPS: readonly Exclude<Illuminant, "D65">[] = ["A", "D50"];

export interface PartingPair extends TwinPair {
  /** The light under which they differ most, and by how much. */
  readonly light: Exclude<Illuminant, "D65">;
  readonly apart: number;
}

/** Every pair of markers that cannot be told apart by day and can under a lamp (metamers), farthest apart first. Their spectra must be read. */
export function partingPairs(
  oneCoat: readonly { readonly code: string; readonly reflectance: Spectrum }[],
): PartingPair[] {
  const byDay = twinPairs(oneCoat.map(({ code, reflectance }) => ({ code, lab: labOf(reflectance) })));
  const under = new Map(
    oneCoat.map(({ code, reflectance }) => [code, LAMPS.map((light) => labOf(reflectance, light))]),
  );
  return byDay
    .flatMap((pair) => {
      const [a, b] = pair.codes.map((c) => under.get(c)!) as [Lab[], Lab[]];
      const [apart, light] = LAMPS.map((l, i) => [deltaE00(a[i]!, b[i]!), l] as const).reduce((x, y) =>
        y[0] > x[0] ? y : x,
      );
      return apart > PARTED ? [{ ...pair, light, apart }] : [];
    })
    .sort((a, b) => b.apart - a.apart);
}
