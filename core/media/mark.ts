import type { Point } from "@/core/algebra/point";

/** How something is set at its place: a dot, a stroke of one width, one that thins out, a spot with a soft edge. */
export const MARK_KINDS = ["spark", "line", "hair", "dab"] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** Something that is set at a spot, rather than over an area. */
export interface Mark {
  readonly kind: MarkKind;
  /** One point, or the stroke from its beginning to its end; shares (0–1) of the drawing. */
  readonly points: readonly Point[];
  /** mm; of a hair where it begins. */
  readonly width: number;
}

/** Most marks that one finisher sets in an area, and points of a stroke. */
export const MOST_MARKS = 300;
export const MOST_MARK_POINTS = 64;
/** Narrowest and widest, mm. */
export const [LEAST_WIDTH, MOST_WIDTH] = [0.1, 20] as const;

/** Kinds that are drawn as a stroke. */
export const isStroke = (kind: MarkKind): boolean => kind === "line" || kind === "hair";

/** Of how far along a hair what is left of its width at its end, as a share. */
export const HAIR_END = 0.15;

/** Half the width of a mark at a share (0 its beginning, 1 its end) of its length, mm. */
export const halfWidth = ({ kind, width }: Mark, along: number): number =>
  (width / 2) * (kind === "hair" ? 1 - (1 - HAIR_END) * along : 1);
