import type { Place } from "@/core/piece/piece";

interface DemoArea {
  readonly name: string;
  readonly tones: number;
  /** Where light, local colour and shadow are picked: middle of a patch, in units of the drawing (1200 × 1000). */
  readonly picks: { readonly [P in Place]?: readonly [x: number, y: number] };
  readonly kept: boolean;
  readonly note?: string;
}

/** Size of the drawing and of a demo patch, in its own units. */
export const DRAWING = { width: 1200, height: 1000, patch: 12 };

/** Areas of The Kite Mender, in the order of colouring; the last ones are left for the visitor to plan. */
export const kiteMenderAreas: readonly DemoArea[] = [
  { name: "Skin", tones: 4, picks: { light: [557, 300], local: [602, 405], shadow: [648, 438] }, kept: true, note: "Blush after the skin is dry." },
  { name: "Hair", tones: 4, picks: { light: [588, 214], local: [658, 292], shadow: [722, 352] }, kept: true, note: "Roots dark, highlight across the growth." },
  { name: "Kite paper", tones: 4, picks: { light: [180, 690], local: [340, 616], shadow: [372, 838] }, kept: true },
  { name: "Shawl", tones: 4, picks: { light: [520, 540], local: [590, 770], shadow: [886, 720] }, kept: true, note: "Wool: leave the strokes visible." },
  { name: "Sleeves", tones: 3, picks: { light: [536, 652], local: [520, 690], shadow: [586, 716] }, kept: true },
  { name: "Brass lamp", tones: 5, picks: { light: [950, 706], local: [1010, 720], shadow: [1084, 828] }, kept: true },
  { name: "Table", tones: 4, picks: { light: [90, 890], local: [620, 900], shadow: [1140, 966] }, kept: false },
  { name: "Sea", tones: 3, picks: { local: [150, 470] }, kept: false },
  { name: "Wall", tones: 3, picks: {}, kept: false },
];
