import { finish } from "./finish";
import type { Layer, LayerOf, MediumName } from "./layer";
import type { Medium } from "./medium";
import { pencil } from "./pencil";
import { shadow } from "./shadow";
import { tone } from "./tone";

/** Every medium that an area may be built of. What is not said of a medium here, nobody else knows. */
export const MEDIA: { readonly [M in MediumName]: Medium<LayerOf<M>> } = { tone, shadow, pencil, finish };

/** The medium of a layer. */
export const mediumOf = <L extends Layer>(layer: L): Medium<L> => MEDIA[layer.medium] as unknown as Medium<L>;

/** Everything that is taken in hand for layers, each code once, in the order of laying. */
export const codesOf = (layers: readonly Layer[]): string[] => [
  ...new Set(layers.flatMap((l) => mediumOf(l).codes(l))),
];

/** Coats of ink that layers lay, bottom to top. */
export const inkOf = (layers: readonly Layer[]): string[] => layers.flatMap((l) => mediumOf(l).coats(l));

export const orderOf = (layer: Layer): number => mediumOf(layer).order(layer);

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
