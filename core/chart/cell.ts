import type { PrintBox } from "./layout";
import { project, type Homography } from "@/core/algebra/homography";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { LINEAR } from "@/core/colour/rgb";
import type { Raster } from "./raster";

/** Levels of a box of the page, in blocks: linear, three channels each. */
export interface BoxLevels {
  readonly blocks: readonly Xyz[];
  /** Middles of the blocks in mm. */
  readonly places: readonly (readonly [number, number])[];
  /** Share of pixels with a channel at the upper or the lower end of its scale. */
  readonly over: number;
  readonly under: number;
}

/** Blocks into which a box is divided, and the margin left out on each side as a share of it: hands do not stop exactly at the ticks. */
export interface Grid {
  readonly across: number;
  readonly down: number;
  readonly margin: readonly [x: number, y: number];
}
const CELL: Grid = { across: 6, down: 4, margin: [0.2, 0.2] };
/** Along a long cell, in whose middle two layings meet. */
export const ALONG: Grid = { across: 44, down: 4, margin: [0.06, 0.2] };
const MOST_SAMPLES = 8;
/** 8-bit levels that count as the ends of the scale. */
const [DARKEST, BRIGHTEST] = [1, 252];

/** Mean level of a box, block by block, row by row; undefined when part of it lies outside the picture. */
export function levelsOf(
  { width, height, rgb }: Raster,
  toPixels: Homography,
  box: PrintBox,
  { across, down, margin }: Grid = CELL,
): BoxLevels | undefined {
  const [x0, y0] = [box.x + margin[0] * box.width, box.y + margin[1] * box.height];
  const [bw, bh] = [(box.width * (1 - 2 * margin[0])) / across, (box.height * (1 - 2 * margin[1])) / down];
  const [ax, ay] = project(toPixels, x0, y0);
  const [zx, zy] = project(toPixels, x0 + bw, y0 + bh);
  const n = Math.max(2, Math.min(MOST_SAMPLES, Math.ceil(Math.max(Math.abs(zx - ax), Math.abs(zy - ay)))));
  const blocks: Xyz[] = [];
  const places: [number, number][] = [];
  let [over, under, count] = [0, 0, 0];
  for (let j = 0; j < down; j++)
    for (let i = 0; i < across; i++) {
      let [r, g, b] = [0, 0, 0];
      for (let v = 0; v < n; v++)
        for (let u = 0; u < n; u++) {
          const [px, py] = project(toPixels, x0 + (i + (u + 0.5) / n) * bw, y0 + (j + (v + 0.5) / n) * bh);
          const [xx, yy] = [Math.round(px), Math.round(py)];
          if (xx < 0 || yy < 0 || xx >= width || yy >= height) return undefined;
          const p = 3 * (yy * width + xx);
          const [lr, lg, lb] = [rgb[p]!, rgb[p + 1]!, rgb[p + 2]!];
          if (lr >= BRIGHTEST || lg >= BRIGHTEST || lb >= BRIGHTEST) over++;
          if (lr <= DARKEST || lg <= DARKEST || lb <= DARKEST) under++;
          r += LINEAR[lr]!;
          g += LINEAR[lg]!;
          b += LINEAR[lb]!;
        }
      count += n * n;
      blocks.push([r / (n * n), g / (n * n), b / (n * n)]);
      places.push([x0 + (i + 0.5) * bw, y0 + (j + 0.5) * bh]);
    }
  return { blocks, places, over: over / count, under: under / count };
}

/** Share of blocks that is left out at either end before the mean is taken. */
const TRIM = 0.2;

/** Robust middle of blocks: mean of those in the middle by lightness. */
export function middleOf(blocks: readonly Xyz[]): Xyz {
  const sorted = [...blocks].sort((a, b) => a[1] - b[1]);
  const cut = Math.floor(TRIM * sorted.length);
  const kept = sorted.slice(cut, sorted.length - cut);
  return [0, 1, 2].map((c) => kept.reduce((sum, v) => sum + v[c]!, 0) / kept.length) as unknown as Xyz;
}

/** How even a cell is: mean ΔE00 of its blocks from their middle, and the standard deviation of their lightness, L*. */
export function evenness(
  blocks: readonly Lab[],
  middle: Lab,
): { readonly spread: number; readonly streakiness: number } {
  const spread = blocks.reduce((sum, lab) => sum + deltaE00(lab, middle), 0) / blocks.length;
  const mean = blocks.reduce((sum, lab) => sum + lab[0], 0) / blocks.length;
  return {
    spread,
    streakiness: Math.sqrt(blocks.reduce((sum, lab) => sum + (lab[0] - mean) ** 2, 0) / blocks.length),
  };
}
