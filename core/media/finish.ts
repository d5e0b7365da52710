import type { FinishLayer } from "./layer";
import type { Medium, Pass } from "./medium";

/** Opaque whites and lines: last, on dry ink and dry pencil. */
export const finish: Medium<FinishLayer> = {
  most: 8,
  order: () => 4,
  codes: ({ code }) => [code],
  coats: () => [],
  passes: (layers) =>
    layers.map(({ code, place }): Pass => ({
      code,
      coats: 1,
      role: "finish",
      kind: "finish",
      dry: true,
      where: place,
      stroke: "point",
    })),
};
