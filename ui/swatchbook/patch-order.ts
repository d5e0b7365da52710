import { readStack } from "@/core/formats/cgats";
import type { StoredChart } from "@/store/charts";

/** How one knows which patch is which: by their names, in the order of a chart, or by a list. */
export type Order =
  | { readonly kind: "names" }
  | { readonly kind: "chart"; readonly id: string }
  | { readonly kind: "list"; readonly text: string };

/** Stacks in the order of patches; undefined where names tell. Lines that name nothing stay open. */
export function orderOf(
  order: Order,
  charts: readonly Pick<StoredChart, "id" | "lines">[],
): readonly (readonly string[] | undefined)[] | undefined {
  switch (order.kind) {
    case "names":
      return undefined;
    case "chart":
      return charts
        .find((c) => c.id === order.id)
        ?.lines.flatMap((line) => line.cells.filter((c) => !c.lift && !c.meets).map((c) => c.stack));
    case "list":
      return order.text.split("\n").map((line) => (line.trim() ? readStack(line.trim()) : undefined));
  }
}
