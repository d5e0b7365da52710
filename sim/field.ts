import { SAMPLES } from "./observer";
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

/** A pass over a part of the sheet: how far each cell is covered by it, 0–1, row by row. */
export interface FieldCover extends SheetPass {
  readonly cover: Float64Array;
}

/** Times at which dye is moved on while the sheet dries. */
const TICKS = 10;

/**
 * Lets dye wander between cells that lie side by side, slab by slab: quick near the wet surface and hardly at all further down, ever slower as the
 * sheet dries. Nothing crosses where `inside` is 0: the line holds it.
 * @param reach mean square way of the topmost dye along one direction, mm²
 */
function wander(
  cells: Stain[],
  columns: number,
  inside: Uint8Array,
  stock: PaperStock,
  reach: number,
  width: number,
): void {
  const slowing = Array.from({ length: TICKS }, (_, t) => (1 - t / TICKS) ** 2);
  const whole = slowing.reduce((a, b) => a + b, 0);
  let top = 0;
  const mobility = stock.slabs.map((thick) => {
    const depth = top + thick / 2;
    top += thick;
    return 1 / (1 + (depth / (2 * stock.sinkDepth)) ** 2);
  });
  const beside = cells.map((_, p) =>
    [p % columns ? p - 1 : -1, (p + 1) % columns ? p + 1 : -1, p - columns, p + columns].filter(
      (q) => q >= 0 && q < cells.length && inside[q] && inside[p],
    ),
  );
  for (const part of slowing) {
    const most = (reach * part) / whole / (2 * width ** 2);
    // A share beyond a fifth each way would overtake itself: then in several rounds.
    const rounds = Math.ceil(5 * most);
    for (let r = 0; r < rounds; r++)
      mobility.forEach((m, k) => {
        const share = (m * most) / rounds;
        if (share < 1e-4) return;
        const before = cells.map((c) => c[k]!.slice());
        cells.forEach((cell, p) => {
          const own = before[p]!;
          const out = cell[k]!;
          for (const q of beside[p]!) {
            const other = before[q]!;
            for (let i = 0; i < SAMPLES; i++) out[i]! += share * (other[i]! - own[i]!);
          }
        });
      });
  }
}

/**
 * Reflectance every 5 nm of the cells of a part of the sheet after passes, first pass first. A pass on a wet sheet sets all dye there wandering; on
 * a dry one only what it brings creeps a little.
 * @param inside 1 for cells that may be coloured
 * @param width of a cell, mm
 */
export function colourField(
  stock: PaperStock,
  passes: readonly FieldCover[],
  columns: number,
  inside: Uint8Array,
  width: number,
): Float64Array[] {
  let sheet = Array.from({ length: inside.length }, () => bareStain(stock));
  const before = new Float64Array(inside.length);
  for (const pass of passes) {
    const part = (p: number): SheetPass => ({ ...pass, coats: pass.coats * pass.cover[p]! });
    const laid = (p: number) => pass.cover[p]! > 0;
    const loosened = sheet.map((stain, p) => (laid(p) ? loosen(stain, stock, part(p), before[p]!) : stain));
    const fresh = sheet.map((_, p) => (laid(p) ? freshDye(stock, part(p), before[p]!) : bareStain(stock)));
    if (pass.wet) {
      sheet = loosened.map((stain, p) => together(stain, fresh[p]!));
      wander(sheet, columns, inside, stock, stock.flow, width);
    } else {
      wander(fresh, columns, inside, stock, stock.creep, width);
      sheet = fresh.map((dye, p) => together(loosened[p]!, dye));
    }
    pass.cover.forEach((c, p) => (before[p]! += c && coatsOf(part(p))));
  }
  return sheet.map((stain) => seenThrough(stock, stain));
}
