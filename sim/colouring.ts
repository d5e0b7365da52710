import type { Drawing } from "./camera";
import type { InkRecipe } from "./dyes";
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
  }[];
  readonly labels: readonly { readonly x: number; readonly y: number; readonly text: string }[];
}

/** Colours every cell of a printed page on a paper, and hands back what then lies under the camera. */
export function colourPage(
  page: PrintedPage,
  stock: PaperStock,
  recipeOf: (code: string) => InkRecipe | undefined,
): Drawing {
  const patches = page.cells.flatMap(({ stack, lift, ...box }) => {
    const coats = stack.map(recipeOf);
    if (coats.some((c) => c === undefined)) return [];
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
