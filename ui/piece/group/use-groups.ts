"use client";
import { memory } from "@/core/memory";
import { useCallback, useMemo } from "react";
import type { GroupOutput } from "@/compute/group-output";
import { asInput, judgement, keptQuestions, tonesRead, wishesOf } from "@/compute/kept-groups";
import { MOST_TONES } from "@/core/group/tone";
import type { LaidColours } from "@/core/piece/overview";
import {
  hasOwnShade,
  partOf,
  targetOf,
  tonesOf,
  type Area,
  type KeptTone,
  type Piece,
  type Scene,
} from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { useAsk, type Work } from "@/ui/jobs/use-job";
import { usePiece } from "../piece-context";
import { useGiven } from "./judged";

/** Alternatives offered for an area. */
const OFFERED = 5;

/** What is wished of an area's group that is to be planned. Shadows that were laid by hand stay what they are. */
export function planWishOf(rack: Rack, area: Area, scene: Scene) {
  const fixed = tonesRead(
    rack,
    tonesOf(area).filter((t) => t.locked),
  );
  return {
    ...wishesOf(rack, area, scene),
    tones: area.tones ?? ("auto" as const),
    mm2: partOf(area),
    shadow: hasOwnShade(area) ? ("deeper" as const) : ("best" as const),
    fixed: fixed.slice(0, area.tones ?? MOST_TONES),
    exclude: area.excluded,
  };
}

/** What the planner is asked of an area; nothing until something was picked in it. */
export function planQuestion(rack: Rack, area: Area, scene: Scene) {
  const target = targetOf(area);
  return target && { target: asInput(target), ...planWishOf(rack, area, scene), ownedOnly: area.ownedOnly };
}

/**
 * The planner's groups for an area's readings and wishes; nothing to do until something was picked, or while it is not asked for.
 * `purchases` lets so many unowned markers in.
 */
export function usePlan(
  rack: Rack,
  area: Area,
  { purchases, asked = true }: { readonly purchases?: number; readonly asked?: boolean } = {},
) {
  const { scene } = usePiece().whole;
  const question = asked ? planQuestion(rack, area, scene) : undefined;
  return useAsk(
    "group",
    rack,
    question
      ? {
          ...question,
          ownedOnly: question.ownedOnly && !purchases,
          top: purchases ? 1 : OFFERED,
          ...(purchases && { purchases }),
        }
      : null,
  );
}

/** What is to be said of tones that are about to be kept in an area. */
export function useAssessed(
  rack: Rack,
  area: Area,
  tones: readonly KeptTone[] | undefined,
): Work<{ readonly group: GroupOutput }> {
  const { whole } = usePiece();
  return useAsk("assess", rack, (tones && judgement(rack, area, tones, whole)) ?? null);
}

/** Colours of a group as laid. */
export const laidColours = (group: GroupOutput | undefined): LaidColours | undefined =>
  group && {
    tones: group.tones.map(({ code, coats }, i) => ({ code, coats, lab: group.places[i + 1]!.lab })),
    local: group.places[group.local + 1]!.lab,
    shade: group.shade.slice(0, 1).map(({ code, coats }) => ({ code, coats, lab: group.places.at(-1)!.lab })),
    strip: group.strip,
  };

/** Kept groups that have been judged in this page: whoever shows one again asks nobody. */
const judged = memory<GroupOutput>(400);

/** All kept groups of a piece as they were judged, in one job that asks only about what changed. */
export function useJudged(rack: Rack, { areas, whole }: Pick<Piece, "areas" | "whole">) {
  const given = useGiven();
  const wanted = useMemo(() => keptQuestions(rack, { areas, whole }), [rack, areas, whole]);
  const known = (name: string) => given.get(name) ?? judged.recall(name);
  const fresh = wanted.filter((w) => !known(w.name));
  const work = useAsk(
    "assessAreas",
    rack,
    fresh.length ? { areas: fresh.map(({ id, question }) => ({ id, ...question })) } : null,
  );
  for (const { id, group } of work.output?.areas ?? []) {
    const own = fresh.find((w) => w.id === id);
    if (own) judged.keep(own.name, group);
  }
  const answered = work.output;
  const groupOf = useCallback(
    (id: string): GroupOutput | undefined => {
      const name = wanted.find((w) => w.id === id)?.name;
      return name === undefined ? undefined : (given.get(name) ?? judged.recall(name));
    },
    // What was answered is in the memory: whoever holds this looks anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [wanted, given, answered],
  );
  return useMemo(() => ({ work, groupOf }), [work, groupOf]);
}
