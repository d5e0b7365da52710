import type { LaidPencil } from "@/core/pencil/plan";
import type { PencilLayer } from "./layer";
import type { Medium, Pass } from "./medium";

type Drawing = NonNullable<Pass["drawing"]>;

interface Drawn {
  readonly code: string;
  readonly part: LaidPencil["part"];
  readonly strokes: Drawing["strokes"][number][];
}

/** Each pencil of each part once, with the values in which it is used, in the order in which they are first met. */
function drawnOf({ steps }: PencilLayer): Drawn[] {
  const out: Drawn[] = [];
  for (const [step, { lightness, layers }] of steps.entries())
    for (const l of layers) {
      let own = out.find((o) => o.code === l.code && o.part === l.part);
      if (!own) out.push((own = { code: l.code, part: l.part, strokes: [] }));
      own.strokes.push({ step, lightness, layers: l.layers, pressure: l.pressure });
    }
  return out;
}

const beneathFirst = (part: LaidPencil["part"]) => (part === "over all" ? 1 : 0);

/** Pencil over marker: its base flat and dry, what goes beneath, then the three over all. */
export const pencil: Medium<PencilLayer> = {
  most: 4,
  order: () => 3,
  codes: ({ base, steps }) => [
    ...new Set([...(base ? [base] : []), ...steps.flatMap((s) => s.layers.map((l) => l.code))]),
  ],
  coats: ({ base }) => (base ? [base] : []),
  passes: (layers, { spans }) =>
    layers.flatMap((layer, scale): Pass[] => {
      const base: Pass[] = layer.base
        ? [
            {
              code: layer.base,
              coats: 1,
              role: "base",
              kind: "lay",
              wet: false,
              dry: true,
              where: layer.place,
              stroke: "flat",
              ...spans[layer.place],
            },
          ]
        : [];
      const drawn = drawnOf(layer)
        .sort((a, b) => beneathFirst(a.part) - beneathFirst(b.part))
        .map(({ code, part, strokes }): Pass => ({
          code,
          coats: Math.max(...strokes.map((s) => s.layers)),
          role: "pencil",
          kind: "draw",
          wet: false,
          dry: true,
          where: layer.place,
          stroke: "point",
          from: strokes[0]!.step / layer.steps.length,
          to: (strokes.at(-1)!.step + 1) / layer.steps.length,
          drawing: { part, scale, steps: layer.steps.length, strokes },
        }));
      return [...base, ...drawn];
    }),
};
