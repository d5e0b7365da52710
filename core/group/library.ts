import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { codesOf } from "@/core/media/registry";
import type { KeptTone, Piece } from "@/core/piece/piece";

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

/** Share of a group's inks from which an area is said to use it. */
const USES = 0.6;

/** Areas whose kept group shares most inks with a group. */
export function groupUses(
  tones: readonly KeptTone[],
  pieces: readonly { readonly id: string; readonly document: Piece }[],
): GroupUse[] {
  return pieces
    .flatMap(({ id, document }) =>
      document.areas.map((area) => {
        const own = new Set(codesOf(area.layers));
        return {
          piece: document.name,
          pieceId: id,
          area: area.name,
          areaId: area.id,
          share: tones.filter((t) => own.has(t.code)).length / tones.length,
        };
      }),
    )
    .filter((u) => u.share >= USES)
    .sort((a, b) => b.share - a.share);
}
