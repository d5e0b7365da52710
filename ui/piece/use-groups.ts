"use client";
import { useMemo } from "react";
import { deskOfRack } from "@/compute/from-rack";
import type { Lab } from "@/core/colour/lab";
import type { GroupTarget } from "@/core/group/goal";
import { driftIn, targetOf, type Area, type KeptTone, type Scene } from "@/core/piece/piece";
import { useCompute } from "@/ui/compute/use-compute";
import type { Rack } from "@/store/rack";
import { usePiece } from "./piece-context";

/** Alternatives offered for an area. */
const OFFERED = 5;

/** A target as operations take it. */
export const asInput = (target: GroupTarget) =>
  Object.fromEntries(Object.entries(target).map(([place, lab]) => [place, { lab: lab as Lab }]));

const keys = new WeakMap<Rack, string>();

/** Changes exactly when what a rack says to the planners does: readings, what is owned, and how full it is. */
export function rackKey(rack: Rack): string {
  const known = keys.get(rack);
  if (known) return known;
  const said = JSON.stringify([
    rack.paper,
    rack.markers.map((m) => [m.code, m.owned, m.state, m.swatches]),
    rack.others.map((o) => [o.code, o.owned, o.state, o.drawdowns]),
    rack.overlays,
    rack.strips,
  ]);
  let hash = 0;
  for (let i = 0; i < said.length; i++) hash = (Math.imul(hash, 31) + said.charCodeAt(i)) | 0;
  const key = `${rack.paper.id} ${said.length} ${hash}`;
  keys.set(rack, key);
  return key;
}

/** What is wished of a group, whatever its tones. */
const wishesOf = ({ contrast, material, drift }: Area, scene: Scene) => ({
  ...(contrast !== null && { contrast }),
  material,
  drift: driftIn(scene, drift),
});

/** Codes and coats of tones, without what a piece notes about them. */
export const plainTones = (tones: readonly KeptTone[]) => tones.map(({ code, coats }) => ({ code, coats }));

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
  const ownedOnly = area.ownedOnly && !purchases;
  const fixed = plainTones(area.group?.tones.filter((t) => t.locked) ?? []).slice(0, area.tones);
  const wish = {
    tones: area.tones,
    ...wishesOf(area, scene),
    fixed,
    exclude: area.excluded,
    ...(purchases && { purchases }),
  };
  const key = target && asked && `${rackKey(rack)} ${JSON.stringify([target, wish, ownedOnly])}`;
  return useCompute("group", key || null, () => {
    const desk = deskOfRack(rack, ownedOnly);
    const known = new Set(desk.inks.map((i) => i.code));
    return {
      ...desk,
      target: asInput(target!),
      ...wish,
      fixed: fixed.filter((t) => known.has(t.code)),
      top: purchases ? 1 : OFFERED,
    };
  });
}

/** Lab of a marker's coats as read, for groups whose area has no reading. */
function ownColour(rack: Rack, tones: readonly KeptTone[]): Lab | undefined {
  const middle = tones[tones.length >> 1];
  return rack.markers.find((m) => m.code === middle?.code)?.swatches[0]?.lab;
}

/** What is to be said of tones, kept or about to be. Codes that are not in the rack, or not read on its paper, are left out. */
export function useAssessed(rack: Rack, area: Area, tones: readonly KeptTone[] | undefined) {
  const { scene } = usePiece().whole;
  const target = targetOf(area);
  const desk = useMemo(() => deskOfRack(rack, false), [rack]);
  const known = useMemo(() => tones?.filter((t) => desk.inks.some((i) => i.code === t.code)), [tones, desk]);
  const local = known && (target ?? (ownColour(rack, known) && { local: ownColour(rack, known)! }));
  const usable = known && known.length >= 2 && local ? { tones: plainTones(known), local } : undefined;
  const key = usable ? `${rackKey(rack)} ${JSON.stringify([usable, wishesOf(area, scene)])}` : null;
  const work = useCompute("assess", key, () => ({
    ...desk,
    target: asInput(usable!.local),
    tones: usable!.tones,
    ...wishesOf(area, scene),
  }));
  return {
    ...work,
    missing: tones?.filter((t) => !known?.includes(t)) ?? [],
    hasTarget: target !== undefined,
  };
}

/** What one sees after each layer, in the order in which they are laid; `under` lies beneath them all. */
export function useBuild(rack: Rack, tones: readonly KeptTone[] | undefined, under: readonly string[] = []) {
  const desk = useMemo(() => deskOfRack(rack, false), [rack]);
  const known = tones?.filter((t) => desk.inks.some((i) => i.code === t.code)) ?? [];
  const beneath = under.filter((c) => desk.inks.some((i) => i.code === c));
  const stacks = known.map((_, i) => [
    ...beneath,
    ...known.slice(0, i + 1).flatMap((t) => Array<string>(t.coats).fill(t.code)),
  ]);
  const work = useCompute(
    "predict",
    known.length ? `${rackKey(rack)} ${JSON.stringify(stacks)}` : null,
    () => ({ ...desk, stacks }),
  );
  return { known, stacks: work.output?.stacks };
}
