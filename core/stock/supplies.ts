import { codesOf } from "@/core/media/registry";
import type { Piece } from "@/core/piece/piece";

/** Stands for the underlay of the whole piece among the areas that use something. */
export const WHOLE = Symbol("the whole piece");

/** One thing that a piece needs. */
export interface Supply {
  readonly code: string;
  readonly owned: boolean;
  /** full, fine, low or dry; empty for a code that the rack does not know. */
  readonly state: string;
  /** Names of the areas that use it; {@link WHOLE} for the underlay beneath all of them. */
  readonly areas: readonly (string | typeof WHOLE)[];
}

/** Everything that a piece's plans take in hand, in the order in which it is first used. */
export function suppliesOf(
  piece: Piece,
  rack: readonly { readonly code: string; readonly owned: boolean; readonly state: string }[],
): Supply[] {
  const known = new Map(rack.map((m) => [m.code, m]));
  const areas = new Map<string, Set<string | typeof WHOLE>>();
  const add = (code: string, area: string | typeof WHOLE) =>
    areas.set(code, (areas.get(code) ?? new Set()).add(area));
  for (const code of piece.whole.underlay) add(code, WHOLE);
  for (const area of piece.areas) for (const code of codesOf(area.layers)) add(code, area.name);
  return [...areas].map(([code, names]) => ({
    code,
    owned: known.get(code)?.owned ?? false,
    state: known.get(code)?.state ?? "",
    areas: [...names],
  }));
}

/** What to do about a supply before one begins. */
export type Need = "ready" | "running low" | "refill" | "buy";

export const needOf = ({ owned, state }: Pick<Supply, "owned" | "state">): Need =>
  !owned ? "buy" : state === "dry" ? "refill" : state === "low" ? "running low" : "ready";
