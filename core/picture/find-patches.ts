import { project } from "@/core/algebra/homography";
import { median } from "@/core/algebra/median";
import type { Point } from "@/core/algebra/point";
import type { Raster } from "@/core/chart/raster";
import type { Work } from "@/core/progress";
import { MOST_PATCHES, MOST_SIDE, READ, type At, type PatchGrid } from "./patch-grid";
import { fitGrid, gridThrough, latticeOf, stepAt, type FittedGrid, type InGrid } from "./patch-lattice";
import type { Pixels } from "./plane";
import { reduced } from "./rectify";

/** Patches of a photographed sheet, found by themselves. */
export interface FoundPatches {
  readonly rows: number;
  readonly columns: number;
  readonly grid: PatchGrid;
  /** How many of them were seen themselves: the others lie where the grid says. */
  readonly seen: number;
  /** Places of the sheet without ink, between and beside the patches, the lightest first; empty where none is sure. */
  readonly bare: readonly At[];
}

/** Long side of the copy in which patches are looked for. */
const SIDE = 720;
/** Differences of neighbours that are an edge, in levels: what a calm scan shows, and what streaks of a dry nib hide. */
const EDGES = [5, 8, 12, 18, 27];
/** Pixels of the smallest patch in that copy; the largest, as a share of it. */
const SMALLEST = 30;
const LARGEST = 0.2;
/** Area against that of a rectangle which spreads as far: letters, rings and the paper between patches are under the first. */
const FULL = [0.72, 1.15] as const;
const SLIMMEST = 5;
/** Patches of one sheet seen aslant differ no more than this in area. */
const AREAS_APART = 3.2;
/** A sheet has at least this many patches, and most of its places have one. */
const LEAST = 4;
const LEAST_FILLED = 0.5;
/** Share of the places that somebody pointed at at which a patch must be seen for the grid to be moved there. */
const ENOUGH_TO_SNAP = 0.4;
/** Share of a step by which a grid may be moved. */
const MOST_MOVED = 0.45;
/** Side of a window of bare paper as a share of a step, and its largest range of levels. */
const BARE_SIDE = 0.16;
const BARE_RANGE = 16;
/** Bare paper against the lightest of it, and how far its red and blue against green may lie from the usual; windows of it that are told. */
const DARKEST_BARE = 0.55;
const BARE_HUE = 0.06;
const MOST_BARE = 120;

interface Patch {
  readonly at: Point;
  readonly area: number;
  /** Half its longer side, as that of a rectangle which spreads as far. */
  readonly half: number;
}

/** Largest difference of each pixel's neighbourhood in any channel, levels. */
function edges({ width, height, channels, data }: Pixels): Uint8Array {
  const out = new Uint8Array(width * height);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      let most = 0;
      const [right, below] = [x + 1 < width ? channels : 0, y + 1 < height ? width * channels : 0];
      const [left, above] = [x > 0 ? channels : 0, y > 0 ? width * channels : 0];
      for (let c = 0, q = p * channels; c < channels; c++, q++)
        most = Math.max(
          most,
          Math.abs(data[q + right]! - data[q - left]!),
          Math.abs(data[q + below]! - data[q - above]!),
        );
      out[p] = most;
    }
  return out;
}

/** Full, compact shapes within which no edge runs. */
function shapesWithin(edge: Uint8Array, width: number, height: number, limit: number): Patch[] {
  const met = new Uint8Array(edge.length);
  const stack = new Int32Array(edge.length);
  const patches: Patch[] = [];
  for (let start = 0; start < edge.length; start++) {
    if (met[start] || edge[start]! >= limit) continue;
    let [size, n, sx, sy, sxx, syy, sxy] = [0, 0, 0, 0, 0, 0, 0];
    stack[size++] = start;
    met[start] = 1;
    while (size) {
      const p = stack[--size]!;
      const [x, y] = [p % width, Math.floor(p / width)];
      n++;
      sx += x;
      sy += y;
      sxx += x * x;
      syy += y * y;
      sxy += x * y;
      if (x > 0 && !met[p - 1] && edge[p - 1]! < limit) met[(stack[size++] = p - 1)] = 1;
      if (x + 1 < width && !met[p + 1] && edge[p + 1]! < limit) met[(stack[size++] = p + 1)] = 1;
      if (y > 0 && !met[p - width] && edge[p - width]! < limit) met[(stack[size++] = p - width)] = 1;
      if (y + 1 < height && !met[p + width] && edge[p + width]! < limit) met[(stack[size++] = p + width)] = 1;
    }
    if (n < SMALLEST || n > LARGEST * edge.length) continue;
    const [mx, my] = [sx / n, sy / n];
    const [vx, vy, vxy] = [sxx / n - mx * mx + 1 / 12, syy / n - my * my + 1 / 12, sxy / n - mx * my];
    const det = Math.max(1e-9, vx * vy - vxy * vxy);
    const full = n / (12 * Math.sqrt(det));
    const half = (vx + vy) / 2;
    const along = half + Math.sqrt(Math.max(0, half * half - det));
    const slim = Math.sqrt(along ** 2 / det);
    if (full > FULL[0] && full < FULL[1] && slim < SLIMMEST)
      patches.push({ at: [mx, my], area: n, half: Math.sqrt(3 * along) });
  }
  return patches;
}

/** Those of about one size that are most. */
function ofOneSize(patches: readonly Patch[]): readonly Patch[] {
  const sorted = [...patches].sort((a, b) => a.area - b.area);
  let [best, from] = [0, 0];
  for (let i = 0, j = 0; i < sorted.length; i++) {
    while (j < sorted.length && sorted[j]!.area <= AREAS_APART * sorted[i]!.area) j++;
    // Of as many, the larger ones: crumbs of paper between letters are many as well.
    if (j - i >= best) [best, from] = [j - i, i];
  }
  return sorted.slice(from, from + best);
}

interface Fit extends FittedGrid {
  readonly rows: number;
  readonly columns: number;
  readonly area: number;
  readonly half: number;
}

/** A grid through the patches of one copy; undefined where they lie in none. */
function gridOf(patches: readonly Patch[]): Fit | undefined {
  const alike = ofOneSize(patches).slice(0, 4 * MOST_PATCHES);
  const placed = latticeOf(alike.map((p) => p.at));
  const columns = Math.max(0, ...placed.map((p) => p.column + 1));
  const rows = Math.max(0, ...placed.map((p) => p.row + 1));
  if (placed.length < LEAST || Math.max(rows, columns) > MOST_SIDE || rows * columns > MOST_PATCHES)
    return undefined;
  const fit = fitGrid(placed, columns, rows);
  if (!fit || fit.through.length < Math.max(LEAST, LEAST_FILLED * rows * columns)) return undefined;
  return {
    ...fit,
    rows,
    columns,
    area: median(alike.map((p) => p.area)),
    half: median(alike.map((p) => p.half)),
  };
}

/** Middles in shares of the picture, and the window that is read in each. */
function gridInShares(
  fit: FittedGrid,
  rows: number,
  columns: number,
  area: number,
  small: Pixels,
  factor: number,
): PatchGrid {
  const middles: At[] = [];
  let step = Infinity;
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++) {
      const [x, y] = project(fit.toPixels, c, r);
      middles.push([(x + 0.5) / small.width, (y + 0.5) / small.height]);
      step = Math.min(step, stepAt(fit.toPixels, c, r, columns, rows));
    }
  return { middles, side: factor * Math.min(READ * step, 0.6 * Math.sqrt(area)) };
}

/**
 * Windows of bare paper between and beside the patches: calm, of one hue with the lightest of them, and not darker than the light over a sheet
 * falls from one place to the next.
 */
function bareBeside(
  { toPixels }: FittedGrid,
  rows: number,
  columns: number,
  half: number,
  small: Pixels,
): At[] {
  const { width, height, data, channels } = small;
  const step = stepAt(toPixels, 0, 0, columns, rows);
  const reach = Math.max(1, Math.round((BARE_SIDE / 2) * step));
  const windowAt = (x: number, y: number) => {
    if (x - reach < 0 || y - reach < 0 || x + reach >= width || y + reach >= height) return undefined;
    const sum = [0, 0, 0];
    let [least, most, n] = [255, 0, 0];
    for (let v = y - reach; v <= y + reach; v++)
      for (let u = x - reach; u <= x + reach; u++, n++) {
        const q = (v * width + u) * channels;
        for (let c = 0; c < 3; c++) sum[c]! += data[q + c]!;
        least = Math.min(least, data[q + 1]!);
        most = Math.max(most, data[q + 1]!);
      }
    return most - least > BARE_RANGE ? undefined : (sum.map((v) => v / n) as [number, number, number]);
  };
  // In one row or column nothing says how far apart the next would be: as far as a patch reaches.
  const beyond = Math.min(rows, columns) < 2 ? Math.ceil((4 * 1.2 * half) / step) : 1;
  const seen: { readonly at: At; readonly rgb: readonly [number, number, number] }[] = [];
  // Half-way between rows or columns, and half to a whole step around them.
  for (let r = -4; r <= 4 * rows; r++)
    for (let c = -4; c <= 4 * columns; c++) {
      const aside =
        (columns < 2 && Math.abs(c) < beyond && (c !== 0 || r % 4 !== 2)) ||
        (rows < 2 && Math.abs(r) < beyond && (r !== 0 || c % 4 !== 2));
      if (aside) continue;
      const within = c >= 0 && r >= 0 && c <= 4 * (columns - 1) && r <= 4 * (rows - 1);
      if (within ? c % 4 !== 2 && r % 4 !== 2 : Math.abs(c % 2) + Math.abs(r % 2) > 0) continue;
      const [x, y] = project(toPixels, c / 4, r / 4).map(Math.round) as [number, number];
      const rgb = windowAt(x, y);
      if (rgb) seen.push({ at: [(x + 0.5) / width, (y + 0.5) / height], rgb });
    }
  const light = ([r, g, b]: readonly [number, number, number]) => 0.3 * r + 0.59 * g + 0.11 * b;
  seen.sort((a, b) => light(b.rgb) - light(a.rgb));
  const top = seen.slice(0, Math.max(1, seen.length >> 2));
  const hue = [0, 2].map((c) => median(top.map(({ rgb }) => rgb[c]! / Math.max(1, rgb[1]))));
  const paper = seen.filter(
    ({ rgb }) =>
      light(rgb) > DARKEST_BARE * light(seen[0]!.rgb) &&
      [0, 2].every((c, i) => Math.abs(rgb[c]! / Math.max(1, rgb[1]) - hue[i]!) < BARE_HUE),
  );
  // Evenly from all of them: the lightest alone would lie in one corner.
  const stride = Math.max(1, paper.length / MOST_BARE);
  return Array.from(
    { length: Math.min(MOST_BARE, paper.length) },
    (_, i) => paper[Math.floor(i * stride)]!.at,
  );
}

function copyOf({ width, height, rgb }: Raster): { readonly small: Pixels; readonly factor: number } {
  const factor = Math.max(1, Math.ceil(Math.max(width, height) / SIDE));
  return { small: reduced({ width, height, channels: 3, data: rgb }, factor), factor };
}

/**
 * Patches of a swatch sheet in a photo, in rows and columns, wherever they lie in it: turned by up to 45 degrees, seen aslant, with gaps, letters
 * and other things about. What lies between edges, is full and as large as most others is a patch; neighbours make a grid; the grid is laid
 * through them by least squares. Several sharpnesses of edge are tried, and the grid through most patches is taken.
 * @returns undefined where nothing lies in rows and columns
 */
export function* findPatches(raster: Raster): Work<FoundPatches | undefined> {
  const { small, factor } = copyOf(raster);
  const edge = edges(small);
  let best: Fit | undefined;
  for (const [i, limit] of EDGES.entries()) {
    const fit = gridOf(shapesWithin(edge, small.width, small.height, limit));
    if (fit && (!best || fit.through.length > best.through.length)) best = fit;
    yield (i + 1) / EDGES.length;
  }
  if (!best) return undefined;
  return {
    rows: best.rows,
    columns: best.columns,
    grid: gridInShares(best, best.rows, best.columns, best.area, small, factor),
    seen: best.through.length,
    bare: bareBeside(best, best.rows, best.columns, best.half, small),
  };
}

/** Where somebody pointed: the first patch, the last of its row, the last of all, in shares of the picture. */
export interface PointedGrid {
  readonly first: At;
  readonly rowEnd: At;
  readonly last: At;
  readonly rows: number;
  readonly columns: number;
}

/**
 * A grid that was pointed at, moved onto the patches that lie there.
 * @returns undefined where too few patches are seen near its places: it stays as it was pointed at
 */
export function* snapToPatches(raster: Raster, pointed: PointedGrid): Work<FoundPatches | undefined> {
  const { small, factor } = copyOf(raster);
  const { rows, columns } = pointed;
  const inPixels = ([x, y]: At): Point => [x * small.width - 0.5, y * small.height - 0.5];
  const [first, rowEnd, last] = [pointed.first, pointed.rowEnd, pointed.last].map(inPixels) as [
    Point,
    Point,
    Point,
  ];
  let grid = gridThrough(first, rowEnd, last, columns, rows);
  const edge = edges(small);
  let best: { fit: FittedGrid; area: number; half: number } | undefined;
  for (const [i, limit] of EDGES.entries()) {
    const alike = ofOneSize(shapesWithin(edge, small.width, small.height, limit));
    const pairs = pairsNear(grid, alike, rows, columns);
    const fit = fitGrid(pairs, columns, rows);
    if (
      fit &&
      fit.through.length >= ENOUGH_TO_SNAP * rows * columns &&
      fit.through.length > (best?.fit.through.length ?? 1)
    ) {
      best = { fit, area: median(alike.map((p) => p.area)), half: median(alike.map((p) => p.half)) };
      grid = fit.toPixels;
    }
    yield (i + 1) / EDGES.length;
  }
  return (
    best && {
      rows,
      columns,
      grid: gridInShares(best.fit, rows, columns, best.area, small, factor),
      seen: best.fit.through.length,
      bare: bareBeside(best.fit, rows, columns, best.half, small),
    }
  );
}

/** Places of a grid, each with the patch that lies nearest to it, if one does. */
function pairsNear(
  grid: FittedGrid["toPixels"],
  patches: readonly Patch[],
  rows: number,
  columns: number,
): InGrid[] {
  const pairs: InGrid[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const [x, y] = project(grid, column, row);
      let [best, at]: [number, Point | undefined] = [
        MOST_MOVED * stepAt(grid, column, row, columns, rows),
        undefined,
      ];
      for (const p of patches) {
        const d = Math.hypot(p.at[0] - x, p.at[1] - y);
        if (d < best) [best, at] = [d, p.at];
      }
      if (at) pairs.push({ at, column, row });
    }
  return pairs;
}
