"use client";
import { useMemo } from "react";
import type { GroupOutput } from "@/compute/group-output";
import { tonesRead } from "@/compute/kept-groups";
import { sheetOf } from "@/compute/from-rack";
import type { LibraryGroup } from "@/store/groups";
import type { Rack } from "@/store/rack";
import { useAsk } from "@/ui/jobs/use-job";

/** Kept groups that are laid at once. */
const MOST = 200;

/** Each kept group as it will lie on the rack's paper, as far as its inks were read there; undefined until it is known. */
export function useLaidGroups(
  rack: Rack,
  groups: readonly LibraryGroup[],
): (id: string) => GroupOutput | undefined {
  const areas = useMemo(
    () =>
      groups.slice(0, MOST).flatMap((g) => {
        const tones = tonesRead(rack, g.tones);
        const middle = tones[tones.length >> 1];
        const local = rack.markers.find((m) => m.code === middle?.code)?.swatches[0]?.lab;
        if (tones.length < 2 || !local) return [];
        const beneath = g.underlay ? tonesRead(rack, [g.underlay]) : [];
        return [
          {
            id: g.id,
            target: { local: { lab: local } },
            tones,
            material: g.material,
            school: g.school,
            beneath: beneath.flatMap((u) => Array<string>(u.coats).fill(u.code)),
            sheet: sheetOf(rack),
          },
        ];
      }),
    [rack, groups],
  );
  const { output } = useAsk("assessAreas", rack, areas.length ? { areas } : null);
  const laid = new Map(output?.areas.map((a) => [a.id, a.group]));
  return (id) => laid.get(id);
}
