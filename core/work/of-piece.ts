import { areaCourse } from "@/core/piece/area-course";
import type { Area, Piece, PlacedStep } from "@/core/piece/piece";
import { bringsOf, type Pass } from "@/core/media/medium";

/** What is to be laid in one go of one area: its ink, or what comes onto its dry ink. */
export interface PieceWork {
  /** As the order knows it. */
  readonly id: string;
  readonly area: Area;
  /** Which card of a series it is on, from 0; left out where there is one. */
  readonly card?: number;
  /** It comes onto the dry ink. */
  readonly isDry: boolean;
  /** Places of its passes in the area's course. */
  readonly course: readonly number[];
  readonly passes: readonly Pass[];
  readonly asked: {
    readonly id: string;
    readonly touches: readonly string[];
    readonly box: readonly [number, number, number, number] | null;
    readonly after: readonly string[];
    readonly passes: readonly {
      readonly code: string;
      readonly mm2: number;
      readonly coats: number;
      readonly wet: boolean;
      readonly dry: boolean;
    }[];
  };
}

/** Ground of an area of which nobody knows the size, mm². */
const UNKNOWN = 300;
/** What hardly has room is laid all the same, mm². */
const LEAST = 1;
/** A layer of pencil takes as long as so many coats of ink. */
const PENCIL = 3;
/** Names the dry media of an area beside its ink. */
const DRY = " · dry media";

/** What holds an area, mm from the drawing's top left: as far as its points tell, and its size. */
function boxOf({ place }: Area, width: number): PieceWork["asked"]["box"] {
  if (!place?.at.length) return null;
  const half = Math.sqrt(place.mm2) / 2;
  const [xs, ys] = [place.at.map((p) => p[0] * width), place.at.map((p) => p[1] * width)];
  return [Math.min(...xs) - half, Math.min(...ys) - half, Math.max(...xs) + half, Math.max(...ys) + half];
}

/**
 * A piece as work: each area's course with the ground of every pass, what it touches, and what must lie before it. Pencil, pen and lines of an area
 * wait for its own ink and for the ink beside it.
 * @param mm2Of ground between two places of an area; undefined where its size is not known
 */
export function workOf(
  piece: Pick<Piece, "areas" | "whole" | "setUp">,
  paper: { readonly capacity: number },
  mm2Of: (area: Area, from: number, to: number) => number | undefined,
): PieceWork[] {
  const laid = piece.areas.filter((a) => a.layers.length && !a.white);
  const courses = laid.map((area) => ({ area, course: areaCourse(area, paper, piece.whole).passes }));
  const inked = new Set(courses.flatMap(({ area, course }) => (course.some(isInk) ? [area.id] : [])));
  const beside = (id: string) =>
    piece.setUp.touches
      .flatMap(([a, b]) => (a === id ? [b] : b === id ? [a] : []))
      .filter((b) => inked.has(b));
  const width = piece.setUp.line?.width ?? 100;
  const first = new Set((piece.whole.first ?? []).filter((id) => inked.has(id)));
  const last = new Set((piece.whole.last ?? []).filter((id) => inked.has(id) && !first.has(id)));
  /** What somebody wished to lie before an area. */
  const before = (id: string): string[] => {
    if (first.has(id)) return [];
    return last.has(id) ? [...inked].filter((b) => !last.has(b)) : [...first];
  };
  const part = (
    area: Area,
    course: readonly Pass[],
    isOf: (p: Pass) => boolean,
    dry: boolean,
  ): PieceWork[] => {
    const at = course.flatMap((p, i) => (isOf(p) ? [i] : []));
    if (!at.length) return [];
    const passes = at.map((i) => course[i]!);
    const near = beside(area.id);
    const id = dry ? `${area.id.slice(0, 44)}${DRY}` : area.id;
    return [
      {
        id,
        area,
        isDry: dry,
        course: at,
        passes,
        asked: {
          id,
          touches: dry ? [] : near,
          box: boxOf(area, width),
          after: [
            ...new Set([
              ...(dry ? [...(inked.has(area.id) ? [area.id] : []), ...near] : []),
              ...before(area.id).filter((b) => b !== area.id),
            ]),
          ],
          passes: passes.map((p, i) => ({
            code: p.code,
            mm2: Math.max(LEAST, mm2Of(area, p.from, p.to) ?? UNKNOWN * (p.to - p.from)),
            coats: Math.max(0.1, p.coats) * (bringsOf(p) === "pencil" ? PENCIL : 1),
            wet: !dry && i > 0 && p.wet,
            // What lies dry waits for no drying of its own.
            dry: !dry && i > 0 && p.dry && !p.wet,
          })),
        },
      },
    ];
  };
  return courses.flatMap(({ area, course }) => [
    ...part(area, course, isInk, false),
    ...part(area, course, (p) => !isInk(p), true),
  ]);
}

const isInk = (p: Pass): boolean => bringsOf(p) === "ink";

/** An area as the order speaks of it: of a series, with its card. */
export const partName = (part: Pick<PieceWork, "area" | "card"> | undefined): string =>
  part ? `${part.area.name}${part.card === undefined ? "" : `, card ${part.card + 1}`}` : "";

/** Cards of a series, at most; areas of all of them, as many as an order takes. */
export const [MOST_CARDS, MOST_ON_CARDS] = [24, 400] as const;

/** The work of the same drawing on so many cards: each by itself, in one order. */
export function onCards(work: readonly PieceWork[], cards: number): readonly PieceWork[] {
  if (cards <= 1) return work;
  return Array.from({ length: cards }, (_, card) => {
    const idOf = (id: string) => (card ? `${id}~${card + 1}` : id);
    return work.map((w): PieceWork => {
      const { asked } = w;
      const id = idOf(w.id);
      return {
        ...w,
        id,
        card,
        asked: { ...asked, id, touches: asked.touches.map(idOf), after: asked.after.map(idOf) },
      };
    });
  }).flat();
}

/** Cards on which this work can be ordered at once. */
export const mostCards = (work: readonly PieceWork[]): number =>
  Math.max(1, Math.min(MOST_CARDS, Math.floor(MOST_ON_CARDS / Math.max(1, work.length))));

/** Cards of a series that some steps are put on; 1 where there is no series. */
export const cardsOf = (steps: readonly PlacedStep[]): number =>
  steps.reduce((most, [area]) => Math.max(most, Number(/~(\d+)$/.exec(String(area))?.[1] ?? 1)), 1);

/** What somebody has wished of the order of these parts: only of steps that there still are. */
export function orderWishOf(
  { pins = [], byHand }: Pick<Piece["whole"], "pins" | "byHand">,
  work: readonly PieceWork[],
): { readonly pins: (readonly [PlacedStep, PlacedStep])[]; readonly follow: readonly PlacedStep[] | null } {
  const passes = new Map(work.map((w) => [w.id, w.passes.length]));
  const isThere = ([area, , pass]: PlacedStep) => pass < (passes.get(String(area)) ?? 0);
  return {
    pins: pins.filter((pair) => pair.every(isThere)),
    follow: byHand?.length && byHand.every(isThere) ? byHand : null,
  };
}

/** Markers taken up when one area after the other is laid, each in as many sections: what follows wet goes section by section. */
export function changesByArea(
  work: readonly PieceWork[],
  sections: Readonly<Record<string, number>> = {},
): number {
  let [changes, hand] = [0, ""];
  for (const { id, asked } of work)
    for (let from = 0, to = 0; from < asked.passes.length; from = to) {
      to = from + 1;
      while (asked.passes[to]?.wet) to++;
      for (let s = 0; s < (sections[id] ?? 1); s++)
        for (const { code } of asked.passes.slice(from, to)) {
          if (code !== hand) changes++;
          hand = code;
        }
    }
  return changes;
}

/** Passes of each area's course that lie whole, in every section, after so many steps. */
export function laidAfter(
  work: readonly PieceWork[],
  steps: readonly { readonly area: string | number; readonly pass: number }[],
  sections: Readonly<Record<string, number>>,
  count: number,
): Map<string, number> {
  const parts = new Map(work.map((w) => [w.id, w]));
  const done = new Map<string, Map<number, number>>();
  for (const { area, pass } of steps.slice(0, count)) {
    const own = parts.get(String(area));
    // One card shows them all.
    if (!own || own.card) continue;
    const of = done.get(own.area.id) ?? new Map<number, number>();
    const place = own.course[pass]!;
    of.set(place, (of.get(place) ?? 0) + 1 / (sections[own.id] ?? 1));
    done.set(own.area.id, of);
  }
  const out = new Map<string, number>();
  for (const [id, of] of done) {
    let n = 0;
    while ((of.get(n) ?? 0) > 1 - 1e-6) n++;
    out.set(id, n);
  }
  return out;
}
