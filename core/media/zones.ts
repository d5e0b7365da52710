import { bordersOf } from "@/core/group/lay";
import { layersOf, type Layer, type ShadowLayer } from "./layer";
import { isHint, isUnder } from "./shadow";
import { carrierOf } from "./tone";

/** What makes the shadow end of an area: ink beneath its group, and over it. */
export function shadowEnd(layers: readonly Layer[]): {
  readonly under: readonly ShadowLayer[];
  readonly over: readonly ShadowLayer[];
} {
  const shade = layersOf(layers, "shadow").filter((l) => l.place === "shadow");
  return { under: shade.filter(isUnder), over: shade.filter((l) => !isUnder(l) && !isHint(l)) };
}

/**
 * Where the tones of an area end, shares from its lightest end: 0 … 1, one more than tones, and one more where ink under or over them makes the
 * shadow end. An area without tones has one.
 */
export function toneBordersOf(layers: readonly Layer[]): readonly number[] {
  const tones = layersOf(layers, "tone");
  if (!tones.length) return [0, 1];
  const { under, over } = shadowEnd(layers);
  return bordersOf({
    coats: tones.map((t) => t.coats),
    under: under.map((l) => l.coats),
    over: over.map((l) => l.coats),
    local: carrierOf(tones),
  });
}
