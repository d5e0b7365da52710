/** One byte a pixel, row by row. */
export interface Bytes {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** One 16-bit number a pixel, row by row: the number of the region that it belongs to, 0 for none. */
export interface Labels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint16Array;
}

/** A picture of 1, 3 or 4 bytes a pixel (grey; red, green, blue; and opacity), 8-bit sRGB. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly channels: 1 | 3 | 4;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** Most regions of a picture: what 16 bits can number. */
export const MOST_REGIONS = 65535;
