import type { FormKind } from "./form";
import { coarser, finer, type Ground } from "./ground";

/** How one area's height is found. */
export interface Relief {
  readonly kind: Exclude<FormKind, "like">;
  /** Radians anticlockwise from across, of a tube's axis. */
  readonly axis: number;
  /** The area with which it is one form; itself when there is none. */
  readonly root: number;
}

/** Weights of the neighbours across, down and along the two diagonals, and the curvature that is wanted: Σ w (h − hₙ) = f. */
interface Stencil {
  readonly across: number;
  readonly down: number;
  /** Along the diagonal to the upper right, and to the lower right. */
  readonly rising: number;
  readonly falling: number;
  readonly f: number;
}

/** How much of what happens along a tube tells on its height: enough that the diagonal weights stay positive at every angle. */
const ALONG = 0.3;
/** Height of a form that nothing bounds, as its reach in shares of the picture. */
const UNBOUND = 5;
/** Relaxation and sweeps of the coarsest level, of those between, and of the finest: the coarsest is solved out, the others only smoothed. */
const FIRST = { over: 1.9, sweeps: 300 } as const;
const BETWEEN = { over: 1.75, sweeps: 14 } as const;
const LAST = { over: 1.6, sweeps: 3 } as const;
/** Long side of the coarsest level, pixels. */
const COARSEST = 48;

/** Solving Δh = −4 in a disc gives R² − r², the square of a half ball's height; −2 across a tube gives R² − x², that of a half tube. */
function stencilOf({ kind, axis }: Relief): Stencil {
  if (kind !== "tube") return { across: 1, down: 1, rising: 0, falling: 0, f: kind === "folded" ? 2 : 4 };
  const [c, s] = [Math.cos(axis), Math.sin(axis)];
  // Rows go down, so an axis that rises to the right has a negative product of its parts.
  const xx = s * s + ALONG * c * c;
  const yy = c * c + ALONG * s * s;
  const xy = (1 - ALONG) * s * c;
  const mixed = Math.abs(xy);
  return {
    across: xx - mixed,
    down: yy - mixed,
    rising: xy < 0 ? mixed : 0,
    falling: xy >= 0 ? mixed : 0,
    f: 2,
  };
}

const CREASE = -2;

interface Level {
  readonly width: number;
  readonly height: number;
  /** Area of each pixel, −1 where nothing is, {@link CREASE} where one runs. */
  readonly own: Int16Array;
  /** 0 nobody's or flat, 1 all eight neighbours are of one form, 2 some are not. */
  readonly kind: Uint8Array;
}

function levelOf({ width, height, own }: Ground, root: Int16Array, flat: Uint8Array): Level {
  const kind = new Uint8Array(own.length);
  // Of which form each pixel is, and whether those beside it in its row are of the same.
  const form = new Int16Array(own.length);
  for (let p = 0; p < own.length; p++) form[p] = own[p]! < 0 ? own[p]! : root[own[p]!]!;
  const even = new Uint8Array(own.length);
  for (let y = 0; y < height; y++)
    for (let p = y * width + 1, end = (y + 1) * width - 1; p < end; p++)
      even[p] = form[p] === form[p - 1] && form[p] === form[p + 1] ? 1 : 0;
  for (let y = 0, p = 0; y < height; y++) {
    const within = y > 0 && y + 1 < height;
    for (let x = 0; x < width; x++, p++) {
      const a = own[p]!;
      if (a < 0 || flat[a]) continue;
      const f = form[p];
      const all =
        within &&
        even[p] &&
        even[p - width] &&
        even[p + width] &&
        form[p - width] === f &&
        form[p + width] === f;
      kind[p] = all ? 1 : 2;
    }
  }
  return { width, height, own, kind };
}

/** What a sweep needs to know of the areas. */
interface Forms {
  readonly stencils: readonly Stencil[];
  readonly root: Int16Array;
  readonly before: Uint8Array;
  readonly count: number;
}

/** A pixel at an edge: each neighbour is of the same form, hides it, or ends it. */
function atEdge(
  h: Float32Array,
  { width, height, own }: Level,
  forms: Forms,
  p: number,
  screen: number,
): number {
  const { stencils, root, before, count } = forms;
  const a = own[p]!;
  const { across, down, rising, falling, f } = stencils[a]!;
  const [x, y] = [p % width, Math.floor(p / width)];
  let sum = f;
  let weight = screen;
  for (let dy = -1; dy <= 1; dy++)
    for (let dx = -1; dx <= 1; dx++) {
      const w = !dy ? (dx ? across : 0) : !dx ? down : dx === -dy ? rising : falling;
      if (!w) continue;
      const [nx, ny] = [x + dx, y + dy];
      // The sheet ends, the form does not.
      if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
      const q = p + dy * width + dx;
      const b = own[q]!;
      if (b >= 0 && root[b] === root[a]) sum += w * h[q]!;
      // It goes on behind what lies before it; elsewhere it ends.
      else if (b >= 0 && before[a * count + b]) continue;
      // Its edge lies half way to the pixel beyond, a valley in the middle of its own.
      else if (b !== CREASE) weight += w;
      weight += w;
    }
  return weight > screen ? sum / weight : 0;
}

/** One sweep of successive over-relaxation over a level, in runs of pixels that are surrounded by their own form. */
function sweep(h: Float32Array, level: Level, forms: Forms, screen: number, over: number): void {
  const { width, own, kind } = level;
  const end = own.length;
  const stay = 1 - over;
  let p = 0;
  while (p < end) {
    const k = kind[p]!;
    if (!k) {
      p++;
      continue;
    }
    if (k === 2) {
      h[p] = stay * h[p]! + over * atEdge(h, level, forms, p, screen);
      p++;
      continue;
    }
    const a = own[p]!;
    const { across, down, rising, falling, f } = forms.stencils[a]!;
    const by = over / (2 * (across + down + rising + falling) + screen);
    let left = h[p - 1]!;
    if (rising || falling) {
      const [w, d] = rising ? [rising, 1 - width] : [falling, -1 - width];
      for (; p < end && kind[p] === 1 && own[p] === a; p++) {
        const sides = across * (left + h[p + 1]!) + down * (h[p - width]! + h[p + width]!);
        left = stay * h[p]! + by * (f + sides + w * (h[p + d]! + h[p - d]!));
        h[p] = left;
      }
    } else
      for (; p < end && kind[p] === 1 && own[p] === a; p++) {
        const sides = across * (left + h[p + 1]!) + down * (h[p - width]! + h[p + width]!);
        left = stay * h[p]! + by * (f + sides);
        h[p] = left;
      }
  }
}

/** The next finer start, in units of the finer pixel's side squared. */
function refine(h: Float32Array, from: Level, to: Level, root: Int16Array): Float32Array {
  const out = finer(h, from, to, 2, root);
  for (let p = 0; p < out.length; p++) out[p]! *= 4;
  return out;
}

/**
 * Squared heights of every area, in pixels squared: Poisson's equation with 0 at free edges and no slope where something lies before, solved
 * from coarse to fine by successive over-relaxation (F. Bornemann & P. Deuflhard, Numer. Math. 75, 1996). Its root is a half ball over a disc
 * and a half tube along a tube's axis.
 * @param crease 1 where the valley of a fold runs
 */
export function squaredHeights(
  ground: Ground,
  reliefs: readonly Relief[],
  crease?: Uint8Array,
): Float32Array {
  const root = Int16Array.from(reliefs, (r) => r.root);
  const shapes = reliefs.map((r) => reliefs[r.root] ?? r);
  const flat = Uint8Array.from(shapes, (r) => (r.kind === "flat" ? 1 : 0));
  const { before, count } = ground;
  const known: Forms = { root, before, count, stencils: shapes.map(stencilOf) };
  const own = crease ? ground.own.map((a, p) => (crease[p] ? CREASE : a)) : ground.own;
  let by = 1;
  while (Math.max(ground.width, ground.height) / (by * 2) >= COARSEST) by *= 2;
  let h: Float32Array | undefined;
  let last: Level | undefined;
  for (; by >= 1; by >>= 1) {
    const level = levelOf(
      coarser({ ...ground, own: by > 1 ? creased(ground, own, by) : own }, by),
      root,
      flat,
    );
    h = h && last ? refine(h, last, level, root) : new Float32Array(level.own.length);
    const screen = 1 / (UNBOUND * Math.max(level.width, level.height)) ** 2;
    const { over, sweeps } = last ? (by > 1 ? BETWEEN : LAST) : FIRST;
    for (let s = 0; s < sweeps; s++) sweep(h, level, known, screen, over);
    last = level;
  }
  return h!;
}

/** Creases stay in a coarser picture: a block that one runs through has it in its middle. */
function creased({ width, height, own: areas }: Ground, own: Int16Array, by: number): Int16Array {
  const out = own.slice();
  const half = by >> 1;
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      if (own[p]! >= 0 || areas[p]! < 0) continue;
      const [mx, my] = [
        Math.min(width - 1, Math.floor(x / by) * by + half),
        Math.min(height - 1, Math.floor(y / by) * by + half),
      ];
      if (areas[my * width + mx] === areas[p]) out[my * width + mx] = CREASE;
    }
  return out;
}
