import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { TWIN } from "@/core/match/evaluate";

export interface Twin {
  readonly code: string;
  readonly deltaE00: number;
}

/** Markers that look like a given one in one coat (ΔE00 under 2), nearest first. */
export function twinsOf(code: string, oneCoat: readonly { readonly code: string; readonly lab: Lab }[]): Twin[] {
  const own = oneCoat.find((m) => m.code === code);
  if (!own) return [];
  return oneCoat
    .filter((m) => m.code !== code)
    .map((m) => ({ code: m.code, deltaE00: deltaE00(own.lab, m.lab) }))
    .filter((t) => t.deltaE00 < TWIN)
    .sort((a, b) => a.deltaE00 - b.deltaE00);
}
