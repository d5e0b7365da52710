import { LINEAR } from "@/core/colour/rgb";
import type { Bytes, Pixels } from "./plane";
import { BLOCK, noiseOver, paperLevels } from "./paper-light";
import { extremeIn, opened, type Blocks } from "./window";

/** How the line was made: stamped or drawn with ink, or a pale sketch that is coloured first and inked afterwards. */
export const LINE_KINDS = ["stamped", "drawn", "lineless"] as const;
export type LineKind = (typeof LINE_KINDS)[number];

/** The line of a picture. */
export interface Line {
  /** How far each pixel is covered by line, 255 being wholly. */
  readonly coverage: Bytes;
  /** Light of the bare paper in the picture, linear 0–1, red, green and blue: the middle of it. */
  readonly paper: readonly [number, number, number];
  /** Share of all pixels that are line. */
  readonly share: number;
}

/** What is wider than this share of the long side is a wash or a filled shape, not a line. */
const WIDEST_LINE = 1 / 56;
/** In a coloured picture, whose shading has narrow parts too, outlines are thinner than this. */
const WIDEST_OUTLINE = 1 / 240;
/** A wide dark place is filled black, and so line, from this share of the blackest on. */
const BLACK = 0.93;
/** Share of the picture under washes from which on it is a coloured one: its lines stand out more than its shading. */
const COLOURED = 0.25;
/** Side in pixels of the blocks that tell how dark a line is close by, and, as a share of the long side, in that part of the picture. */
const CLOSE = 4;
const LINE_REACH = 1 / 24;
/** Of the darkest in that part of the picture: what is paler is a shade or a smudge. */
const SHADE = 0.2;
const OUTSTANDING = 0.33;
/** Darkness from which on a wide place is a wash. */
const WASH = 24;
/** Darkness (0–1) below which nothing is a line. */
const FAINTEST: Record<LineKind, number> = { stamped: 0.12, drawn: 0.09, lineless: 0.035 };
/** Least darkness over the noise of the bare paper, in its spreads. */
const OVER_NOISE = 4.5;
/** Of the line's own darkness close by: what is line by itself, and what is line where it joins such. J. Canny's hysteresis, PAMI 8 (1986). */
const STRONG = 0.5;
const WEAK = 0.36;
/** Smallest spot, in pixels, that is not taken for a grain of noise. */
const GRAIN = 3;

/**
 * Darkness of each pixel relative to the bare paper there, 255 being none of its light: of the channel that is darkened most, which shows
 * coloured lines best, and of the one that is darkened least, which tells black from a deep colour.
 */
function darkness(
  picture: Pixels,
  paper: ReturnType<typeof paperLevels>,
): { readonly dark: Uint8Array; readonly black: Uint8Array } {
  const { width, height, channels, data } = picture;
  const { w, h, planes } = paper;
  const dark = new Uint8Array(width * height);
  const black = planes.length === 1 ? dark : new Uint8Array(width * height);
  const colours = planes.length;
  // Columns of the paper's blocks that a column of pixels lies between, and how near the right one.
  const lefts = new Int32Array(width);
  const rights = new Int32Array(width);
  const parts = new Float64Array(width);
  for (let x = 0; x < width; x++) {
    const u = Math.min(w - 1, Math.max(0, (x + 0.5) / BLOCK - 0.5));
    const left = Math.floor(u);
    lefts[x] = left;
    rights[x] = Math.min(w - 1, left + 1);
    parts[x] = u - left;
  }
  const row = new Float32Array(width * colours);
  for (let y = 0, p = 0, q = 0; y < height; y++) {
    const v = Math.min(h - 1, Math.max(0, (y + 0.5) / BLOCK - 0.5));
    const top = Math.floor(v);
    const fy = v - top;
    const upper = top * w;
    const lower = Math.min(h - 1, top + 1) * w;
    for (let c = 0; c < colours; c++) {
      const plane = planes[c]!;
      for (let x = 0, i = c; x < width; x++, i += colours) {
        const left = lefts[x]!;
        const right = rights[x]!;
        const fx = parts[x]!;
        const a = plane[upper + left]! * (1 - fx) + plane[upper + right]! * fx;
        const b = plane[lower + left]! * (1 - fx) + plane[lower + right]! * fx;
        row[i] = 255 / (a + (b - a) * fy);
      }
    }
    for (let x = 0, i = 0; x < width; x++, p++, q += channels) {
      let least = 255;
      let most = 0;
      for (let c = 0; c < colours; c++, i++) {
        const share = LINEAR[data[q + c]!]! * row[i]!;
        if (share < least) least = share;
        if (share > most) most = share;
      }
      const opaque = channels === 4 ? data[q + 3]! / 255 : 1;
      black[p] = most < 255 ? (255 - most) * opaque + 0.5 : 0;
      dark[p] = (255 - least) * opaque + 0.5;
    }
  }
  return { dark, black };
}

/** The value below which a share of the pixels lie. */
function quantile(counts: Uint32Array, total: number, share: number): number {
  let [v, seen] = [0, 0];
  while (v < 255 && (seen += counts[v]!) < share * total) v++;
  return v;
}

const countsOf = (data: Uint8Array): Uint32Array => {
  const counts = new Uint32Array(256);
  for (const v of data) counts[v]!++;
  return counts;
};

/**
 * What each pixel is by itself: 2 line, 1 line if it joins such, 0 none. A thin line is blurred and so paler than a thick one: it is measured
 * by the darkest close by, as long as it is no mere shade beside the lines of that part of the picture.
 */
function stateOf(
  dark: Uint8Array,
  width: number,
  height: number,
  {
    close,
    around,
    floor,
    least,
  }: {
    close: Blocks;
    around: Blocks;
    /** Least darkness of a line by itself, for the blocks of the paper. */
    floor: { readonly w: number; readonly h: number; readonly values: Float32Array };
    least: number;
  },
): Uint8Array {
  const state = new Uint8Array(dark.length);
  for (let y = 0, p = 0; y < height; y++) {
    const row = Math.floor(y / close.factor) * close.across;
    const wide = Math.floor(y / around.factor) * around.across;
    const paper = Math.min(floor.h - 1, Math.floor(y / BLOCK)) * floor.w;
    for (let x = 0; x < width;) {
      const faintest = floor.values[paper + Math.min(floor.w - 1, Math.floor(x / BLOCK))]!;
      const l = close.data[row + Math.floor(x / close.factor)]!;
      const shade = least * around.data[wide + Math.floor(x / around.factor)]!;
      const strong = Math.max(faintest, STRONG * l, shade);
      const weak = Math.max(0.7 * faintest, WEAK * l);
      const end = Math.min(width, (Math.floor(x / close.factor) + 1) * close.factor);
      for (; x < end; x++, p++) state[p] = dark[p]! >= strong ? 2 : dark[p]! >= weak ? 1 : 0;
    }
  }
  return state;
}

/** Keeps what may be line and is joined (8 neighbours) to what is; grains are dropped. 1 is line, 0 none. */
function joined(state: Uint8Array, width: number, height: number): Uint8Array {
  const kept = new Uint8Array(state.length);
  const stack = new Int32Array(state.length);
  for (let start = 0; start < state.length; start++) {
    if (state[start] !== 2 || kept[start]) continue;
    let [top, next] = [1, 0];
    stack[0] = start;
    kept[start] = 1;
    // The stack is a queue here: what it held is all of the spot, so that a grain can be taken back.
    while (next < top) {
      const p = stack[next++]!;
      const x = p % width;
      const y = (p - x) / width;
      for (let yy = y > 0 ? y - 1 : y; yy <= y + 1 && yy < height; yy++)
        for (let xx = x > 0 ? x - 1 : x; xx <= x + 1 && xx < width; xx++) {
          const q = yy * width + xx;
          if (!state[q] || kept[q]) continue;
          kept[q] = 1;
          stack[top++] = q;
        }
    }
    if (top < GRAIN) for (let i = 0; i < top; i++) kept[stack[i]!] = 0;
  }
  return kept;
}

/** Takes away what lies in wide places that are not black; a line over a wash stays as dark as it would be on paper. */
function withoutWashes(
  dark: Uint8Array,
  width: number,
  height: number,
  wide: Blocks,
  solid: Blocks,
  black: number,
): void {
  const { factor, across, data } = wide;
  for (let y = 0, p = 0; y < height; y++) {
    const row = Math.floor(y / factor) * across;
    for (let x = 0, b = row, within = 0; x < width; x++, p++) {
      const below = data[b]!;
      if (below > 0 && solid.data[b]! < black) {
        const over = dark[p]! - below;
        dark[p] = over > 0 ? (over * 255) / (255 - below) : 0;
      }
      if (++within === factor) {
        within = 0;
        b++;
      }
    }
  }
}

/** Share of the blocks that are washes. */
const washedShare = (wide: Blocks, solid: Blocks, black: number): number => {
  let washed = 0;
  for (let b = 0; b < wide.data.length; b++) if (wide.data[b]! > WASH && solid.data[b]! < black) washed++;
  return washed / wide.data.length;
};

/** Greatest byte of each block and the eight round it. */
function greatestNear(data: Uint8Array, width: number, height: number, factor: number): Blocks {
  const [across, down] = [Math.ceil(width / factor), Math.ceil(height / factor)];
  const greatest = new Uint8Array(across * down);
  for (let y = 0, p = 0; y < height; y++) {
    const row = Math.floor(y / factor) * across;
    for (let x = 0, b = row, within = 0; x < width; x++, p++) {
      if (data[p]! > greatest[b]!) greatest[b] = data[p]!;
      if (++within === factor) {
        within = 0;
        b++;
      }
    }
  }
  return { factor, across, data: extremeIn(greatest, across, down, 1, "greatest") };
}

/**
 * Line coverage of a picture of line art: darkness relative to the bare paper, washes and colour fills that are wider than a line taken
 * away, then a threshold that follows the line's own darkness nearby. Hatching, dots and filled blacks stay line.
 * After J. Sauvola & M. Pietikäinen, Pattern Recognition 33 (2000) 225–236 (adaptive thresholds).
 */
export function lineOf(picture: Pixels, kind: LineKind): Line {
  const { width, height } = picture;
  const paper = paperLevels(picture);
  const { dark, black } = darkness(picture, paper);
  const blackest = quantile(countsOf(black), black.length, 0.998);
  const widest = (share: number) => Math.max(4, Math.round(Math.max(width, height) * share));
  const look = (reach: number) =>
    [opened(dark, width, height, reach), opened(black, width, height, reach)] as const;
  let [wide, solid] = look(widest(WIDEST_LINE));
  const coloured = washedShare(wide, solid, BLACK * blackest) > COLOURED;
  if (coloured) [wide, solid] = look(widest(WIDEST_OUTLINE));
  withoutWashes(dark, width, height, wide, solid, BLACK * blackest);
  // Most of what is left is bare, whatever the colours were: its spread is the noise.
  const counts = countsOf(dark);
  const middle = quantile(counts, dark.length, 0.5);
  const noise = Math.max(1, middle - quantile(counts, dark.length, 0.16));
  const faintest = 255 * FAINTEST[kind];
  const values = noiseOver(paper).map((times) =>
    Math.round(Math.max(faintest, middle + OVER_NOISE * noise * times)),
  );
  const close = greatestNear(dark, width, height, CLOSE);
  const side = Math.max(CLOSE, Math.round(Math.max(width, height) * LINE_REACH));
  const around = greatestNear(dark, width, height, side);
  const data = joined(
    stateOf(dark, width, height, {
      close,
      around,
      floor: { w: paper.w, h: paper.h, values },
      least: coloured ? OUTSTANDING : SHADE,
    }),
    width,
    height,
  );
  let covered = 0;
  for (let y = 0, p = 0; y < height; y++) {
    const row = Math.floor(y / CLOSE) * close.across;
    for (let x = 0; x < width; x++, p++) {
      if (!data[p]) continue;
      data[p] = Math.min(255, (255 * dark[p]!) / close.data[row + Math.floor(x / CLOSE)]!);
      covered++;
    }
  }
  const paperColour = paper.planes.map((plane) => {
    const sorted = Float32Array.from(plane).sort();
    return sorted[sorted.length >> 1]!;
  });
  return {
    coverage: { width, height, data },
    paper: [paperColour[0]!, paperColour[1] ?? paperColour[0]!, paperColour[2] ?? paperColour[0]!],
    share: covered / data.length,
  };
}
