/** A page that shows a part of a larger sheet; all lengths in mm. */
export interface PageTile {
  /** Counted from 0, from the top left. */
  readonly row: number;
  readonly column: number;
  /** The part of the sheet that it shows: left, top, width, height. */
  readonly part: readonly [number, number, number, number];
  /** Edges on which another page is laid: where its own paper ends there is an overlap. */
  readonly joins: { readonly right: boolean; readonly below: boolean };
}

export interface PageTiles {
  readonly width: number;
  readonly height: number;
  readonly rows: number;
  readonly columns: number;
  readonly tiles: readonly PageTile[];
}

/** What printers leave white round a page, and by how much pages overlap, mm. */
export const [MARGIN, OVERLAP] = [12, 10] as const;

/** Pages in one direction: each but the last shows its overlap twice. */
const pagesFor = (length: number, room: number): number =>
  Math.max(1, Math.ceil((length - OVERLAP - 1e-9) / (room - OVERLAP)));

/** Divides a sheet among pages, upright or lying, as needs fewer of them. @param page width and height, mm */
export function pageTiles(sheet: readonly [number, number], page: readonly [number, number]): PageTiles {
  const [tall, wide] = [page, [page[1], page[0]] as const].map(([width, height]) => {
    const [columns, rows] = [pagesFor(sheet[0], width - 2 * MARGIN), pagesFor(sheet[1], height - 2 * MARGIN)];
    return { width, height, columns, rows };
  });
  const best = wide!.columns * wide!.rows < tall!.columns * tall!.rows ? wide! : tall!;
  const { width, height, columns, rows } = best;
  const [across, down] = [width - 2 * MARGIN, height - 2 * MARGIN];
  const tiles = Array.from({ length: rows * columns }, (_, k): PageTile => {
    const [row, column] = [Math.floor(k / columns), k % columns];
    const [left, top] = [column * (across - OVERLAP), row * (down - OVERLAP)];
    return {
      row,
      column,
      part: [left, top, Math.min(across, sheet[0] - left), Math.min(down, sheet[1] - top)],
      joins: { right: column + 1 < columns, below: row + 1 < rows },
    };
  });
  return { width, height, rows, columns, tiles };
}
