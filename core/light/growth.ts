import type { Point } from "@/core/algebra/point";
import type { Growth } from "./form";
import type { Extent, Ground } from "./ground";

/** How hair grows over the box of an area, on a grid of its own. */
export interface Flow {
  /** Size of the grid, and pixels of the ground that a cell is wide. */
  readonly width: number;
  readonly height: number;
  readonly cell: number;
  /** Left and top of the grid on the ground, pixels. */
  readonly left: number;
  readonly top: number;
  /** Direction of growth, a unit vector: right and down. */
  readonly x: Float32Array;
  readonly y: Float32Array;
  /** Way from root (0) to tip (1). */
  readonly along: Float32Array;
  /** Place across the growth, cells; the same along one hair. */
  readonly across: Float32Array;
  /** 1 in the area. */
  readonly inside: Uint8Array;
}

type Grid = Pick<Flow, "width" | "height" | "inside">;

/** Long side of the grid on which growth is spread, cells. */
const GRID = 112;
const OVER = 1.9;
const SWEEPS = 160;
/** Change that ends the sweeps before their number is up. */
const STILL = 1e-4;

/** Points of a line as the grid's cells that it crosses, with its direction there. */
export function* cellsAlong(
  line: readonly Point[],
  place: (p: Point) => readonly [number, number],
): Generator<readonly [x: number, y: number, dx: number, dy: number]> {
  for (let i = 1; i < line.length; i++) {
    const [[ax, ay], [bx, by]] = [place(line[i - 1]!), place(line[i]!)];
    const long = Math.hypot(bx - ax, by - ay);
    if (long < 1e-6) continue;
    const steps = Math.max(1, Math.ceil(long * 2));
    for (let s = 0; s <= steps; s++)
      yield [ax + ((bx - ax) * s) / steps, ay + ((by - ay) * s) / steps, (bx - ax) / long, (by - ay) / long];
  }
}

/** Cells of an area in the order of rows, each with those of its neighbours that are in it: right, left, below, above, −1 for none. */
interface Cells {
  readonly at: Int32Array;
  readonly beside: Int32Array;
}

function cellsOf({ width, height, inside }: Grid): Cells {
  const at: number[] = [];
  for (let p = 0; p < inside.length; p++) if (inside[p]) at.push(p);
  const beside = new Int32Array(4 * at.length).fill(-1);
  at.forEach((p, i) => {
    const [x, y] = [p % width, Math.floor(p / width)];
    const put = (way: number, exists: boolean, q: number) => exists && inside[q] && (beside[4 * i + way] = q);
    put(0, x + 1 < width, p + 1);
    put(1, x > 0, p - 1);
    put(2, y + 1 < height, p + width);
    put(3, y > 0, p - width);
  });
  return { at: Int32Array.from(at), beside };
}

/**
 * Solves ∇²f = div g over the cells of the area, with no flow through its edge other than g's, by over-relaxation; cells that are fixed stay.
 * @param gx, gy the gradient that f should have; none for Laplace's equation
 */
function relax(
  f: Float32Array,
  { at, beside }: Cells,
  fixed?: Uint8Array,
  gx?: Float32Array,
  gy?: Float32Array,
): void {
  /** What f should rise by from its neighbours to each cell, all together, and how many there are. */
  const rise = new Float32Array(at.length);
  const many = new Uint8Array(at.length);
  for (let i = 0; i < at.length; i++)
    for (let way = 0; way < 4; way++) {
      const [p, q] = [at[i]!, beside[4 * i + way]!];
      if (q < 0) continue;
      many[i]!++;
      const g = way < 2 ? gx : gy;
      if (g) rise[i]! += ((way % 2 ? 1 : -1) * (g[p]! + g[q]!)) / 2;
    }
  for (let s = 0; s < SWEEPS; s++) {
    let change = 0;
    for (let i = 0, n = 0; i < at.length; i++, n += 4) {
      const p = at[i]!;
      if (!many[i] || (fixed && fixed[p])) continue;
      let sum = rise[i]!;
      const [a, b, c, d] = [beside[n]!, beside[n + 1]!, beside[n + 2]!, beside[n + 3]!];
      if (a >= 0) sum += f[a]!;
      if (b >= 0) sum += f[b]!;
      if (c >= 0) sum += f[c]!;
      if (d >= 0) sum += f[d]!;
      const by = OVER * (sum / many[i]! - f[p]!);
      f[p] = f[p]! + by;
      if (by > change) change = by;
      else if (-by > change) change = -by;
    }
    if (change < STILL) break;
  }
}

/** Cells that no neighbouring stroke has reached yet are filled from those that one has, so that relaxing starts near its end. */
function flood(f: Float32Array[], { width, height, inside }: Grid, known: Uint8Array): void {
  const seen = known.slice();
  let front: number[] = [];
  for (let p = 0; p < seen.length; p++) if (seen[p]) front.push(p);
  while (front.length) {
    const next: number[] = [];
    for (const p of front) {
      const x = p % width;
      for (const q of [x ? p - 1 : -1, x + 1 < width ? p + 1 : -1, p - width, p + width]) {
        if (q < 0 || q >= width * height || seen[q] || !inside[q]) continue;
        seen[q] = 1;
        for (const field of f) field[q] = field[p]!;
        next.push(q);
      }
    }
    front = next;
  }
}

/**
 * Spreads a few strokes of growth over an area. Hair has no front and back where it only lies, so its direction is interpolated as the double
 * angle, harmonically (as orientation fields are: R. Knöppel et al., ACM TOG 32, 2013); which end is the root follows from the strokes' own
 * direction, interpolated beside it. Ways along and across it are potentials with that gradient.
 * @param extent of the area
 * @returns undefined when no stroke crosses it
 */
export function flowOf(ground: Ground, area: number, { box }: Extent, { strokes }: Growth): Flow | undefined {
  const [left, top, right, bottom] = box;
  const cell = Math.max(1, Math.max(right - left, bottom - top) / GRID);
  const width = Math.max(1, Math.ceil((right - left) / cell));
  const height = Math.max(1, Math.ceil((bottom - top) / cell));
  const inside = new Uint8Array(width * height);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      const [px, py] = [Math.floor(left + (x + 0.5) * cell), Math.floor(top + (y + 0.5) * cell)];
      if (px < ground.width && py < ground.height && ground.own[py * ground.width + px] === area)
        inside[p] = 1;
    }
  const fixed = new Uint8Array(width * height);
  const fields = Array.from({ length: 4 }, () => new Float32Array(width * height));
  const [c2, s2, dx, dy] = fields as [Float32Array, Float32Array, Float32Array, Float32Array];
  const place = ([x, y]: Point) =>
    [(x * ground.width - left) / cell, (y * ground.height - top) / cell] as const;
  for (const stroke of strokes)
    for (const [x, y, ux, uy] of cellsAlong(stroke, place)) {
      const [cx, cy] = [Math.floor(x), Math.floor(y)];
      if (cx < 0 || cy < 0 || cx >= width || cy >= height) continue;
      const p = cy * width + cx;
      if (!inside[p]) continue;
      fixed[p] = 1;
      // cos 2θ and sin 2θ from the direction itself.
      c2[p] = ux * ux - uy * uy;
      s2[p] = 2 * ux * uy;
      dx[p] = ux;
      dy[p] = uy;
    }
  if (!fixed.includes(1)) return undefined;
  const grid = { width, height, inside };
  flood(fields, grid, fixed);
  const cells = cellsOf(grid);
  for (const field of fields) relax(field, cells, fixed);
  const x = new Float32Array(width * height);
  const y = new Float32Array(width * height);
  for (let p = 0; p < x.length; p++) {
    if (!inside[p]) continue;
    const angle = Math.atan2(s2[p]!, c2[p]!) / 2;
    const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
    const sign = ux * dx[p]! + uy * dy[p]! < 0 ? -1 : 1;
    x[p] = sign * ux;
    y[p] = sign * uy;
  }
  const along = new Float32Array(width * height);
  const across = new Float32Array(width * height);
  start(along, grid, x, y);
  relax(along, cells, undefined, x, y);
  const sideX = y.map((v) => -v);
  start(across, grid, sideX, x);
  relax(across, cells, undefined, sideX, x);
  return { ...grid, cell, left, top, x, y, across, along: scaled(along, inside) };
}

/** A first guess of a potential: the way along the mean gradient. */
function start(f: Float32Array, { width, inside }: Grid, gx: Float32Array, gy: Float32Array): void {
  let [mx, my, n] = [0, 0, 0];
  for (let p = 0; p < f.length; p++)
    if (inside[p]) {
      mx += gx[p]!;
      my += gy[p]!;
      n++;
    }
  for (let p = 0; p < f.length; p++)
    if (inside[p]) f[p] = ((p % width) * mx + Math.floor(p / width) * my) / Math.max(1, n);
}

/** Ends of a spread that count as its ends: a few odd cells do not. */
const [ROOT, TIP] = [0.02, 0.98];

function scaled(f: Float32Array, inside: Uint8Array): Float32Array {
  const sorted = f.filter((_, p) => inside[p]).sort();
  const low = sorted[Math.floor(ROOT * (sorted.length - 1))] ?? 0;
  const high = sorted[Math.floor(TIP * (sorted.length - 1))] ?? 1;
  return f.map((v) => Math.min(1, Math.max(0, (v - low) / (high - low || 1))));
}

/** Quantities of the grid at a pixel of the ground, between the cells of the area, put into `out`. */
export function flowAt(
  { width, height, cell, left, top, inside }: Flow,
  fields: readonly Float32Array[],
  px: number,
  py: number,
  out: Float64Array,
): void {
  const u = (px + 0.5 - left) / cell - 0.5;
  const v = (py + 0.5 - top) / cell - 0.5;
  const x0 = Math.max(0, Math.min(width - 1, Math.floor(u)));
  const y0 = Math.max(0, Math.min(height - 1, Math.floor(v)));
  const fx = Math.min(1, Math.max(0, u - x0));
  const fy = Math.min(1, Math.max(0, v - y0));
  out.fill(0);
  let weight = 0;
  for (let c = 0; c < 4; c++) {
    const q = Math.min(height - 1, y0 + (c >> 1)) * width + Math.min(width - 1, x0 + (c & 1));
    if (!inside[q]) continue;
    const w = (c & 1 ? fx : 1 - fx) * (c & 2 ? fy : 1 - fy) + 1e-6;
    for (let i = 0; i < fields.length; i++) out[i]! += w * fields[i]![q]!;
    weight += w;
  }
  if (weight) for (let i = 0; i < fields.length; i++) out[i]! /= weight;
}
