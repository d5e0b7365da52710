"use client";
import { useCallback, useEffect, useMemo } from "react";
import type { GroupOutput } from "@/compute/group-output";
import { memory } from "@/compute/memory";
import type { Lab } from "@/core/colour/lab";
import type { GroupTarget } from "@/core/group/goal";
import { MOST_TONES } from "@/core/group/tone";
import type { LaidColours } from "@/core/piece/overview";
import {
  beneathOf,
  driftIn,
  hasOwnShade,
  overOf,
  schoolOf,
  partOf,
  targetOf,
  tonesOf,
  type Area,
  type KeptTone,
  type Piece,
  type Scene,
} from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { rackKey } from "@/ui/compute/client";
import { keepAnswers, useEarlierAnswers } from "@/ui/compute/kept-answers";
import { useAsk, type Work } from "@/ui/compute/use-compute";
import { usePiece } from "../piece-context";
import { sheetOf } from "./sheet-of";

/** Alternatives offered for an area. */
const OFFERED = 5;

/** A target as operations take it. */
export const asInput = (target: GroupTarget) =>
  Object.fromEntries(Object.entries(target).map(([place, lab]) => [place, { lab: lab as Lab }]));

/** Codes and coats of tones, without what a piece notes about them. */
export const plainTones = (tones: readonly KeptTone[]) => tones.map(({ code, coats }) => ({ code, coats }));

const isRead = (rack: Rack, code: string) =>
  rack.markers.some((m) => m.code === code && m.swatches.length > 0);

/** Those of some tones that were read on the rack's paper, as codes and coats. */
export const tonesRead = (rack: Rack, tones: readonly KeptTone[]) =>
  plainTones(tones.filter((t) => isRead(rack, t.code)));

/** What is wished of an area's group, whatever its tones. */
export const wishesOf = (rack: Rack, area: Area, scene: Scene) => ({
  contrast: area.contrast,
  material: area.material,
  drift: driftIn(scene, area.drift),
  school: schoolOf(area),
  sheet: sheetOf(rack),
});

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
  return useAsk(
    "group",
    rack,
    target && asked
      ? {
          target: asInput(target),
          ...planWishOf(rack, area, scene),
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
    over: overOf(area).filter((c) => isRead(rack, c)),
    ...wishesOf(rack, area, scene),
  };
}

/** What an area's kept group should reach, and how it is laid; undefined when too little is known of it. */
export function keptWish(rack: Rack, area: Area, scene: Scene) {
  const judged = judgement(rack, area, tonesOf(area), scene);
  if (!judged) return undefined;
  const { tones: _tones, beneath: _beneath, over: _over, ...wish } = judged;
  return wish;
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

/** Colours of a group as laid. */
export const laidColours = (group: GroupOutput | undefined): LaidColours | undefined =>
  group && {
    tones: group.tones.map(({ code, coats }, i) => ({ code, coats, lab: group.places[i + 1]!.lab })),
    local: group.places[group.local + 1]!.lab,
    shade: group.shade.slice(0, 1).map(({ code, coats }) => ({ code, coats, lab: group.places.at(-1)!.lab })),
    strip: group.strip,
  };

/** Kept groups that have been judged: whoever shows one again asks nobody. */
const judged = memory<GroupOutput>(400);

/** All kept groups of a piece as they were judged, in one job that asks only about what changed. */
export function useJudged(rack: Rack, { areas, whole: { scene } }: Pick<Piece, "areas" | "whole">) {
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
  const earlier = useEarlierAnswers<GroupOutput>(fresh.map((w) => w.key));
  for (const { id, group } of work.output?.areas ?? []) {
    const own = fresh.find((w) => w.id === id);
    if (own) judged.keep(own.key, group);
  }
  const answered = work.output;
  useEffect(() => {
    if (!answered) return;
    void keepAnswers(
      new Map(
        wanted.flatMap(({ key }) => {
          const group = judged.recall(key);
          return group ? [[key, group] as const] : [];
        }),
      ),
    );
  }, [wanted, answered]);
  const groupOf = useCallback(
    (id: string): GroupOutput | undefined => {
      const key = wanted.find((w) => w.id === id)?.key;
      return key === undefined ? undefined : (judged.recall(key) ?? earlier?.get(key));
    },
    // What was answered is in the memory: whoever holds this looks anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [wanted, answered, earlier],
  );
  return { work, groupOf };
}
