import { codesOf } from "@/core/media/registry";
import { applyCommand } from "./commands";
import { driftIn, neighboursOf, type Area, type Piece } from "./piece";
import type { SetUp } from "./set-up";

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

/** What a variant has of a drawing beside its colours. */
export type DrawnVariant = Pick<Piece, "areas" | "whole"> & { readonly setUp: Pick<SetUp, "touches"> };

/** What of an area is drawing: how it is called, where it lies, its shape and where its light falls. What it is coloured with is the variant's own. */
function drawnOf({ name, place, form, zones, joints, past, fixed, size }: Area) {
  return { name, place, form, zones, joints, past, fixed, size };
}
/** What is measured of a place again whenever it is seen is no change of it. */
const placed = (area: Area) =>
  JSON.stringify(drawnOf(area), (key, value: unknown) =>
    ["shares", "mm2", "part", "width"].includes(key) ? undefined : value,
  );

/** How the drawing of a variant differs from that of another: names of areas. */
export interface DrawingChanges {
  /** Areas that it has not, and has more; the last go with their plans. */
  readonly fresh: readonly string[];
  readonly gone: readonly string[];
  /** Areas that lie otherwise, are called otherwise, or have another shape in depth. */
  readonly otherwise: readonly string[];
  readonly light: boolean;
  /** Its line, its cuts, or its sheet. */
  readonly line: boolean;
}

/** What would change in a variant that took the drawing, areas and light of a source; undefined where nothing would. */
export function drawingChanges(
  own: Pick<Piece, "areas" | "setUp" | "light">,
  source: Pick<Piece, "areas" | "setUp" | "light">,
): DrawingChanges | undefined {
  const [here, there] = [own, source].map((p) => new Map(p.areas.map((a) => [a.id, a]))) as [
    Map<string, Area>,
    Map<string, Area>,
  ];
  const fresh = source.areas.filter((a) => !here.has(a.id)).map((a) => a.name);
  const gone = own.areas.filter((a) => !there.has(a.id)).map((a) => a.name);
  const otherwise = source.areas.filter((a) => here.has(a.id) && placed(here.get(a.id)!) !== placed(a));
  const lineOf = ({ touches: _, ...setUp }: SetUp) => JSON.stringify(setUp);
  const light = JSON.stringify(own.light) !== JSON.stringify(source.light);
  const line = lineOf(own.setUp) !== lineOf(source.setUp);
  if (!fresh.length && !gone.length && !otherwise.length && !light && !line) return undefined;
  return { fresh, gone, otherwise: otherwise.map((a) => a.name), light, line };
}

/**
 * A variant with the drawing, areas and light of a source, and its own colours: areas that it had not come with the source's plan, those that the source
 * has not go. It is then in nothing different by {@link drawingChanges}.
 */
export function withDrawingOf(own: Piece, source: Piece): Piece {
  const there = new Set(source.areas.map((a) => a.id));
  const kept = own.areas
    .filter((a) => !there.has(a.id))
    .reduce((piece, { id }) => applyCommand(piece, { type: "delete area", id }), own);
  const here = new Map(kept.areas.map((a) => [a.id, a]));
  return {
    ...kept,
    setUp: source.setUp,
    light: source.light,
    areas: source.areas.map((a) => {
      const mine = here.get(a.id);
      if (!mine) return a;
      // Where its tones end is a matter of how many it has.
      const zones = a.zones && { ...a.zones, shares: mine.zones?.shares ?? null };
      return { ...mine, ...drawnOf(a), zones };
    }),
  };
}

/** Several variants as one piece, and which area of which of them each of its areas is. */
export interface AllVariants {
  readonly piece: Piece;
  readonly of: ReadonlyMap<string, { readonly variant: number; readonly area: string }>;
}

/**
 * All areas of some variants as those of one piece, to be planned together. Each keeps the temperature of its own scene; what touches touches within its
 * own variant only. @param first whose wishes of the whole hold
 */
export function allVariants(first: Piece, others: readonly DrawnVariant[]): AllVariants {
  const all: readonly DrawnVariant[] = [first, ...others];
  const of = new Map<string, { readonly variant: number; readonly area: string }>();
  const neighbours: (readonly [string, string])[] = [];
  const areas = all.flatMap((own, variant) => {
    const names = new Map(own.areas.map((a, i) => [a.id, `${variant}:${i}`]));
    for (const [area, name] of names) of.set(name, { variant, area });
    for (const [a, b] of neighboursOf(own))
      if (names.has(a) && names.has(b)) neighbours.push([names.get(a)!, names.get(b)!]);
    return own.areas.map((a) => ({ ...a, id: names.get(a.id)!, drift: driftIn(own.whole.scene, a.drift) }));
  });
  return { piece: { ...first, areas, whole: { ...first.whole, scene: "neutral", neighbours } }, of };
}
