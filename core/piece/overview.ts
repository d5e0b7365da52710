import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { codesOf } from "@/core/media/registry";
import { neighboursOf, tonesOf, type Area, type KeptTone, type Piece } from "./piece";

/** A tone of an area as it will lie on the piece's paper. */
export interface SeenTone extends KeptTone {
  readonly lab: Lab;
}

export interface SeenArea {
  readonly area: Area;
  /** Light to dark; only what was read. */
  readonly tones: readonly SeenTone[];
  /** Local colour as laid; undefined while nothing is known. */
  readonly local: Lab | undefined;
  /** The shadow end where ink under or over it makes that; none where the darkest tone does, or while nothing is known. */
  readonly shade: readonly SeenTone[];
  /** The area as it will lie on the paper, light end first; undefined while nothing is known. */
  readonly strip: readonly string[] | undefined;
}

/** What is known of a group as laid: each tone where it is seen, and the local colour. */
export interface LaidColours {
  readonly tones: readonly SeenTone[];
  readonly local: Lab;
  readonly shade: readonly SeenTone[];
  readonly strip: readonly string[];
}

/** Kept groups with their colours, light to dark: as laid, or while that is not known each tone by itself. */
export function seenAreas(
  areas: readonly Area[],
  laidOf: (area: Area) => LaidColours | undefined,
  aloneOf: (code: string, coats: number) => Lab | undefined,
): SeenArea[] {
  return areas.map((area) => {
    const laid = laidOf(area);
    const kept = tonesOf(area);
    const tones = kept
      .flatMap((t): SeenTone[] => {
        const lab = laid?.tones.find((l) => l.code === t.code)?.lab ?? aloneOf(t.code, t.coats);
        return lab ? [{ ...t, lab }] : [];
      })
      .sort((a, b) => b.lab[0] - a.lab[0]);
    return {
      area,
      tones,
      local: laid?.local ?? tones[tones.length >> 1]?.lab,
      shade: laid?.shade ?? [],
      strip: laid?.strip,
    };
  });
}

/** The colour that stands for a group: its local colour. */
export const middleOf = ({ local }: SeenArea): Lab | undefined => local;

/** Two areas that touch and can hardly be told apart. */
export interface Merging {
  readonly areas: readonly [Area, Area];
  readonly deltaE00: number;
}

/** Pairs of neighbours whose local colours are nearer than wished. */
export function merging(piece: Piece, seen: readonly SeenArea[]): Merging[] {
  return neighboursOf(piece).flatMap(([a, b]) => {
    const [first, second] = [a, b].map((id) => seen.find((s) => s.area.id === id));
    const [x, y] = [first && middleOf(first), second && middleOf(second)];
    if (!first || !second || !x || !y) return [];
    const off = deltaE00(x, y);
    return off < piece.whole.apart ? [{ areas: [first.area, second.area] as const, deltaE00: off }] : [];
  });
}

/** An early area that will look different once a later neighbour stands beside it. */
export interface Contrast {
  readonly early: Area;
  readonly late: Area;
  /** L* by which the later one is darker (positive) or lighter. */
  readonly darker: number;
}

/** L* between neighbours from which the earlier one should be judged again at the end. */
const JUDGE_AGAIN = 18;

/** Neighbours coloured later that stand far off in lightness: simultaneous contrast makes the earlier one look paler or darker than it was. */
export function judgeAgain(piece: Piece, seen: readonly SeenArea[]): Contrast[] {
  const order = new Map(piece.areas.map((a, i) => [a.id, i]));
  return neighboursOf(piece).flatMap((pair) => {
    const [early, late] = [...pair]
      .sort((a, b) => order.get(a)! - order.get(b)!)
      .map((id) => seen.find((s) => s.area.id === id));
    const [x, y] = [early && middleOf(early), late && middleOf(late)];
    if (!early || !late || !x || !y || Math.abs(x[0] - y[0]) < JUDGE_AGAIN) return [];
    return [{ early: early.area, late: late.area, darker: x[0] - y[0] }];
  });
}

/** Everything that a piece takes in hand with the areas that use it, most shared first. */
export function sharedCodes(
  areas: readonly Area[],
): { readonly code: string; readonly areas: readonly Area[] }[] {
  const uses = new Map<string, Area[]>();
  for (const area of areas)
    for (const code of codesOf(area.layers)) uses.set(code, [...(uses.get(code) ?? []), area]);
  return [...uses]
    .map(([code, own]) => ({ code, areas: own }))
    .sort((a, b) => b.areas.length - a.areas.length);
}
