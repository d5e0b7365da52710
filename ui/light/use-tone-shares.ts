"use client";
import { toneMapQuestion } from "@/compute/piece-questions";
import { useCallback } from "react";
import { sizeOf, type Area, type Piece } from "@/core/piece/piece";
import { useCompute } from "@/ui/jobs/use-job";
import { usePictures } from "@/ui/set-up/use-pictures";
import { SMALL, useLight } from "./use-colouring";

/**
 * How many mm² of an area lie between two places of it, from its lightest end (0) to its darkest (1): as the tone map has it once that is known,
 * till then as the plan wants it. Undefined while nobody knows the area's size.
 */
export function useToneShares(piece: Piece): (area: Area, from: number, to: number) => number | undefined {
  const { line } = piece.setUp;
  const mixed = piece.light.fromReference > 0 && piece.pictureId ? [piece.pictureId] : [];
  const pictures = usePictures(line ? [...new Set([line.pictureId, ...mixed])] : []);
  const light = useLight(piece, line ? pictures.known.get(line.pictureId) : undefined, pictures.known, SMALL);
  const field = light.exact?.output.field;
  const map = useCompute("toneMap", field ? { field, ...toneMapQuestion(piece) } : null).output;
  return useCallback(
    (area, from, to) => {
      const size = sizeOf(area);
      if (size === null) return undefined;
      const known = map?.areas.find((a) => a.id === area.id);
      if (!known) return size * (to - from);
      const inked = known.mm2.reduce((a, b) => a + b, 0);
      const whole = inked + known.whiteMm2;
      const n = known.shares.length;
      // A class that a border runs through counts by its part.
      const share = known.shares.reduce(
        (sum, s, i) => sum + s * Math.max(0, Math.min(to, (i + 1) / n) - Math.max(from, i / n)) * n,
        0,
      );
      return whole > 0 ? (size * share * inked) / whole : size * (to - from);
    },
    [map],
  );
}
