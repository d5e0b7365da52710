import { SHADOW_ORDER } from "@/core/shadow/shadow";
import type { ShadowLayer } from "./layer";
import { coatsOf, type Medium, type Pass } from "./medium";

export const isUnder = ({ kind }: Pick<ShadowLayer, "kind">): boolean => SHADOW_ORDER[kind] === "under";

/** A hint leans the colour and makes no shadow end of its own. */
export const isHint = ({ kind }: Pick<ShadowLayer, "kind">): boolean => kind.endsWith("hint");

/** What lies under the group goes on first and dries; what lies over it comes when the group is dry. */
export const shadow: Medium<ShadowLayer> = {
  most: 8,
  order: (layer) => (isUnder(layer) ? 0 : 2),
  codes: ({ code }) => [code],
  coats: coatsOf,
  passes: (layers, { somethingBeneath, spans }) =>
    layers.map((layer, i): Pass => ({
      code: layer.code,
      coats: layer.coats,
      role: layer.kind,
      kind: "lay",
      wet: false,
      dry: i > 0 || somethingBeneath,
      where: layer.place,
      stroke: "circles",
      ...spans[layer.place],
    })),
};
