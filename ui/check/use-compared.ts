"use client";
import { useMemo } from "react";
import { useStore } from "zustand";
import { shownQuestion } from "@/compute/piece-questions";
import type { ReadSheetOutput } from "@/compute/operations/read-sheet";
import { partOf, type Area, type Piece } from "@/core/piece/piece";
import { laidBy, openEnds } from "@/core/work/at-desk";
import { workOf } from "@/core/work/of-piece";
import { recordOf } from "@/core/work/record";
import type { Rack } from "@/store/rack";
import type { WorkLog } from "@/ui/desk/work-log";
import { useAsk } from "@/ui/jobs/use-job";

/** ΔE00 by which a photo may be wrong whose camera nothing told of. */
export const UNTOLD = 2.5;
const mm2Of = (area: Area, from: number, to: number) => (partOf(area) ?? 0) * (to - from);

/** What was read on a sheet against what is planned, or against what is laid so far where the desk's record says that not all of it is. */
export function useCompared(
  piece: Piece,
  rack: Rack,
  log: WorkLog,
  field: string | undefined,
  read: ReadSheetOutput | undefined,
  against: "finished" | "so far",
) {
  const events = useStore(log.log, (s) => s.events);
  const record = useMemo(() => recordOf(events), [events]);
  const { paper } = rack;
  const work = useMemo(() => workOf(piece, paper, mm2Of), [piece, paper]);
  const begun = record.done.size > 0;
  const isUnderWay = useMemo(() => begun && openEnds(work, record).length > 0, [begun, work, record]);
  const soFar = against === "so far" && isUnderWay;
  const laid = useMemo(() => laidBy(work, record), [work, record]);
  const compared = useAsk(
    "compareSheet",
    rack,
    field && read
      ? {
          field,
          ...shownQuestion(piece, rack, soFar ? (area) => laid.get(area.id) ?? 0 : undefined, (area) =>
            record.added.filter((a) => a.area === area.id),
          ),
          lies: read.areas.flatMap(({ id, zones }) =>
            zones.length
              ? [{ id: String(id), zones: zones.map(({ zone, lab }) => ({ zone, lab: { lab } })) }]
              : [],
          ),
          photo: read.camera.expectedError ?? UNTOLD,
          evens: read.camera.from === "nothing",
          ownedOnly: true,
        }
      : null,
    { about: piece.setUp.line?.pictureId },
  );
  return { compared, record, isUnderWay };
}
