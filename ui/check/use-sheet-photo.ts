"use client";
import { useEffect, useState } from "react";
import type { ReadSheetOutput } from "@/compute/operations/read-sheet";
import { claimsOf, drawingQuestion, toneMapQuestion } from "@/compute/piece-questions";
import type { Pair } from "@/core/picture/align";
import { WHOLE_PICTURE } from "@/core/picture/rectify";
import type { Piece } from "@/core/piece/piece";
import type { DrawingFacts } from "@/store/pictures";
import type { Rack } from "@/store/rack";
import { askOfPicture, havePicture } from "@/ui/jobs/client";
import { useJob, type Work } from "@/ui/jobs/use-job";
import { asked } from "@/ui/set-up/use-drawing";

interface Photo {
  /** The picture of the studio that it is, once it is one. */
  readonly pictureId: string | undefined;
  readonly handle: string;
  readonly file: File;
  readonly url: string;
}

/** A photo of the sheet, laid under the drawing. */
export interface LaidPhoto {
  readonly url: string;
  readonly size: { readonly width: number; readonly height: number };
  readonly pairs: readonly Pair[];
}

interface Found {
  readonly read: ReadSheetOutput;
  readonly size: LaidPhoto["size"];
}

export interface SheetPhoto {
  readonly work: Work<Found>;
  readonly name: string | undefined;
  readonly laid: LaidPhoto | undefined;
  readonly file: File | undefined;
  readonly pictureId: string | undefined;
  readonly take: (file: File, pictureId?: string) => void;
  /** It was kept as that picture. */
  readonly keptAs: (pictureId: string) => void;
  readonly putAway: () => void;
}

async function sizeOf(file: File): Promise<LaidPhoto["size"]> {
  const bitmap = await createImageBitmap(file);
  const { width, height } = bitmap;
  bitmap.close();
  return { width, height };
}

/** What lies on the paper by a photo of it, read in the worker: nothing of the photo leaves the machine. */
export function useSheetPhoto(
  piece: Piece,
  drawing: DrawingFacts | undefined,
  { paper }: Rack,
  /** Light of the drawing, by which its tones are read apart. */
  field: string | undefined,
): SheetPhoto {
  const [photo, setPhoto] = useState<Photo>();
  const url = photo?.url;
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);
  const whites = piece.areas.filter((a) => a.white && a.place).map((a) => a.id);
  const claims = claimsOf(piece);
  const ready = photo && drawing && piece.setUp.line && field;
  const tones = toneMapQuestion(piece);
  const work = useJob(
    ready
      ? JSON.stringify([
          "readSheet",
          photo.handle,
          drawingQuestion(piece, drawing),
          claims,
          whites,
          paper.lab,
          field,
          tones,
        ])
      : null,
    async ({ signal, onProgress }): Promise<Found> => {
      const { hints: _hints, ...drawn } = drawingQuestion(piece, drawing!);
      const size = await sizeOf(photo!.file);
      await havePicture({
        handle: photo!.handle,
        called: photo!.file.name,
        load: () => Promise.resolve(photo!.file),
      });
      const read = await askOfPicture(
        "readSheet",
        asked(drawing!),
        {
          photo: { picture: photo!.handle },
          drawn,
          claims,
          tones: { field, ...tones },
          paper: { lab: paper.lab },
          known: whites.map((id) => ({ id, lab: { lab: paper.lab } })),
        },
        { ...(signal && { signal }), ...(onProgress && { onProgress }) },
      );
      return { read, size };
    },
    { about: drawing?.id },
  );
  const found = work.old ? undefined : work.output;
  return {
    work,
    name: photo?.file.name,
    laid:
      photo && found
        ? {
            url: photo.url,
            size: found.size,
            pairs: WHOLE_PICTURE.map((line, i) => ({ line, reference: found.read.corners[i]! })),
          }
        : undefined,
    file: photo?.file,
    pictureId: photo?.pictureId,
    keptAs: (pictureId) => setPhoto((p) => p && { ...p, pictureId }),
    take: (file, pictureId) =>
      setPhoto({
        pictureId,
        handle: `sheet ${file.name} ${file.size} ${file.lastModified}`.slice(0, 80),
        file,
        url: URL.createObjectURL(file),
      }),
    putAway: () => setPhoto(undefined),
  };
}
