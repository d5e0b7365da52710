"use client";
import { deskOfRack, pencilDeskOfRack } from "@/compute/from-rack";
import type { GroupOutput } from "@/compute/group";
import type { Lab } from "@/core/colour/lab";
import { targetOf, type Area, type KeptTone, type Piece } from "@/core/piece/piece";
import type { ShadowKind } from "@/core/shadow/shadow";
import type { Rack } from "@/store/rack";
import { useCompute } from "@/ui/compute/use-compute";
import { plainTones, rackKey } from "./use-groups";

const sheetOf = ({ paper }: Rack) => ({
  ...(paper.openTime && { openTime: paper.openTime }),
  ...(paper.bleed !== null && { bleed: paper.bleed }),
  capacity: paper.capacity,
});

/** Tones that a rack has been read with. */
const readOn = (rack: Rack, tones: readonly KeptTone[]) =>
  plainTones(tones.filter((t) => rack.markers.some((m) => m.code === t.code && m.swatches.length)));

/** The six schools of an area's kept group. */
export function useSchools(rack: Rack, area: Area, scene: Piece["whole"]["scene"]) {
  const tones = readOn(rack, area.group?.tones ?? []);
  const under =
    area.shadow && (area.shadow.kind === "underlay" || area.shadow.kind === "undertone")
      ? readOn(rack, [area.shadow])[0]
      : undefined;
  const local = targetOf(area)?.local;
  const wish = {
    tones,
    material: area.material,
    scene,
    ...(area.size !== null && { mm2: area.size }),
    ...(local && { local: { lab: local } }),
    sheet: sheetOf(rack),
    ...(under && { under }),
  };
  return useCompute("schools", tones.length >= 2 ? `${rackKey(rack)} ${JSON.stringify(wish)}` : null, () => ({
    ...deskOfRack(rack, false),
    ...wish,
  }));
}

/** The two tones of a group that carry its local colour, light to dark. */
export const midsOf = (group: GroupOutput) => {
  const mids = group.tones.filter((t) => t.role.includes("mid")).slice(0, 2);
  return plainTones(mids.length ? mids : group.tones.slice(0, 1));
};

export interface ShadowWishes {
  readonly kinds: readonly ShadowKind[];
  readonly depth: number;
  readonly lean: -1 | 0 | 1;
  readonly grey: boolean;
  /** Lightness of a pair of grey bases; none leaves them out. */
  readonly greyBases?: number;
}

/** Ways to make the shadow of a group's mids. */
export function useShadows(rack: Rack, area: Area, group: GroupOutput | undefined, wishes: ShadowWishes) {
  const cover = group && midsOf(group);
  const shadow = targetOf(area)?.shadow;
  const wish = cover && {
    cover,
    ...wishes,
    capacity: rack.paper.capacity,
    top: 3,
    ...(shadow && { shadow: { lab: shadow } }),
  };
  return useCompute(
    "shadow",
    wish ? `${rackKey(rack)} ${area.ownedOnly} ${JSON.stringify(wish)}` : null,
    () => {
      const desk = deskOfRack(rack, false);
      const may = new Set([
        ...rack.markers.filter((m) => m.owned || !area.ownedOnly).map((m) => m.code),
        ...cover!.map((t) => t.code),
      ]);
      return { ...desk, inks: desk.inks.filter((i) => may.has(i.code)), ...wish! };
    },
  );
}

/** Colours of light, local colour and shadow for a pencil plan: as read, else the ends of the group. */
export function pencilTarget(
  area: Area,
  group: GroupOutput | undefined,
): { light: Lab; local: Lab; shadow: Lab } | undefined {
  const target = targetOf(area);
  const local = target?.local ?? group?.tones[group.tones.length >> 1]?.lab;
  const light = target?.light ?? group?.tones[0]?.lab;
  const shadow = target?.shadow ?? group?.tones.at(-1)?.lab;
  return local && light && shadow ? { light, local, shadow } : undefined;
}

/** A pencil plan, once it is asked for. */
export function usePencilPlan(
  rack: Rack,
  target: ReturnType<typeof pencilTarget>,
  wish: {
    readonly values: number;
    readonly base: string | null;
    readonly adjust?: { readonly stack: readonly string[]; readonly deltaL: number };
  },
  asked: boolean,
) {
  const key = asked && target ? `${rackKey(rack)} ${JSON.stringify([target, wish])}` : null;
  return useCompute("pencilPlan", key, () => ({
    ...pencilDeskOfRack(rack, true),
    light: { lab: target!.light },
    local: { lab: target!.local },
    shadow: { lab: target!.shadow },
    values: wish.values,
    ...(wish.base && { bases: [wish.base] }),
    ...(wish.adjust && { adjust: wish.adjust }),
  }));
}

/** Opposites that neutralise each other best: inks, or pencils over a base. */
export function useNeutralPairs(
  rack: Rack,
  of: "inks" | "pencils",
  lightness: number | undefined,
  base: readonly string[],
  asked: boolean,
) {
  const wish = { of, top: 6, base, ...(lightness !== undefined && { lightness }) };
  return useCompute("neutralPairs", asked ? `${rackKey(rack)} ${JSON.stringify(wish)}` : null, () => ({
    ...pencilDeskOfRack(rack, true),
    ...wish,
  }));
}
