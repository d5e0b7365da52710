"use client";
import { useRef } from "react";
import { drawingQuestion } from "@/compute/piece-questions";
import type { SetUpOutput } from "@/compute/operations/set-up";
import type { Piece } from "@/core/piece/piece";
import type { DrawingFacts } from "@/store/pictures";
import { drawingOfQuestion } from "@/compute/looks";
import { askOfPicture, type NamedPicture, type Watch } from "@/ui/jobs/client";
import { sharedJobs } from "@/ui/jobs/shared-jobs";
import { useJob, type Work } from "@/ui/jobs/use-job";
import { pictureBlob } from "@/ui/piece/picture-blob";
import { pictureUrl, sendForFile } from "@/ui/send";

/** A picture as the worker knows it. */
export const asked = (
  picture: Pick<DrawingFacts, "id" | "name" | "drawings">,
): NamedPicture & { readonly handle: string } => ({
  handle: picture.id,
  called: picture.name,
  load: () => pictureBlob(picture.id),
  drawings: picture.drawings ?? [],
  loadDrawing: (name) => sendForFile("GET", `${pictureUrl(picture.id)}/drawing?name=${name}`),
});

/** Whether a drawing was looked at before, as it is asked for: it is there at once. */
export function isKept(
  { id, drawings = [] }: Pick<DrawingFacts, "id" | "drawings">,
  question: object,
): boolean {
  const wish = drawings.length ? drawingOfQuestion(id, question) : undefined;
  return wish !== undefined && drawings.includes(wish.name);
}

/** Wait before work starts, ms; and before the exact look follows the quick one. */
const SETTLE = 60;
const EXACT_AFTER = 280;
/** Pixels of a drawing from which on a quick look is worth while. */
const LARGE = 700_000;
const QUICK = 3;

/** Drawings are large: the last few are kept. */
const drawings = sharedJobs(6);

/** The line, regions and areas of the drawing, a quick look first where that is quicker. `gap` and `speck` stand in for those of the piece while they are dragged. */
export function useDrawing(
  piece: Piece,
  picture: DrawingFacts | undefined,
  passing: { readonly gap?: number; readonly speck?: number },
): Work<SetUpOutput> {
  const searched = useRef<string>(undefined);
  const base = picture && piece.setUp.line ? { ...drawingQuestion(piece, picture), ...passing } : undefined;
  const claims = piece.areas.flatMap((a) => (a.place ? [{ id: a.id, at: a.place.at }] : []));
  const look = (coarser: number, watch: Watch) =>
    askOfPicture("setUp", asked(picture!), { ...base, claims, coarser }, watch);
  return useJob(
    base && picture ? JSON.stringify(["setUp", picture.id, base, claims]) : null,
    async ({ signal, onProgress }) => {
      const wanted = JSON.stringify(base);
      // What is searched for is new: a quick look at it first. Which points make up which area changes in no time.
      const kept = isKept(picture!, base!);
      if (!kept && searched.current !== wanted && picture!.width * picture!.height > LARGE) {
        onProgress?.(0.4, await look(QUICK, signal ? { signal } : {}));
        await new Promise((r) => setTimeout(r, EXACT_AFTER));
        signal?.throwIfAborted();
      }
      const output = await look(1, { ...(signal && { signal }), ...(onProgress && { onProgress }) });
      searched.current = wanted;
      return output;
    },
    { about: picture?.id, settle: SETTLE, store: drawings },
  );
}
