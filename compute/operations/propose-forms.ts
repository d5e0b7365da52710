import { List, OneOf, Optional, Text } from "@/border/fields";
import { MOST_AREAS } from "@/border/piece";
import { MATERIALS, type Material } from "@/core/group/material";
import { coarser } from "@/core/light/ground";
import { areaShapes, proposeForm, type FormProposal } from "@/core/light/propose-form";
import { groundFor, GroundQuestion } from "../grounds";
import { operation } from "../operation";
import { AreaOnly } from "./sparks";

class ShapedArea extends AreaOnly {
  @Optional() @OneOf(MATERIALS) material: Material = "other";
  @Optional() @Text(80) name = "";
}

class ProposeFormsQuestion extends GroundQuestion {
  /** Areas whose form is wanted. */
  @List(() => ShapedArea, 1, MOST_AREAS, '{"id","material","name"}') areas!: ShapedArea[];
}

export interface ProposeFormsOutput {
  readonly areas: readonly (FormProposal & { readonly id: string })[];
}

/** Most pixels that are looked at: shapes are told from few, and boxes round areas may lie over each other. */
const MOST_SEEN = 250_000;

/** The form in depth that suits each area, by its material, its name and its shape. */
export const proposeForms = operation(ProposeFormsQuestion, (question): ProposeFormsOutput => {
  const named = groundFor(question);
  const by = Math.ceil(Math.sqrt(named.ground.own.length / MOST_SEEN));
  const shapes = areaShapes(coarser(named.ground, Math.max(by, question.coarser)));
  return {
    areas: question.areas.flatMap(({ id, material, name }) => {
      const shape = shapes[named.ids.indexOf(String(id))];
      return shape?.mm2 ? [{ id: String(id), ...proposeForm(shape, material, name) }] : [];
    }),
  };
});
