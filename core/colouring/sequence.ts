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
 */
export function sequenceOf(
  areas: readonly { readonly id: string; readonly passes: readonly Pass[] }[],
): SheetStep[] {
  const out: SheetStep[] = [];
  const laid = new Map<string, number>();
  const inked = areas.filter((a) => a.passes.length);
  const isOfWhole = (pass: Pass | undefined) => pass?.ofWhole === true;
  for (let u = 0; inked.some((a) => isOfWhole(a.passes[u])); u++) {
    const under = inked.filter((a) => isOfWhole(a.passes[u]));
    for (const { id } of under) laid.set(id, u + 1);
    out.push({ area: null, pass: under[0]!.passes[u]!, laid: new Map(laid) });
  }
  for (const { id, passes } of inked)
    for (let n = passes.filter(isOfWhole).length; n < passes.length; n++) {
      laid.set(id, n + 1);
      out.push({ area: id, pass: passes[n]!, laid: new Map(laid) });
    }
  return out;
}
