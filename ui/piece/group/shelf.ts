"use client";
import { useMemo } from "react";
import type { GroupOutput } from "@/compute/group-output";
import { labToHex } from "@/core/colour/display";
import { closeness, deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Area, KeptTone } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import type { ShelfInk } from "@/ui/ink/strata";

const MOST = 5;

/** The owned and ready marker that comes nearest to a colour in as many coats as were read. */
export function standInFor(
  rack: Rack,
  wanted: Lab,
  taken: readonly KeptTone[],
): { readonly tone: KeptTone; readonly deltaE00: number } | undefined {
  let best: { tone: KeptTone; deltaE00: number } | undefined;
  for (const m of rack.markers) {
    if (!m.owned || m.state === "dry" || taken.some((t) => t.code === m.code)) continue;
    m.swatches.forEach((s, n) => {
      const off = deltaE00(s.lab, wanted);
      if (!best || off < best.deltaE00) best = { tone: { code: m.code, coats: n + 1 }, deltaE00: off };
    });
  }
  return best;
}

/** Markers that come nearest to the tones of a group in one coat, for dragging onto its layers. */
export function useShelf(rack: Rack, area: Area, group: GroupOutput | undefined): readonly ShelfInk[] {
  return useMemo(() => {
    if (!group) return [];
    const used = new Set([...group.tones.map((t) => t.code), ...area.excluded]);
    return rack.markers
      .filter(
        (m) => m.swatches.length && !used.has(m.code) && (m.owned || !area.ownedOnly) && m.state !== "dry",
      )
      .map((m) => {
        const { lab } = m.swatches[0]!;
        const near = group.tones
          .map((t) => ({ code: t.code, off: deltaE00(t.lab, lab) }))
          .reduce((a, b) => (b.off < a.off ? b : a));
        return { code: m.code, lab, near };
      })
      .sort((a, b) => a.near.off - b.near.off)
      .slice(0, MOST)
      .map(({ code, lab, near }) => ({
        code,
        hex: labToHex(lab),
        lightness: lab[0],
        says: `${near.off.toFixed(1)} ΔE00 from ${near.code}, ${closeness(near.off)}`,
      }))
      .sort((a, b) => b.lightness - a.lightness);
  }, [rack, area.excluded, area.ownedOnly, group]);
}
