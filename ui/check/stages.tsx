"use client";
import { useMemo, useState } from "react";
import { useStore } from "zustand";
import { Film, ImagePlus } from "lucide-react";
import type { Point } from "@/core/algebra/point";
import { holding, type EventOf } from "@/core/work/record";
import type { Corners } from "@/core/picture/rectify";
import type { WorkLog } from "@/ui/desk/work-log";
import { Modal } from "@/ui/kit/modal";
import { messageOf, sendPicture } from "@/ui/send";
import { useMayChange } from "@/ui/studio/studio-context";
import type { SheetPhoto } from "./use-sheet-photo";

/** Photos that a piece may have. */
const MOST_PHOTOS = 50;

const dayOf = (at: number) =>
  new Date(at).toLocaleDateString([], { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });

/** Photos of the piece at work: kept, looked at again, and run as a film. */
export function Stages({
  id,
  log,
  sheet,
  corners,
}: {
  readonly id: string;
  readonly log: WorkLog;
  readonly sheet: SheetPhoto;
  /** Where the drawing was found in the photo that is read now. */
  readonly corners: readonly Point[] | undefined;
}) {
  const may = useMayChange();
  const events = useStore(log.log, (s) => s.events);
  const photos = useMemo(
    () => holding(events).filter((e): e is EventOf<"photographed"> => e.kind === "photographed"),
    [events],
  );
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState<string>();
  const [film, setFilm] = useState(false);
  const attempt = async (doing: string, work: () => Promise<void>) => {
    setBusy(doing);
    setTrouble(undefined);
    try {
      await work();
    } catch (e) {
      setTrouble(messageOf(e));
    } finally {
      setBusy(undefined);
    }
  };
  const keep = () =>
    attempt("Keeping it…", async () => {
      const { id: pictureId } = await sendPicture<{ id: string }>(sheet.file!, sheet.name!);
      log.add({ kind: "photographed", pictureId, ...(corners && { corners: corners as Corners }) });
      sheet.keptAs(pictureId);
    });
  const readAgain = (photo: EventOf<"photographed">) =>
    attempt("Fetching it…", async () => {
      const answer = await fetch(`/api/pictures/${photo.pictureId}`);
      if (!answer.ok) throw new Error("The photo could not be fetched. Try again.");
      const blob = await answer.blob();
      sheet.take(new File([blob], `photo of ${dayOf(photo.at)}`, { type: blob.type }), photo.pictureId);
    });
  const isKept = photos.some((p) => p.pictureId === sheet.pictureId);
  const source = `/api/pieces/${id}/time-lapse?of=${photos.length}-${photos.at(-1)?.at ?? 0}`;
  if (!photos.length && !corners) return null;
  return (
    <div className="mt-3">
      <div className="flex flex-wrap items-center gap-2">
        {may && corners && !isKept && photos.length < MOST_PHOTOS && (
          <button className="button" disabled={busy !== undefined} onClick={() => void keep()}>
            <ImagePlus size={17} aria-hidden /> Keep this photo with the piece
          </button>
        )}
        {photos.length > 1 && (
          <button className="button" onClick={() => setFilm(true)}>
            <Film size={17} aria-hidden /> Run them as a film
          </button>
        )}
        {busy && <span className="text-[14px] text-soft">{busy}</span>}
      </div>
      {trouble && (
        <p role="alert" className="mt-1 mb-0">
          {trouble}
        </p>
      )}
      {photos.length > 0 && (
        <ul className="m-0 mt-2 flex list-none gap-2 overflow-x-auto p-0" aria-label="Photos of it at work">
          {photos.map((p) => (
            <li key={p.id} className="shrink-0">
              <button
                className="grid gap-0.5 border border-line p-0.5 text-left aria-pressed:border-text"
                aria-pressed={p.pictureId === sheet.pictureId}
                disabled={busy !== undefined}
                onClick={() => void readAgain(p)}
                title={p.note}
              >
                <img
                  src={`/api/pictures/${p.pictureId}?width=320`}
                  alt=""
                  className="block h-20 w-28 object-cover"
                  loading="lazy"
                />
                <span className="px-0.5 text-[13px]" suppressHydrationWarning>
                  {dayOf(p.at)}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <Modal open={film} title="The piece at work" onClose={() => setFilm(false)} wide>
        <img
          src={source}
          alt="Photos of the piece at work, one after the other"
          className="mx-auto block max-h-[60dvh] max-w-full"
        />
        <p className="mt-3 mb-0">
          <a className="button" href={source} download>
            Save the film
          </a>
        </p>
      </Modal>
    </div>
  );
}
