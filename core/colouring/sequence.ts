import type { Pass } from "@/core/media/medium";

/** One time over the sheet, in the order of colouring. */
export interface SheetStep {
  /** The area that it is laid on; null for the whole piece's underlay, which lies on every one. */
  readonly area: string | null;
  readonly pass: Pass;
  /** How many passes of each area are laid once this one is. */
  readonly laid: ReadonlyMap<string, number>;
}

/**
 * All passes of a piece one after the other: the underlay of the whole first, then area by area.
 * @param areas in the order of colouring, each with all of its passes
 * @param underlay how many passes of every area that has any belong to the whole piece's underlay
 */
export function sequenceOf(
  areas: readonly { readonly id: string; readonly passes: readonly Pass[] }[],
  underlay: number,
): SheetStep[] {
  const out: SheetStep[] = [];
  const laid = new Map<string, number>();
  const inked = areas.filter((a) => a.passes.length);
  for (let u = 0; u < underlay; u++) {
    for (const { id, passes } of inked) if (passes.length > u) laid.set(id, u + 1);
    const pass = inked.find((a) => a.passes.length > u)?.passes[u];
    if (pass) out.push({ area: null, pass, laid: new Map(laid) });
  }
  for (const { id, passes } of inked)
    for (let n = underlay; n < passes.length; n++) {
      laid.set(id, n + 1);
      out.push({ area: id, pass: passes[n]!, laid: new Map(laid) });
    }
  return out;
}
