import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";

/** A marker by its code and the colour of its first coat, where that was read. */
export interface KnownMarker {
  readonly code: string;
  readonly lab: Lab | undefined;
}

/** What another rack has for a marker: the same one, or the nearest that it owns. */
export interface InOtherRack {
  readonly code: string;
  /** One of the same code whose colour is the same, or of which no colour is known. */
  readonly same: boolean;
  readonly nearest: { readonly code: string; readonly lab: Lab; readonly deltaE00: number } | undefined;
}

/** ΔE00 within which two readings of one marker lie, on two papers and by two people; beyond it a code is another maker's. */
const SAME = 6;

/**
 * What a rack owns for some markers of another. A code alone is no proof: two ranges may call different inks the same, so that their colours
 * must agree too where both were read.
 * @param owned markers of the reader's rack
 */
export function inOtherRack(
  wanted: readonly KnownMarker[],
  owned: readonly KnownMarker[],
): readonly InOtherRack[] {
  const byCode = new Map(owned.map((m) => [m.code, m]));
  const read = owned.flatMap(({ code, lab }) => (lab ? [{ code, lab }] : []));
  return wanted.map(({ code, lab }) => {
    const own = byCode.get(code);
    if (own && (!own.lab || !lab || deltaE00(own.lab, lab) <= SAME))
      return { code, same: true, nearest: undefined };
    let nearest: InOtherRack["nearest"];
    for (const m of lab ? read : []) {
      const off = deltaE00(m.lab, lab!);
      if (!nearest || off < nearest.deltaE00) nearest = { ...m, deltaE00: off };
    }
    return { code, same: false, nearest };
  });
}
