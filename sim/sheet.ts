import { absorption, type InkRecipe } from "./dyes";
import { SAMPLES, wavelength } from "./observer";
import type { PaperStock } from "./paper-stock";

/** What a coat leaves behind: each slab's dye absorption per µm, every 5 nm. */
export type Stain = Float64Array[];

function depths(stock: PaperStock): number[] {
  let top = 0;
  return stock.slabs.map((t) => (top += t) - t / 2);
}

/** How a coat spreads over the slabs: falls off with depth, and the whole coat stays in the sheet. */
function soak(stock: PaperStock, sink: number): number[] {
  const share = depths(stock).map((z, i) => Math.exp(-z / sink) * stock.slabs[i]!);
  const total = share.reduce((a, b) => a + b, 0);
  return share.map((s) => s / total);
}

/** One pass of the marker that holds no dye. */
export const BLENDER = "blender";

/** Colourless solvent frees dye near the surface; part of it creeps sideways out of the field. */
function wash(stain: Stain, stock: PaperStock): Stain {
  const loosened = push(stain, { ...stock, push: Math.min(0.6, 2.2 * stock.push) });
  const z = depths(stock);
  return loosened.map((slab, k) =>
    slab.map((v) => v * (1 - stock.wash * Math.exp(-z[k]! / (2.5 * stock.sinkDepth)))),
  );
}

/** A new coat loosens dye near the surface and carries it a few slabs down. */
function push(stain: Stain, stock: PaperStock): Stain {
  const moved = stain.map((s) => new Float64Array(s));
  const z = depths(stock);
  for (let from = 0; from < stain.length - 1; from++) {
    const loose = stock.push * Math.exp(-z[from]! / stock.sinkDepth);
    const to = Math.min(stain.length - 1, from + 3);
    const thickness = stock.slabs[from]! / stock.slabs[to]!;
    for (let i = 0; i < SAMPLES; i++) {
      const dye = stain[from]![i]! * loose;
      moved[from]![i]! -= dye;
      moved[to]![i]! += dye * thickness;
    }
  }
  return moved;
}

/** Light through one thin slab of scattering, absorbing fibre: what it sends back and lets through (plate counting, not a film formula). */
function plate(scatter: number, absorb: number, thickness: number): [number, number] {
  const survive = Math.exp(-2 * absorb * thickness);
  const bounce = (scatter * thickness) / (1 + scatter * thickness);
  return [bounce * Math.sqrt(survive), (1 - bounce) * survive];
}

/** One pass over a field: an ink or the blender, how much of a coat, and whether the sheet is still wet. */
export interface SheetPass {
  readonly ink: InkRecipe | typeof BLENDER;
  readonly coats: number;
  readonly wet: boolean;
}

/** How much more a pass loosens where the sheet is still wet. */
const WET_PUSH = 1.7;

/** Reflectance every 5 nm of a sheet after whole coats of ink, each on dry ink, first coat first. */
export const colourSheet = (
  stock: PaperStock,
  coats: readonly (InkRecipe | typeof BLENDER)[],
): Float64Array =>
  layOnSheet(
    stock,
    coats.map((ink) => ({ ink, coats: 1, wet: false })),
  );

/** A sheet that nobody has touched. */
export const bareStain = (stock: PaperStock): Stain => stock.slabs.map(() => new Float64Array(SAMPLES));

/** What a pass of ink leaves of a stain that lay there before. */
export function loosen(
  stain: Stain,
  stock: PaperStock,
  { ink, coats, wet }: SheetPass,
  before: number,
): Stain {
  if (ink === BLENDER) return wash(stain, stock);
  const loosened = Math.min(0.6, stock.push * Math.min(1, coats) * (wet ? WET_PUSH : 1));
  return before > 0 ? push(stain, { ...stock, push: loosened }) : stain;
}

/** The dye that a pass brings itself, onto so many coats. */
export function freshDye(stock: PaperStock, { ink, coats }: SheetPass, before: number): Stain {
  if (ink === BLENDER) return bareStain(stock);
  const dye = absorption(ink);
  const share = soak(stock, stock.sinkDepth * (1 + stock.sinkGrowth * before));
  const volume = coats * stock.thirst ** before * 10;
  return share.map((s, k) => dye.map((d) => ((volume * s) / stock.slabs[k]!) * d));
}

/** Two stains in one place. */
export const together = (a: Stain, b: Stain): Stain => a.map((slab, k) => slab.map((v, i) => v + b[k]![i]!));

/** Coats that a pass counts for those after it. */
export const coatsOf = ({ ink, coats }: SheetPass): number => (ink === BLENDER ? 1 : coats);

/** Reflectance every 5 nm of a sheet after passes of ink, first pass first. */
export function layOnSheet(stock: PaperStock, passes: readonly SheetPass[]): Float64Array {
  let stain = bareStain(stock);
  let before = 0;
  for (const pass of passes) {
    stain = together(loosen(stain, stock, pass, before), freshDye(stock, pass, before));
    before += coatsOf(pass);
  }
  return seenThrough(stock, stain);
}

/** Light followed through the pile of stained slabs (Stokes's pile of plates), then out through the surface. */
export function seenThrough(stock: PaperStock, stain: Stain): Float64Array {
  const out = new Float64Array(SAMPLES);
  for (let i = 0; i < SAMPLES; i++) {
    const nm = wavelength(i);
    const scatter = stock.scatter * (550 / nm) ** stock.scatterSlope;
    const paper = stock.tint.reduce((sum, [c, w, h]) => sum + h * Math.exp(-(((nm - c) / w) ** 2) / 2), 0);
    let below = 0.8; // the white backing sheet beneath
    for (let k = stock.slabs.length - 1; k >= 0; k--) {
      const [r, t] = plate(scatter, paper + stain[k]![i]!, stock.slabs[k]!);
      below = r + (t * t * below) / (1 - r * below);
    }
    const { gloss, innerReflection } = stock;
    out[i] = gloss + ((1 - gloss) * (1 - innerReflection) * below) / (1 - innerReflection * below);
  }
  return out;
}
