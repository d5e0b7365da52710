import type { LaidPencil } from "@/core/pencil/plan";
import type { Pressure } from "@/core/pencil/tooth";
import type { PencilLayer } from "./layer";
import type { Medium, Pass } from "./medium";

interface Drawn {
  readonly code: string;
  readonly part: LaidPencil["part"];
  readonly layers: number[];
  readonly pressures: Set<Pressure>;
  readonly values: number[];
  /** First and last step in which it is used. */
  readonly steps: [first: number, last: number];
}

/** Each pencil of each part once, with the values in which it is used, in the order in which they are first met. */
function drawnOf({ steps }: PencilLayer): Drawn[] {
  const out: Drawn[] = [];
  for (const [n, step] of steps.entries())
    for (const l of step.layers) {
      let own = out.find((o) => o.code === l.code && o.part === l.part);
      if (!own)
        out.push(
          (own = { code: l.code, part: l.part, layers: [], pressures: new Set(), values: [], steps: [n, n] }),
        );
      own.layers.push(l.layers);
      own.pressures.add(l.pressure);
      own.values.push(step.lightness);
      own.steps[1] = n;
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
    layers.flatMap((layer): Pass[] => {
      const base: Pass[] = layer.base
        ? [
            {
              code: layer.base,
              coats: 1,
              role: "base",
              kind: "lay",
              dry: true,
              where: layer.place,
              stroke: "flat",
              ...spans[layer.place],
            },
          ]
        : [];
      const drawn = drawnOf(layer)
        .sort((a, b) => beneathFirst(a.part) - beneathFirst(b.part))
        .map((d): Pass => ({
          code: d.code,
          coats: Math.max(...d.layers),
          role: "pencil",
          kind: "draw",
          dry: true,
          where: layer.place,
          stroke: "point",
          from: d.steps[0] / layer.steps.length,
          to: (d.steps[1] + 1) / layer.steps.length,
          drawing: {
            part: d.part,
            values: d.values,
            layers: [Math.min(...d.layers), Math.max(...d.layers)],
            pressures: [...d.pressures],
          },
        }));
      return [...base, ...drawn];
    }),
};
