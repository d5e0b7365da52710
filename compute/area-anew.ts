import type { Layer } from "@/core/media/layer";
import { inOrder } from "@/core/media/registry";
import { asLayers, isPlannedShade, type KeptTone } from "@/core/piece/piece";
import type { Shade } from "@/core/piece/commands";
import { plannedLayers } from "@/core/course/planned-layers";
import type { PlannedGroup } from "@/core/group/plan";
import type { School } from "@/core/group/school";
import { AreaId, type AreaIdInput } from "./grounds";
import type { OpenDesk } from "./desk";
import { PlanWish, schoolOf } from "./group-wish";
import { shownArea, type ShownArea } from "./laid-areas";
import type { ShownAreaInput, ShownQuestion } from "./operations/render";
import type { PencilDesk } from "./pencil-desk";

/** An area to be planned anew, and what is wished of its group. */
export class AnewInput extends PlanWish {
  @AreaId() id!: AreaIdInput;
}

/** A group that an area may have instead, as it is kept. */
export interface OtherGroup {
  readonly tones: readonly KeptTone[];
  readonly shade: readonly Shade[];
  readonly school: School;
}

/** A planned group as it is kept. */
export function otherOf(open: OpenDesk, g: PlannedGroup): OtherGroup {
  const layers = plannedLayers(g, (ink) => open.desk.inks[ink]!.code);
  return { ...keptIn(layers), school: g.laying.school };
}

/** Tones and planned shadow end among layers, as they are kept. */
export function keptIn(layers: readonly Layer[]): Omit<OtherGroup, "school"> {
  const tones = layers.flatMap((l): KeptTone[] => {
    if (l.medium !== "tone") return [];
    const { medium: _, ...tone } = l;
    return [tone];
  });
  const shade = layers.flatMap((l): Shade[] =>
    l.medium === "shadow" && (l.kind === "underlay" || l.kind === "overlay")
      ? [{ kind: l.kind, code: l.code, coats: l.coats }]
      : [],
  );
  return { tones, shade };
}

/** How an area lies with another group; everything else of it stays. */
export function laidWith(
  open: OpenDesk,
  question: ShownQuestion,
  area: ShownAreaInput,
  wish: AnewInput,
  { tones, shade, school }: OtherGroup,
  pencils: Pick<PencilDesk, "pencils" | "fit">,
): ShownArea {
  const others = area.layers.filter((l) => l.medium !== "tone" && !isPlannedShade(l));
  return shownArea(
    open,
    {
      layers: inOrder([
        ...others,
        ...asLayers(tones),
        ...shade.map((s) => ({ medium: "shadow" as const, place: "shadow" as const, ...s })),
      ]),
      school,
      upTo: null,
      underlay: question.underlay,
      wish: area.wish ?? wish,
    },
    question.sheet,
    question.finishers,
    pencils,
  );
}

/** The school in which an area lies as it is. */
export const schoolNow = (area: ShownAreaInput, wish: AnewInput): School =>
  area.school ?? schoolOf(area.wish ?? wish);
