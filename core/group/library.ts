import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { KeptTone } from "@/core/piece/piece";

interface Named {
  readonly name: string;
  readonly tags: readonly string[];
  readonly notes: string;
  readonly tones: readonly KeptTone[];
}

/** Kept groups that have every word in their name, tags, notes or codes. A family finds all codes that begin with it. */
export function searchLibrary<G extends Named>(groups: readonly G[], query: string): G[] {
  const words = query
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
  return groups.filter((g) => {
    const said = [g.name, ...g.tags, g.notes, ...g.tones.map((t) => t.code)].join(" ").toLowerCase();
    return words.every((w) => said.includes(w));
  });
}

/** ΔE00 of the tone of a group that comes nearest to a colour; Infinity for a group that has not been read. */
export const nearestTone = (tones: readonly Lab[], colour: Lab): number =>
  tones.reduce((least, t) => Math.min(least, deltaE00(t, colour)), Infinity);

/** Where a group is used. */
export interface GroupUse {
  readonly piece: string;
  readonly pieceId: string;
  readonly area: string;
  readonly areaId: string;
  /** Share of its inks that the area's kept group has, 0–1. */
  readonly share: number;
}
