import type { PaperStock } from "./paper-stock";
import {
  bareStain,
  coatsOf,
  freshDye,
  loosen,
  seenThrough,
  together,
  type SheetPass,
  type Stain,
} from "./sheet";

/** A pass that begins somewhere along a cell: mm from its left end. */
export interface PassAlong extends SheetPass {
  readonly from: number;
}

/** The nib's edge is frayed over this length, mm. */
const FRAY = 0.7;
/** Times at which dye is moved on while the sheet dries. */
const TICKS = 12;

/**
 * Lets dye wander between neighbouring columns: a walk slab by slab, quick near the wet surface and hardly at all further down, ever slower
 * as the sheet dries.
 * @param reach mean square way of the topmost dye, mm²
 */
function wander(columns: Stain[], stock: PaperStock, reach: number, width: number): Stain[] {
  const now = columns.map((stain) => stain.map((slab) => slab.slice()));
  const slowing = Array.from({ length: TICKS }, (_, t) => (1 - t / TICKS) ** 2);
  const whole = slowing.reduce((a, b) => a + b, 0);
  let top = 0;
  const mobility = stock.slabs.map((thick) => {
    const depth = top + thick / 2;
    top += thick;
    return 1 / (1 + (depth / (2 * stock.sinkDepth)) ** 2);
  });
  for (const part of slowing) {
    // A share beyond a quarter would overtake itself: then in several rounds.
    const most = (reach * part) / whole / (2 * width ** 2);
    const rounds = Math.ceil(4 * most);
    for (let r = 0; r < rounds; r++)
      mobility.forEach((m, k) => {
        const slabs = now.map((stain) => stain[k]!);
        const before = slabs.map((slab) => slab.slice());
        const share = (m * most) / rounds;
        slabs.forEach((slab, x) => {
          const [left, own, right] = [before[x - 1] ?? slab, before[x]!, before[x + 1] ?? slab];
          for (let i = 0; i < slab.length; i++) slab[i]! += share * (left[i]! + right[i]! - 2 * own[i]!);
        });
      });
  }
  return now;
}

/**
 * Reflectance every 5 nm of the columns of a cell, left to right, after passes that begin at different places along it. A pass on a wet sheet
 * sets all dye there wandering; on a dry one only what it brings creeps a little.
 * @param width of one column, mm
 */
export function colourAlong(
  stock: PaperStock,
  passes: readonly PassAlong[],
  columns: number,
  width: number,
): Float64Array[] {
  let sheet = Array.from({ length: columns }, () => bareStain(stock));
  const before = new Float64Array(columns);
  for (const pass of passes) {
    const cover = Float64Array.from({ length: columns }, (_, x) =>
      Math.min(1, Math.max(0, ((x + 0.5) * width - pass.from) / FRAY + (pass.from > 0 ? 0.5 : 1))),
    );
    const part = (x: number): SheetPass => ({ ...pass, coats: pass.coats * cover[x]! });
    const loosened = sheet.map((stain, x) => (cover[x] ? loosen(stain, stock, part(x), before[x]!) : stain));
    const fresh = sheet.map((_, x) => (cover[x] ? freshDye(stock, part(x), before[x]!) : bareStain(stock)));
    sheet = pass.wet
      ? wander(
          loosened.map((stain, x) => together(stain, fresh[x]!)),
          stock,
          stock.flow,
          width,
        )
      : wander(fresh, stock, stock.creep, width).map((dye, x) => together(loosened[x]!, dye));
    cover.forEach((c, x) => (before[x]! += c && coatsOf(part(x))));
  }
  return sheet.map((stain) => seenThrough(stock, stain));
}
