"use client";
import { useState } from "react";
import type { GroupOutput } from "@/compute/group-output";
import type { Fix } from "@/core/group/advice";
import { laidAs } from "@/core/media/tone";
import { areaCourse } from "@/core/piece/area-course";
import { moved, withPlanned } from "@/core/piece/commands";
import {
  hasOwnShade,
  isPlannedShade,
  schoolOf,
  targetOf,
  tonesOf,
  type Area,
  type KeptTone,
} from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { rackKey } from "@/compute/from-rack";
import { useRun } from "../piece-context";
import { tonesOfGroup } from "@/compute/kept-groups";
import { useAssessed, usePlan, type useJudged } from "./use-groups";

export const sameTones = (a: readonly KeptTone[], b: readonly KeptTone[]): boolean =>
  a.length === b.length && a.every((t) => b.some((o) => o.code === t.code && o.coats === t.coats));

/** Whether an area's shadow end is made as a proposal makes it. */
export const sameShade = (shade: GroupOutput["shade"], { layers }: Pick<Area, "layers">): boolean => {
  const own = layers.filter(isPlannedShade);
  return (
    own.length === shade.length &&
    shade.every((s) => own.some((o) => o.code === s.code && o.coats === s.coats))
  );
};

/** Tones of a planned group; those that were locked in the kept one stay so. */
const asKept = (g: GroupOutput, kept: readonly KeptTone[]): KeptTone[] =>
  tonesOfGroup(g).map((t) => (kept.some((k) => k.locked && k.code === t.code) ? { ...t, locked: true } : t));

/** The last answer while the present one is worked out, so that nothing vanishes under the hand; never that of something else. */
function useLast<T>(of: string, present: T | undefined, isComing: boolean): T | undefined {
  const [last, setLast] = useState<{ readonly of: string; readonly value: T }>();
  if (present !== undefined && (last?.value !== present || last.of !== of)) setLast({ of, value: present });
  return present ?? (isComing && last?.of === of ? last.value : undefined);
}

/** The group that is shown of an area: the kept one, or one of the planner's; with everything that can be done to it. */
export function useShownGroup(rack: Rack, area: Area, judged: ReturnType<typeof useJudged>) {
  const run = useRun();
  const plan = usePlan(rack, area);
  const [preview, setPreview] = useState<{ readonly area: string; readonly place: number }>();
  const kept = tonesOf(area);
  const isPlanning = plan.progress !== undefined;
  const offered = useLast(`${area.id} ${rackKey(rack)}`, plan.output?.groups, isPlanning) ?? [];
  const place = preview?.area === area.id ? preview.place : kept.length ? -1 : 0;
  const proposal = place >= 0 ? offered[place] : undefined;
  const tones = proposal ? asKept(proposal, kept) : kept;
  // A proposal comes judged, but on bare paper: what lies beneath changes how it builds up.
  const onTop = useAssessed(rack, area, proposal && hasOwnShade(area) ? tones : undefined);
  const present = proposal ? (onTop.output?.group ?? proposal) : judged.groupOf(area.id);
  const isJudging = (proposal ? onTop : judged.work).progress !== undefined;
  const group = useLast(`${area.id} ${rackKey(rack)}`, present, isJudging || isPlanning);
  const isKept = kept.length > 0 && sameTones(tones, kept) && (!proposal || sameShade(proposal.shade, area));
  /** What a proposal brings besides its tones. */
  const planned = proposal && {
    shade: proposal.shade,
    ...(proposal.school !== schoolOf(area) && { school: proposal.school }),
  };

  /** The area as it is once what is shown is kept. */
  const shownArea = withPlanned(area, { tones, ...planned });
  const course = areaCourse(shownArea, rack.paper);

  const keep = (next: readonly KeptTone[]) => {
    run({ type: "keep group", id: area.id, tones: next, ...planned });
    setPreview(undefined);
  };
  const put = (at: number, tone: KeptTone) => {
    if (isKept) run({ type: "overrule tone", id: area.id, place: at, tone });
    else keep(tones.map((t, i) => (i === at ? tone : t)));
  };
  return {
    plan,
    offered,
    place,
    tones,
    group,
    /** How it is laid. */
    course,
    /** What is shown is the last answer, until the present one is there. */
    isRenewed: group !== present || (offered.length > 0 && !plan.output),
    isKept,
    /** Ink under or over the shadow end that comes with a proposal. */
    shade: isKept ? [] : (proposal?.shade ?? []),
    error: judged.work.error ?? onTop.error,
    missing: tones.filter((t) => !rack.markers.some((m) => m.code === t.code && m.swatches.length)),
    hasTarget: targetOf(area) !== undefined,
    show: (at: number) => setPreview({ area: area.id, place: at }),
    keep,
    put,
    move: (from: number, to: number) =>
      isKept
        ? run({ type: "move tone", id: area.id, from, to })
        : keep(laidAs(tones, moved(tones, from, to))),
    lock: (at: number, locked: boolean) => {
      if (isKept) run({ type: "lock tone", id: area.id, place: at, locked });
      else
        keep(
          tones.map(({ locked: was, ...t }, i) =>
            (i === at ? locked : was) ? { ...t, locked: true as const } : t,
          ),
        );
    },
    exclude: (at: number) => run({ type: "exclude ink", id: area.id, code: tones[at]!.code, excluded: true }),
    apply: (fix: Fix) => {
      if (group !== present) return;
      const byLight = group!.tones.map((t) => {
        const { depth: _, ...own } = tones.find((k) => k.code === t.code)!;
        return own;
      });
      if (fix.kind === "remove") keep(byLight.filter((_, i) => i !== fix.tone));
      else
        keep([
          ...byLight.slice(0, fix.after + 1),
          { code: fix.code, coats: fix.coats },
          ...byLight.slice(fix.after + 1),
        ]);
    },
  };
}

export type ShownGroup = ReturnType<typeof useShownGroup>;
