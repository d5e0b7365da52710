import type { Drawing } from "./drawing";
import type { InkRecipe } from "./dyes";
import { colourAlong, type PassAlong } from "./flow";
import type { PaperStock } from "./paper-stock";
import { BLENDER, colourSheet } from "./sheet";

/** The printed chart as handed to the person who colours it: millimetres, black shapes, and which codes go where. */
export interface PrintedPage {
  readonly width: number;
  readonly height: number;
  readonly rings: readonly {
    readonly x: number;
    readonly y: number;
    readonly outer: number;
    readonly inner: number;
    readonly dot: number;
  }[];
  readonly bars: readonly {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }[];
  readonly cells: readonly {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
    readonly stack: readonly string[];
    readonly lift: boolean;
    /** What begins in the middle of a long cell, and whether it is laid first or last, wet or dry; no codes mean the blender. */
    readonly meets?: { readonly over: readonly string[]; readonly first: boolean; readonly wet: boolean };
  }[];
  readonly labels: readonly { readonly x: number; readonly y: number; readonly text: string }[];
}

/** Width of a column of a long cell, mm. */
const COLUMN = 0.5;

/** A long cell as somebody colours it: one laying over all of it, another over its right half. */
function longCell(
  stock: PaperStock,
  whole: readonly InkRecipe[],
  half: readonly InkRecipe[],
  { first, wet }: { readonly first: boolean; readonly wet: boolean },
  width: number,
): Float64Array[] {
  const laid = (inks: readonly (InkRecipe | typeof BLENDER)[], from: number, soaked: boolean): PassAlong[] =>
    inks.map((ink) => ({ ink, coats: 1, wet: soaked, from }));
  const right = half.length ? half : [BLENDER as typeof BLENDER];
  const passes = first
    ? [...laid(right, width / 2, false), ...laid(whole, 0, wet)]
    : [...laid(whole, 0, false), ...laid(right, width / 2, wet)];
  const columns = Math.round(width / COLUMN);
  return colourAlong(stock, passes, columns, width / columns);
}

/** Colours every cell of a printed page on a paper, and hands back what then lies under the camera. */
export function colourPage(
  page: PrintedPage,
  stock: PaperStock,
  recipeOf: (code: string) => InkRecipe | undefined,
): Drawing {
  const patches = page.cells.flatMap(({ stack, lift, meets, ...box }) => {
    const coats = stack.map(recipeOf);
    const over = meets?.over.map(recipeOf) ?? [];
    if ([...coats, ...over].some((c) => c === undefined)) return [];
    if (meets) {
      const along = longCell(stock, coats as InkRecipe[], over as InkRecipe[], meets, box.width);
      return [{ ...box, reflectance: along.at(-1)!, along }];
    }
    return [
      {
        ...box,
        reflectance: colourSheet(stock, [
          ...(coats as InkRecipe[]),
          ...(lift ? [BLENDER as typeof BLENDER] : []),
        ]),
      },
    ];
  });
  // Letters are little dark strokes to a camera.
  const letters = page.labels.flatMap(({ x, y, text }) =>
    [...text].flatMap((c, i) =>
      c === " "
        ? []
        : [
            { x: x + 1.7 * i, y: y - 1.1, width: 0.35, height: 2.2 },
            { x: x + 1.7 * i, y: y - 0.2, width: 1.1, height: 0.3 },
          ],
    ),
  );
  return {
    width: page.width,
    height: page.height,
    paper: colourSheet(stock, []),
    discs: page.rings.flatMap(({ x, y, outer, inner, dot }) => [
      { x, y, radius: outer, black: true },
      { x, y, radius: inner, black: false },
      { x, y, radius: dot, black: true },
    ]),
    bars: [...page.bars, ...letters],
    patches,
  };
}
