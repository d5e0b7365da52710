import type { Labels } from "@/core/picture/plane";

/** Which area each pixel belongs to, and what lies before what. */
export interface Ground {
  readonly width: number;
  readonly height: number;
  /** Place of the area among the areas; −1 for nobody's. */
  readonly own: Int16Array;
  readonly count: number;
  /** For two areas a, b at `a * count + b`: 1 when b lies before a. */
  readonly before: Uint8Array;
  readonly mmPerPixel: number;
}

/** @param order places of areas, front to back; what is not among them lies behind all that are */
export function groundOf(
  labels: Labels,
  owner: ArrayLike<number>,
  count: number,
  order: readonly number[],
  mmPerPixel: number,
): Ground {
  const { width, height, data } = labels;
  const own = new Int16Array(data.length);
  for (let p = 0; p < data.length; p++) own[p] = owner[data[p]!] ?? -1;
  const rank = new Float64Array(count).fill(Infinity);
  order.forEach((area, i) => (rank[area] = i));
  const before = new Uint8Array(count * count);
  for (let a = 0; a < count; a++)
    for (let b = 0; b < count; b++) before[a * count + b] = rank[b]! < rank[a]! ? 1 : 0;
  return { width, height, own, count, before, mmPerPixel };
}

/** A ground made coarser by a whole factor: the middle of each block stands for it. */
export function coarser(ground: Ground, by: number): Ground {
  if (by <= 1) return ground;
  const width = Math.ceil(ground.width / by);
  const height = Math.ceil(ground.height / by);
  const own = new Int16Array(width * height);
  const half = by >> 1;
  for (let y = 0, p = 0; y < height; y++) {
    const row = Math.min(ground.height - 1, y * by + half) * ground.width;
    for (let x = 0; x < width; x++, p++)
      own[p] = ground.own[row + Math.min(ground.width - 1, x * by + half)]!;
  }
  return { ...ground, width, height, own, mmPerPixel: ground.mmPerPixel * by };
}

/** Pixels of each area, and the box that holds them: left, top, first column and row beyond. */
export interface Extent {
  readonly pixels: number;
  readonly box: readonly [number, number, number, number];
}

export function extentsOf({
  width,
  height,
  own,
  count,
}: Pick<Ground, "width" | "height" | "own" | "count">): Extent[] {
  const boxes = Array.from({ length: count }, () => [width, height, 0, 0]);
  const pixels = new Int32Array(count);
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      const a = own[p]!;
      if (a < 0) continue;
      pixels[a]!++;
      const box = boxes[a]!;
      if (x < box[0]!) box[0] = x;
      if (y < box[1]!) box[1] = y;
      if (x >= box[2]!) box[2] = x + 1;
      if (y >= box[3]!) box[3] = y + 1;
    }
  return boxes.map((box, a) => ({ pixels: pixels[a]!, box: box as unknown as Extent["box"] }));
}

/**
 * A quantity of a coarser ground on a finer one: between the pixels of the same area, or of the same root where `root` says that areas are one.
 * @param by how many pixels of the finer one are a side of the coarser one's
 */
export function finer(
  plane: Float32Array,
  from: Pick<Ground, "width" | "height" | "own">,
  to: Pick<Ground, "width" | "height" | "own">,
  by: number,
  root?: Int16Array,
): Float32Array {
  const out = new Float32Array(to.own.length);
  const { width, height } = from;
  // Numbers of one form; what is nobody's, or a crease, is no form's.
  const forms = root ? from.own.map((a) => (a >= 0 ? root[a]! : a)) : from.own;
  for (let y = 0, p = 0; y < to.height; y++) {
    const v = (y + 0.5) / by - 0.5;
    const y0 = Math.max(0, Math.min(height - 1, Math.floor(v)));
    const below = y0 + 1 < height ? width : 0;
    const fy = Math.min(1, Math.max(0, v - y0));
    for (let x = 0; x < to.width; x++, p++) {
      const a = to.own[p]!;
      if (a < 0) continue;
      const u = (x + 0.5) / by - 0.5;
      const x0 = Math.max(0, Math.min(width - 1, Math.floor(u)));
      const right = x0 + 1 < width ? 1 : 0;
      const fx = Math.min(1, Math.max(0, u - x0));
      const q = y0 * width + x0;
      const r = root ? root[a]! : a;
      if (
        forms[q] === r &&
        forms[q + right] === r &&
        forms[q + below] === r &&
        forms[q + below + right] === r
      ) {
        const upper = plane[q]! + fx * (plane[q + right]! - plane[q]!);
        const lower = plane[q + below]! + fx * (plane[q + below + right]! - plane[q + below]!);
        out[p] = upper + fy * (lower - upper);
        continue;
      }
      let sum = 0;
      let weight = 0;
      // The least weight lets a pixel beside its own area's still have something.
      for (let c = 0; c < 4; c++) {
        const s = q + (c & 1 ? right : 0) + (c & 2 ? below : 0);
        if (forms[s] !== r) continue;
        const w = (c & 1 ? fx : 1 - fx) * (c & 2 ? fy : 1 - fy) + 1e-6;
        sum += w * plane[s]!;
        weight += w;
      }
      if (weight) out[p] = sum / weight;
    }
  }
  return out;
}
