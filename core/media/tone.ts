import { hasShadowEnd, isOfTone, layingPasses } from "@/core/group/lay";
import { middleTone } from "@/core/group/school";
import { MOST_TONES, rolesOf } from "@/core/group/tone";
import type { ToneLayer } from "./layer";
import { coatsOf, type Medium, type Pass } from "./medium";

/** What tells the place of a tone in its group. */
type Placed = Pick<ToneLayer, "depth" | "carries">;

/** Tones light to dark, given in the order of laying: as they stand, unless all of them say where they belong. */
export const lightToDark = <T extends Placed>(tones: readonly T[]): readonly T[] =>
  tones.every((t) => t.depth !== undefined) ? [...tones].sort((a, b) => a.depth! - b.depth!) : tones;

/** The order of laying by places from light to dark; undefined where it is from light to dark. */
export function handOrderOf(tones: readonly Placed[]): readonly number[] | undefined {
  const byDepth = lightToDark(tones);
  const order = tones.map((t) => byDepth.indexOf(t));
  return order.every((d, i) => d === i) ? undefined : order;
}

/** The tone, by its place from light to dark, that carries the local colour: the one that says so, else the middle one. */
export function carrierOf(tones: readonly Placed[]): number {
  const said = lightToDark(tones).findIndex((t) => t.carries);
  return said >= 0 ? said : middleTone(tones.length);
}

/** The same tones in another order of laying; each keeps its place from light to dark. */
export function laidAs<T extends Placed>(tones: readonly T[], order: readonly T[]): T[] {
  const byDepth = lightToDark(tones);
  const placed = order.map((t) => ({ ...t, depth: byDepth.indexOf(t) }));
  return placed.some((t, i) => t.depth !== i)
    ? placed
    : placed.map(({ depth: _, ...t }) => t as unknown as T);
}

/** The blend group: its tones are laid together, by the area's school. */
export const tone: Medium<ToneLayer> = {
  most: MOST_TONES,
  order: () => 1,
  codes: ({ code }) => [code],
  coats: coatsOf,
  passes: (tones, { school, capacity, under, over, local, somethingBeneath }) => {
    const byDepth = lightToDark(tones);
    const hand = handOrderOf(tones);
    const roles = rolesOf(tones.length + (hasShadowEnd({ under, over }) ? 1 : 0));
    const coats = byDepth.map((t) => t.coats);
    return layingPasses({ school, coats, local, under, over, capacity, ...(hand && { hand }) })
      .filter(isOfTone)
      .map((p, i): Pass => ({
        code: byDepth[p.tone]!.code,
        coats: p.coats,
        role: roles[p.tone]!,
        kind: p.kind,
        wet: p.wet,
        dry: !p.wet && (i > 0 || somethingBeneath),
        where: p.where,
        stroke: p.stroke,
        from: p.from,
        to: p.to,
      }));
  },
};
