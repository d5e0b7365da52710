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
  /** mm², where the studio measured it. */
  readonly size?: number;
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
  /** Areas that touch, by name. */
  readonly neighbours: readonly (readonly [string, string])[];
}

/** Size of the drawings and of a demo patch, in their own units. */
export const DRAWING = { width: 1200, height: 1000, patch: 12 };

/** In the order of colouring; the last areas are left for the visitor to plan. */
export const kiteMender: DemoPiece = {
  name: "The Kite Mender",
  art: "kite-mender",
  paper: 0,
  scene: "warm",
  areas: [
    {
      name: "Skin",
      material: "skin",
      size: 620,
      picks: { light: [557, 300], local: [602, 405], shadow: [648, 438] },
      kept: true,
      shadow: "underlay",
      hints: ["cool hint", "warm hint"],
      note: "Blush after the skin is dry.",
    },
    {
      name: "Hair",
      material: "hair",
      size: 900,
      picks: { light: [588, 214], local: [658, 292], shadow: [722, 352] },
      kept: true,
      note: "Roots dark, highlight across the growth.",
    },
    {
      name: "Kite paper",
      material: "other",
      size: 2400,
      picks: { light: [180, 690], local: [340, 616], shadow: [372, 838] },
      kept: true,
      pencil: 7,
    },
    {
      name: "Shawl",
      material: "cloth",
      size: 4200,
      picks: { light: [520, 540], local: [590, 770], shadow: [886, 720] },
      kept: true,
      note: "Wool: leave the strokes visible.",
    },
    {
      name: "Sleeves",
      material: "cloth",
      size: 420,
      picks: { light: [536, 652], local: [520, 690], shadow: [586, 716] },
      kept: true,
    },
    {
      name: "Brass lamp",
      material: "metal",
      size: 760,
      picks: { light: [950, 706], local: [1010, 720], shadow: [1084, 828] },
      kept: true,
    },
    {
      name: "Table",
      material: "wood",
      picks: { light: [90, 890], local: [620, 900], shadow: [1140, 966] },
      kept: false,
    },
    { name: "Sea", material: "other", picks: { local: [150, 470] }, kept: false },
    { name: "Wall", material: "other", picks: {}, kept: false },
  ],
  neighbours: [
    ["Skin", "Hair"],
    ["Skin", "Shawl"],
    ["Hair", "Shawl"],
    ["Shawl", "Sleeves"],
    ["Kite paper", "Sleeves"],
    ["Skin", "Kite paper"],
    ["Shawl", "Table"],
    ["Kite paper", "Table"],
    ["Brass lamp", "Table"],
  ],
};

/** Back-lit, on toned paper: pale rims, dark middles, white pencil for the light itself. */
export const mothLantern: DemoPiece = {
  name: "Moth Lantern",
  art: "moth-lantern",
  paper: 1,
  scene: "warm",
  areas: [
    {
      name: "Lantern paper",
      material: "other",
      size: 2600,
      picks: { light: [690, 590], local: [590, 280] },
      kept: true,
      pencil: 6,
      finish: [{ code: "gel white", place: "light" }],
      note: "Brightest in the middle: white pencil, then pale yellow.",
    },
    {
      name: "Moth wings",
      material: "fur",
      size: 1500,
      school: "edge in",
      picks: { light: [970, 275], local: [940, 300], shadow: [880, 330] },
      kept: true,
      note: "Light comes from behind: rims pale, middle dark.",
    },
    {
      name: "Moth body",
      material: "fur",
      size: 120,
      school: "edge in",
      picks: { local: [716, 450], shadow: [690, 450] },
      kept: true,
    },
    {
      name: "Hood",
      material: "cloth",
      size: 1300,
      school: "edge in",
      drift: { light: 1, shadow: -1 },
      picks: { light: [480, 450], local: [440, 520], shadow: [370, 480] },
      kept: true,
    },
    {
      name: "Cloak",
      material: "cloth",
      size: 2600,
      school: "edge in",
      drift: { light: 1, shadow: -1 },
      picks: { light: [510, 800], local: [460, 760], shadow: [370, 800] },
      kept: true,
      shadow: "overlay",
    },
    {
      name: "Mitten",
      material: "cloth",
      size: 90,
      picks: { light: [635, 730], local: [610, 770] },
      kept: true,
    },
    {
      name: "Reeds",
      material: "leaf",
      size: 500,
      picks: { light: [944, 900], local: [957, 900] },
      kept: false,
    },
    {
      name: "Ground",
      material: "ground shadow",
      picks: { light: [700, 880], local: [200, 890], shadow: [700, 960] },
      kept: false,
    },
  ],
  neighbours: [
    ["Lantern paper", "Moth wings"],
    ["Moth wings", "Moth body"],
    ["Hood", "Moth wings"],
    ["Hood", "Cloak"],
    ["Lantern paper", "Hood"],
    ["Cloak", "Mitten"],
    ["Cloak", "Ground"],
    ["Reeds", "Ground"],
  ],
};
