import { codesOf } from "@/core/media/registry";
import type { Area, Piece } from "./piece";

/** A piece among those of one drawing. */
export interface Variant {
  readonly id: string;
  readonly name: string;
  readonly piece: Pick<Piece, "areas" | "whole">;
}

export interface ComparedVariant extends Variant {
  /** All that it takes in hand. */
  readonly codes: ReadonlySet<string>;
  /** What no other variant takes. */
  readonly onlyHere: readonly string[];
}

export interface Compared {
  readonly variants: readonly ComparedVariant[];
  /** What all of them together take in hand, and what every one does. */
  readonly all: number;
  readonly inEvery: number;
  /** Areas by their ids, which copies keep, and each variant's own, nothing where it has none: those that differ first, else in the order of the first variant that has them. */
  readonly rows: readonly {
    readonly id: string;
    readonly name: string;
    readonly areas: readonly (Area | undefined)[];
  }[];
}

const codesIn = ({ areas, whole }: Variant["piece"]): Set<string> =>
  new Set([...whole.underlay, ...areas.flatMap((a) => codesOf(a.layers))]);

/** Pieces of one drawing side by side: what they share in hand, and how each of their areas is built. */
export function compared(variants: readonly Variant[]): Compared {
  const sets = variants.map((v) => codesIn(v.piece));
  const uses = new Map<string, number>();
  for (const set of sets) for (const code of set) uses.set(code, (uses.get(code) ?? 0) + 1);
  const rows = new Map<string, { id: string; name: string; areas: (Area | undefined)[] }>();
  variants.forEach(({ piece }, v) => {
    for (const area of piece.areas) {
      const row =
        rows.get(area.id) ??
        ({ id: area.id, name: area.name, areas: variants.map(() => undefined) } as {
          id: string;
          name: string;
          areas: (Area | undefined)[];
        });
      row.areas[v] = area;
      rows.set(area.id, row);
    }
  });
  return {
    variants: variants.map((v, i) => ({
      ...v,
      codes: sets[i]!,
      onlyHere: variants.length > 1 ? [...sets[i]!].filter((c) => uses.get(c) === 1) : [],
    })),
    all: uses.size,
    inEvery: [...uses.values()].filter((n) => n === variants.length).length,
    // What differs is what one looks for.
    rows: [...rows.values()].sort((a, b) => Number(isOneForAll(a.areas)) - Number(isOneForAll(b.areas))),
  };
}

const isOneForAll = (areas: readonly (Area | undefined)[]): boolean =>
  areas.every((a) => a && areas[0] && isBuiltAlike(a, areas[0]));

/** Whether two areas are built of the same. */
export const isBuiltAlike = (a: Area, b: Area): boolean =>
  JSON.stringify(a.layers) === JSON.stringify(b.layers);
