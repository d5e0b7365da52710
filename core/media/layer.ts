import type { Mark } from "./mark";
import type { LaidPencil } from "@/core/pencil/plan";
import type { ShadowKind } from "@/core/shadow/shadow";

/** Where on an area something lies. */
export const LAYER_PLACES = ["all", "light", "mids", "shadow", "edge"] as const;
export type LayerPlace = (typeof LAYER_PLACES)[number];

/** A tone of the area's blend group. The tones of an area stand in the order of laying, which is from light to dark unless they say otherwise. */
export interface ToneLayer {
  readonly medium: "tone";
  readonly code: string;
  readonly coats: number;
  /** Place among the area's tones from light (0) to dark, where they are laid in another order. */
  readonly depth?: number;
  /** Carries the local colour; where no tone does, the middle one does. */
  readonly carries?: true;
  /** Chosen by hand against the plan. */
  readonly overruled?: true;
  /** Stays when the rest is planned again. */
  readonly locked?: true;
}

/** Ink that makes or turns a shade: an underlay, an overlay of grey, a hint. */
export interface ShadowLayer {
  readonly medium: "shadow";
  readonly kind: ShadowKind;
  readonly code: string;
  readonly coats: number;
  readonly place: LayerPlace;
}

/** Pencil: for each value of a scale, light to dark, what is drawn over the base. */
export interface PencilLayer {
  readonly medium: "pencil";
  /** Marker that lies beneath; null for bare paper. */
  readonly base: string | null;
  readonly steps: readonly {
    readonly lightness: number;
    readonly onPaper: boolean;
    readonly layers: readonly LaidPencil[];
  }[];
  readonly place: LayerPlace;
}

/** Something opaque or a line, last of all: gel pen, gouache, paint marker, liner. */
export interface FinishLayer {
  readonly medium: "finish";
  readonly code: string;
  readonly place: LayerPlace;
  /** What is set at its very spot; without it sparks and lines are set somewhere in their place. */
  readonly marks?: readonly Mark[];
}

export type Layer = ToneLayer | ShadowLayer | PencilLayer | FinishLayer;
export type MediumName = Layer["medium"];
export type LayerOf<M extends MediumName> = Extract<Layer, { medium: M }>;

/** The layers of one medium, in their order. */
export const layersOf = <M extends MediumName>(layers: readonly Layer[], medium: M): readonly LayerOf<M>[] =>
  layers.filter((l): l is LayerOf<M> => l.medium === medium);
