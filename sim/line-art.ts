import { seeded } from "./random";

/** Line art that is made for trials, with the areas that it truly has. */
export interface LineArt {
  readonly width: number;
  readonly height: number;
  /** How far each pixel is covered by line, 0–1. */
  readonly line: Float32Array;
  /** Number of the area that each pixel truly belongs to, from 1. */
  readonly areas: Uint16Array;
  readonly count: number;
  /** Breaks in its lines. */
  readonly gaps: number;
}

export interface LineArtWishes {
  readonly seed: number;
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
  /** Cells that the sheet is parted into; some have a round thing in them. */
  readonly cells: number;
  /** Least and greatest width of the lines, mm. */
  readonly lines: readonly [number, number];
  /** Widest break in a line, mm; 0 for none. */
  readonly gap: number;
  /** Share of the borders that are broken, of the cells with a round thing, with hatching, and with dots. */
  readonly broken?: number;
  readonly round?: number;
  readonly hatched?: number;
  readonly dotted?: number;
}

interface Site {
  readonly x: number;
  readonly y: number;
  readonly round: number;
  readonly rx: number;
  readonly ry: number;
  readonly hatch: number;
  readonly dots: boolean;
}

const fraction = (v: number) => v - Math.floor(v);
/** A number 0–1 that two numbers always give. */
const pairNumber = (a: number, b: number, salt: number) =>
  fraction(Math.sin((Math.min(a, b) + 1) * 127.1 + (Math.max(a, b) + 1) * 311.7 + salt * 74.7) * 43758.5453);

/** Coverage of a pixel by an edge at a distance (positive inside). */
const soft = (inside: number) => Math.min(1, Math.max(0, inside + 0.5));

/** Sites at some distance from each other. */
function sitesOf({
  seed,
  width,
  height,
  cells,
  round = 0.3,
  hatched = 0.12,
  dotted = 0.1,
}: LineArtWishes): Site[] {
  const random = seeded(seed);
  const apart = 0.72 * Math.sqrt((width * height) / cells);
  const sites: Site[] = [];
  for (let tries = 0; sites.length < cells && tries < cells * 400; tries++) {
    const [x, y] = [random() * width, random() * height];
    if (sites.some((s) => (s.x - x) ** 2 + (s.y - y) ** 2 < apart * apart)) continue;
    const r = apart * (0.13 + 0.12 * random());
    const kind = random();
    const has = (from: number, share: number) => kind >= from && kind < from + share;
    sites.push({
      x,
      y,
      round: has(0, round) ? 1 : 0,
      rx: r,
      ry: r * (0.7 + 0.5 * random()),
      hatch: has(round, hatched) ? random() * Math.PI : -1,
      dots: has(round + hatched, dotted),
    });
  }
  return sites;
}

/** Cells with curved borders, drawn with lines of many widths that are broken here and there. */
export function lineArt(wishes: LineArtWishes): LineArt {
  const { width, height, pxPerMm, lines, gap, broken = 0.3, seed } = wishes;
  const sites = sitesOf(wishes);
  const cell = Math.sqrt((width * height) / sites.length);
  const columns = Math.ceil(width / cell) + 4;
  const buckets = new Map<number, number[]>();
  const bucketOf = (x: number, y: number) => (Math.floor(y / cell) + 2) * columns + Math.floor(x / cell) + 2;
  sites.forEach((s, i) => buckets.set(bucketOf(s.x, s.y), [...(buckets.get(bucketOf(s.x, s.y)) ?? []), i]));
  const line = new Float32Array(width * height);
  const areas = new Uint16Array(width * height);
  const breaks = new Set<number>();
  const [waveA, waveB] = [cell * 1.7, cell * 0.8];
  for (let py = 0, p = 0; py < height; py++)
    for (let px = 0; px < width; px++, p++) {
      // Straight borders are bent by bending the sheet beneath them.
      const x =
        px +
        0.09 * waveA * Math.sin((6.28 * py) / waveA + seed) +
        0.05 * waveB * Math.sin((6.28 * (px + py)) / waveB);
      const y =
        py +
        0.09 * waveA * Math.cos((6.28 * px) / waveA + seed) +
        0.05 * waveB * Math.sin((6.28 * (px - py)) / waveB);
      let [a, b, da, db] = [-1, -1, Infinity, Infinity];
      for (let gy = -2; gy <= 2; gy++)
        for (let gx = -2; gx <= 2; gx++)
          for (const i of buckets.get(bucketOf(x + gx * cell, y + gy * cell)) ?? []) {
            const d = (sites[i]!.x - x) ** 2 + (sites[i]!.y - y) ** 2;
            if (d < da) [b, db, a, da] = [a, da, i, d];
            else if (d < db) [b, db] = [i, d];
          }
      const [s, t] = [sites[a]!, sites[b]!];
      const between = Math.hypot(s.x - t.x, s.y - t.y);
      const off = (db - da) / (2 * between);
      const half = (pxPerMm * (lines[0] + (lines[1] - lines[0]) * pairNumber(a, b, seed))) / 2;
      areas[p] = a + 1;
      let cover = soft(half - off);
      if (cover > 0 && gap > 0 && pairNumber(a, b, seed + 1) < broken) {
        const along = ((x - (s.x + t.x) / 2) * (t.y - s.y) - (y - (s.y + t.y) / 2) * (t.x - s.x)) / between;
        const wide = pxPerMm * gap * (0.3 + 0.42 * pairNumber(a, b, seed + 2));
        const shift = (pairNumber(a, b, seed + 3) - 0.5) * 0.2 * between;
        cover *= 1 - soft(wide / 2 - Math.abs(along - shift));
        breaks.add(Math.min(a, b) * sites.length + Math.max(a, b));
      }
      const [dx, dy] = [x - s.x, y - s.y];
      if (s.round) {
        const q = Math.hypot(dx / s.rx, dy / s.ry);
        const away = ((q - 1) * q) / Math.max(1e-6, Math.hypot(dx / s.rx ** 2, dy / s.ry ** 2));
        if (away < 0) areas[p] = sites.length + a + 1;
        cover = Math.max(cover, soft((pxPerMm * lines[0]) / 2 + 1 - Math.abs(away)));
      } else if (s.hatch >= 0 && Math.hypot(dx, dy) < 0.24 * cell) {
        const across = dx * Math.cos(s.hatch) + dy * Math.sin(s.hatch);
        cover = Math.max(
          cover,
          soft(0.1 * pxPerMm - Math.abs(across - pxPerMm * 1.2 * Math.round(across / (pxPerMm * 1.2)))),
        );
      } else if (s.dots && Math.hypot(dx, dy) < 0.26 * cell) {
        const step = 1.1 * pxPerMm;
        const [ox, oy] = [dx - step * Math.round(dx / step), dy - step * Math.round(dy / step)];
        cover = Math.max(cover, soft(0.17 * pxPerMm - Math.hypot(ox, oy)));
      }
      line[p] = cover;
    }
  const present = new Set(areas);
  return { width, height, line, areas, count: present.size, gaps: breaks.size };
}

/** Light, local colour and shadow of an area, 8-bit. */
export type PaintedTones = readonly [
  light: readonly number[],
  local: readonly number[],
  shadow: readonly number[],
];

export interface PaintedArt {
  readonly rgb: Uint8Array;
  /** By the area's number; entry 0 is nobody's. */
  readonly tones: readonly (PaintedTones | undefined)[];
}

/** Share of an area that its light and its shadow take. */
const LIT = 0.25;
const SHADED = 0.28;

/** The same drawing painted in three tones an area, with noise, a glint here and there, and its lines over all. */
export function painted({ width, height, line, areas }: LineArt, seed: number): PaintedArt {
  const random = seeded(seed);
  const tones: (PaintedTones | undefined)[] = [];
  const most = areas.reduce((a, b) => Math.max(a, b), 0);
  const angle = 2 * Math.PI * random();
  const along: number[][] = Array.from({ length: most + 1 }, () => []);
  const onto = (p: number) => (p % width) * Math.cos(angle) + Math.floor(p / width) * Math.sin(angle);
  for (let p = 0; p < areas.length; p += 3) along[areas[p]!]!.push(onto(p));
  const cuts = along.map((own) => {
    const sorted = own.sort((a, b) => a - b);
    const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))] ?? 0;
    return [at(SHADED), at(1 - LIT)] as const;
  });
  for (let a = 1; a <= most; a++) {
    const base = [60 + 170 * random(), 60 + 170 * random(), 60 + 170 * random()];
    const warm = 0.08 * (random() - 0.5);
    tones[a] = [
      base.map((v) => v + (255 - v) * (0.35 + warm)),
      base,
      base.map((v, c) => v * (0.55 - (c === 2 ? 0 : 0.06) + warm)),
    ];
  }
  const rgb = new Uint8Array(width * height * 3);
  for (let p = 0; p < areas.length; p++) {
    const own = tones[areas[p]!]!;
    const [dark, light] = cuts[areas[p]!]!;
    const t = onto(p);
    const glint = random() < 0.004;
    const tone = glint ? [255, 255, 255] : own[t < dark ? 2 : t > light ? 0 : 1]!;
    const cover = line[p]!;
    for (let c = 0; c < 3; c++)
      rgb[3 * p + c] = Math.min(255, Math.max(0, tone[c]! * (1 - cover) + 24 * cover + 6 * (random() - 0.5)));
  }
  return { rgb, tones };
}
