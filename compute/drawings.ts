import { memory } from "@/core/memory";
import { nearestOf } from "@/core/picture/distance";
import { cutPixels, type Cut } from "@/core/picture/cut";
import { lineOf, type Line, type LineKind } from "@/core/picture/line";
import { packed, unpacked } from "./packed";
import type { Bytes, Pixels } from "@/core/picture/plane";
import { aspectOf, rectified, reduced, straightSize, type Corners } from "@/core/picture/rectify";
import { regionsOf, type Regions } from "@/core/picture/regions";
import { hashOf } from "./hash";

/** Drawings whose line is kept, and their regions: the present one, and the one before for a quick way back. */
const MOST_LINES = 2;
const MOST_MAPS = 3;
const lines = memory<Line>(MOST_LINES);
const maps = memory<Drawing>(MOST_MAPS);

/** Long side in pixels of a drawing that is made straight out of a photo. */
const LONGEST = 2000;
/** Ink may run beneath the line this far, mm. */
const UNDER = 1;

/** A drawing's line with its regions. */
export interface Drawing {
  readonly key: string;
  readonly line: Line;
  readonly found: Regions;
  readonly mmPerPixel: number;
}

export interface LineWish {
  /** Names the picture. */
  readonly handle: string;
  readonly kind: LineKind;
  readonly corners: Corners | null;
  /** Makes it smaller by this whole factor, for a quick look. */
  readonly coarser: number;
  /** Width over height of the sheet whose corners they are; null when nobody knows. */
  readonly aspect: number | null;
}

/** The straightened drawing of a picture. */
export function straightened(
  picture: Pixels,
  { corners, aspect, coarser }: Omit<LineWish, "handle" | "kind">,
): Pixels {
  if (!corners) return reduced(picture, coarser);
  const shape = aspect ?? aspectOf(corners, picture.width, picture.height);
  const { width, height } = straightSize(corners, picture.width, picture.height, shape, LONGEST);
  return rectified(
    picture,
    corners,
    Math.max(16, Math.round(width / coarser)),
    Math.max(16, Math.round(height / coarser)),
  );
}

/** Share of its long side along the edge of a sheet in a photo where the table may show: no line is looked for there. */
const TABLE = 0.006;

/** Takes the line away along the picture's edge. */
function withoutRim({ width, height, data }: Bytes): void {
  const rim = Math.ceil(TABLE * Math.max(width, height));
  for (let y = 0; y < height; y++)
    if (y < rim || y >= height - rim) data.fill(0, y * width, (y + 1) * width);
    else {
      data.fill(0, y * width, y * width + rim);
      data.fill(0, (y + 1) * width - rim, (y + 1) * width);
    }
}

/** Names a line among those of its picture, in whatever order its fields were told. */
const lineName = ({ kind, corners, coarser, aspect }: Omit<LineWish, "handle">): string =>
  JSON.stringify([kind, corners, coarser, aspect]);
const lineKey = (wish: LineWish): string => `${wish.handle} ${lineName(wish)}`;

/** The line of a picture, found once. */
export function lineFor(wish: LineWish, picture: () => Pixels): Line {
  const key = lineKey(wish);
  const known = lines.recall(key);
  if (known) return known;
  const found = lineOf(straightened(picture(), wish), wish.kind);
  if (wish.corners) withoutRim(found.coverage);
  return lines.keep(key, found);
}

export interface RegionWish {
  readonly mmPerPixel: number;
  /** mm and mm². */
  readonly gap: number;
  readonly speck: number;
  readonly cuts: readonly Cut[];
}

/** Regions of a line, sizes given in mm. */
export function regionsFor(coverage: Bytes, { mmPerPixel, gap, speck, cuts }: RegionWish): Regions {
  return regionsOf(coverage, {
    gap: gap / mmPerPixel,
    speck: speck / mmPerPixel ** 2,
    under: UNDER / mmPerPixel,
    ...(cuts.length && { cuts: cutPixels(cuts, coverage.width, coverage.height) }),
  });
}

/** How regions are looked for in a picture whose drawing is `width` mm wide on the sheet. */
export type SheetWish = Omit<RegionWish, "mmPerPixel"> & { readonly width: number };

/** Names a drawing among those of its picture: the same picture, looked at in the same way, has the same line and regions. */
export const drawingName = (line: Omit<LineWish, "handle">, { width, gap, speck, cuts }: SheetWish): string =>
  hashOf([lineName(line), width, gap, speck, cuts]);

const drawingKey = (line: LineWish, wish: SheetWish): string =>
  hashOf([line.handle, drawingName(line, wish)]);

/** A drawing that lies here as bytes by which it is a drawing again elsewhere; undefined when it does not, or is too large. */
export function givenDrawing(line: LineWish, wish: SheetWish): Uint8Array<ArrayBuffer> | undefined {
  const known = maps.recall(drawingKey(line, wish));
  return known && packed(known);
}

/** Whether a drawing lies here. */
export const hasDrawing = (line: LineWish, wish: SheetWish): boolean =>
  maps.recall(drawingKey(line, wish)) !== undefined;

/** Takes a drawing in that was looked at elsewhere. False when the bytes are none. */
export function takeDrawing(line: LineWish, wish: SheetWish, bytes: Uint8Array): boolean {
  const drawing = unpacked(bytes);
  if (!drawing) return false;
  const key = drawingKey(line, wish);
  lines.keep(lineKey(line), drawing.line);
  maps.keep(key, { key, ...drawing, mmPerPixel: wish.width / drawing.line.coverage.width });
  return true;
}

/** A drawing with its regions, worked out once and kept under a key. */
export function drawingFor(line: LineWish, sheet: SheetWish, picture: () => Pixels): Drawing {
  const key = drawingKey(line, sheet);
  const { width, ...wish } = sheet;
  const known = maps.recall(key);
  if (known) return known;
  const found = lineFor(line, picture);
  const mmPerPixel = width / found.coverage.width;
  return maps.keep(key, {
    key,
    line: found,
    found: regionsFor(found.coverage, { ...wish, mmPerPixel }),
    mmPerPixel,
  });
}

/** A drawing that was set up before; undefined when it was put away. */
export const drawingOf = (key: string): Drawing | undefined => maps.recall(key);

/** Squared distance of each pixel from the line, for leaving its halo out. */
export function depthOf({ width, height, data }: Bytes): Uint32Array {
  const line = new Uint8Array(data.length);
  for (let p = 0; p < data.length; p++) line[p] = data[p]! >= 100 ? 1 : 0;
  return nearestOf(line, width, height).squared;
}
