import type { Point } from "@/core/algebra/point";
import type { Mark } from "@/core/media/mark";
import { lampDirection, type Direction, type Lamp } from "./light";
import { longestAxis, type Relieved } from "./value-field";

/** A mark that is proposed on an area: where its form mirrors the lamp. */
export interface MirroredMark {
  /** Place of the area among the areas. */
  readonly area: number;
  readonly mark: Mark;
}

/** What mirrors a lamp within this angle of its middle shines; a polished thing shows no more of a small lamp. */
const SHINES = Math.cos((7 * Math.PI) / 180);
/** Where more of an area than this faces alike it is flat, and mirrors the lamp everywhere or nowhere. */
const MOST_SHARE = 0.2;
/** Long enough for a line, as a multiple of its breadth; shorter is a dot. */
const LINE = 3.5;
/** Widths of what is set, mm, and its share of the breadth that shines. */
const [LEAST, MOST, SHARE] = [0.4, 1.6, 0.5] as const;
/** Least length of a line, mm; a line stops short of the ends of what shines by this share. */
const [LEAST_LINE, SHORT] = [1.5, 0.12] as const;
/** Patches that are looked at in one area, largest first. */
const MOST_PATCHES = 4;

/** The direction that mirrors a lamp into the eye (J. Blinn 1977: half way between both); undefined for one that stands behind. */
export function mirrorOf(lamp: Lamp): Direction | undefined {
  if (lamp.behind) return undefined;
  const [x, y, z] = lampDirection(lamp);
  const long = Math.hypot(x, y, z + 1);
  return [x / long, y / long, (z + 1) / long];
}

/** Pixels that hang together. */
interface Patch {
  readonly pixels: readonly number[];
}

/** Pixels of an area that shine, in patches that hang together; largest first. */
function patchesOf({ ground, extents, normals }: Relieved, area: number, half: Direction): Patch[] {
  const { width, own } = ground;
  const { box, pixels } = extents[area]!;
  const shines = new Set<number>();
  for (let y = box[1]; y < box[3]; y++)
    for (let x = box[0], p = y * width + x; x < box[2]; x++, p++) {
      if (own[p] !== area) continue;
      const [nx, ny] = [normals.x[p]!, normals.y[p]!];
      const nz = Math.sqrt(Math.max(0, 1 - nx * nx - ny * ny));
      if (nx * half[0] + ny * half[1] + nz * half[2] > SHINES) shines.add(p);
    }
  if (!shines.size || shines.size > MOST_SHARE * pixels) return [];
  const out: Patch[] = [];
  for (const seed of shines) {
    shines.delete(seed);
    const found = [seed];
    for (let i = 0; i < found.length; i++)
      for (const q of [found[i]! - 1, found[i]! + 1, found[i]! - width, found[i]! + width])
        if (shines.delete(q)) found.push(q);
    out.push({ pixels: found });
  }
  return out.sort((a, b) => b.pixels.length - a.pixels.length).slice(0, MOST_PATCHES);
}

/** What a patch that shines is set as: a dot at its middle, or a line along its longest extent. */
function markOf({ pixels }: Patch, { ground }: Relieved): Mark {
  const { width, height, mmPerPixel } = ground;
  const n = pixels.length;
  const at = pixels.map((p) => [(p % width) + 0.5, Math.floor(p / width) + 0.5] as const);
  const mx = at.reduce((s, [x]) => s + x, 0) / n;
  const my = at.reduce((s, [, y]) => s + y, 0) / n;
  let [xx, yy, xy] = [1 / 12, 1 / 12, 0];
  for (const [x, y] of at) {
    xx += (x - mx) ** 2 / n;
    yy += (y - my) ** 2 / n;
    xy += ((x - mx) * (y - my)) / n;
  }
  const turn = 0.5 * Math.atan2(2 * xy, xx - yy);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const spread = Math.hypot((xx - yy) / 2, xy);
  // An even bar of some breadth has a variance of its square over 12 across it.
  const breadth = Math.sqrt(12 * Math.max(1 / 12, (xx + yy) / 2 - spread));
  const along = at.map(([x, y]) => (x - mx) * c + (y - my) * s);
  const [from, to] = ends(along);
  const size = Math.min(MOST, Math.max(LEAST, SHARE * breadth * mmPerPixel));
  const share = (x: number, y: number): Point => [clamped(x / width), clamped(y / height)];
  const long = to - from;
  if (long > LINE * breadth && long * mmPerPixel >= LEAST_LINE) {
    // A bent patch is followed: where its middle is at a quarter, the half and three quarters of the way.
    const stops = [SHORT, 0.34, 0.66, 1 - SHORT].map((t) => {
      const where = from + t * long;
      const near = at.filter((_, i) => Math.abs(along[i]! - where) <= Math.max(1, long / 24));
      const one = near.length ? near : [[mx + where * c, my + where * s] as const];
      return share(
        one.reduce((sum, [x]) => sum + x, 0) / one.length,
        one.reduce((sum, [, y]) => sum + y, 0) / one.length,
      );
    });
    return { kind: "line", points: stops, width: rounded(size) };
  }
  // The pixel nearest to the middle: a bent patch may not hold its own middle.
  const nearest = at.reduce((a, b) =>
    (b[0] - mx) ** 2 + (b[1] - my) ** 2 < (a[0] - mx) ** 2 + (a[1] - my) ** 2 ? b : a,
  );
  return { kind: "spark", points: [share(...nearest)], width: rounded(size) };
}

function ends(values: readonly number[]): [number, number] {
  let [least, most] = [Infinity, -Infinity];
  for (const v of values) {
    if (v < least) least = v;
    if (v > most) most = v;
  }
  return [least, most];
}

/**
 * What of the mirroring direction the form of an area can face: along its axis a tube is even, so that it glints over its whole length wherever the
 * lamp stands along it.
 */
function seenBy({ ground, forms, extents }: Relieved, area: number, half: Direction): Direction {
  const { kind, axis } = forms[area]!;
  if (kind !== "tube") return half;
  const turn = axis === null ? longestAxis(ground, area, extents[area]!) : (axis * Math.PI) / 180;
  const [ax, ay] = [Math.cos(turn), -Math.sin(turn)];
  const along = half[0] * ax + half[1] * ay;
  const [x, y, z] = [half[0] - along * ax, half[1] - along * ay, half[2]];
  const long = Math.hypot(x, y, z);
  return [x / long, y / long, z / long];
}

const clamped = (v: number): number => Math.min(1, Math.max(0, Math.round(v * 1e4) / 1e4));
const rounded = (mm: number): number => Math.round(mm * 10) / 10;

/**
 * Where forms mirror the lamp towards the eye: sparks on what is round, lines along what is a tube. Nothing on what is flat, on hair, in the shade
 * of something, or where the lamp stands behind.
 * @param wanted places of the areas that are looked at
 * @param values 0 light to 65535 dark of every pixel, by which what lies in shade is left out
 */
export function mirroredMarks(
  relieved: Relieved,
  lamp: Lamp,
  values: Uint16Array,
  wanted: readonly number[],
): MirroredMark[] {
  const half = mirrorOf(lamp);
  if (!half) return [];
  const { width, height } = relieved.ground;
  return wanted.flatMap((area) => {
    if (!relieved.extents[area]?.pixels || relieved.flows.has(area)) return [];
    const marks = patchesOf(relieved, area, seenBy(relieved, area, half)).map((patch) =>
      markOf(patch, relieved),
    );
    return marks
      .filter(({ points }) => {
        const [x, y] = points[points.length >> 1]!;
        const p =
          Math.min(height - 1, Math.floor(y * height)) * width + Math.min(width - 1, Math.floor(x * width));
        return relieved.ground.own[p] === area && values[p]! < IN_SHADE;
      })
      .map((mark) => ({ area, mark }));
  });
}

/** Darker than this nothing shines, of 65535: it lies in the shade of something. */
const IN_SHADE = 0.5 * 65535;
