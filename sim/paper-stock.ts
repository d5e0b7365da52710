/**
 * The simulated papers. A sheet is a pile of thin slabs that scatter; nothing here knows about one K/S for the whole sheet.
 */
export interface PaperStock {
  readonly name: string;
  /** Slab thicknesses in µm, top first. */
  readonly slabs: readonly number[];
  /** Scattering per µm at 550 nm and how it falls with wavelength (power of 550/λ). */
  readonly scatter: number;
  readonly scatterSlope: number;
  /** Absorption per µm of the sheet itself: bands [centre nm, width nm, height]. */
  readonly tint: readonly (readonly [number, number, number])[];
  /** Mean depth in µm to which a fresh coat sinks, and how much further into an already wetted sheet. */
  readonly sinkDepth: number;
  readonly sinkGrowth: number;
  /** Share of the dye in the top that a new coat loosens and pushes deeper. */
  readonly push: number;
  /** Share of the dye near the surface that a pass of colourless solvent carries out of the field. */
  readonly wash: number;
  /** How freely dye wanders sideways while the top of the sheet is wet, and a fresh coat's in a dry sheet, mm². */
  readonly flow: number;
  readonly creep: number;
  /** Share of the previous coat's volume that the next one still takes. */
  readonly thirst: number;
  /** Reflection of the outer surface, and of the inner side of it. */
  readonly gloss: number;
  readonly innerReflection: number;
}

const pile = (count: number, first: number, growth: number) =>
  Array.from({ length: count }, (_, i) => first * growth ** i);

export const whiteCard: PaperStock = {
  name: "Smooth white card",
  slabs: pile(22, 1.6, 1.16),
  scatter: 0.11,
  scatterSlope: 0.25,
  tint: [
    [400, 40, 0.0006],
    [600, 300, 0.00012],
  ],
  sinkDepth: 11,
  sinkGrowth: 0.12,
  push: 0.16,
  wash: 0.5,
  flow: 1.1,
  creep: 0.06,
  thirst: 0.96,
  gloss: 0.026,
  innerReflection: 0.42,
};

export const warmToned: PaperStock = {
  name: "Warm toned paper",
  slabs: pile(22, 1.9, 1.16),
  scatter: 0.085,
  scatterSlope: 0.15,
  tint: [
    [390, 75, 0.02],
    [480, 90, 0.0075],
    [620, 320, 0.0022],
  ],
  sinkDepth: 16,
  sinkGrowth: 0.08,
  push: 0.2,
  wash: 0.38,
  flow: 1.8,
  creep: 0.11,
  thirst: 0.93,
  gloss: 0.02,
  innerReflection: 0.36,
};

/** Thin marker paper: shallow, slow to drink, soon full. */
export const thinMarker: PaperStock = {
  name: "Thin marker paper",
  slabs: pile(18, 1.5, 1.14),
  scatter: 0.13,
  scatterSlope: 0.3,
  tint: [
    [395, 38, 0.0004],
    [610, 300, 0.0002],
  ],
  sinkDepth: 8,
  sinkGrowth: 0.05,
  push: 0.12,
  wash: 0.58,
  flow: 0.6,
  creep: 0.03,
  thirst: 0.92,
  gloss: 0.03,
  innerReflection: 0.44,
};
