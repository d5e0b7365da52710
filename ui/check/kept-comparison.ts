"use client";
import { useEffect } from "react";
import { useStore } from "zustand";
import type { ComparedZone } from "@/compute/operations/compare-sheet";
import type { Lab } from "@/core/colour/lab";
import { holding } from "@/core/work/record";
import type { WorkLog } from "@/ui/desk/work-log";
import { useMayChange } from "@/ui/studio/studio-context";

/** Places that are kept of a photo, as border/work-events.ts takes them. */
const MOST_COMPARED = 400;

const rounded = (lab: Lab) => lab.map((v) => Math.round(10 * v) / 10) as unknown as Lab;

/**
 * Keeps what was read of a photo that is kept with the piece, once, against the plan of that day: over pieces it tells what a hand does again and again.
 * @param zones what was read; nothing while it is not known, or where the photo's colour is not
 */
export function useKeptComparison(
  log: WorkLog,
  pictureId: string | undefined,
  zones: readonly ComparedZone[] | undefined,
): void {
  const may = useMayChange();
  const events = useStore(log.log, (s) => s.events);
  useEffect(() => {
    if (!may || !pictureId || !zones) return;
    const photo = holding(events).find((e) => e.kind === "photographed" && e.pictureId === pictureId);
    if (!photo || events.some((e) => e.kind === "compared" && e.photo === photo.id)) return;
    const places = zones
      .filter((z) => z.stack.length > 0)
      .slice(0, MOST_COMPARED)
      .map(({ id, zone, of, planned, lies }) => ({
        area: id,
        zone,
        of,
        planned: rounded(planned.lab),
        lies: rounded(lies.lab),
      }));
    if (places.length) log.add({ kind: "compared", photo: photo.id, places });
  }, [may, pictureId, zones, events, log]);
}
