import { MARK, marksOf, SHEETS, type PageLayout } from "@/core/chart/layout";
import type { PrintedPage } from "@/sim/colouring";

/** A page of a chart as geometry alone: what the printer lays down, for whoever colours it. */
export function printedPage(layout: PageLayout): PrintedPage {
  return {
    ...SHEETS[layout.sheet],
    rings: marksOf(layout.sheet).map(([x, y]) => ({
      x,
      y,
      outer: MARK.outer,
      inner: MARK.inner,
      dot: MARK.dot,
    })),
    bars: layout.code,
    cells: layout.cells.map(({ box, stack, lift, meets }) => ({
      ...box,
      stack,
      lift: lift ?? false,
      ...(meets && {
        meets: {
          over: meets.over,
          first: meets.how === "light over wet dark",
          wet: meets.how === "dark over wet light" || meets.how === "light over wet dark",
        },
      }),
    })),
    labels: layout.labels.flatMap(({ text, x, y }) =>
      text.split("\n").map((t, i) => ({ text: t, x, y: y + 3 * i })),
    ),
  };
}
