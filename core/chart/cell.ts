import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { LINEAR } from "@/core/colour/rgb";
import { project, type Homography } from "./homography";
import type { Box } from "./layout";
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

/** Margin that is left out on each side, as a share of the box: hands do not stop exactly at the ticks. */
const MARGIN = 0.2;
const BLOCKS = { across: 6, down: 4 } as const;
const MOST_SAMPLES = 8;
/** 8-bit levels that count as the ends of the scale. */
const [DARKEST, BRIGHTEST] = [1, 252];

/** Mean level of a box, block by block; undefined when part of it lies outside the picture. */
export function levelsOf(
  { width, height, rgb }: Raster,
  toPixels: Homography,
  box: Box,
): BoxLevels | undefined {
  const [x0, y0] = [box.x + MARGIN * box.width, box.y + MARGIN * box.height];
  const [bw, bh] = [
    (box.width * (1 - 2 * MARGIN)) / BLOCKS.across,
    (box.height * (1 - 2 * MARGIN)) / BLOCKS.down,
  ];
  const [ax, ay] = project(toPixels, x0, y0);
  const [zx, zy] = project(toPixels, x0 + bw, y0 + bh);
  const n = Math.max(2, Math.min(MOST_SAMPLES, Math.ceil(Math.max(Math.abs(zx - ax), Math.abs(zy - ay)))));
  const blocks: Xyz[] = [];
  const places: [number, number][] = [];
  let [over, under, count] = [0, 0, 0];
  for (let j = 0; j < BLOCKS.down; j++)
    for (let i = 0; i < BLOCKS.across; i++) {
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
