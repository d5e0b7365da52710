import type { Lab } from "@/core/colour/lab";
import type { Drift, GroupTarget } from "@/core/group/goal";
import { MATERIAL_HABITS, type Material } from "@/core/group/material";
import type { School } from "@/core/group/school";
import { layersOf, type Layer, type ShadowLayer, type ToneLayer } from "@/core/media/layer";
import { inkOf } from "@/core/media/registry";
import type { Form } from "@/core/light/form";
import { DEFAULT_LIGHT, type LightPlan } from "@/core/light/light";
import { isHint, isUnder } from "@/core/media/shadow";
import type { AreaTones } from "./zones";
import {
  onSheet,
  type AreaPlace,
  type Joints,
  type Reference,
  type SetUp,
  type SheetSizeName,
} from "./set-up";

/** The plan of one picture. It is data: everything that can be computed from it is. */
export interface Piece {
  /** Version of this document's shape. */
  readonly version: 5;
  readonly name: string;
  readonly paperId: string | null;
  /** The reference that is looked at and picked from, one of `references`. */
  readonly pictureId: string | null;
  readonly references: readonly Reference[];
  readonly setUp: SetUp;
  readonly light: LightPlan;
  readonly areas: readonly Area[];
  readonly whole: Whole;
}

/** Temperature of the light and shade of a whole picture. */
export const SCENES = ["neutral", "warm", "cool"] as const;
export type Scene = (typeof SCENES)[number];

/** What is wished of the piece as a whole. */
export interface Whole {
  readonly scene: Scene;
  /** Least ΔE00 between the local colours of areas that touch. */
  readonly apart: number;
  /** Areas that touch, by id, where somebody has said it; null goes by the drawing. */
  readonly neighbours: readonly (readonly [string, string])[] | null;
  /** What a marker costs in a joint plan, in ΔE00 of an area's local colour. */
  readonly markerCost: number;
  /** Most markers of the piece; null leaves it open. */
  readonly markerLimit: number | null;
  /** Inks of a whole-piece underlay, light to dark; none when there is none. */
  readonly underlay: readonly string[];
  /** Areas that are laid before all others, and after all others. */
  readonly first?: readonly string[];
  readonly last?: readonly string[];
  /** Steps of the work that come before others, as somebody has put them: the rest is planned around them. */
  readonly pins?: readonly (readonly [first: PlacedStep, then: PlacedStep])[];
  /** The whole order of work as somebody has put it. */
  readonly byHand?: readonly PlacedStep[];
}

/** A step of the work: an area as the order knows it, its section and its pass, both from 0. */
export type PlacedStep = readonly [area: string | number, section: number, pass: number];

export type Place = "light" | "local" | "shadow";
export const PLACES: readonly Place[] = ["light", "local", "shadow"];

/** A colour that was picked in the reference, or given: typed, or that of a marker. */
export interface PictureReading {
  readonly lab: Lab;
  /** Mean ΔE00 of the picked pixels from their middle. */
  readonly spread: number;
  /** What it was taken from where that is no picture: a hex colour, the code of a marker, "typed". */
  readonly from?: string;
  /** Where, as shares (0–1) of the picture's width and height; a point has no extent. */
  readonly at?: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** A tone as it is kept, in an area or in a kept group. */
export type KeptTone = Omit<ToneLayer, "medium">;

export interface Area {
  readonly id: string;
  readonly name: string;
  readonly readings: { readonly [P in Place]?: PictureReading };
  readonly material: Material;
  /** null takes the habit of the material. */
  readonly school: School | null;
  /** Where it lies on the sheet; null until it is pointed at. */
  readonly place: AreaPlace | null;
  /** It stays bare paper. */
  readonly white: boolean;
  /** It is coloured a little past the line, which is cut off. */
  readonly past: boolean;
  /** Neither its place nor its parts change by accident. */
  readonly fixed: boolean;
  /** Of an area of many blocks: what lies between them. */
  readonly joints: Joints | null;
  /** Its shape in depth, and where its tones go; null while nobody has said. */
  readonly form: Form | null;
  readonly zones: AreaTones | null;
  /** Size in mm² as somebody has said; null goes by the drawing. */
  readonly size: number | null;
  /** Number of tones wanted, 2–6; null takes as many as it takes. */
  readonly tones: number | null;
  /** Wanted contrast in L*; null leaves it to the subject. */
  readonly contrast: number | null;
  readonly drift: Drift;
  readonly ownedOnly: boolean;
  /** Codes that must not be used here. */
  readonly excluded: readonly string[];
  /** It should stand out. */
  readonly emphasis: boolean;
  /** What it is built of, bottom to top: shadows beneath, tones in the order of laying, shadows over them, pencil, finish. */
  readonly layers: readonly Layer[];
  readonly note: string;
}

export const NO_DRIFT: Drift = { light: 0, shadow: 0 };
/** Lightness or hue must tell neighbours apart: about the ΔE00 of "visible". */
export const DEFAULT_WHOLE: Whole = {
  scene: "neutral",
  apart: 8,
  neighbours: null,
  markerCost: 1.5,
  markerLimit: null,
  underlay: [],
};

/** Temperature of an area's ends: its own wish, else what the scene brings: warm light in a warm one, cool shadow in a cool one. */
export function driftIn(scene: Scene, { light, shadow }: Drift): Drift {
  return { light: light || (scene === "warm" ? 1 : 0), shadow: shadow || (scene === "cool" ? -1 : 0) };
}

/** What an area is called that nobody has named: by its place among the areas, from 0. */
export const defaultName = (place: number): string => `Area ${place + 1}`;
const IS_DEFAULT = /^Area \d+$/;

/** The piece with areas that nobody has named called by their place: the number by which they are known in drawing, lists and steps. */
export function numbered(piece: Piece): Piece {
  const isRight = (a: Area, i: number) => !IS_DEFAULT.test(a.name) || a.name === defaultName(i);
  if (piece.areas.every(isRight)) return piece;
  return {
    ...piece,
    areas: piece.areas.map((a, i) => (isRight(a, i) ? a : { ...a, name: defaultName(i) })),
  };
}

/** An area as it starts. */
export const newArea = (id: string, name: string): Area => ({
  id,
  name,
  readings: {},
  material: "other",
  school: null,
  place: null,
  white: false,
  past: false,
  fixed: false,
  joints: null,
  form: null,
  zones: null,
  size: null,
  tones: null,
  contrast: null,
  drift: NO_DRIFT,
  ownedOnly: true,
  excluded: [],
  emphasis: false,
  layers: [],
  note: "",
});

/** @param sheet what it is to lie on; A4 by itself */
export const newPiece = (name: string, paperId: string | null, sheet: SheetSizeName = "A4"): Piece => ({
  version: 5,
  name,
  paperId,
  pictureId: null,
  references: [],
  setUp: onSheet(sheet),
  light: DEFAULT_LIGHT,
  areas: [],
  whole: DEFAULT_WHOLE,
});

/** Size of an area in mm²: as somebody has said, else as measured; null while nobody knows. */
export const sizeOf = ({ size, place }: Pick<Area, "size" | "place">): number | null =>
  size ?? place?.mm2 ?? null;

/** Size in mm² that decides how many tones an area bears: of its largest part. */
export const partOf = ({ size, place }: Pick<Area, "size" | "place">): number | null =>
  size ?? place?.part ?? null;

/** Areas that touch: as somebody has said, else as measured. */
export const neighboursOf = ({
  whole,
  setUp,
}: {
  readonly whole: Pick<Whole, "neighbours">;
  readonly setUp: Pick<SetUp, "touches">;
}): readonly (readonly [string, string])[] =>
  whole.neighbours ?? setUp.touches.map(([a, b]) => [a, b] as const);

/** The tones of an area's group, in the order of laying; none while no group is kept. */
export const tonesOf = ({ layers }: Pick<Area, "layers">): readonly ToneLayer[] => layersOf(layers, "tone");

/** Tones as layers. */
export const asLayers = (tones: readonly KeptTone[]): ToneLayer[] =>
  tones.map((t) => ({ medium: "tone", ...t }));

/** Ink that makes an area's shadow end: not a hint, which only leans it, nor what lies elsewhere. */
const shadeOf = ({ layers }: Pick<Area, "layers">): readonly ShadowLayer[] =>
  layersOf(layers, "shadow").filter((l) => !isHint(l) && l.place !== "light");

/** Whether a layer makes the shadow end in a way that is planned with the group. */
export const isPlannedShade = (l: Layer): l is ShadowLayer =>
  l.medium === "shadow" && l.place === "shadow" && (l.kind === "underlay" || l.kind === "overlay");

/** Whether ink makes an area's shadow end that no planner chose: it stays, and groups are planned without. */
export const hasOwnShade = (area: Pick<Area, "layers">): boolean =>
  shadeOf(area).some((l) => !isPlannedShade(l));

/** What lies beneath the shadow end of an area's group, one entry a coat. */
export const beneathOf = (area: Pick<Area, "layers">): string[] => inkOf(shadeOf(area).filter(isUnder));

/** What lies over it, one entry a coat. */
export const overOf = (area: Pick<Area, "layers">): string[] =>
  inkOf(shadeOf(area).filter((l) => !isUnder(l)));

/** The school in which an area is laid: its own, or the habit of its material. */
export const schoolOf = ({ school, material }: Pick<Area, "school" | "material">): School =>
  school ?? MATERIAL_HABITS[material].school;

/** What a planner needs of an area's readings; undefined until something was picked. One reading alone stands for the local colour. */
export function targetOf({ readings }: Pick<Area, "readings">): GroupTarget | undefined {
  const { light, local, shadow } = readings;
  const middle = local ?? (light && shadow ? undefined : (light ?? shadow));
  if (middle)
    return {
      local: middle.lab,
      ...(local && light && { light: light.lab }),
      ...(local && shadow && { shadow: shadow.lab }),
    };
  if (!light || !shadow) return undefined;
  const mean = light.lab.map((v, i) => (v + shadow.lab[i]!) / 2) as unknown as Lab;
  return { local: mean, light: light.lab, shadow: shadow.lab };
}
