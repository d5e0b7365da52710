import type { LaidPencil } from "@/core/pencil/plan";
import type { PencilLayer } from "./layer";
import type { Medium, Pass } from "./medium";

type Drawing = NonNullable<Pass["drawing"]>;

interface Drawn {
  readonly code: string;
  readonly part: LaidPencil["part"];
  readonly strokes: Drawing["strokes"][number][];
}

/**
 * Each pencil of each part once, with the values in which it is used, in an order in which every value finds its own layers as it was planned:
 * what goes beneath first, else whoever is met first. Values that contradict each other, as only a plan changed by hand has them, go by that.
 */
function drawnOf({ steps }: PencilLayer): Drawn[] {
  const met: Drawn[] = [];
  const before = new Map<Drawn, Set<Drawn>>();
  for (const [step, { lightness, layers }] of steps.entries()) {
    let under: Drawn | undefined;
    for (const l of layers) {
      let own = met.find((o) => o.code === l.code && o.part === l.part);
      if (!own) met.push((own = { code: l.code, part: l.part, strokes: [] }));
      own.strokes.push({ step, lightness, layers: l.layers, pressure: l.pressure });
      if (under && under !== own) before.set(own, (before.get(own) ?? new Set()).add(under));
      under = own;
    }
  }
  const left = new Set([...met].sort((a, b) => beneathFirst(a.part) - beneathFirst(b.part)));
  const out: Drawn[] = [];
  while (left.size) {
    const waiting = (d: Drawn) => [...(before.get(d) ?? [])].some((o) => left.has(o));
    const next = [...left].find((d) => !waiting(d)) ?? [...left][0]!;
    left.delete(next);
    out.push(next);
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
      const drawn = drawnOf(layer).map(({ code, part, strokes }): Pass => ({
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
