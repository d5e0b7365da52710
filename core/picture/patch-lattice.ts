import { homographyBetween, project, type Homography } from "@/core/algebra/homography";
import { median } from "@/core/algebra/median";
import type { Point } from "@/core/algebra/point";
import { solve } from "@/core/algebra/solve";

/** Something found at a place, with its column and row in a grid. */
export interface InGrid {
  readonly at: Point;
  readonly column: number;
  readonly row: number;
}

/** Degrees by which a neighbour may lie off the direction of its row or column. */
const ASIDE = 25;
/** Share of the usual distance at which a neighbour still is the next one: nearer and farther ones are something else. */
const NEXT = [0.62, 1.5] as const;
/** With fewer places than these a sheet seen aslant cannot be told from scatter. */
const ENOUGH_FOR_SLANT = 9;
/** Share of a step by which a place may lie off the grid. */
const MOST_OFF = 0.22;
const ROUNDS = 4;

const radians = (degrees: number) => (degrees * Math.PI) / 180;

/** The direction along which neighbours lie, radians within an eighth of a turn of the picture's rows. */
function tiltOf(places: readonly Point[]): number {
  let [re, im] = [0, 0];
  for (const p of places) {
    let [best, from]: [number, Point] = [Infinity, p];
    for (const q of places) {
      const d = Math.hypot(q[0] - p[0], q[1] - p[1]);
      if (q !== p && d < best) [best, from] = [d, q];
    }
    const angle = 4 * Math.atan2(from[1] - p[1], from[0] - p[0]);
    re += Math.cos(angle);
    im += Math.sin(angle);
  }
  return Math.atan2(im, re) / 4;
}

/** The nearest place in a direction, by index; undefined where there is none. */
function neighbour(
  places: readonly Point[],
  i: number,
  towards: number,
): { readonly to: number; readonly far: number } | undefined {
  const [x, y] = places[i]!;
  let found: { to: number; far: number } | undefined;
  for (const [to, [u, v]] of places.entries()) {
    const far = Math.hypot(u - x, v - y);
    if (to === i || (found && far >= found.far)) continue;
    const aside = Math.atan2(v - y, u - x) - towards;
    if (Math.cos(aside) > Math.cos(radians(ASIDE))) found = { to, far };
  }
  return found;
}

/**
 * Columns and rows of places that lie in a grid, by going from neighbour to neighbour; the largest set that hangs together, from column 0 and
 * row 0. The grid may be turned by up to 45 degrees and be seen aslant; places may be missing, and others may lie about.
 * @param places in pixels
 */
export function latticeOf(places: readonly Point[]): readonly InGrid[] {
  if (places.length < 2) return [];
  const tilt = tiltOf(places);
  const steps = [tilt, tilt + Math.PI / 2].map((towards) => {
    const next = places.map((_, i) => neighbour(places, i, towards));
    return { next, usual: median(next.flatMap((n) => (n ? [n.far] : []))) };
  });
  const links: { to: number; column: number; row: number }[][] = places.map(() => []);
  for (const [axis, { next, usual }] of steps.entries())
    for (const [i, n] of next.entries()) {
      if (!n || n.far < NEXT[0] * usual || n.far > NEXT[1] * usual) continue;
      const [column, row] = axis ? [0, 1] : [1, 0];
      links[i]!.push({ to: n.to, column, row });
      links[n.to]!.push({ to: i, column: -column, row: -row });
    }
  let best: InGrid[] = [];
  const known = new Set<number>();
  for (const start of places.keys()) {
    if (known.has(start)) continue;
    known.add(start);
    const set: InGrid[] = [{ at: places[start]!, column: 0, row: 0 }];
    const taken = new Set(["0 0"]);
    const queue = [{ i: start, column: 0, row: 0 }];
    for (const { i, column, row } of queue)
      for (const link of links[i]!) {
        const [c, r] = [column + link.column, row + link.row];
        if (known.has(link.to) || taken.has(`${c} ${r}`)) continue;
        known.add(link.to);
        taken.add(`${c} ${r}`);
        set.push({ at: places[link.to]!, column: c, row: r });
        queue.push({ i: link.to, column: c, row: r });
      }
    if (set.length > best.length) best = set;
  }
  const [left, top] = [Math.min(...best.map((p) => p.column)), Math.min(...best.map((p) => p.row))];
  return best.map((p) => ({ at: p.at, column: p.column - left, row: p.row - top }));
}

/** The map that fits pairs best in the squares of their distances: of eight numbers where many are known, else without perspective. */
function leastSquares(pairs: readonly InGrid[], columns: number, rows: number): Homography {
  // One row or one column says nothing of the other direction, which is then taken square to it.
  const flat = columns < 2 || rows < 2;
  const slants = !flat && pairs.length >= ENOUGH_FOR_SLANT && columns > 2 && rows > 2;
  const n = slants ? 8 : flat ? 4 : 6;
  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  const add = (of: readonly number[], is: number) => {
    for (let i = 0; i < n; i++) {
      for (let j = 0; j < n; j++) a[i * n + j]! += of[i]! * of[j]!;
      b[i]! += of[i]! * is;
    }
  };
  for (const { at, column: x, row: y } of pairs) {
    const [u, v] = at;
    if (flat) {
      // A turn and a size: u = px - qy + r, v = qx + py + s.
      add([x, -y, 1, 0], u);
      add([y, x, 0, 1], v);
    } else {
      add([x, y, 1, 0, 0, 0, -x * u, -y * u], u);
      add([0, 0, 0, x, y, 1, -x * v, -y * v], v);
    }
  }
  for (let i = 0; i < n; i++) a[i * n + i]! += 1e-9;
  const s = solve(a, b);
  if (flat) return Float64Array.of(s[0]!, -s[1]!, s[2]!, s[1]!, s[0]!, s[3]!, 0, 0);
  return Float64Array.of(s[0]!, s[1]!, s[2]!, s[3]!, s[4]!, s[5]!, s[6] ?? 0, s[7] ?? 0);
}

/** A grid laid through places, with those that it goes through. */
export interface FittedGrid {
  /** Columns and rows to pixels. */
  readonly toPixels: Homography;
  readonly through: readonly InGrid[];
  /** Median distance of the places from the grid, in steps. */
  readonly off: number;
}

/** Length of a step of the grid at one of its places, the shorter of both. */
export function stepAt(toPixels: Homography, column: number, row: number, columns: number, rows: number) {
  const [x, y] = project(toPixels, column, row);
  const to = (c: number, r: number) => {
    const [u, v] = project(toPixels, column + c, row + r);
    return Math.hypot(u - x, v - y);
  };
  return Math.min(
    ...(columns > 1 || rows < 2 ? [to(1, 0)] : []),
    ...(rows > 1 || columns < 2 ? [to(0, 1)] : []),
  );
}

/** Lays a grid through places, leaving out those that lie off it; undefined where too few are left. */
export function fitGrid(pairs: readonly InGrid[], columns: number, rows: number): FittedGrid | undefined {
  let through = pairs;
  const least = columns > 1 && rows > 1 ? 3 : 2;
  for (let round = 0; through.length >= least; round++) {
    const toPixels = leastSquares(through, columns, rows);
    const offs = pairs.map(({ at, column, row }) => {
      const [x, y] = project(toPixels, column, row);
      return Math.hypot(at[0] - x, at[1] - y) / stepAt(toPixels, column, row, columns, rows);
    });
    const near = pairs.filter((_, i) => offs[i]! < MOST_OFF);
    if (near.length === through.length || round === ROUNDS)
      return near.length < least
        ? undefined
        : { toPixels, through: near, off: median(offs.filter((o) => o < MOST_OFF)) };
    through = near;
  }
  return undefined;
}

/** The same grid from three of its places and no perspective: as somebody points at it. */
export function gridThrough(
  first: Point,
  rowEnd: Point,
  last: Point,
  columns: number,
  rows: number,
): Homography {
  const [a, b, c] = [first, columns > 1 ? rowEnd : first, rows > 1 ? last : columns > 1 ? rowEnd : first];
  const across: Point = columns > 1 ? [(b[0] - a[0]) / (columns - 1), (b[1] - a[1]) / (columns - 1)] : [0, 0];
  const down: Point =
    rows > 1 ? [(c[0] - b[0]) / (rows - 1), (c[1] - b[1]) / (rows - 1)] : [-across[1], across[0]];
  const own: Point = columns > 1 ? across : [down[1], -down[0]];
  const at = (x: number, y: number): Point => [
    a[0] + x * own[0] + y * down[0],
    a[1] + x * own[1] + y * down[1],
  ];
  return homographyBetween(
    [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ],
    [at(0, 0), at(1, 0), at(1, 1), at(0, 1)],
  );
}
