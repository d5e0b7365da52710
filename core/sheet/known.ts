import { median, quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, type Lab } from "@/core/colour/lab";
import { luminanceOf } from "@/core/colour/rgb";
import { linearOfLab } from "./few-colours";
import type { FoundDrawing } from "./find";
import type { SheetWish } from "./read-sheet";
import { luminance, meanOf, pixelAt, type Read } from "./sample";
import type { LitSample } from "./sheet-light";

/** Mm round a spot of known colour. */
const SPOT = 1.2;
/** Side, in pixels read, of the tiles by which a known ground tells of the light. */
const TILES = 9;

/** What a ground of one known colour tells of the light: the middle of each tile of it. */
export function litSamples(pixels: readonly Read[], lab: Lab, whole: boolean): LitSample[] {
  const truly = linearOfLab(lab);
  const tiles = new Map<number, Read[]>();
  for (const p of pixels) {
    const key = Math.floor(((p.y + 1) / 2) * TILES) * TILES + Math.floor(((p.x + 1) / 2) * TILES);
    const own = tiles.get(key) ?? [];
    if (!own.length) tiles.set(key, own);
    own.push(p);
  }
  return [...tiles.values()]
    .filter((t) => t.length >= (whole ? 6 : 1))
    .map((t) => ({
      x: median(t.map((p) => p.x)),
      y: median(t.map((p) => p.y)),
      rgb: meanOf(t),
      truly,
    }));
}

/** What is known of the picture: grounds by area, spots by their pixels. */
export function knownGrounds(wish: SheetWish, found: FoundDrawing, areas: ReadonlyMap<number, Read[]>) {
  const { width, height } = wish.labels;
  return wish.known.flatMap(({ lab, ...where }) => {
    if ("area" in where) {
      const pixels = areas.get(where.area);
      return pixels && pixels.length >= 4 ? [{ lab, pixels, area: where.area as number | undefined }] : [];
    }
    const [cx, cy] = [where.at[0] * width, where.at[1] * height];
    const reach = SPOT / wish.mmPerPixel;
    const pixels: Read[] = [];
    for (let y = -reach; y <= reach; y += reach / 6)
      for (let x = -reach; x <= reach; x += reach / 6) {
        if (x * x + y * y > reach * reach) continue;
        const rgb = pixelAt(wish.photo, ...found.at(cx + x, cy + y));
        if (rgb)
          pixels.push({
            rgb,
            x: (2 * (cx + x)) / width - 1,
            y: (2 * (cy + y)) / height - 1,
            zone: 0,
            clipped: false,
          });
      }
    return pixels.length > 20 ? [{ lab, pixels, area: undefined }] : [];
  });
}

/** Mm beside the drawing where a sheet's margin is looked at; steps along a side; how even a margin is, and how light against the sheet. */
const BESIDE = [1.5, 2.5, 3.5] as const;
const WITHIN = [-1.5, -2.5, -3.5] as const;
const ALONG = 40;
const EVEN = 0.16;
const AS_LIGHT = 0.55;

/**
 * The bare margin round the drawing, where the sheet has one: even along a side, and not darker than what lies on the sheet. Of a drawing that was set
 * up with its sheet the margin is nobody's ground within it.
 */
export function marginOf(
  { labels, mmPerPixel, photo }: SheetWish,
  found: FoundDrawing,
  light: number,
): Read[] {
  const { width, height } = labels;
  const isNobodys = (x: number, y: number) => {
    const [i, j] = [Math.floor(x), Math.floor(y)];
    return i < 0 || j < 0 || i >= width || j >= height || labels.data[j * width + i] === 0;
  };
  /** Pixels along a side, so many mm beyond it; within it where that is negative. */
  const along = (side: number, beyond: readonly number[]): Read[] => {
    const pixels: Read[] = [];
    for (const mm of beyond)
      for (let k = 0; k < ALONG; k++) {
        const [share, out] = [(k + 0.5) / ALONG, mm / mmPerPixel];
        const [x, y] = [
          [share * width, -out],
          [width + out, share * height],
          [share * width, height + out],
          [-out, share * height],
        ][side] as [number, number];
        const rgb = isNobodys(x, y) && pixelAt(photo, ...found.at(x, y));
        if (rgb)
          pixels.push({ rgb, x: (2 * x) / width - 1, y: (2 * y) / height - 1, zone: 0, clipped: false });
      }
    return pixels;
  };
  const bare = (pixels: readonly Read[]): Read[] => {
    if (pixels.length < ALONG) return [];
    const [r, g, b] = meanOf(pixels);
    if (luminanceOf(r, g, b) < AS_LIGHT * light) return [];
    const same = pixels.filter((p) =>
      [
        [p.rgb[0], r],
        [p.rgb[1], g],
        [p.rgb[2], b],
      ].every(([v, m]) => Math.abs(Math.log(Math.max(1e-4, v!) / Math.max(1e-4, m!))) < 2 * EVEN),
    );
    return same.length > 0.8 * pixels.length ? same : [];
  };
  return [0, 1, 2, 3].flatMap((side) => {
    const beside = bare(along(side, BESIDE));
    return beside.length ? beside : bare(along(side, WITHIN));
  });
}

/** The lightest known colour that is nearly grey: bare paper, if it is known at all. */
export const paperAmong = (known: readonly { readonly lab: Lab }[]): Lab | undefined =>
  known.map((k) => k.lab).sort((a, b) => b[0] - 0.3 * chroma(b) - (a[0] - 0.3 * chroma(a)))[0];

/** Known colours this near to the paper's (ΔE00) are bare paper. */
const BARE = 1;
export const isPaper = (lab: Lab, paper: Lab) => deltaE00(lab, paper) < BARE;

export const USUAL_PAPER: Lab = [94, 0, 2];

/** Nobody's ground that looks like the paper that is known tells of the light as well. */
export function paperGround(areas: ReadonlyMap<number, Read[]>, paper: readonly Read[]): Read[] {
  const nobody = areas.get(0);
  if (!nobody || !paper.length) return [];
  const [r, g, b] = meanOf(paper);
  const like = (p: Read) =>
    Math.abs(Math.log((p.rgb[0] * g) / Math.max(1e-6, p.rgb[1] * r))) < 0.12 &&
    Math.abs(Math.log((p.rgb[2] * g) / Math.max(1e-6, p.rgb[1] * b))) < 0.12 &&
    luminance(p.rgb) > 0.4 * luminanceOf(r, g, b);
  const own = nobody.filter(like);
  return own.length > 0.5 * nobody.length ? own : [];
}

export function lightest(areas: ReadonlyMap<number, Read[]>, paper: Lab): LitSample[] {
  const all = [...areas.values()].flat();
  const from = quantile(
    all.map((p) => luminance(p.rgb)),
    0.9,
  );
  return litSamples(
    all.filter((p) => luminance(p.rgb) >= from),
    paper,
    true,
  );
}
