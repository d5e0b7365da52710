"use client";
import { useMemo } from "react";
import type { MarkerInk } from "@/core/stock/ink-use";
import type { Area, Piece } from "@/core/piece/piece";
import { workOf } from "@/core/work/of-piece";
import type { Rack } from "@/store/rack";
import { useInkLedger, useInkUse } from "@/ui/ink/use-ink-ledger";

/** Ink that a marker has and a piece takes of it; `warns` where it may not last. */
export type InkHere = MarkerInk & { readonly warns: boolean };

/** What a piece takes of each of its markers, by code, from all that is known of what is in them. */
export function useInk(
  piece: Piece,
  rack: Rack,
  mm2Of: (area: Area, from: number, to: number) => number | undefined,
): ReadonlyMap<string, InkHere> {
  const ledger = useInkLedger().output;
  const { markers, steps } = useMemo(() => {
    const owned = new Map(rack.markers.filter((m) => m.owned).map((m) => [m.code, m]));
    const steps = workOf(piece, rack.paper, mm2Of)
      .flatMap((w) => w.asked.passes)
      .filter((p) => owned.has(p.code))
      .map(({ code, mm2, coats }) => ({ code, mm2, coats, paper: rack.paper.name.slice(0, 80) }));
    return { markers: [...new Set(steps.map((s) => s.code))].map((code) => owned.get(code)!), steps };
  }, [piece, rack, mm2Of]);
  const { output } = useInkUse(markers, ledger, steps);
  return useMemo(() => new Map(output?.markers.map((m) => [m.code, m])), [output]);
}
