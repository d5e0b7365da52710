import type { LaidGroup } from "@/core/group/weigh";
import type { Layer } from "@/core/media/layer";
import { inOrder } from "@/core/media/registry";
import { laidAs } from "@/core/media/tone";

/**
 * The layers that a group of the planner makes, as they are kept: its tones in the order of laying, and the ink that makes its shadow end.
 * @param code of an ink by its place on the desk
 */
export function plannedLayers({ laying, inks }: LaidGroup, code: (ink: number) => string): readonly Layer[] {
  const tones = inks.tones.map((ink, i) => ({
    medium: "tone" as const,
    code: code(ink),
    coats: laying.coats[i]!,
    ...(i === laying.local && { carries: true as const }),
  }));
  const shade = (kind: "underlay" | "overlay", list: readonly number[], coats: readonly number[]) =>
    list.map((ink, i) => ({
      medium: "shadow" as const,
      kind,
      code: code(ink),
      coats: coats[i]!,
      place: "shadow" as const,
    }));
  return inOrder([
    ...(laying.hand
      ? laidAs(
          tones,
          laying.hand.map((t) => tones[t]!),
        )
      : tones),
    ...shade("underlay", inks.under, laying.under),
    ...shade("overlay", inks.over, laying.over),
  ]);
}
