import { homographyBetween, type Homography, project } from "@/core/algebra/homography";
import { quantile } from "@/core/algebra/median";
import type { Point } from "@/core/algebra/point";
import type { Bytes, Pixels } from "@/core/picture/plane";
import { findSheet, roughSheet } from "@/core/picture/find-sheet";
import { aspectOf, type Corners, isQuad, WHOLE_PICTURE } from "@/core/picture/rectify";
import { part, type Work } from "@/core/progress";
import { darkness, halved, lumaPlane, type Plane, valueAt } from "./darkness";
import { type Feature, featuresOf } from "./features";
import { nearerHomography, normalThrough, lineNear, type Placed, warped } from "./place";

/** A drawing found in a photo. */
export interface FoundDrawing extends Placed {
  /** The drawing's corners in shares of the photo, clockwise from its top left. */
  readonly corners: Corners;
  /** Distance of its line from where it lies by now, pixels of the photo: middle and 95th of a hundred. */
  readonly median: number;
  readonly p95: number;
  /** Share of its line that was met in the photo, and that would be met by chance beside it. */
  readonly met: number;
  readonly byChance: number;
  /** Share of its line that lies within the photo. */
  readonly inside: number;
}

/** Longest side of the plane in which lines are met, and of the one in which the drawing is looked for. */
const FINE = 1700;
const COARSE = 72;
const FEATURES = 700;
const COARSE_POINTS = 260;
/** Turns that are tried, degrees: of a sheet that was found, and of a photo without one. */
const QUARTERS = [0, 90, 180, 270];
const ALL_ROUND = Array.from({ length: 24 }, (_, i) => 15 * i);
/** Sizes that are tried, of the largest that fits. */
const SIZES = Array.from({ length: 16 }, (_, i) => 1.02 * 0.93 ** i);
/** Places that are looked at closely. */
const CLOSELY = 6;

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Corners of a drawing in its own pixels, clockwise from its top left. */
const frameOf = ({ width, height }: Size): Point[] => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
];

interface Guess {
  readonly h: Homography;
  readonly score: number;
}

/** Means and spreads of a plane over boxes, by sums from its corner. */
function sums({ width, height, data }: Plane) {
  const make = (of: (v: number) => number) => {
    const out = new Float64Array((width + 1) * (height + 1));
    for (let y = 0; y < height; y++)
      for (let x = 0, row = 0; x < width; x++) {
        row += of(data[y * width + x]!);
        out[(y + 1) * (width + 1) + x + 1] = out[y * (width + 1) + x + 1]! + row;
      }
    return (x0: number, y0: number, x1: number, y1: number) =>
      out[y1 * (width + 1) + x1]! -
      out[y0 * (width + 1) + x1]! -
      out[y1 * (width + 1) + x0]! +
      out[y0 * (width + 1) + x0]!;
  };
  return { once: make((v) => v), squared: make((v) => v * v) };
}

/** The drawing at a turn and a size, moved over a straightened view: how much darker than its surroundings lies its line, in spreads. */
function slide(
  view: Plane,
  sum: ReturnType<typeof sums>,
  points: readonly Point[],
  aspect: number,
  turn: number,
  size: number,
): { x: number; y: number; long: number; score: number } | undefined {
  const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  const [w, h] = aspect >= 1 ? [1, 1 / aspect] : [aspect, 1];
  const [bw, bh] = [Math.abs(w * c) + Math.abs(h * s), Math.abs(w * s) + Math.abs(h * c)];
  const long = size * Math.min(view.width / bw, view.height / bh);
  const [boxW, boxH] = [
    Math.min(view.width, Math.floor(bw * long)),
    Math.min(view.height, Math.floor(bh * long)),
  ];
  if (boxW < 8 || boxH < 8) return undefined;
  const at = points.map(([x, y]) => {
    const [u, v] = [(x - 0.5) * w * long, (y - 0.5) * h * long];
    return [Math.round(u * c - v * s + boxW / 2 - 0.5), Math.round(u * s + v * c + boxH / 2 - 0.5)] as const;
  });
  const inBox = at.filter(([x, y]) => x >= 0 && y >= 0 && x < boxW && y < boxH);
  const offsets = Int32Array.from(inBox, ([x, y]) => y * view.width + x);
  const area = boxW * boxH;
  let best: { x: number; y: number; long: number; score: number } | undefined;
  for (let y = 0; y + boxH <= view.height; y++)
    for (let x = 0; x + boxW <= view.width; x++) {
      let on = 0;
      const from = y * view.width + x;
      for (const o of offsets) on += view.data[from + o]!;
      const mean = sum.once(x, y, x + boxW, y + boxH) / area;
      const spread = Math.sqrt(Math.max(1e-8, sum.squared(x, y, x + boxW, y + boxH) / area - mean * mean));
      const score = ((on / Math.max(1, offsets.length) - mean) / spread) * Math.sqrt(long);
      if (!best || score > best.score) best = { x: x + boxW / 2, y: y + boxH / 2, long, score };
    }
  return best;
}

/** Places where the drawing could be, most likely first: by turn, size and place over the straightened sheet, or the photo as it is. */
function* guesses(
  dark: Plane,
  scale: number,
  sheet: Corners | undefined,
  photo: Pixels,
  line: Bytes,
  features: readonly Feature[],
): Work<Guess[]> {
  const quad = sheet ?? WHOLE_PICTURE;
  const aspect = sheet ? aspectOf(sheet, photo.width, photo.height) : photo.width / photo.height;
  const [vw, vh] =
    aspect >= 1
      ? [COARSE, Math.max(16, Math.round(COARSE / aspect))]
      : [Math.max(16, Math.round(COARSE * aspect)), COARSE];
  const toPhoto = homographyBetween(
    [
      [0, 0],
      [vw, 0],
      [vw, vh],
      [0, vh],
    ],
    quad.map(([x, y]) => [x * photo.width, y * photo.height] as const),
  );
  let [small, by] = [dark, scale];
  // Until a pixel of the plane is about as large as one of the view.
  while (Math.max(small.width, small.height) > 2.2 * COARSE) [small, by] = [halved(small), 2 * by];
  const view: Plane = { width: vw, height: vh, data: new Float32Array(vw * vh) };
  const edge = Math.ceil(0.012 * COARSE);
  for (let y = edge; y < vh - edge; y++)
    for (let x = edge; x < vw - edge; x++) {
      const [px, py] = project(toPhoto, x + 0.5, y + 0.5);
      view.data[y * vw + x] = Math.sqrt(valueAt(small, px / by - 0.5, py / by - 0.5));
    }
  const sum = sums(view);
  const stride = Math.max(1, features.length / COARSE_POINTS);
  const points = Array.from({ length: Math.min(COARSE_POINTS, features.length) }, (_, k): Point => {
    const f = features[Math.floor(k * stride)]!;
    return [f.x / line.width, f.y / line.height];
  });
  const own = line.width / line.height;
  const [w, h] = own >= 1 ? [1, 1 / own] : [own, 1];
  const found: Guess[] = [];
  const turns = sheet ? QUARTERS : ALL_ROUND;
  for (const [n, turn] of turns.entries()) {
    for (const size of SIZES) {
      const best = slide(view, sum, points, own, turn, size);
      if (!best) continue;
      const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
      const corners = ([-0.5, 0.5] as const).flatMap((v) =>
        ([-0.5, 0.5] as const).map((u): Point => {
          const [x, y] = [u * w * best.long, v * h * best.long];
          return project(toPhoto, best.x + x * c - y * s, best.y + x * s + y * c);
        }),
      );
      found.push({
        score: best.score,
        h: homographyBetween(
          [
            [0, 0],
            [line.width, 0],
            [0, line.height],
            [line.width, line.height],
          ],
          corners,
        ),
      });
    }
    yield n / turns.length;
  }
  return found.sort((a, b) => b.score - a.score).slice(0, CLOSELY);
}

/** How much another shape a sheet may have than the drawing to be the drawing from edge to edge. */
const SAME_SHAPE = 0.15;

/** The drawing laid edge on edge on the sheet, in all turns that its shape allows. */
function edgeOnEdge(sheet: Corners, photo: Pixels, { width, height }: Size): Guess[] {
  const aspect = aspectOf(sheet, photo.width, photo.height);
  return [0, 1, 2, 3].flatMap((turn) => {
    if (Math.abs(Math.log((turn % 2 ? 1 / aspect : aspect) / (width / height))) > SAME_SHAPE) return [];
    const turned = sheet.map((_, i) => sheet[(i + turn) % 4]!) as unknown as Corners;
    return [laidOn(turned, { width, height }, photo)];
  });
}

const cornersOf = (at: (x: number, y: number) => Point, line: Size, photo: Size): Corners =>
  frameOf(line).map(([x, y]) => {
    const [px, py] = at(x, y);
    return [px / photo.width, py / photo.height] as const;
  }) as unknown as Corners;

/** Steps aside, in pixels of the photo across the reach, at which a line would be met by chance. */
const ASIDE = [-3.3, -2.4, 2.4, 3.3];

/** How much of the line is met within `reach`, and how much would be a few reaches beside it. */
function hits(dark: Plane, scale: number, features: readonly Feature[], at: Placed["at"], reach: number) {
  let [met, chance, inside] = [0, 0, 0];
  for (const f of features) {
    const [x, y] = at(f.x, f.y);
    if (x < 0 || y < 0 || x > dark.width * scale || y > dark.height * scale) continue;
    inside++;
    const n = normalThrough(at, f);
    if (lineNear(dark, scale, [x, y], n, reach) !== undefined) met++;
    for (const a of ASIDE)
      if (lineNear(dark, scale, [x + a * reach * n[0], y + a * reach * n[1]], n, reach) !== undefined)
        chance += 1 / ASIDE.length;
  }
  const of = Math.max(1, inside);
  return { met: met / of, byChance: chance / of, inside: inside / Math.max(1, features.length) };
}

/** How far a curling sheet may carry a line from where a flat one would have it, share of its longer side. */
const CURL = 0.016;
/** Sizes of the search round a guess, in shares of the drawing's longer side in the photo, and the plane (by halvings) in which. */
const STAGES = [
  [0.07, 3],
  [0.05, 3],
  [0.05, 3],
  [0.035, 3],
  [0.035, 2],
  [0.022, 2],
  [0.014, 2],
  [0.014, 1],
  [0.008, 1],
  [0.005, 0],
  [0.004, 0],
] as const;

/** Share of the line, beyond chance, that leaves no doubt that the drawing lies there. */
const SURE = 0.5;

/** A guess brought nearer, from coarse to fine. */
function nearer(
  pyramid: readonly Plane[],
  factor: number,
  features: readonly Feature[],
  start: Homography,
  line: Bytes,
  stages: readonly (readonly [share: number, level: number])[],
): Homography {
  let h = start;
  for (const [share, level] of stages) {
    const scale = factor * 2 ** level;
    const reach = Math.max(3 * scale, share * Math.hypot(...sideOf(h, line)));
    const next = nearerHomography(pyramid[level]!, scale, features, h, reach);
    if (next.every(Number.isFinite)) h = next;
  }
  return h;
}

/** The drawing with its corners where they are known to be. */
const laidOn = (corners: Corners, line: Size, photo: Pixels): Guess => ({
  h: homographyBetween(
    frameOf(line),
    corners.map(([x, y]) => [x * photo.width, y * photo.height] as const),
  ),
  score: 0,
});

/**
 * The drawing in a photo of it, coloured or not: by its corners where they are known, else the sheet's outline, then the line itself, met
 * across its direction under a robust homography from coarse to fine, then a smooth warp for a sheet that curls. Undefined without a line.
 * Yields progress 0–1.
 */
export function* findDrawing(
  photo: Pixels,
  line: Bytes,
  known: Corners | null,
): Work<FoundDrawing | undefined> {
  const features = featuresOf(line, FEATURES);
  if (features.length < 24) return undefined;
  const factor = Math.max(1, Math.round(Math.max(photo.width, photo.height) / FINE));
  const dark = darkness(lumaPlane(photo, factor), [2, 4, 7]);
  yield 0.15;
  const pyramid: Plane[] = [dark];
  for (let k = 0; k < 3; k++) pyramid.push(halved(pyramid[k]!));
  const closest = (starts: readonly Guess[], stages: readonly (typeof STAGES)[number][]) =>
    starts.reduce<Guess | undefined>((best, start) => {
      const h = nearer(pyramid, factor, features, start.h, line, stages);
      const at = (x: number, y: number) => project(h, x, y);
      if (!isQuad(cornersOf(at, line, photo), photo.width, photo.height)) return best;
      const { met, byChance, inside } = hits(dark, factor, features, at, 2.5 * factor);
      const score = (met - byChance) * inside;
      return !best || score > best.score ? { h, score } : best;
    }, undefined);
  let best: Guess | undefined;
  if (known) best = closest([laidOn(known, line, photo)], STAGES.slice(4));
  else {
    const sheet = findSheet(photo)?.corners ?? roughSheet(photo);
    yield 0.25;
    for (const [n, quad] of [sheet, undefined].entries()) {
      if (n === 1 && best && (best.score > SURE || !sheet)) break;
      const starts = [
        ...(quad ? edgeOnEdge(quad, photo, line) : []),
        ...(yield* part(guesses(dark, factor, quad, photo, line, features), 0.25 + 0.3 * n, 0.2)),
      ];
      const own = closest(starts, STAGES);
      if (own && (!best || own.score > best.score)) best = own;
      yield 0.55 + 0.3 * n;
    }
  }
  if (!best) return undefined;
  const long = Math.hypot(...sideOf(best.h, line));
  const placed = warped(dark, factor, features, best.h, line, Math.max(4 * factor, CURL * long));
  const off = placed.off.flatMap((t) => (t === undefined ? [] : [Math.abs(t)]));
  return {
    ...placed,
    ...hits(dark, factor, features, placed.at, 2.5 * factor),
    corners: cornersOf(placed.at, line, photo),
    median: quantile(off, 0.5),
    p95: quantile(off, 0.95),
  };
}

const sideOf = (h: Homography, { width, height }: Bytes): Point => {
  const [a, b] = [project(h, 0, 0), project(h, width, height)];
  return [a[0] - b[0], a[1] - b[1]];
};
