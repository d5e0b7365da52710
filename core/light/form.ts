import type { Point } from "@/core/algebra/point";

/** Shapes that an area may have in depth. */
export const FORM_KINDS = ["ball", "tube", "flat", "folded", "like"] as const;
export type FormKind = (typeof FORM_KINDS)[number];

/** How hair, fur or grass grows over an area. Points in shares (0–1) of the drawing. */
export interface Growth {
  /** Each drawn from root to tip. */
  readonly strokes: readonly (readonly Point[])[];
  /** Lines at which it parts: dark. */
  readonly partings: readonly (readonly Point[])[];
  /** Places where it is gathered: dark. */
  readonly gathered: readonly Point[];
  /** How strong the band of light across it is, 0–1; 0 on short hair that is pulled back. */
  readonly band: number;
}

/** The shape of an area in depth. */
export interface Form {
  readonly kind: FormKind;
  /** How far it bulges: 0 flat, 1 a half ball or half tube. */
  readonly height: number;
  /** Of a tube: degrees anticlockwise from across, 90 upright; null follows the area's longest extent. */
  readonly axis: number | null;
  /** Of a fold: its valleys. */
  readonly creases: readonly (readonly Point[])[];
  /** The area that it goes on with, as one form. */
  readonly like: string | null;
  /** How far it stands before what lies behind, as a multiple of what is usual; 0 throws no shade. */
  readonly stands: number;
  /** How much of the shade that falls on it is seen, 0–1: none on a far sky. */
  readonly takes: number;
  readonly growth: Growth | null;
  /** Bands of light and dark along the form, as on metal and glass, 0–1. */
  readonly shine: number;
}

export const DEFAULT_FORM: Form = {
  kind: "ball",
  height: 0.7,
  axis: null,
  creases: [],
  like: null,
  stands: 1,
  takes: 1,
  growth: null,
  shine: 0,
};

export const NO_GROWTH: Growth = { strokes: [], partings: [], gathered: [], band: 0.6 };

/** Most of each that an area may have. */
export const MOST_STROKES = 60;
export const MOST_STROKE_POINTS = 64;
export const MOST_GATHERED = 40;
