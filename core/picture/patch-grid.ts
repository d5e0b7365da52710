/** Patches of one sheet. */
export const MOST_PATCHES = 600;
/** Rows, or columns. */
export const MOST_SIDE = 60;
/** A point in shares of the picture's width and height. */
export type At = readonly [x: number, y: number];

/** Patches of a swatch sheet in rows and columns, and how large a place in each is read. */
export interface PatchGrid {
  /** Middles, row by row. */
  readonly middles: readonly At[];
  /** Side of the square read in each, in pixels of the picture. */
  readonly side: number;
}

/** Share of the distance between patches that is read: its middle, away from edges and gaps. */
export const READ = 0.4;

/**
 * Middles of the patches of a sheet from three of them: the first, the last of the first row, the last of all. The sheet may lie askew and
 * sheared; it must be flat. With one row the last of all is that of the first row; with one column the last of the first row is the first.
 * @param size of the picture in pixels
 */
export function patchGrid(
  first: At,
  rowEnd: At,
  last: At,
  { rows, columns }: { readonly rows: number; readonly columns: number },
  size: { readonly width: number; readonly height: number },
): PatchGrid {
  const across: At =
    columns > 1 ? [(rowEnd[0] - first[0]) / (columns - 1), (rowEnd[1] - first[1]) / (columns - 1)] : [0, 0];
  const end: At = columns > 1 ? rowEnd : first;
  const down: At = rows > 1 ? [(last[0] - end[0]) / (rows - 1), (last[1] - end[1]) / (rows - 1)] : [0, 0];
  const middles: At[] = [];
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++)
      middles.push([first[0] + c * across[0] + r * down[0], first[1] + c * across[1] + r * down[1]]);
  const length = ([x, y]: At) => Math.hypot(x * size.width, y * size.height);
  const steps = [...(columns > 1 ? [length(across)] : []), ...(rows > 1 ? [length(down)] : [])];
  return { middles, side: READ * Math.min(...(steps.length ? steps : [0.1 * size.width])) };
}

/**
 * Codes of patches row by row, from codes as they follow each other on the sheet.
 * @param byColumn whether they run down the columns
 */
export function inRows<T>(
  codes: readonly T[],
  { rows, columns }: { readonly rows: number; readonly columns: number },
  byColumn: boolean,
): (T | undefined)[] {
  return Array.from({ length: rows * columns }, (_, i) => {
    const [r, c] = [Math.floor(i / columns), i % columns];
    return codes[byColumn ? c * rows + r : i];
  });
}
