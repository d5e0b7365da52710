"use client";
import { useState } from "react";
import type { Piece, PlacedStep } from "@/core/piece/piece";
import { pinnedAnew, putElsewhere, type Pins } from "@/core/work/put";
import { useRun } from "@/ui/piece/piece-context";

/** A row of the order that was put elsewhere, until somebody says what is to come of it. */
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
    move: (rows: readonly (readonly PlacedStep[])[], from: number, to: number, says: string) => {
      const { follow, pins } = putElsewhere(rows, from, to);
      setMoved({ steps: rows[from]!, follow, pins, says });
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
