import type { SheetName } from "./layout";

/** What a printed page says of itself. */
export interface PageName {
  /** 1–65535. */
  readonly serial: number;
  /** 0–63. */
  readonly page: number;
  readonly sheet: SheetName;
}

/** Version of the grid that the code promises. */
const VERSION = 0;
const DATA_BITS = 24;
const CHECK_BITS = 8;
/** Always black, white before and white, black after the bits: they set the levels. */
const HEAD = [true, false];
const TAIL = [false, true];

/** Modules in the strip. */
export const MODULES = HEAD.length + DATA_BITS + CHECK_BITS + TAIL.length;

/** CRC-8 of 24 bits, polynomial x⁸ + x² + x + 1, all ones at the start. */
function crc8(value: number): number {
  let crc = 0xff;
  for (let shift = 16; shift >= 0; shift -= 8) {
    crc ^= (value >> shift) & 0xff;
    for (let i = 0; i < 8; i++) crc = crc & 0x80 ? ((crc << 1) ^ 0x07) & 0xff : (crc << 1) & 0xff;
  }
  return crc;
}

const bitsOf = (value: number, count: number) =>
  Array.from({ length: count }, (_, i) => ((value >>> (count - 1 - i)) & 1) === 1);
const valueOf = (bits: readonly boolean[]) => bits.reduce((v, b) => v * 2 + (b ? 1 : 0), 0);

/**
 * Modules of a page's strip, left to right, true is black.
 * @throws RangeError when serial or page do not fit
 */
export function encodePage({ serial, page, sheet }: PageName): boolean[] {
  if (!(serial >= 1 && serial <= 0xffff && page >= 0 && page <= 63))
    throw new RangeError(`chart ${serial}, page ${page + 1} cannot be coded: 1–65535 and at most 64 pages`);
  const data = (serial << 8) | (page << 2) | ((sheet === "Letter" ? 1 : 0) << 1) | VERSION;
  return [...HEAD, ...bitsOf(data, DATA_BITS), ...bitsOf(crc8(data), CHECK_BITS), ...TAIL];
}

/** What a strip says; undefined when its frame or its check does not fit. */
export function decodePage(modules: readonly boolean[]): PageName | undefined {
  const fits = (part: readonly boolean[], at: number) => part.every((b, i) => modules[at + i] === b);
  if (modules.length !== MODULES || !fits(HEAD, 0) || !fits(TAIL, MODULES - TAIL.length)) return undefined;
  const data = valueOf(modules.slice(HEAD.length, HEAD.length + DATA_BITS));
  if (
    valueOf(modules.slice(HEAD.length + DATA_BITS, MODULES - TAIL.length)) !== crc8(data) ||
    (data & 1) !== VERSION ||
    data >> 8 === 0
  )
    return undefined;
  return { serial: data >> 8, page: (data >> 2) & 63, sheet: data & 2 ? "Letter" : "A4" };
}
