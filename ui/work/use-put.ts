"use client";
import { useState } from "react";
import type { Piece, PlacedStep } from "@/core/piece/piece";
import { pinnedAnew, putElsewhere, type Pins, type TakenAlong } from "@/core/work/put";
import { useRun } from "@/ui/piece/piece-context";

/** What was put elsewhere in the order, until somebody says what is to come of it. */
interface Moved {
  readonly steps: readonly PlacedStep[];
  readonly follow: readonly PlacedStep[];
  readonly pins: Pins;
  readonly says: string;
}

/** Rows put elsewhere by hand: tried, then kept, planned around or put back. */
export function usePut(piece: Piece, setPut: (follow: readonly PlacedStep[] | undefined) => void) {
  const run = useRun();
  const [moved, setMoved] = useState<Moved>();
  const end = () => {
    setMoved(undefined);
    setPut(undefined);
  };
  return {
    moved,
    move: (
      rows: readonly (readonly PlacedStep[])[],
      from: number,
      to: number,
      along: TakenAlong,
      says: string,
    ) => {
      const { follow, put, pins } = putElsewhere(rows, from, to, along);
      setMoved({ steps: put, follow, pins, says });
      setPut(follow);
    },
    back: end,
    planAround: () => {
      if (!moved) return;
      const pins = pinnedAnew(piece.whole.pins ?? [], moved.steps, moved.pins);
      run({ type: "wish of the whole", set: { pins, byHand: [] } });
      end();
    },
    keep: () => {
      if (!moved) return;
      run({ type: "wish of the whole", set: { byHand: moved.follow, pins: [] } });
      end();
    },
  };
}

export type Put = ReturnType<typeof usePut>;
