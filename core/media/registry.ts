import { hasShadowEnd } from "@/core/group/lay";
import { finish } from "./finish";
import { layersOf, type Layer, type LayerOf, type MediumName } from "./layer";
import type { LaidIn, Medium, Pass } from "./medium";
import { pencil } from "./pencil";
import { shadow } from "./shadow";
import { tone } from "./tone";
import { shadowEnd, toneBordersOf } from "./zones";

/** Every medium that an area may be built of. What is not said of a medium here, nobody else knows. */
export const MEDIA: { readonly [M in MediumName]: Medium<LayerOf<M>> } = { tone, shadow, pencil, finish };

const of = <L extends Layer>(layer: L): Medium<L> => MEDIA[layer.medium] as unknown as Medium<L>;

/** Everything that is taken in hand for layers, each code once, in the order of laying. */
export const codesOf = (layers: readonly Layer[]): string[] => [
  ...new Set(layers.flatMap((l) => of(l).codes(l))),
];

/** Coats of ink that layers lay, bottom to top. */
export const inkOf = (layers: readonly Layer[]): string[] => layers.flatMap((l) => of(l).coats(l));

export const orderOf = (layer: Layer): number => of(layer).order(layer);

/** Layers bottom to top; those of the same order stay as they are. */
export const inOrder = (layers: readonly Layer[]): readonly Layer[] =>
  layers
    .map((layer, i) => ({ layer, i }))
    .sort((a, b) => orderOf(a.layer) - orderOf(b.layer) || a.i - b.i)
    .map(({ layer }) => layer);

/** The first medium of which there are more layers than an area may have. */
export const overfull = (layers: readonly Layer[]): MediumName | undefined =>
  (Object.keys(MEDIA) as MediumName[]).find(
    (m) => layers.filter((l) => l.medium === m).length > MEDIA[m].most,
  );

/** Where each place of a layer lies on an area of so many tones: the light is the first tone's own part, the shadow the last one's. */
function spansOf(tones: number, borders: readonly number[], shadowEnd: boolean): LaidIn["spans"] {
  const [first, last] = [borders[1] ?? 1, borders[Math.max(0, tones - 1)] ?? 0];
  const dark = { from: shadowEnd ? (borders[tones] ?? 0) : last, to: 1 };
  return {
    all: { from: 0, to: 1 },
    light: { from: 0, to: tones > 1 ? first : 1 },
    mids: { from: tones > 2 ? first : 0, to: tones > 2 ? last : 1 },
    shadow: tones ? dark : { from: 0.5, to: 1 },
    edge: tones ? dark : { from: 0.8, to: 1 },
  };
}

/** The passes of all layers in the order in which they are laid. */
export function passesOf(
  layers: readonly Layer[],
  laid: Omit<LaidIn, "somethingBeneath" | "under" | "over" | "spans">,
): Pass[] {
  const out: Pass[] = [];
  const sorted = inOrder(layers);
  const shade = shadowEnd(layers);
  const [under, over] = [shade.under, shade.over].map((list) => list.map((l) => l.coats)) as [
    number[],
    number[],
  ];
  const tones = layersOf(layers, "tone").length;
  const spans = spansOf(tones, toneBordersOf(layers, laid.local), hasShadowEnd({ under, over }));
  for (let from = 0, to = 0; from < sorted.length; from = to) {
    const first = sorted[from]!;
    while (to < sorted.length && orderOf(sorted[to]!) === orderOf(first)) to++;
    const known: LaidIn = { ...laid, under, over, spans, somethingBeneath: from > 0 };
    out.push(...of(first).passes(sorted.slice(from, to), known));
  }
  return out;
}
