import type { Point } from "@/core/algebra/point";
import { smoothStep } from "@/core/algebra/smooth-step";
import type { Growth } from "./form";
import { cellsAlong, flowAt, type Flow } from "./growth";
import type { Extent, Ground } from "./ground";
import type { Direction } from "./light";
import type { Normals } from "./normals";

/** Ends of the way from root to tip that are dark, and how dark. */
const ROOT = { until: 0.2, dark: 0.55 } as const;
const TIP = { from: 0.82, dark: 0.35 } as const;
/** How far the band is thrown to and fro from strand to strand. */
const ZIGZAG = 0.22;
/** Strands over the width of an area. */
const STRANDS = 26;
/** Reach of the dark round a parting and a gathered place, as shares of the area's extent. */
const [PARTING, GATHERED] = [0.05, 0.11] as const;

/** Numbers −1…1 in no order, for strands; they begin again after so many. */
const MANY = 1024;
const RANDOM = Float32Array.from({ length: MANY + 1 }, (_, n) => {
  const v = Math.sin((n % MANY) * 127.1 + 11.7) * 43758.5453;
  return 2 * (v - Math.floor(v)) - 1;
});

/** Noise of one number: straight between whole ones, so strands zigzag. */
export function strandNoise(v: number): number {
  const whole = Math.floor(v);
  const n = whole & (MANY - 1);
  return RANDOM[n]! + (v - whole) * (RANDOM[n + 1]! - RANDOM[n]!);
}

/** The 14th power, which makes the band as narrow as hair shows it, by squares. */
function narrowed(v: number): number {
  const two = v * v;
  const four = two * two;
  return four * four * four * two;
}

/** Distance of each cell of a grid from points and lines, up to `most` cells. */
function distances(
  flow: Flow,
  ground: Ground,
  lines: readonly (readonly Point[])[],
  points: readonly Point[],
  most: number,
) {
  const { width, height, cell, left, top } = flow;
  const out = new Float32Array(width * height).fill(most);
  const marked = new Uint8Array(width * height);
  const mark = (x: number, y: number) => {
    // However often a line comes by, a cell is looked round from once.
    const own = Math.floor(y) * width + Math.floor(x);
    if (x < 0 || y < 0 || x >= width || y >= height || marked[own]) return;
    marked[own] = 1;
    for (let v = Math.max(0, Math.floor(y - most)); v < Math.min(height, y + most + 1); v++)
      for (let u = Math.max(0, Math.floor(x - most)); u < Math.min(width, x + most + 1); u++) {
        const far = Math.hypot(u + 0.5 - x, v + 0.5 - y);
        if (far < out[v * width + u]!) out[v * width + u] = far;
      }
  };
  const place = ([x, y]: Point) =>
    [(x * ground.width - left) / cell, (y * ground.height - top) / cell] as const;
  for (const line of lines) for (const [x, y] of cellsAlong(line, place)) mark(x, y);
  for (const p of points) mark(...place(p));
  return out;
}

/**
 * Light (0–1) on hair, put into `light` where the area has some: dark at roots, tips, partings and gathered places, with bands of light *across*
 * the growth where a hair's bend sends the light to the eye (J. Kajiya & T. Kay, SIGGRAPH 1989), in a zigzag, wider on the lit side.
 * @param light of the form alone; what hair makes of it is written back
 */
export function lightHair(
  ground: Ground,
  area: number,
  { box }: Extent,
  growth: Growth,
  flow: Flow,
  normals: Normals,
  lamp: Direction,
  light: Float32Array,
): void {
  const [left, top, right, bottom] = box;
  const size = Math.max(flow.width, flow.height);
  const parting = distances(flow, ground, growth.partings, [], PARTING * size);
  const gathered = distances(flow, ground, [], growth.gathered, GATHERED * size);
  const spread = STRANDS / size;
  // Half way between the lamp and the eye.
  const half = [lamp[0], lamp[1], Math.abs(lamp[2]) + 1] as const;
  const long = Math.hypot(...half);
  const { width, own } = ground;
  const fields = [flow.x, flow.y, flow.along, flow.across, parting, gathered];
  const here = new Float64Array(fields.length);
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const p = y * width + x;
      if (own[p] !== area) continue;
      flowAt(flow, fields, x, y, here);
      const [dx, dy, along] = [here[0]!, here[1]!, here[2]!];
      const strand = strandNoise(here[3]! * spread);
      const [nx, ny] = [normals.x[p]!, normals.y[p]!];
      const nz = Math.sqrt(Math.max(0.05, 1 - nx * nx - ny * ny));
      // The hair lies in the surface: the part of its direction along the normal is taken off.
      const into = dx * nx + dy * ny;
      const [tx, ty, tz] = [dx - into * nx, dy - into * ny, -into * nz];
      const bend = Math.hypot(tx, ty, tz) || 1;
      const cos = (tx * half[0] + ty * half[1] + tz * half[2]) / (bend * long) + ZIGZAG * strand;
      const base = light[p]!;
      const band = narrowed(Math.max(0, 1 - cos * cos)) * (0.35 + 0.65 * base);
      const dark =
        ROOT.dark * (1 - smoothStep(along / ROOT.until)) +
        TIP.dark * smoothStep((along - TIP.from) / (1 - TIP.from)) +
        0.6 * (1 - smoothStep(here[4]! / (PARTING * size))) +
        0.7 * (1 - smoothStep(here[5]! / (GATHERED * size)));
      const lit = 0.62 * base + 0.1 * strand + 0.55 * growth.band * band;
      light[p] = Math.min(1, Math.max(0, lit * (1 - Math.min(0.85, dark))));
    }
}
