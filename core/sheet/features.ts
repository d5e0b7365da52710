import type { Bytes } from "@/core/picture/plane";

/** A point on the drawing's line: its place in pixels of the drawing, and the unit direction across the line there. */
export interface Feature {
  readonly x: number;
  readonly y: number;
  readonly nx: number;
  readonly ny: number;
}

const ON_LINE = 128;
/** How much stronger the line must lie one way than any for it to have a direction. */
const DIRECTED = 0.25;
/** Cells of a grid along the drawing's longer side: each gives its share of the points. */
const GRID = 24;

/**
 * Points of the line that say where it is, spread over the drawing: the direction across the line is the stronger axis of the gradients round a
 * point (structure tensor, J. Bigün & G. Granlund, ICCV 1987). Filled blacks and crossings have none and give none.
 */
export function featuresOf({ width, height, data }: Bytes, most: number): Feature[] {
  const reach = Math.max(2, Math.round(Math.max(width, height) / 400));
  const cell = Math.max(width, height) / GRID;
  const columns = Math.ceil(width / cell);
  const cells: number[][] = Array.from({ length: columns * Math.ceil(height / cell) }, () => []);
  for (let y = reach + 1; y < height - reach - 1; y++)
    for (let x = reach + 1; x < width - reach - 1; x++)
      if (data[y * width + x]! >= ON_LINE)
        cells[Math.floor(y / cell) * columns + Math.floor(x / cell)]!.push(y * width + x);
  const full = cells.filter((c) => c.length);
  const each = Math.max(1, Math.ceil((1.6 * most) / Math.max(1, full.length)));
  const found: Feature[] = [];
  for (const pixels of full) {
    const tries = Math.min(pixels.length, each);
    for (let k = 0; k < tries; k++) {
      const p = pixels[Math.floor(((k + 0.5) * pixels.length) / tries)]!;
      const [x, y] = [p % width, Math.floor(p / width)];
      const feature = featureAt(data, width, x, y, reach);
      if (feature) found.push(feature);
    }
  }
  const stride = Math.max(1, found.length / most);
  return Array.from(
    { length: Math.min(most, found.length) },
    (_, k) => found[Math.min(found.length - 1, Math.floor(k * stride))]!,
  );
}

function featureAt(
  data: Bytes["data"],
  width: number,
  x: number,
  y: number,
  reach: number,
): Feature | undefined {
  let [xx, xy, yy] = [0, 0, 0];
  for (let dy = -reach; dy <= reach; dy++)
    for (let dx = -reach; dx <= reach; dx++) {
      const p = (y + dy) * width + x + dx;
      const [gx, gy] = [data[p + 1]! - data[p - 1]!, data[p + width]! - data[p - width]!];
      xx += gx * gx;
      xy += gx * gy;
      yy += gy * gy;
    }
  const total = xx + yy;
  if (!(total > 0) || Math.hypot(xx - yy, 2 * xy) < DIRECTED * total) return undefined;
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  const [nx, ny] = [Math.cos(angle), Math.sin(angle)];
  // To the middle of the line, across it.
  const edge = (way: 1 | -1): number => {
    for (let t = 0; t <= 6 * reach; t++) {
      const q = Math.round(y + way * t * ny) * width + Math.round(x + way * t * nx);
      if (!(data[q]! >= ON_LINE)) return t;
    }
    return 6 * reach + 1;
  };
  const [ahead, behind] = [edge(1), edge(-1)];
  if (ahead + behind > 6 * reach) return undefined;
  const to = (ahead - behind) / 2;
  return { x: x + to * nx + 0.5, y: y + to * ny + 0.5, nx, ny };
}
