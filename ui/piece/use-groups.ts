"use client";
import { useMemo } from "react";
import { deskOfRack } from "@/compute/from-rack";
import type { Lab } from "@/core/colour/lab";
import { targetOf, type Area, type KeptTone } from "@/core/piece/piece";
import { useCompute } from "@/ui/compute/use-compute";
import type { Rack } from "@/store/rack";

/** Alternatives offered for an area. */
const OFFERED = 5;

const asInput = (target: NonNullable<ReturnType<typeof targetOf>>) => Object.fromEntries(Object.entries(target).map(([place, lab]) => [place, { lab }]));

const keys = new WeakMap<Rack, string>();

/** Changes exactly when what a rack says to the planners does: readings, what is owned, and how full it is. */
export function rackKey(rack: Rack): string {
  const known = keys.get(rack);
  if (known) return known;
  const said = JSON.stringify([rack.paper.id, rack.paper.lab, rack.markers.map((m) => [m.code, m.owned, m.state, m.swatches]), rack.overlays]);
  let hash = 0;
  for (let i = 0; i < said.length; i++) hash = (Math.imul(hash, 31) + said.charCodeAt(i)) | 0;
  const key = `${rack.paper.id} ${said.length} ${hash}`;
  keys.set(rack, key);
  return key;
}

/** The planner's groups for an area's readings and wishes; nothing to do until something was picked. */
export function usePlan(rack: Rack, area: Area) {
  const target = targetOf(area);
  const key = target && `${rackKey(rack)} ${JSON.stringify([target, area.tones, area.contrast, area.ownedOnly])}`;
  return useCompute("group", key ?? null, () => ({
    ...deskOfRack(rack, area.ownedOnly),
    target: asInput(target!),
    tones: area.tones,
    ...(area.contrast !== null && { contrast: area.contrast }),
    top: OFFERED,
  }));
}

/** Lab of a marker's coats as read, for groups whose area has no reading. */
function ownColour(rack: Rack, tones: readonly KeptTone[]): Lab | undefined {
  const middle = tones[tones.length >> 1];
  return rack.markers.find((m) => m.code === middle?.code)?.swatches[0]?.lab;
}

/** What is to be said of tones, kept or about to be. Codes that are not in the rack, or not read on its paper, are left out. */
export function useAssessed(rack: Rack, area: Area, tones: readonly KeptTone[] | undefined) {
  const target = targetOf(area);
  const desk = useMemo(() => deskOfRack(rack, false), [rack]);
  const known = useMemo(() => tones?.filter((t) => desk.inks.some((i) => i.code === t.code)), [tones, desk]);
  const local = known && (target ?? (ownColour(rack, known) && { local: ownColour(rack, known)! }));
  const usable = known && known.length >= 2 && local ? { tones: known.map(({ code, coats }) => ({ code, coats })), local } : undefined;
  const key = usable ? `${rackKey(rack)} ${JSON.stringify([usable, area.contrast])}` : null;
  const work = useCompute("assess", key, () => ({ ...desk, target: asInput(usable!.local), tones: usable!.tones, ...(area.contrast !== null && { contrast: area.contrast }) }));
  return { ...work, missing: tones?.filter((t) => !known?.includes(t)) ?? [], hasTarget: target !== undefined };
}

/** What one sees after each layer, in the order in which they are laid. */
export function useBuild(rack: Rack, tones: readonly KeptTone[] | undefined) {
  const desk = useMemo(() => deskOfRack(rack, false), [rack]);
  const known = tones?.filter((t) => desk.inks.some((i) => i.code === t.code)) ?? [];
  const stacks = known.map((_, i) => known.slice(0, i + 1).flatMap((t) => Array<string>(t.coats).fill(t.code)));
  const work = useCompute("predict", known.length ? `${rackKey(rack)} ${JSON.stringify(stacks)}` : null, () => ({ ...desk, stacks }));
  return { known, stacks: work.output?.stacks };
}
