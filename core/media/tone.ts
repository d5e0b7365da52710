import { hasShadowEnd, isOfTone, layingPasses } from "@/core/group/lay";
import { middleTone } from "@/core/group/school";
import { MOST_TONES, rolesOf } from "@/core/group/tone";
import type { ToneLayer } from "./layer";
import { coatsOf, type Medium, type Pass } from "./medium";

/** Tones that were put in another order by hand than from light to dark are laid in that order; blending back still follows. */
function inHandOrder(
  passes: readonly Pass[],
  tones: readonly ToneLayer[],
  byDepth: readonly ToneLayer[],
): readonly Pass[] {
  if (tones.every((t, i) => t === byDepth[i])) return passes;
  const place = (p: Pass) => tones.findIndex((t) => t.code === p.code);
  const laid = passes.filter((p) => p.kind === "lay").sort((a, b) => place(a) - place(b));
  return [...laid, ...passes.filter((p) => p.kind !== "lay")];
}

/** The blend group: its tones are laid together, by the area's school. */
export const tone: Medium<ToneLayer> = {
  most: MOST_TONES,
  order: () => 1,
  codes: ({ code }) => [code],
  coats: coatsOf,
  passes: (tones, { school, lightnessOf, capacity, under, over, local, somethingBeneath }) => {
    // A tone that has not been read keeps its place in the order of laying.
    const depth = new Map(tones.map((t, i) => [t, lightnessOf(t.code, t.coats) ?? -i]));
    const byDepth = [...tones].sort((a, b) => depth.get(b)! - depth.get(a)!);
    const roles = rolesOf(tones.length + (hasShadowEnd({ under, over }) ? 1 : 0));
    const laid = layingPasses({
      school,
      coats: byDepth.map((t) => t.coats),
      local: local ?? middleTone(tones.length),
      under,
      over,
      capacity,
    });
    const passes = laid.filter(isOfTone).map((p, i): Pass => ({
      code: byDepth[p.tone]!.code,
      coats: p.coats,
      role: roles[p.tone]!,
      kind: p.kind,
      dry: !p.wet && (i > 0 || somethingBeneath),
      where: p.where,
      stroke: p.stroke,
      from: p.from,
      to: p.to,
    }));
    return inHandOrder(passes, tones, byDepth);
  },
};
