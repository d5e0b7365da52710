import type { Laying } from "./lay";
import type { School } from "./school";

/** How the groups that are looked for are laid. */
export interface SearchShape {
  readonly school: School;
  readonly tones: number;
  /** The tone that carries the local colour. */
  readonly local: number;
  /** What makes the shadow end: the last tone, or one ink under or over it. */
  readonly shadow: "tone" | "under" | "over";
  readonly capacity: number;
}

/** The laying of a shape with given coats. */
export const layingOf = (
  { school, local, shadow, capacity }: SearchShape,
  coats: readonly number[],
  ofShadow: number,
): Laying => ({
  school,
  coats,
  local,
  under: shadow === "under" ? [ofShadow] : [],
  over: shadow === "over" ? [ofShadow] : [],
  capacity,
});
