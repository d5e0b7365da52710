import type { Border } from "@/core/picture/borders";
import type { Line } from "@/core/picture/line";
import { MOST_REGIONS } from "@/core/picture/plane";
import type { Region, Regions } from "@/core/picture/regions";

/** A drawing as it was looked at: its line, and the regions between. */
export interface LookedAt {
  readonly line: Line;
  readonly found: Regions;
}

/** Of this way of packing; what is packed in another is no drawing. */
const MARK = "blendt drawing 1";
/** Most pixels that are unpacked, and most bytes of what is said of them: some thousand regions with their borders. */
const MOST_PIXELS = 40e6;
const MOST_HEAD = 4_000_000;
const HEAD_AT = MARK.length + 4;

/** Most bytes that a packed drawing has. */
export const MOST_PACKED = HEAD_AT + MOST_HEAD + 3 * MOST_PIXELS;

interface Head {
  readonly width: number;
  readonly height: number;
  readonly paper: readonly [number, number, number];
  readonly share: number;
  readonly gaps: number;
  readonly specks: number;
  /** Of each region: pixels, box, middle, reach, edge. */
  readonly regions: readonly (readonly number[])[];
  /** Two regions and the length that they share. */
  readonly borders: readonly (readonly number[])[];
}

/**
 * A drawing as bytes: what is said of its regions as JSON, a byte of line a pixel, then two of each pixel's region, the lower first.
 * Undefined when it is too large to be kept.
 */
export function packed({ line, found }: LookedAt): Uint8Array<ArrayBuffer> | undefined {
  const { width, height, data } = line.coverage;
  const head: Head = {
    width,
    height,
    paper: line.paper,
    share: line.share,
    gaps: found.gaps,
    specks: found.specks,
    regions: found.regions.map((r) => [r.pixels, ...r.box, ...r.middle, r.reach, r.edge]),
    borders: found.borders.map(({ a, b, length }) => [a, b, length]),
  };
  const said = new TextEncoder().encode(JSON.stringify(head));
  const size = width * height;
  if (size > MOST_PIXELS || said.length > MOST_HEAD) return undefined;
  const out = new Uint8Array(HEAD_AT + said.length + 3 * size);
  out.set(new TextEncoder().encode(MARK));
  new DataView(out.buffer).setUint32(MARK.length, said.length, true);
  out.set(said, HEAD_AT);
  let at = HEAD_AT + said.length;
  out.set(data, at);
  at += size;
  for (const label of found.labels.data) {
    out[at++] = label & 255;
    out[at++] = label >> 8;
  }
  return out;
}

const isCount = (v: unknown): v is number =>
  Number.isInteger(v) && (v as number) >= 0 && (v as number) < 2 ** 31;
const isMeasure = (v: unknown): v is number => typeof v === "number" && v >= 0 && v < 2 ** 31;
const isRow = (v: unknown, long: number): v is readonly number[] =>
  Array.isArray(v) && v.length === long && v.every(isMeasure);

function regionOf(row: unknown, i: number, width: number, height: number): Region | undefined {
  if (!isRow(row, 9)) return undefined;
  const [pixels, left, top, right, bottom, x, y, reach, edge] = row as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const inside =
    left < right && top < bottom && right <= width && bottom <= height && x < width && y < height;
  if (!inside || ![pixels, left, top, right, bottom, x, y, edge].every(isCount)) return undefined;
  return { id: i + 1, pixels, box: [left, top, right, bottom], middle: [x, y], reach, edge };
}

function borderOf(row: unknown, count: number): Border | undefined {
  if (!isRow(row, 3)) return undefined;
  const [a, b, length] = row as [number, number, number];
  const known = isCount(a) && isCount(b) && a >= 1 && b > a && b <= count;
  return known ? { a, b, length } : undefined;
}

const all = <T>(list: readonly (T | undefined)[]): list is readonly T[] => list.every((v) => v !== undefined);

function headOf(text: string): Head | undefined {
  let said: Partial<Head> | null;
  try {
    said = JSON.parse(text) as typeof said;
  } catch {
    return undefined;
  }
  if (!said || typeof said !== "object") return undefined;
  const { width, height, paper, share, gaps, specks, regions, borders } = said;
  const sized = isCount(width) && isCount(height) && width > 0 && height > 0 && width * height <= MOST_PIXELS;
  const counted = isCount(gaps) && isCount(specks) && isMeasure(share) && isRow(paper, 3);
  const listed = Array.isArray(regions) && regions.length <= MOST_REGIONS && Array.isArray(borders);
  return sized && counted && listed ? (said as Head) : undefined;
}

/** The drawing that was packed; undefined for whatever else the bytes are. */
export function unpacked(bytes: Uint8Array): LookedAt | undefined {
  if (bytes.length < HEAD_AT || new TextDecoder().decode(bytes.subarray(0, MARK.length)) !== MARK)
    return undefined;
  const long = new DataView(bytes.buffer, bytes.byteOffset).getUint32(MARK.length, true);
  if (long > MOST_HEAD || HEAD_AT + long > bytes.length) return undefined;
  const head = headOf(new TextDecoder().decode(bytes.subarray(HEAD_AT, HEAD_AT + long)));
  if (!head) return undefined;
  const { width, height } = head;
  const size = width * height;
  let at = HEAD_AT + long;
  if (bytes.length !== at + 3 * size) return undefined;
  const regions = head.regions.map((row, i) => regionOf(row, i, width, height));
  const borders = head.borders.map((row) => borderOf(row, regions.length));
  if (!all(regions) || !all(borders)) return undefined;
  const coverage = bytes.slice(at, at + size);
  at += size;
  const labels = new Uint16Array(size);
  let most = 0;
  for (let p = 0; p < size; p++, at += 2) {
    const label = bytes[at]! | (bytes[at + 1]! << 8);
    if (label > most) most = label;
    labels[p] = label;
  }
  if (most > regions.length) return undefined;
  return {
    line: { coverage: { width, height, data: coverage }, paper: head.paper, share: head.share },
    found: {
      labels: { width, height, data: labels },
      regions,
      borders,
      gaps: head.gaps,
      specks: head.specks,
    },
  };
}
