"use client";
import { useCallback } from "react";
import { drawingQuestion } from "@/compute/piece-questions";
import type { Gathering } from "@/core/picture/gatherings";
import { gatherable } from "@/core/piece/placing";
import type { SetUpOutput } from "@/compute/operations/set-up";
import type { Piece } from "@/core/piece/piece";
import type { DrawingFacts } from "@/store/pictures";
import { askOfPicture, compute, isUnknown, type Watch } from "@/ui/jobs/client";
import { useJob, type Work } from "@/ui/jobs/use-job";
import type { Share } from "./drawing-pane";
import { asked } from "./use-drawing";

/** How many shapes are chosen at once. */
export type Gather =
  | { readonly how: "around" | "across"; readonly stroke: readonly Share[] }
  | { readonly how: "neighbours" | "alike" | "within"; readonly of: readonly number[] };

/** Asks something of the drawing that was set up; where the worker has put it away it is set up again. */
async function ofDrawing<T>(
  piece: Piece,
  drawing: DrawingFacts,
  key: string,
  ask: (key: string) => Promise<T>,
): Promise<T> {
  try {
    return await ask(key);
  } catch (e) {
    if (!isUnknown(e, "drawing")) throw e;
    return ask((await askOfPicture("setUp", asked(drawing), drawingQuestion(piece, drawing))).drawing);
  }
}

/** The shapes that a stroke, or what is chosen already, gathers. */
export function useGather(piece: Piece, drawing: DrawingFacts | undefined, output: SetUpOutput | undefined) {
  return useCallback(
    async (question: Gather): Promise<readonly number[]> => {
      if (!drawing || !output) return [];
      const { regions } = await ofDrawing(piece, drawing, output.drawing, (key) =>
        compute("gather", { drawing: key, ...question }),
      );
      return regions;
    },
    [piece, drawing, output],
  );
}

/** Shapes that had better be one area each, of those that are none yet or of which nothing has been said. */
export function useGatherings(
  piece: Piece,
  drawing: DrawingFacts | undefined,
  output: SetUpOutput | undefined,
  picture: DrawingFacts | undefined,
): Work<readonly Gathering[]> {
  const reference = picture && piece.references.find((r) => r.pictureId === picture.id);
  const among = output ? gatherable(piece, output) : [];
  const question = { among, ...(reference && { pairs: reference.pairs, gains: reference.gains }) };
  const id = drawing && output && among.length > 1 && JSON.stringify([output.drawing, picture?.id, question]);
  return useJob(
    id || null,
    async (watch: Watch) => {
      const { gatherings } = await ofDrawing(piece, drawing!, output!.drawing, (key) =>
        reference
          ? askOfPicture("gatherings", asked(picture), { drawing: key, ...question }, watch)
          : compute("gatherings", { drawing: key, ...question }, watch),
      );
      return gatherings;
    },
    { about: drawing?.id },
  );
}
