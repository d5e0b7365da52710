import type { Lab } from "@/core/colour/lab";

/** The plan of one picture. It is data: everything that can be computed from it is. */
export interface Piece {
  /** Version of this document's shape. */
  readonly version: 1;
  readonly name: string;
  readonly paperId: string | null;
  readonly pictureId: string | null;
  readonly areas: readonly Area[];
}

export type Place = "light" | "local" | "shadow";
export const PLACES: readonly Place[] = ["light", "local", "shadow"];

/** A colour picked in the reference. */
export interface PictureReading {
  readonly lab: Lab;
  /** Mean ΔE00 of the picked pixels from their middle. */
  readonly spread: number;
  /** Where, as shares (0–1) of the picture's width and height; a point has no extent. */
  readonly at: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

export interface KeptTone {
  readonly code: string;
  readonly coats: number;
  /** Chosen by hand against the plan. */
  readonly overruled?: true;
}

/** A kept blend group, in the order in which it is laid. */
export interface KeptGroup {
  readonly tones: readonly KeptTone[];
}

export interface Area {
  readonly id: string;
  readonly name: string;
  readonly readings: { readonly [P in Place]?: PictureReading };
  /** Number of tones wanted, 2–6. */
  readonly tones: number;
  /** Wanted contrast in L*; null leaves it to the subject. */
  readonly contrast: number | null;
  readonly ownedOnly: boolean;
  readonly group: KeptGroup | null;
  readonly note: string;
}

export const DEFAULT_TONES = 4;

/** An area as it starts. */
export const newArea = (id: string, name: string): Area => ({
  id,
  name,
  readings: {},
  tones: DEFAULT_TONES,
  contrast: null,
  ownedOnly: true,
  group: null,
  note: "",
});

export const newPiece = (name: string, paperId: string | null): Piece => ({ version: 1, name, paperId, pictureId: null, areas: [] });

/** What a planner needs of an area's readings; undefined until something was picked. One reading alone stands for the local colour. */
export function targetOf({ readings }: Area): { light?: Lab; local: Lab; shadow?: Lab } | undefined {
  const { light, local, shadow } = readings;
  const middle = local ?? (light && shadow ? undefined : (light ?? shadow));
  if (middle) return { local: middle.lab, ...(local && light && { light: light.lab }), ...(local && shadow && { shadow: shadow.lab }) };
  if (!light || !shadow) return undefined;
  const mean = light.lab.map((v, i) => (v + shadow.lab[i]!) / 2) as unknown as Lab;
  return { local: mean, light: light.lab, shadow: shadow.lab };
}
