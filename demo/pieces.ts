import type { Point } from "@/core/chart/homography";
import type { Drift } from "@/core/group/goal";
import type { Material } from "@/core/group/material";
import type { School } from "@/core/group/school";
import type { ShadowWay } from "@/core/group/shapes";
import type { FinishLayer } from "@/core/media/layer";
import type { Place, Scene } from "@/core/piece/piece";
import type { ShadowKind } from "@/core/shadow/shadow";

export interface DemoArea {
  readonly name: string;
  readonly material: Material;
  /** As many as it takes when it is left out. */
  readonly tones?: number;
  /** Points in each of its regions, in units of the drawing. */
  readonly at: readonly (readonly [x: number, y: number])[];
  readonly school?: School;
  readonly drift?: Drift;
  /** Where light, local colour and shadow are picked: middle of a patch, in units of the drawing (1200 × 1000). */
  readonly picks: { readonly [P in Place]?: readonly [x: number, y: number] };
  readonly kept: boolean;
  /** How the shadow is made; the best way when it is left out. */
  readonly shadow?: ShadowWay;
  /** Kinds of hints whose best candidates are kept. */
  readonly hints?: readonly ShadowKind[];
  /** Values of a pencil plan that is kept. */
  readonly pencil?: number;
  /** Finishers that come last. */
  readonly finish?: readonly Omit<FinishLayer, "medium">[];
  readonly note?: string;
}

export interface DemoPiece {
  readonly name: string;
  /** File of its drawing in demo/art, without its ending. */
  readonly art: string;
  /** Place of its paper among the demo's. */
  readonly paper: number;
  readonly scene: Scene;
  readonly areas: readonly DemoArea[];
  /** Its sheet and the drawing on it, mm; `photo` has the line stamped on a sheet that lies on a table. */
  readonly sheet: { readonly width: number; readonly height: number };
  readonly width: number;
  readonly photo?: true;
}

/** Size of the drawings and of a demo patch, in their own units. */
export const DRAWING = { width: 1200, height: 1000, patch: 12 };

type Unplanned = readonly [name: string, material: Material, at: readonly Point[]];

/** Areas that are left for the visitor. */
export const unplanned = (areas: readonly Unplanned[]): DemoArea[] =>
  areas.map(([name, material, at]) => ({ name, material, at, picks: {}, kept: false }));
