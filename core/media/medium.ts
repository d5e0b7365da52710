import type { School, Stroke, Where } from "@/core/group/school";
import { ROLES, type Role } from "@/core/group/tone";
import type { Pressure } from "@/core/pencil/tooth";
import type { LaidPencil } from "@/core/pencil/plan";
import type { ShadowKind } from "@/core/shadow/shadow";
import type { Span } from "@/core/ink/span";
import type { Layer, LayerPlace } from "./layer";
import type { Mark } from "./mark";

/** One time over an area with one marker, pencil or finisher. */
export interface Pass extends Span {
  readonly code: string;
  /** Coats of ink, or layers of pencil; 1 for a finisher. */
  readonly coats: number;
  readonly kind: "lay" | "blend back" | "draw" | "finish";
  readonly role: Role | "base" | "pencil" | "finish" | ShadowKind;
  /** Whether the sheet is still wet when it comes. */
  readonly wet: boolean;
  /** Whether what is there must be dry first; neither on bare paper. */
  readonly dry: boolean;
  readonly where: Where | LayerPlace;
  readonly stroke: Stroke | "point";
  /** Of pencil: which drawing of the area it belongs to, and what is drawn at which of its values, light to dark. */
  readonly drawing?: {
    readonly part: LaidPencil["part"];
    /** Place of the drawing among those of the area, and how many values it has. */
    readonly scale: number;
    readonly steps: number;
    readonly strokes: readonly {
      readonly step: number;
      /** L* that is wanted there. */
      readonly lightness: number;
      readonly layers: number;
      readonly pressure: Pressure;
    }[];
  };
  /** Of a finisher: what it sets at its very spot. */
  readonly marks?: readonly Mark[];
  /** It belongs to the underlay of the whole piece. */
  readonly ofWhole?: true;
}

/** Whether a pass lays a tone of the group. */
export const isTonePass = ({ role }: Pick<Pass, "role">): boolean =>
  (ROLES as readonly string[]).includes(role);

/** What a pass brings onto the sheet. */
export type Brings = "ink" | "pencil" | "opaque";

/**
 * What a pass brings onto the sheet, by which it is seen and counted.
 * @throws Error for a kind that nobody knows
 */
export function bringsOf({ kind }: Pick<Pass, "kind">): Brings {
  switch (kind) {
    case "lay":
    case "blend back":
      return "ink";
    case "draw":
      return "pencil";
    case "finish":
      return "opaque";
    default:
      throw new Error(`expected a pass that lays, blends back, draws or finishes; got "${String(kind)}"`);
  }
}

/** What a medium must know of the area to say how it is laid. */
export interface LaidIn {
  readonly school: School;
  /** Coats that the paper holds: blending passes stop short of where it is full. */
  readonly capacity: number;
  /** Coats of each ink that lies beneath, and over, the shadow end. */
  readonly under: readonly number[];
  readonly over: readonly number[];
  /** The tone, from light to dark, that carries the local colour. */
  readonly local: number;
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

/** Ink that somebody laid over part of an area beside its plan: one entry a coat, first coat first. */
export interface AddedInk extends Span {
  readonly codes: readonly string[];
  /** Onto ink that was still wet. */
  readonly wet: boolean;
}

/** The same as passes, laid after all that was laid before. */
export const addedPasses = ({ codes, from, to, wet }: AddedInk): Pass[] =>
  codes.map((code, i) => ({
    code,
    coats: 1,
    kind: "lay",
    role: "overlay",
    wet: wet && i === 0,
    dry: !wet && i === 0,
    where: "all",
    stroke: "circles",
    from,
    to,
  }));

/** Some coats of one code. */
export const coatsOf = ({ code, coats }: { readonly code: string; readonly coats: number }): string[] =>
  Array<string>(coats).fill(code);
