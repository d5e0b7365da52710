"use client";
import { useCallback, useMemo } from "react";
import { displayLab } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import type { KeptTone } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { useAsk } from "./use-job";

type Tone = Pick<KeptTone, "code" | "coats">;

export interface ToneColour {
  readonly lab: Lab;
  readonly hex: string;
  /** False beyond the coats that were read: the model says it. */
  readonly measured: boolean;
}

const nameOf = ({ code, coats }: Tone) => `${coats} ${code}`;

/**
 * Colours of tones on a rack's paper: as read where that many coats were read, by the model beyond. Undefined for what was never read
 * there, and until the model has answered.
 */
export function useTones(rack: Rack, wanted: readonly Tone[]): (tone: Tone) => ToneColour | undefined {
  const swatches = useMemo(() => new Map(rack.markers.map((m) => [m.code, m.swatches])), [rack]);
  const byDay = rack.paper.light === "D65";
  const unread = new Map(
    wanted
      .filter(({ code, coats }) => {
        const own = swatches.get(code);
        return own?.length && !(byDay && own[coats - 1]);
      })
      .map((t) => [nameOf(t), t]),
  );
  const stacks = [...unread.values()].map(({ code, coats }) => Array<string>(coats).fill(code));
  const { output } = useAsk("predict", rack, stacks.length ? { stacks } : null);
  const names = [...unread.keys()].join("\n");
  const predicted = useMemo(
    () => new Map(output ? names.split("\n").map((n, i) => [n, output.stacks[i]!]) : []),
    [output, names],
  );
  return useCallback(
    (tone) => {
      const read = byDay ? swatches.get(tone.code)?.[tone.coats - 1] : undefined;
      if (read) return { lab: read.lab, hex: read.hex ?? displayLab(read.lab).hex, measured: true };
      const said = predicted.get(nameOf(tone));
      return said && { lab: said.lab, hex: said.hex, measured: said.measured };
    },
    [byDay, swatches, predicted],
  );
}
