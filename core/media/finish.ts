import type { Span } from "@/core/ink/span";
import type { FinishLayer, LayerPlace } from "./layer";
import type { Medium, Pass } from "./medium";

/** Share of an area that a few sparks or lines take. */
const SPARKS = 0.02;

/** Sparks sit at the outer end of what they are put on. */
const sparksIn = ({ from, to }: Span, place: LayerPlace): Span =>
  place === "shadow" || place === "edge"
    ? { from: Math.max(from, to - SPARKS), to }
    : { from, to: Math.min(to, from + SPARKS) };

/** Opaque whites and lines: last, on dry ink and dry pencil. */
export const finish: Medium<FinishLayer> = {
  most: 8,
  order: () => 4,
  codes: ({ code }) => [code],
  coats: () => [],
  passes: (layers, { spans }) =>
    layers.map(({ code, place, marks }): Pass => ({
      code,
      coats: 1,
      role: "finish",
      kind: "finish",
      wet: false,
      dry: true,
      where: place,
      stroke: "point",
      ...(marks?.length && { marks }),
      ...sparksIn(place === "all" ? spans.light : spans[place], place),
    })),
};
