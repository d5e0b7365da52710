import { useState } from "react";
import type { ProposeFormsOutput } from "@/compute/operations/propose-forms";
import type { FormProposal } from "@/core/light/propose-form";
import { formOf } from "@/core/piece/lit";
import type { Area, Piece } from "@/core/piece/piece";
import type { DrawingFacts } from "@/store/pictures";
import { askOfPicture } from "@/ui/jobs/client";
import { useJob } from "@/ui/jobs/use-job";
import type { useRun } from "@/ui/piece/piece-context";
import { asked } from "@/ui/set-up/use-drawing";
import type { Lit } from "./use-colouring";

/** A form that is proposed for an area, and differs from the one it has. */
export interface ProposedForm extends FormProposal {
  readonly area: Area;
}

const differs = (area: Area, { set }: FormProposal): boolean => {
  const form = formOf(area);
  return Object.entries(set).some(([key, value]) => form[key as keyof typeof form] !== value);
};

/** Forms by material, name and shape: of the areas of which nobody has said one, or of those that are chosen. */
export function useFormsProposed({
  piece,
  run,
  chosen,
  drawing,
  exact,
}: {
  readonly piece: Piece;
  readonly run: ReturnType<typeof useRun>;
  readonly chosen: readonly Area[];
  readonly drawing: DrawingFacts | undefined;
  readonly exact: Lit | undefined;
}) {
  const [looking, setLooking] = useState(false);
  const placed = piece.areas.filter((a) => a.place);
  const areas = placed.map(({ id, material, name }) => ({ id, material, name }));
  let question: object | undefined;
  if (looking && drawing && exact && areas.length) {
    // Neither the light nor the forms that are there tell anything of it.
    const { forms: _, light: __, ...ground } = exact.question as { forms: unknown; light: unknown };
    question = { ...ground, areas };
  }
  const job = useJob<ProposeFormsOutput>(
    question ? `proposeForms ${drawing!.id} ${JSON.stringify(question)}` : null,
    (watch) => askOfPicture("proposeForms", asked(drawing!), question!, watch),
    { about: drawing?.id },
  );
  const asking = new Set(chosen.map((a) => a.id));
  const proposed = (job.output?.areas ?? []).flatMap(({ id, ...proposal }): ProposedForm[] => {
    const area = piece.areas.find((a) => a.id === id);
    const meant = area && (asking.size ? asking.has(id) : !area.form);
    return meant && differs(area, proposal) ? [{ area, ...proposal }] : [];
  });
  return {
    look: drawing && exact ? () => setLooking(true) : undefined,
    looking: looking && !job.output && !job.error,
    error: job.error,
    proposed: job.output ? proposed : undefined,
    take: (which: readonly ProposedForm[]) =>
      run({ type: "change forms", sets: which.map(({ area, set }) => ({ id: area.id, set })) }),
  };
}
