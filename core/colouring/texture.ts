/** Side of the tile of noise, pixels: a power of two. */
const SIDE = 256;
/** Softest and finest lattice of the noise, cells over the tile. */
const LATTICES = [32, 64] as const;

/** A number 0–1 that two whole numbers always give (a mixing of bits as in T. Wang's integer hash). */
function hashed(x: number, y: number): number {
  let h = Math.imul(x, 0x27d4eb2d) ^ Math.imul(y, 0x165667b1);
  h = Math.imul(h ^ (h >>> 15), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}

/** Smooth noise −1…1 that repeats: lattices of random values, between them bilinear (K. Perlin's value noise). */
function tile(): Float32Array {
  const out = new Float32Array(SIDE * SIDE);
  for (const cells of LATTICES)
    for (let y = 0, p = 0; y < SIDE; y++)
      for (let x = 0; x < SIDE; x++, p++) {
        const [u, v] = [(x * cells) / SIDE, (y * cells) / SIDE];
        const [x0, y0] = [Math.floor(u), Math.floor(v)];
        const [fx, fy] = [u - x0, v - y0];
        const at = (dx: number, dy: number) =>
          2 * hashed((x0 + dx) % cells, ((y0 + dy) % cells) + cells * 7) - 1;
        out[p]! +=
          0.5 *
          ((1 - fy) * ((1 - fx) * at(0, 0) + fx * at(1, 0)) + fy * ((1 - fx) * at(0, 1) + fx * at(1, 1)));
      }
  return out;
}

let noise: Float32Array | undefined;

/** Unevenness (−1…1) of strokes, {@link inTile} says where. */
export const strokeTile = (): Float32Array => (noise ??= tile());

/** Where a place lies in the tile, pixels of it along the stroke; across it {@link acrossTile} of that is added. */
export const inTile = (along: number): number => (along | 0) & (SIDE - 1);
export const acrossTile = (across: number): number => inTile(across) * SIDE;

/** Unevenness (−1…1) of strokes at a place, pixels of the tile along and across the stroke. */
export const strokeNoise = (along: number, across: number): number =>
  strokeTile()[acrossTile(across) + inTile(along)]!;

/** Pixels of the tile a millimetre: strokes are about a millimetre wide. */
export const TILE_PER_MM = 7;
