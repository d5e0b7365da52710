import type { Point } from "@/core/algebra/point";
import type { Pixels } from "./plane";
import { isQuad, reduced, type Corners } from "./rectify";

/** A sheet of paper found in a photo. */
export interface FoundSheet {
  readonly corners: Corners;
  /** 0–1: how clearly its edges stand out, and how well they are straight. */
  readonly confidence: number;
}

/** Long side of the copy in which the sheet is looked for. */
const SIDE = 480;
/** Steps between neighbours over which paper is still paper, in levels; the first that gives a sheet is taken. */
const STEPS = [5, 8, 12, 18];
/** Of the seed's light: what is darker is not paper, whatever leads there. */
const DARKEST = 0.42;
/** A sheet covers at least this share of the photo, and at most this: else the photo is the sheet. */
const SMALLEST = 0.12;
const LARGEST = 0.985;
/** Share of its four-cornered outline that the paper fills. */
const FILL = 0.9;
const HULL_POINTS = 90;

/** Luma of each pixel. */
function lumaOf({ width, height, channels, data }: Pixels): Uint8Array {
  const out = new Uint8Array(width * height);
  for (let p = 0, q = 0; p < out.length; p++, q += channels)
    out[p] = channels === 1 ? data[q]! : 0.3 * data[q]! + 0.59 * data[q + 1]! + 0.11 * data[q + 2]!;
  return out;
}

/** Pixels that can be reached from the light middle of the photo in small steps of light and colour. */
function paperFrom(small: Pixels, luma: Uint8Array, step: number): Uint8Array {
  const { width, height, channels, data } = small;
  const inMiddle: number[] = [];
  for (let y = Math.floor(height * 0.25); y < height * 0.75; y++)
    for (let x = Math.floor(width * 0.25); x < width * 0.75; x++) inMiddle.push(y * width + x);
  inMiddle.sort((a, b) => luma[b]! - luma[a]!);
  const seeds = inMiddle.slice(Math.floor(inMiddle.length * 0.05), Math.floor(inMiddle.length * 0.3));
  const level = luma[seeds[seeds.length >> 1] ?? 0]!;
  const paper = new Uint8Array(luma.length);
  const stack = [...seeds];
  for (const p of seeds) paper[p] = 1;
  const near = (p: number, q: number): boolean => {
    if (luma[q]! < DARKEST * level) return false;
    for (let c = 0; c < Math.min(3, channels); c++)
      if (Math.abs(data[p * channels + c]! - data[q * channels + c]!) > step) return false;
    return true;
  };
  while (stack.length) {
    const p = stack.pop()!;
    const x = p % width;
    const go = (q: number) => {
      if (paper[q] || !near(p, q)) return;
      paper[q] = 1;
      stack.push(q);
    };
    if (x > 0) go(p - 1);
    if (x + 1 < width) go(p + 1);
    if (p >= width) go(p - width);
    if (p + width < paper.length) go(p + width);
  }
  return paper;
}

/** What cannot be reached from the photo's border in small steps of light and colour: the sheet, whatever lies on it. */
function notTable({ width, height, channels, data }: Pixels, step: number): Uint8Array {
  const left = new Uint8Array(width * height).fill(1);
  const stack: number[] = [];
  const reach = (q: number) => {
    left[q] = 0;
    stack.push(q);
  };
  for (let p = 0; p < left.length; p++) {
    const [x, y] = [p % width, Math.floor(p / width)];
    if (x === 0 || y === 0 || x === width - 1 || y === height - 1) reach(p);
  }
  while (stack.length) {
    const p = stack.pop()!;
    const x = p % width;
    const go = (q: number) => {
      if (!left[q]) return;
      for (let c = 0; c < Math.min(3, channels); c++)
        if (Math.abs(data[p * channels + c]! - data[q * channels + c]!) > step) return;
      reach(q);
    };
    if (x > 0) go(p - 1);
    if (x + 1 < width) go(p + 1);
    if (p >= width) go(p - width);
    if (p + width < left.length) go(p + width);
  }
  return left;
}

/** Corners of the convex hull of set pixels' outer corners, clockwise as seen. A. Andrew, Inf. Proc. Letters 9 (1979). */
function hullOf(paper: Uint8Array, width: number, height: number): Point[] {
  const points: Point[] = [];
  for (let y = 0; y < height; y++) {
    let [first, last] = [-1, -1];
    for (let x = 0; x < width; x++) if (paper[y * width + x]) [first, last] = [first < 0 ? x : first, x];
    if (first < 0) continue;
    for (const yy of [y, y + 1]) points.push([first, yy], [last + 1, yy]);
  }
  points.sort((p, q) => p[0] - q[0] || p[1] - q[1]);
  const half = (sorted: readonly Point[]): Point[] => {
    const hull: Point[] = [];
    for (const p of sorted) {
      for (;;) {
        const [a, b] = [hull[hull.length - 2], hull[hull.length - 1]];
        if (!a || !b || (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break;
        hull.pop();
      }
      hull.push(p);
    }
    return hull.slice(0, -1);
  };
  return [...half(points), ...half([...points].reverse())];
}

const areaOf = (points: readonly Point[]): number =>
  points.reduce((sum, p, i) => {
    const q = points[(i + 1) % points.length]!;
    return sum + p[0] * q[1] - p[1] * q[0];
  }, 0) / 2;

/** The four points of a hull that enclose most. */
function largestFour(hull: readonly Point[]): readonly Point[] {
  const thinned = hull.length > HULL_POINTS ? longestSides(hull) : hull;
  const n = thinned.length;
  let [best, most] = [thinned.slice(0, 4) as readonly Point[], 0];
  const triangle = (a: Point, b: Point, c: Point) =>
    Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) / 2;
  for (let i = 0; i < n; i++)
    for (let k = i + 2; k < n; k++) {
      // Each side of the diagonal has its own farthest point.
      let [j, m, left, right] = [-1, -1, 0, 0];
      for (let q = 0; q < n; q++) {
        const size = triangle(thinned[i]!, thinned[k]!, thinned[q]!);
        if (q > i && q < k && size > left) [j, left] = [q, size];
        if ((q < i || q > k) && size > right) [m, right] = [q, size];
      }
      if (j >= 0 && m >= 0 && left + right > most) {
        most = left + right;
        best = [thinned[i]!, thinned[j]!, thinned[k]!, thinned[m]!];
      }
    }
  return best;
}

/** Points of a hull at the ends of its longest sides. */
function longestSides(hull: readonly Point[]): Point[] {
  const sides = hull.map((p, i) => {
    const q = hull[(i + 1) % hull.length]!;
    return { i, length: Math.hypot(q[0] - p[0], q[1] - p[1]) };
  });
  sides.sort((a, b) => b.length - a.length);
  const kept = new Set(sides.slice(0, HULL_POINTS / 2).flatMap(({ i }) => [i, (i + 1) % hull.length]));
  return hull.filter((_, i) => kept.has(i));
}

/** Clockwise as seen, the corner nearest the top left first. */
function fromTopLeft(four: readonly Point[]): Point[] {
  const round = areaOf(four) > 0 ? [...four] : [...four].reverse();
  const first = round.reduce((best, p, i) => (p[0] + p[1] < round[best]![0] + round[best]![1] ? i : best), 0);
  return round.map((_, i) => round[(first + i) % 4]!);
}

const SAMPLES = 64;
/** Ends of a side that are left out: corners are rounded, curled or held down. */
const ENDS = 0.06;

/** A line through points, strays left out by their distance, as a point and a direction. */
function lineThrough(points: readonly Point[]): { at: Point; way: Point; off: number } {
  let weight = points.map(() => 1);
  let fit = { at: [0, 0] as Point, way: [1, 0] as Point, off: Infinity };
  for (let round = 0; round < 8; round++) {
    const total = weight.reduce((a, b) => a + b, 0);
    const mean = (c: 0 | 1) => points.reduce((s, p, i) => s + weight[i]! * p[c], 0) / total;
    const [mx, my] = [mean(0), mean(1)];
    let [xx, xy, yy] = [0, 0, 0];
    points.forEach(([x, y], i) => {
      xx += weight[i]! * (x - mx) ** 2;
      xy += weight[i]! * (x - mx) * (y - my);
      yy += weight[i]! * (y - my) ** 2;
    });
    const angle = Math.atan2(2 * xy, xx - yy) / 2;
    const way: Point = [Math.cos(angle), Math.sin(angle)];
    const off = points.map(([x, y]) => Math.abs((x - mx) * way[1] - (y - my) * way[0]));
    const middle = [...off].sort((a, b) => a - b)[off.length >> 1]!;
    fit = { at: [mx, my], way, off: middle };
    const scale = Math.max(0.35, 2.5 * middle);
    weight = off.map((o) => (o < scale ? (1 - (o / scale) ** 2) ** 2 : 1e-6));
  }
  return fit;
}

function crossing(a: { at: Point; way: Point }, b: { at: Point; way: Point }): Point | undefined {
  const det = a.way[0] * b.way[1] - a.way[1] * b.way[0];
  if (Math.abs(det) < 0.05) return undefined;
  const t = ((b.at[0] - a.at[0]) * b.way[1] - (b.at[1] - a.at[1]) * b.way[0]) / det;
  return [a.at[0] + t * a.way[0], a.at[1] + t * a.way[1]];
}

/** Sides moved to where the picture's light steps most, read across them, and how large that step is. */
function refined(picture: Pixels, luma: Uint8Array, four: readonly Point[], reach: number) {
  const { width, height } = picture;
  const at = (x: number, y: number): number => {
    const [px, py] = [Math.min(width - 2, Math.max(0, x)), Math.min(height - 2, Math.max(0, y))];
    const p = Math.floor(py) * width + Math.floor(px);
    const [fx, fy] = [px - Math.floor(px), py - Math.floor(py)];
    const top = luma[p]! * (1 - fx) + luma[p + 1]! * fx;
    return top + (luma[p + width]! * (1 - fx) + luma[p + width + 1]! * fx - top) * fy;
  };
  const steps: number[] = [];
  const sides = four.map((a, i) => {
    const b = four[(i + 1) % 4]!;
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const out: Point = [(b[1] - a[1]) / long, -(b[0] - a[0]) / long];
    const points: Point[] = [];
    for (let s = 0; s < SAMPLES; s++) {
      const t = ENDS + ((1 - 2 * ENDS) * (s + 0.5)) / SAMPLES;
      const [x, y] = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
      const levels: number[] = [];
      for (let r = -reach; r <= reach; r += 0.5) levels.push(at(x + out[0] * r, y + out[1] * r));
      let [best, most] = [-1, 0];
      // The sheet is the lighter side: three samples inside against three outside.
      for (let k = 3; k + 3 < levels.length; k++) {
        const inside = levels[k - 1]! + levels[k - 2]! + levels[k - 3]!;
        const outside = levels[k + 1]! + levels[k + 2]! + levels[k + 3]!;
        if (inside - outside > most) [best, most] = [k, inside - outside];
      }
      if (best < 0) continue;
      const r = -reach + best * 0.5;
      points.push([x + out[0] * r, y + out[1] * r]);
      steps.push(most / 3);
    }
    return points.length >= SAMPLES / 4 ? lineThrough(points) : undefined;
  });
  if (sides.some((s) => !s)) return undefined;
  const corners = four.map((_, i) => crossing(sides[(i + 3) % 4]!, sides[i]!));
  if (corners.some((c) => !c)) return undefined;
  steps.sort((a, b) => a - b);
  return {
    corners: corners as Point[],
    step: steps[steps.length >> 1] ?? 0,
    off: Math.max(...sides.map((s) => s!.off)),
  };
}

/** Confidence below which nothing was found. */
const LEAST_SURE = 0.3;
/** Levels by which the table round a sheet is darker than the paper: a frame drawn on a sheet has paper on both sides. */
const TABLE_DARKER = 14;

const middleOf = (levels: readonly number[]): number =>
  [...levels].sort((a, b) => a - b)[levels.length >> 1] ?? 255;

const paperLevel = (luma: Uint8Array, paper: Uint8Array): number =>
  middleOf([...luma].filter((_, p) => paper[p]));

/** Middle of the light outside four corners. */
function tableLevel(luma: Uint8Array, width: number, four: readonly Point[]): number {
  const round = areaOf(four) > 0 ? four : [...four].reverse();
  return middleOf(
    [...luma].filter((_, p) => {
      const [x, y] = [(p % width) + 0.5, Math.floor(p / width) + 0.5];
      return round.some(([ax, ay], i) => {
        const [bx, by] = round[(i + 1) % 4]!;
        return (bx - ax) * (y - ay) - (by - ay) * (x - ax) < 0;
      });
    }),
  );
}

/** Step of light, in levels, at which an edge is beyond doubt. */
const CLEAR_STEP = 40;

/**
 * The sheet of paper on a table in a photo: the light region round the middle whose outline has four corners. Undefined where there is none,
 * or where the paper goes on beyond the picture: then the picture is the sheet, or its corners have to be pointed at.
 */
export function findSheet(picture: Pixels): FoundSheet | undefined {
  const factor = Math.max(1, Math.round(Math.max(picture.width, picture.height) / SIDE));
  const small = reduced(picture, factor);
  const luma = lumaOf(small);
  const full = lumaOf(picture);
  let best: FoundSheet | undefined;
  for (const step of STEPS) {
    const paper = paperFrom(small, luma, step);
    const hull = hullOf(paper, small.width, small.height);
    if (hull.length < 4) continue;
    const covered = areaOf(hull) / (small.width * small.height);
    if (covered < SMALLEST || covered > LARGEST) continue;
    const four = largestFour(hull);
    if (Math.abs(areaOf(four)) < FILL * areaOf(hull)) continue;
    if (paperLevel(luma, paper) - tableLevel(luma, small.width, four) < TABLE_DARKER) continue;
    const rough = fromTopLeft(four).map(([x, y]) => [x * factor, y * factor] as const);
    const fine = refined(picture, full, rough, Math.max(6, 4 * factor));
    if (!fine) continue;
    const [a, b, c, d] = fromTopLeft(fine.corners).map(
      ([x, y]) => [x / picture.width, y / picture.height] as const,
    ) as [Point, Point, Point, Point];
    const corners: Corners = [a, b, c, d];
    const seen = corners.every(([x, y]) => x > -0.02 && x < 1.02 && y > -0.02 && y < 1.02);
    if (!seen || !isQuad(corners, picture.width, picture.height)) continue;
    const confidence = Math.min(1, fine.step / CLEAR_STEP) * Math.max(0, 1 - fine.off / (3 * factor));
    if (!best || confidence > best.confidence) best = { corners, confidence };
  }
  return best && best.confidence > LEAST_SURE ? best : undefined;
}

/**
 * Roughly where a sheet lies that is coloured to its edges and has no paper to be found by: what stands out from the table round it. Within a
 * few hundredths of the photo; undefined where nothing of the sort has four corners.
 */
export function roughSheet(picture: Pixels): Corners | undefined {
  const factor = Math.max(1, Math.round(Math.max(picture.width, picture.height) / SIDE));
  const small = reduced(picture, factor);
  let best: { corners: Corners; fill: number } | undefined;
  for (const step of STEPS) {
    const hull = hullOf(opened(notTable(small, step), small.width), small.width, small.height);
    if (hull.length < 4) continue;
    const covered = areaOf(hull) / (small.width * small.height);
    if (covered < SMALLEST || covered > LARGEST) continue;
    const four = fromTopLeft(largestFour(hull));
    const fill = Math.abs(areaOf(four)) / areaOf(hull);
    const corners = four.map(([x, y]) => [x / small.width, y / small.height]) as unknown as Corners;
    if (fill > (best?.fill ?? FILL - 0.1) && isQuad(corners, picture.width, picture.height))
      best = { corners, fill };
  }
  return best?.corners;
}

/** Set pixels whose eight neighbours are set as well: specks on the table go. */
function opened(mask: Uint8Array, width: number): Uint8Array {
  const out = new Uint8Array(mask.length);
  for (let p = width + 1; p < mask.length - width - 1; p++)
    out[p] =
      mask[p]! &
      mask[p - 1]! &
      mask[p + 1]! &
      mask[p - width]! &
      mask[p + width]! &
      mask[p - width - 1]! &
      mask[p - width + 1]! &
      mask[p + width - 1]! &
      mask[p + width + 1]!;
  return out;
}
