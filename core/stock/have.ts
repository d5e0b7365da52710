import { isRead, parseCode, type CodeKey } from "@/core/codes/key";
import type { Lab } from "@/core/colour/lab";
import { deltaE00 } from "@/core/colour/delta-e00";
import { TWIN } from "@/core/ink/twins";

/** A marker of the rack, as far as a shop is concerned. */
export interface Stocked {
  readonly code: string;
  readonly family: string;
  readonly depth?: number;
  readonly owned: boolean;
  readonly swatches: readonly { readonly lab: Lab }[];
}

/** Another marker, and how far its colour is from one that is looked at. */
export interface Beside<M extends Stocked> {
  readonly marker: M;
  readonly deltaE00: number;
}

/** What somebody in a shop should know of a marker of the rack. */
export interface Known<M extends Stocked> {
  readonly marker: M;
  /** Owned markers that nobody can tell from it in one coat, nearest first. */
  readonly twins: readonly Beside<M>[];
  /** The owned marker that is nearest, where it is no twin. */
  readonly nearest?: Beside<M>;
}

/** A marker of the rack against those that are owned, by one coat on the rack's paper; nothing is known of one that was not read. */
export function besideOwned<M extends Stocked>(markers: readonly M[], marker: M): Known<M> {
  const own = marker.swatches[0];
  if (!own) return { marker, twins: [] };
  const others = markers
    .flatMap((m): Beside<M>[] => {
      const [read] = m.swatches;
      return read && m.owned && m.code !== marker.code
        ? [{ marker: m, deltaE00: deltaE00(own.lab, read.lab) }]
        : [];
    })
    .sort((a, b) => a.deltaE00 - b.deltaE00);
  const twins = others.filter((o) => o.deltaE00 < TWIN);
  const [nearest] = others;
  return { marker, twins, ...(!twins.length && nearest && { nearest }) };
}

/** Letters that a code begins with. */
const LETTERS = /^\p{L}+/u;

/**
 * Owned markers of the family that a code of no known marker names, nearest in depth first: what to hold beside the cap. Where no key of the rack
 * reads it, its first letters are taken for a family; none where there is no such family.
 */
export function sameFamily<M extends Stocked>(
  markers: readonly M[],
  keys: readonly CodeKey[],
  code: string,
  most = 6,
): M[] {
  const owned = markers.filter((m) => m.owned);
  for (const key of keys) {
    const read = parseCode(key, code);
    if (!isRead(read) || !read.family) continue;
    const family = read.family.toLowerCase();
    const off = (m: M) =>
      read.depth === undefined || m.depth === undefined ? 0 : Math.abs(read.depth - m.depth);
    return owned
      .filter((m) => m.family.toLowerCase() === family)
      .sort((a, b) => off(a) - off(b))
      .slice(0, most);
  }
  const letters = LETTERS.exec(code.toLowerCase())?.[0];
  return letters ? owned.filter((m) => m.family.toLowerCase() === letters).slice(0, most) : [];
}
