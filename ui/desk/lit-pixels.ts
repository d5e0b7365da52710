import { coverage } from "@/core/colouring/set-marks";
import type { Mark } from "@/core/media/mark";
import type { Coloured } from "@/ui/light/use-colouring";

/** Whose opacity hides what is not worked on, of 255. */
const DIM = 190;
/** What is dimmed goes towards this grey, and this is the rim of what is not. */
const [PALE, RIM] = [245, 20];

/** Where a step goes on: 1 a pixel, and what holds them all. */
export interface Zone {
  readonly lit: Uint8Array;
  readonly box: readonly [left: number, top: number, right: number, bottom: number];
}

function boxed(lit: Uint8Array, width: number): Zone | undefined {
  let [l, t, r, b] = [width, -1, -1, -1];
  for (let p = lit.indexOf(1); p >= 0; p = lit.indexOf(1, p + 1)) {
    const x = p % width;
    b = (p / width) | 0;
    if (t < 0) t = b;
    if (x < l) l = x;
    if (x > r) r = x;
  }
  return r < 0 ? undefined : { lit, box: [l, t, r, b] };
}

/** Pixels in which a step goes on. */
export function zoneOf(
  { width, data }: { readonly width: number; readonly data: Int16Array },
  area: number,
  places: Uint8Array,
  sections: Uint16Array | undefined,
  section: number,
  from: number,
  to: number,
): Zone | undefined {
  const lit = new Uint8Array(data.length);
  for (let p = 0; p < data.length; p++) {
    if (data[p] !== area || !places[p] || (sections && sections[p] !== section + 1)) continue;
    const place = (places[p]! - 1) / 254;
    if (place >= from - 0.002 && place <= to + 0.002) lit[p] = 1;
  }
  return boxed(lit, width);
}

/** Room around marks that are set, mm, by which they are found. */
const AROUND = 1.5;

/** Pixels in and around marks that a step sets, in its own section. */
export function markedZone(
  { width, height, data }: { readonly width: number; readonly height: number; readonly data: Int16Array },
  mmPerPixel: number,
  marks: readonly Mark[],
  sections: Uint16Array | undefined,
  section: number,
): Zone | undefined {
  const lit = new Uint8Array(data.length);
  for (const mark of marks) {
    const wide = { ...mark, kind: "line" as const, width: mark.width + 2 * AROUND };
    const { box, cover } = coverage(wide, { width, height, mmPerPixel }, [0, 0, width, height]);
    for (let y = box[1], q = 0; y < box[3]; y++)
      for (let x = box[0]; x < box[2]; x++, q++) {
        const p = y * width + x;
        if (cover[q]! < 0.5 || (sections && sections[p] && sections[p] !== section + 1)) continue;
        lit[p] = 1;
      }
  }
  return boxed(lit, width);
}

/** Four bytes of a pixel at once. */
const wholePixels = ({ buffer, byteOffset, length }: Coloured["rgba"]): Uint32Array =>
  new Uint32Array(buffer, byteOffset, length >> 2);

/** What a byte looks like where it is dimmed. */
const DIMMED = Uint8Array.from({ length: 256 }, (_, v) => Math.round((v * (255 - DIM) + PALE * DIM) / 255));

/** The picture with all but a zone dimmed, and the zone rimmed; in the zone what comes over it. */
export function litPixels(under: Coloured, over: Coloured | undefined, zone: Zone | undefined): Coloured {
  const { width, height } = under;
  const rgba = under.rgba.slice();
  if (!zone || zone.lit.length !== width * height) return { ...under, rgba };
  const { lit } = zone;
  const [to, from] = [wholePixels(rgba), over && wholePixels(over.rgba)];
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      if (lit[p]) {
        if (from) to[p] = from[p]!;
        continue;
      }
      const at = 4 * p;
      const isRim =
        (x > 0 && lit[p - 1]) || (x < width - 1 && lit[p + 1]) || lit[p - width] || lit[p + width];
      rgba[at] = isRim ? RIM : DIMMED[rgba[at]!]!;
      rgba[at + 1] = isRim ? RIM : DIMMED[rgba[at + 1]!]!;
      rgba[at + 2] = isRim ? RIM : DIMMED[rgba[at + 2]!]!;
    }
  return { ...under, rgba };
}

/** A picture with pixels of another one where somebody wants them. */
export function mixedPixels(under: Coloured, over: Coloured, isOver: (pixel: number) => boolean): Coloured {
  const rgba = under.rgba.slice();
  const [to, from] = [wholePixels(rgba), wholePixels(over.rgba)];
  for (let p = 0; p < to.length; p++) if (isOver(p)) to[p] = from[p]!;
  return { ...under, rgba };
}
