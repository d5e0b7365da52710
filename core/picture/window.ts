/**
 * Greatest (or least) of each run of `2 reach + 1` bytes, in linear time whatever the reach; beyond the ends there is nothing. M. van Herk,
 * Pattern Recognition Letters 13 (1992) 517–521.
 */
function extremeAlong(
  line: Uint8Array,
  length: number,
  reach: number,
  least: boolean,
  ahead: Uint8Array,
  behind: Uint8Array,
): void {
  const span = 2 * reach + 1;
  const flip = least ? 255 : 0;
  // With everything flipped the least is the greatest.
  for (let i = 0; i < length; i++) {
    const v = line[i]! ^ flip;
    ahead[i] = i % span && ahead[i - 1]! > v ? ahead[i - 1]! : v;
  }
  for (let i = length - 1; i >= 0; i--) {
    const v = line[i]! ^ flip;
    behind[i] = (i + 1) % span && i + 1 < length && behind[i + 1]! > v ? behind[i + 1]! : v;
  }
  for (let i = 0; i < length; i++) {
    const start = i > reach ? i - reach : 0;
    const last = i + reach < length ? i + reach : length - 1;
    // A run covers the end of one block and the start of the next; one that is cut short may lie within a single block.
    const a = i > reach ? behind[start]! : 0;
    const b = start === 0 || start - (start % span) !== last - (last % span) ? ahead[last]! : 0;
    line[i] = (a > b ? a : b) ^ flip;
  }
}

/** Greatest or least byte within a square of `2 reach + 1` pixels round each pixel. */
export function extremeIn(
  data: Uint8Array,
  width: number,
  height: number,
  reach: number,
  which: "greatest" | "least",
): Uint8Array {
  const out = Uint8Array.from(data);
  const longest = Math.max(width, height);
  const [ahead, behind, line] = [new Uint8Array(longest), new Uint8Array(longest), new Uint8Array(longest)];
  const least = which === "least";
  for (let y = 0; y < height; y++)
    extremeAlong(out.subarray(y * width, (y + 1) * width), width, reach, least, ahead, behind);
  for (let x = 0; x < width; x++) {
    for (let y = 0, p = x; y < height; y++, p += width) line[y] = out[p]!;
    extremeAlong(line, height, reach, least, ahead, behind);
    for (let y = 0, p = x; y < height; y++, p += width) out[p] = line[y]!;
  }
  return out;
}

/** Bytes in blocks of a whole number of pixels. */
export interface Blocks {
  readonly factor: number;
  /** Blocks in a row. */
  readonly across: number;
  readonly data: Uint8Array;
}

/** Blocks a reach is divided into: finer ones follow edges more closely and cost more. */
const BLOCKS_A_REACH = 7;

/**
 * What is left of high places once all that is narrower than `2 reach + 1` pixels is taken away: opening by a square. It is worked out on the
 * least of each block, and reaches a block farther than the places do.
 */
export function opened(data: Uint8Array, width: number, height: number, reach: number): Blocks {
  const factor = Math.max(1, Math.floor(reach / BLOCKS_A_REACH));
  const [across, down] = [Math.ceil(width / factor), Math.ceil(height / factor)];
  const least = new Uint8Array(across * down).fill(255);
  for (let y = 0, p = 0; y < height; y++) {
    const row = Math.floor(y / factor) * across;
    for (let x = 0, b = row, within = 0; x < width; x++, p++) {
      if (data[p]! < least[b]!) least[b] = data[p]!;
      if (++within === factor) {
        within = 0;
        b++;
      }
    }
  }
  const blocks = Math.max(1, Math.round(reach / factor));
  const kept = extremeIn(least, across, down, blocks, "least");
  return { factor, across, data: extremeIn(kept, across, down, blocks + 1, "greatest") };
}
