import type { Point } from "@/core/algebra/point";
import type { Drift } from "@/core/group/goal";
import type { Material } from "@/core/group/material";
import type { Form } from "@/core/light/form";
import type { LightPlan } from "@/core/light/light";
import type { School } from "@/core/group/school";
import type { ShadowWay } from "@/core/group/shapes";
import type { FinishLayer } from "@/core/media/layer";
import type { Place, Scene } from "@/core/piece/piece";
import type { AreaTones } from "@/core/piece/zones";
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
  /** Colours that are given instead. */
  readonly colours?: { readonly [P in Place]?: string };
  /** Its shape in depth; lines in units of the drawing. */
  readonly form?: Partial<Form>;
  readonly zones?: Partial<AreaTones>;
  /** It stays bare paper. */
  readonly white?: true;
  readonly kept: boolean;
  /** How the shadow is made; the best way when it is left out. */
  readonly shadow?: ShadowWay;
  /** Kinds of hints whose best candidates are kept. */
  readonly hints?: readonly ShadowKind[];
  /** Values of a pencil plan that is kept. */
  readonly pencil?: number;
  /** Nothing lies beneath the pencil but its base. */
  readonly pencilAlone?: true;
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
  /** Somebody has coloured half of it at the desk. */
  readonly halfDone?: true;
  /** Its sheet and the drawing on it, mm; `photo` has the line stamped on a sheet that lies on a table. */
  readonly sheet: { readonly width: number; readonly height: number };
  readonly width: number;
  readonly photo?: true;
  readonly light?: Partial<LightPlan>;
}

/** Size of the drawings and of a demo patch, in their own units. */
export const DRAWING = { width: 1200, height: 1000, patch: 12 };

/** Lines of a form from units of the drawing to shares of it. */
export const inShares = (form: Partial<Form>): Partial<Form> => {
  const point = ([x, y]: Point): Point => [x / DRAWING.width, y / DRAWING.height];
  const lines = (list: readonly (readonly Point[])[]) => list.map((line) => line.map(point));
  const { creases, growth } = form;
  return {
    ...form,
    ...(creases && { creases: lines(creases) }),
    ...(growth && {
      growth: {
        ...growth,
        strokes: lines(growth.strokes),
        partings: lines(growth.partings),
        gathered: growth.gathered.map(point),
      },
    }),
  };
};

/** A group that is planned for colours that are given. */
export const given = (
  name: string,
  material: Material,
  [light, local, shadow]: readonly [light: string, local: string, shadow: string],
  at: readonly Point[],
  more: Partial<DemoArea> = {},
): DemoArea => ({ name, material, at, picks: {}, colours: { light, local, shadow }, kept: true, ...more });

type Unplanned = readonly [name: string, material: Material, at: readonly Point[]];

/** Areas that are left for the visitor. */
export const unplanned = (areas: readonly Unplanned[]): DemoArea[] =>
  areas.map(([name, material, at]) => ({ name, material, at, picks: {}, kept: false }));
