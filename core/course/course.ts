import { hasShadowEnd } from "@/core/group/lay";
import type { School } from "@/core/group/school";
import { layersOf, type Layer, type ShadowLayer, type ToneLayer } from "@/core/media/layer";
import type { LaidIn, Pass } from "@/core/media/medium";
import { inOrder, mediumOf, orderOf } from "@/core/media/registry";
import { carrierOf, lightToDark } from "@/core/media/tone";
import { shadowEnd, toneBordersOf } from "@/core/media/zones";

/** How an area is laid. */
export interface Laid {
  readonly school: School;
  /** Coats that the paper holds: blending passes stop short of where it is full. */
  readonly capacity: number;
  /** Inks of the whole piece's underlay, light to dark. */
  readonly underlay?: readonly string[];
}

/**
 * The course of an area: what is laid on it, in which order, where, and as what. Everything that speaks of how an area is coloured reads this;
 * it follows from the kept layers alone, so that every page, file and picture says the same.
 */
export interface Course {
  /** First pass first; those of the whole piece's underlay before all. */
  readonly passes: readonly Pass[];
  /** Where its tones end, shares from its lightest end: 0 … 1. */
  readonly borders: readonly number[];
  /** Its tones light to dark, and the ink that makes its shadow end beyond the last of them, if any. */
  readonly tones: readonly ToneLayer[];
  readonly shade: readonly ShadowLayer[];
  /** The tone, by its place from light to dark, that carries the local colour. */
  readonly local: number;
}

/** Parts of an area in which each ink of a whole-piece underlay lies: every shadow, the deeper ones, the deepest only. */
const UNDERLAY_FROM = [0.55, 0.72, 0.86, 0.93] as const;

/** All shadows of the piece first, in a few inks from light to dark, dry before any local colour. */
const underlayPasses = (codes: readonly string[]): Pass[] =>
  codes.map((code, i): Pass => ({
    code,
    coats: 1,
    role: "underlay",
    kind: "lay",
    wet: false,
    dry: i > 0,
    where: "shadow",
    stroke: "circles",
    from: UNDERLAY_FROM[Math.min(i, UNDERLAY_FROM.length - 1)]!,
    to: 1,
    ofWhole: true,
  }));

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

/** The course of an area of these layers. The underlay of the whole piece lies only where a group does. */
export function courseOf(layers: readonly Layer[], { school, capacity, underlay = [] }: Laid): Course {
  const sorted = inOrder(layers);
  const shade = shadowEnd(layers);
  const under = shade.under.map((l) => l.coats);
  const over = shade.over.map((l) => l.coats);
  const tones = layersOf(layers, "tone");
  const borders = toneBordersOf(layers);
  const local = carrierOf(tones);
  const spans = spansOf(tones.length, borders, hasShadowEnd({ under, over }));
  const passes: Pass[] = tones.length ? underlayPasses(underlay) : [];
  for (let from = 0, to = 0; from < sorted.length; from = to) {
    const first = sorted[from]!;
    while (to < sorted.length && orderOf(sorted[to]!) === orderOf(first)) to++;
    const somethingBeneath = passes.length > 0;
    passes.push(
      ...mediumOf(first).passes(sorted.slice(from, to), {
        school,
        capacity,
        local,
        under,
        over,
        spans,
        somethingBeneath,
      }),
    );
  }
  return { passes, borders, tones: lightToDark(tones), shade: [...shade.under, ...shade.over], local };
}
