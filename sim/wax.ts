import { SAMPLES, wavelength } from "./observer";
import type { Dye } from "./dyes";

/**
 * A simulated pencil: grains of pigment in wax. Nothing here knows of coverage laws: strokes drop wax on a profile of peaks and valleys, and
 * light is followed through the grains that lie on each spot.
 */
export interface WaxPencil {
  readonly code: string;
  readonly family: string;
  /** Pigment absorption bands, per µm of wax, and how strongly the wax scatters, per µm. */
  readonly pigment: Dye;
  readonly scatter: number;
}

/** The tooth of a paper: height of its surface from valley to peak in µm, and how much of it a stroke of light pressure reaches. */
export interface Tooth {
  readonly depth: number;
  /** Exponent of the height distribution: 1 an even ramp, above it few peaks and wide valleys. */
  readonly peaks: number;
}

/** Tooth of the demo's papers, by name. */
export const teeth: Readonly<Record<string, Tooth>> = {
  "Smooth white card": { depth: 7, peaks: 1.1 },
  "Warm toned paper": { depth: 13, peaks: 1.5 },
  "Thin marker paper": { depth: 5, peaks: 1 },
};

/** Strokes over a spot: how many layers, and the pressure as a share of what would press the pencil into every valley. */
export interface WaxPass {
  readonly pencil: WaxPencil;
  readonly layers: number;
  readonly pressure: number;
}

/** How hard a hand presses for each word, as a share of what would press the pencil into every valley. */
export const hand = { light: 0.22, medium: 0.42, firm: 0.75 } as const;

const SITES = 24;
/** µm of wax that one stroke leaves on a bare peak under full pressure, and how wax on wax takes less. */
const DEPOSIT = 2.6;
const SATURATION = 9;
/** Share of its thickness by which wax raises a spot: it is soft, and the point presses it down. */
const STANDS = 0.35;

/** Height (0–1) of each site of the profile. */
const heights = ({ peaks }: Tooth) => Array.from({ length: SITES }, (_, i) => ((i + 0.5) / SITES) ** peaks);

const pigmentOf = ({ pigment }: WaxPencil) =>
  Float64Array.from({ length: SAMPLES }, (_, i) =>
    pigment.reduce(
      (sum, [c, blueward, redward, h]) =>
        sum + h * Math.exp(-(((wavelength(i) - c) / (wavelength(i) < c ? blueward : redward)) ** 2) / 2),
      0,
    ),
  );

interface Deposit {
  readonly pencil: WaxPencil;
  readonly micron: number;
}

/** Wax on each site after all passes, lowest first. A stroke touches a site by how near it is to the peaks, wax already there lifts it. */
function deposits(tooth: Tooth, passes: readonly WaxPass[]): Deposit[][] {
  const surface = heights(tooth);
  const wax: Deposit[][] = surface.map(() => []);
  const level = surface.map((h) => h * tooth.depth);
  for (const { pencil, layers, pressure } of passes) {
    const added = surface.map(() => 0);
    for (let n = 0; n < layers; n++) {
      const top = Math.max(...level);
      level.forEach((l, s) => {
        // Pressed into the sheet, the point reaches this far below the highest spots.
        const reach = tooth.depth * (0.25 + 0.95 * pressure);
        const touch = 1 / (1 + Math.exp((top - l - reach) / (0.14 * tooth.depth)));
        const room = Math.exp(-(added[s]! + wax[s]!.reduce((sum, d) => sum + d.micron, 0)) / SATURATION);
        const drop = DEPOSIT * pressure * touch * room;
        added[s]! += drop;
        level[s]! += STANDS * drop;
      });
    }
    added.forEach((micron, s) => micron > 1e-4 && wax[s]!.push({ pencil, micron }));
  }
  return wax;
}

/** Light through wax in steps of at most half a µm, each a plate of grains. */
function throughWax(below: number, absorb: number, scatter: number, micron: number): number {
  const plates = Math.max(1, Math.ceil(micron * 2));
  const t = micron / plates;
  const bounce = (scatter * t) / (1 + scatter * t);
  const survive = Math.exp(-2 * absorb * t);
  const [r, pass] = [bounce * Math.sqrt(survive), (1 - bounce) * survive];
  for (let p = 0; p < plates; p++) below = r + (pass * pass * below) / (1 - r * below);
  return below;
}

/** Reflectance every 5 nm of a coloured sheet with pencil over it: the mean of its sites. */
export function drawOver(sheet: ArrayLike<number>, tooth: Tooth, passes: readonly WaxPass[]): Float64Array {
  const wax = deposits(tooth, passes);
  const pigments = new Map(passes.map(({ pencil }) => [pencil, pigmentOf(pencil)]));
  return Float64Array.from({ length: SAMPLES }, (_, i) => {
    let sum = 0;
    for (const site of wax)
      sum += site.reduce(
        (below, { pencil, micron }) => throughWax(below, pigments.get(pencil)![i]!, pencil.scatter, micron),
        sheet[i]!,
      );
    return sum / SITES;
  });
}

/** The contrast card that drawdowns are made on: its white and its black field. */
export const contrastCard = {
  white: Float64Array.from(
    { length: SAMPLES },
    (_, i) => 0.845 - 0.03 * Math.exp(-(wavelength(i) - 380) / 30),
  ),
  black: Float64Array.from({ length: SAMPLES }, () => 0.04),
} as const;

/** An even, firm drawdown on a field of the contrast card. */
export const drawdownOn = (pencil: WaxPencil, field: keyof typeof contrastCard): Float64Array =>
  drawOver(contrastCard[field], { depth: 1.5, peaks: 1 }, [{ pencil, layers: 3, pressure: 0.9 }]);

/** Pencils of the demo studio. */
export const waxPencils: readonly WaxPencil[] = [
  { code: "pencil chalk", family: "light", pigment: [[400, 30, 40, 0.008]], scatter: 0.34 },
  {
    code: "pencil shell",
    family: "light",
    pigment: [
      [430, 60, 70, 0.05],
      [520, 40, 50, 0.018],
    ],
    scatter: 0.26,
  },
  { code: "pencil slate", family: "grey", pigment: [[520, 160, 180, 0.34]], scatter: 0.1 },
  { code: "pencil fog", family: "grey", pigment: [[540, 170, 180, 0.075]], scatter: 0.2 },
  {
    code: "pencil brick",
    family: "red",
    pigment: [
      [470, 70, 70, 0.34],
      [560, 40, 30, 0.16],
    ],
    scatter: 0.13,
  },
  {
    code: "pencil berry",
    family: "red",
    pigment: [
      [540, 60, 40, 0.36],
      [430, 60, 60, 0.16],
    ],
    scatter: 0.1,
  },
  {
    code: "pencil poppy",
    family: "red",
    pigment: [
      [500, 60, 46, 0.36],
      [420, 50, 60, 0.2],
    ],
    scatter: 0.14,
  },
  {
    code: "pencil rowan",
    family: "red",
    pigment: [
      [480, 60, 48, 0.24],
      [410, 40, 50, 0.16],
    ],
    scatter: 0.16,
  },
  {
    code: "pencil ochre",
    family: "yellow",
    pigment: [
      [430, 60, 55, 0.3],
      [560, 120, 120, 0.03],
    ],
    scatter: 0.17,
  },
  { code: "pencil straw", family: "yellow", pigment: [[430, 50, 46, 0.16]], scatter: 0.22 },
  {
    code: "pencil moss",
    family: "green",
    pigment: [
      [440, 60, 50, 0.3],
      [650, 60, 50, 0.2],
      [560, 150, 150, 0.05],
    ],
    scatter: 0.12,
  },
  {
    code: "pencil pine",
    family: "green",
    pigment: [
      [650, 90, 60, 0.36],
      [430, 60, 60, 0.22],
      [560, 120, 120, 0.12],
    ],
    scatter: 0.08,
  },
  {
    code: "pencil ink",
    family: "blue",
    pigment: [
      [610, 90, 70, 0.46],
      [500, 120, 80, 0.1],
    ],
    scatter: 0.08,
  },
  { code: "pencil sky", family: "blue", pigment: [[640, 70, 50, 0.09]], scatter: 0.2 },
  {
    code: "pencil heath",
    family: "violet",
    pigment: [
      [570, 60, 45, 0.24],
      [480, 80, 60, 0.06],
    ],
    scatter: 0.12,
  },
  {
    code: "pencil sloe",
    family: "violet",
    pigment: [
      [580, 90, 70, 0.5],
      [460, 90, 90, 0.16],
    ],
    scatter: 0.07,
  },
  {
    code: "pencil umber",
    family: "brown",
    pigment: [
      [450, 90, 110, 0.4],
      [580, 110, 110, 0.2],
    ],
    scatter: 0.08,
  },
  {
    code: "pencil hazel",
    family: "brown",
    pigment: [
      [440, 80, 90, 0.22],
      [560, 100, 100, 0.08],
    ],
    scatter: 0.13,
  },
];
