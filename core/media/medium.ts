import type { School, Stroke, Where } from "@/core/group/school";
import type { Role } from "@/core/group/tone";
import type { Pressure } from "@/core/pencil/tooth";
import type { LaidPencil } from "@/core/pencil/plan";
import type { ShadowKind } from "@/core/shadow/shadow";
import type { Layer, LayerPlace } from "./layer";

/** One time over an area with one marker, pencil or finisher. */
export interface Pass {
  readonly code: string;
  /** Coats of ink, or layers of pencil; 1 for a finisher. */
  readonly coats: number;
  readonly kind: "lay" | "blend back" | "draw" | "finish";
  readonly role: Role | "base" | "pencil" | "finish" | ShadowKind;
  /** Whether what is there must be dry first. */
  readonly dry: boolean;
  readonly where: Where | LayerPlace;
  readonly stroke: Stroke | "point";
  /** Part of the area that it covers, from its lightest end (0) to its darkest (1). */
  readonly from: number;
  readonly to: number;
  /** Of pencil: the part of the drawing, values (L*) between which it is used, and how. */
  readonly drawing?: {
    readonly part: LaidPencil["part"];
    readonly values: readonly number[];
    readonly layers: readonly [fewest: number, most: number];
    readonly pressures: readonly Pressure[];
  };
}

/** A part of an area, from its lightest end (0) to its darkest (1). */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** What a medium must know of the area to say how it is laid. */
export interface LaidIn {
  readonly school: School;
  /** Lightness (L*) of some coats of an ink on the paper; undefined where it is not known. */
  readonly lightnessOf: (code: string, coats: number) => number | undefined;
  /** Coats that the paper holds: blending passes stop short of where it is full. */
  readonly capacity: number;
  /** Coats of each ink that lies beneath, and over, the shadow end. */
  readonly under: readonly number[];
  readonly over: readonly number[];
  /** The tone, from light to dark, that carries the local colour; the middle one when it is left out. */
  readonly local?: number;
  /** Where on the area, from its lightest end, each place of a layer lies. */
  readonly spans: Readonly<Record<LayerPlace, Span>>;
  /** Whether anything lies beneath already. */
  readonly somethingBeneath: boolean;
}

/** All that the rest of Blendt asks of a kind of layer: supplies, uses, steps, overview and charts read nothing else. */
export interface Medium<L extends Layer> {
  /** Layers of it that an area may have. */
  readonly most: number;
  /** Place in the order of laying: what has less lies beneath what has more. */
  readonly order: (layer: L) => number;
  /** Everything that is taken in hand for it, each code once. */
  readonly codes: (layer: L) => readonly string[];
  /** Coats of ink that it lays, bottom to top, one entry a coat; none for what is no ink. */
  readonly coats: (layer: L) => readonly string[];
  /** How the layers of it that are laid in one go are laid; they have the same order. */
  readonly passes: (layers: readonly L[], laid: LaidIn) => readonly Pass[];
}

/** Some coats of one code. */
export const coatsOf = ({ code, coats }: { readonly code: string; readonly coats: number }): string[] =>
  Array<string>(coats).fill(code);
