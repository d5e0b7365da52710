"use client";
import { useMemo } from "react";
import type { GroupOutput } from "@/compute/group-output";
import { memory } from "@/compute/memory";
import type { Lab } from "@/core/colour/lab";
import type { GroupTarget } from "@/core/group/goal";
import {
  beneathOf,
  driftIn,
  targetOf,
  tonesOf,
  type Area,
  type KeptTone,
  type Scene,
} from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { rackKey } from "@/ui/compute/client";
import { useAsk, type Work } from "@/ui/compute/use-compute";
import { usePiece } from "../piece-context";

/** Alternatives offered for an area. */
const OFFERED = 5;

/** A target as operations take it. */
export const asInput = (target: GroupTarget) =>
  Object.fromEntries(Object.entries(target).map(([place, lab]) => [place, { lab: lab as Lab }]));

/** Codes and coats of tones, without what a piece notes about them. */
export const plainTones = (tones: readonly KeptTone[]) => tones.map(({ code, coats }) => ({ code, coats }));

const isRead = (rack: Rack, code: string) =>
  rack.markers.some((m) => m.code === code && m.swatches.length > 0);

/** What is wished of a group, whatever its tones. */
const wishesOf = ({ contrast, material, drift }: Area, scene: Scene) => ({
  contrast,
  material,
  drift: driftIn(scene, drift),
});

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
  const target = targetOf(area);
  const fixed = plainTones(tonesOf(area).filter((t) => t.locked && isRead(rack, t.code)));
  return useAsk(
    "group",
    rack,
    target && asked
      ? {
          target: asInput(target),
          tones: area.tones,
          ...wishesOf(area, scene),
          fixed: fixed.slice(0, area.tones),
          exclude: area.excluded,
          ownedOnly: area.ownedOnly && !purchases,
          top: purchases ? 1 : OFFERED,
          ...(purchases && { purchases }),
        }
      : null,
  );
}

/** Lab of a marker's coats as read, for groups whose area has no reading. */
function ownColour(rack: Rack, tones: readonly KeptTone[]): Lab | undefined {
  const middle = tones[tones.length >> 1];
  return rack.markers.find((m) => m.code === middle?.code)?.swatches[0]?.lab;
}

/** What `assess` is asked of tones in an area; undefined when too few of them were read on the rack's paper. */
function judgement(rack: Rack, area: Area, tones: readonly KeptTone[], scene: Scene) {
  const known = tones.filter((t) => isRead(rack, t.code));
  const target = targetOf(area);
  const local = target ?? { local: ownColour(rack, known)! };
  if (known.length < 2 || !local.local) return undefined;
  return {
    target: asInput(local),
    tones: plainTones(known),
    beneath: beneathOf(area).filter((c) => isRead(rack, c)),
    ...wishesOf(area, scene),
  };
}

/** What is to be said of tones that are about to be kept in an area. */
export function useAssessed(
  rack: Rack,
  area: Area,
  tones: readonly KeptTone[] | undefined,
): Work<{ readonly group: GroupOutput }> {
  const { scene } = usePiece().whole;
  return useAsk("assess", rack, (tones && judgement(rack, area, tones, scene)) ?? null);
}

/** Kept groups that have been judged: whoever shows one again asks nobody. */
const judged = memory<GroupOutput>(400);

/** All kept groups of a piece as they were judged, in one job that asks only about what changed. */
export function useJudged(rack: Rack, areas: readonly Area[]) {
  const { scene } = usePiece().whole;
  const wanted = useMemo(
    () =>
      areas.flatMap((area) => {
        const question = judgement(rack, area, tonesOf(area), scene);
        return question
          ? [{ id: area.id, key: `${rackKey(rack)} ${JSON.stringify(question)}`, question }]
          : [];
      }),
    [rack, areas, scene],
  );
  const fresh = wanted.filter((w) => !judged.recall(w.key));
  const work = useAsk(
    "assessAreas",
    rack,
    fresh.length ? { areas: fresh.map(({ id, question }) => ({ id, ...question })) } : null,
  );
  for (const { id, group } of work.output?.areas ?? []) {
    const own = fresh.find((w) => w.id === id);
    if (own) judged.keep(own.key, group);
  }
  const keyOf = new Map(wanted.map((w) => [w.id, w.key]));
  return {
    work,
    groupOf: (id: string): GroupOutput | undefined => {
      const key = keyOf.get(id);
      return key === undefined ? undefined : judged.recall(key);
    },
  };
}
