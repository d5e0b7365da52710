/** Values of a drawing, light to dark, one a pixel. */
export interface Values {
  readonly width: number;
  readonly height: number;
  readonly values: Uint16Array;
}

/** Of this way of packing; what is packed in another is no values. */
const MARK = "blendt light 1";
const HEAD = MARK.length + 8;
/** Most pixels that are unpacked. */
const MOST_PIXELS = 40e6;

/** Most bytes that packed values have. */
export const MOST_PACKED_VALUES = HEAD + 2 * MOST_PIXELS;

/** What a pixel most likely is by those before it: as if the values were a slope. */
const expected = (values: Uint16Array, p: number, width: number): number => {
  const left = p % width ? values[p - 1]! : 0;
  if (p < width) return left;
  const above = values[p - width]!;
  return p % width ? left + above - values[p - width - 1]! : above;
};

/**
 * Values as bytes that deflate well: how much each differs from what those before it let expect, first all higher bytes, then all lower.
 * Undefined when they are too many to be kept.
 */
export function packedValues({ width, height, values }: Values): Uint8Array<ArrayBuffer> | undefined {
  const size = width * height;
  if (size > MOST_PIXELS) return undefined;
  const out = new Uint8Array(HEAD + 2 * size);
  out.set(new TextEncoder().encode(MARK));
  const view = new DataView(out.buffer);
  view.setUint32(MARK.length, width, true);
  view.setUint32(MARK.length + 4, height, true);
  for (let p = 0; p < size; p++) {
    const off = values[p]! - expected(values, p, width);
    out[HEAD + p] = (off >> 8) & 255;
    out[HEAD + size + p] = off & 255;
  }
  return out;
}

/** The values that were packed, to the last digit; undefined for whatever else the bytes are. */
export function unpackedValues(bytes: Uint8Array): Values | undefined {
  if (bytes.length < HEAD || new TextDecoder().decode(bytes.subarray(0, MARK.length)) !== MARK)
    return undefined;
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const [width, height] = [view.getUint32(MARK.length, true), view.getUint32(MARK.length + 4, true)];
  const size = width * height;
  if (!size || size > MOST_PIXELS || bytes.length !== HEAD + 2 * size) return undefined;
  const values = new Uint16Array(size);
  for (let p = 0; p < size; p++)
    values[p] = expected(values, p, width) + ((bytes[HEAD + p]! << 8) | bytes[HEAD + size + p]!);
  return { width, height, values };
}
