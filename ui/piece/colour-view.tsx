"use client";
import { ImageUp, Plus } from "lucide-react";
import { useRouter, useSearchParams } from "next/navigation";
import { useCallback, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { PLACES, type PictureReading, type Place } from "@/core/piece/piece";
import type { PictureFacts } from "@/store/pictures";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { AreaPanel } from "./area-panel";
import { AreaStrip } from "./area-strip";
import { PicturePane } from "./picture-pane";
import { usePiece, usePieceHandles, useRun } from "./piece-context";
import { PieceHeader } from "./piece-header";
import { useRack } from "./use-rack";

interface ColourViewProps {
  readonly papers: readonly PaperSheet[];
  readonly rack: Rack;
  readonly picture: PictureFacts | undefined;
}

const ACCEPTED = "image/png,image/jpeg,image/webp";

/** Colour: the picture on the left, the area's plan on the right, all areas below. */
export function ColourView({ papers, rack: first, picture: firstPicture }: ColourViewProps) {
  const router = useRouter();
  const piece = usePiece();
  const run = useRun();
  const { id: pieceId } = usePieceHandles();
  const { rack, trouble } = useRack(piece.paperId ?? first.paper.id, first);
  const wanted = useSearchParams().get("area");
  const area = piece.areas.find((a) => a.id === wanted) ?? piece.areas[0];
  const [place, setPlace] = useState<Place>("local");
  const [pictures, setPictures] = useState<readonly PictureFacts[]>(firstPicture ? [firstPicture] : []);
  const [upload, setUpload] = useState<{ busy: boolean; error?: string }>({ busy: false });
  const file = useRef<HTMLInputElement>(null);
  const picture = pictures.find((p) => p.id === piece.pictureId);

  const choose = useCallback(
    (id: string) => window.history.pushState(null, "", `/pieces/${pieceId}/colour?area=${id}`),
    [pieceId],
  );
  const step = (by: number) => {
    const next = piece.areas[piece.areas.findIndex((a) => a.id === area?.id) + by];
    if (next) choose(next.id);
  };
  useHotkeys("bracketleft", () => step(-1), [piece.areas, area]);
  useHotkeys("bracketright", () => step(1), [piece.areas, area]);
  useHotkeys("a", () => router.push(`/pieces/${pieceId}/whole`), [pieceId]);

  const pick = (reading: PictureReading) => {
    if (!area) return;
    run({ type: "place reading", id: area.id, place, reading });
    // The next thing one picks is what is still missing, the middle first.
    const missing = PLACES.filter((p) => p !== place && !area.readings[p]);
    if (place === "local" && missing[0]) setPlace(missing[0]);
    else if (missing.length) setPlace(missing[0]!);
  };

  const send = async (chosen: File | undefined) => {
    if (!chosen) return;
    setUpload({ busy: true });
    const form = new FormData();
    form.set("picture", chosen);
    try {
      const answer = await fetch("/api/pictures", { method: "POST", body: form });
      const body = (await answer.json()) as PictureFacts & { message?: string };
      if (!answer.ok) return setUpload({ busy: false, error: body.message ?? "The picture was not taken." });
      setPictures((p) => [...p, body]);
      run({ type: "choose picture", pictureId: body.id });
      setUpload({ busy: false });
    } catch {
      setUpload({
        busy: false,
        error: "The server cannot be reached, so the picture was not sent. Try again in a moment.",
      });
    }
  };

  return (
    <div className="flex min-h-[calc(100dvh-3rem)] flex-col min-[900px]:h-[calc(100dvh-3.06rem)]">
      <PieceHeader stage="colour" papers={papers} />
      <input
        ref={file}
        type="file"
        accept={ACCEPTED}
        className="sr-only"
        tabIndex={-1}
        aria-label="Reference picture"
        onChange={(e) => {
          void send(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      {(upload.error || upload.busy || trouble) && (
        <p
          role="alert"
          className="m-0 flex items-center gap-3 border-b border-line bg-panel px-4 py-2 text-[15px]"
        >
          {upload.busy
            ? "Taking the picture in…"
            : (upload.error ?? "The swatches of this paper cannot be fetched just now; trying again.")}
          {upload.error && (
            <button className="button" onClick={() => file.current?.click()}>
              Choose another
            </button>
          )}
          {upload.error && (
            <button className="button-bare" onClick={() => setUpload({ busy: false })}>
              Dismiss
            </button>
          )}
        </p>
      )}
      <main
        id="main"
        className="grid min-h-0 flex-1 gap-4 px-4 pt-3 min-[900px]:grid-cols-[minmax(0,1fr)_minmax(0,1.12fr)] min-[1500px]:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]"
      >
        {picture ? (
          <PicturePane
            picture={picture}
            readings={area?.readings ?? {}}
            place={place}
            onPlace={setPlace}
            onPick={pick}
            onUpload={() => file.current?.click()}
            disabled={!area}
          />
        ) : (
          <div
            className="flex min-h-60 flex-col items-start justify-center gap-3 border border-dashed border-strong p-8"
            onDragOver={(e) => e.preventDefault()}
            onDrop={(e) => {
              e.preventDefault();
              void send(e.dataTransfer.files[0]);
            }}
          >
            <p className="m-0 max-w-[40ch] text-[17px]">
              Bring the picture whose colours you want: a photo, a scan or a painting. PNG, JPEG or WebP, up
              to 30 MB.
            </p>
            <button
              className="button button-main"
              disabled={upload.busy}
              onClick={() => file.current?.click()}
            >
              <ImageUp size={18} aria-hidden /> Choose a picture
            </button>
          </div>
        )}
        <div className="min-h-0 min-w-0 pb-3 min-[900px]:overflow-y-auto min-[900px]:pr-1">
          {area ? (
            <AreaPanel key={area.id} area={area} rack={rack} />
          ) : (
            <div className="flex flex-col items-start gap-3 p-4">
              <p className="m-0 max-w-[44ch] text-[17px]">
                An area is what one blend group colours: skin, a sleeve, the sea. Name the first one, then
                point at its colour in the picture.
              </p>
              <button
                className="button button-main"
                onClick={() => {
                  const id = crypto.randomUUID();
                  run({ type: "add area", id, name: "Area 1" });
                  choose(id);
                }}
              >
                <Plus size={18} aria-hidden /> Add the first area
              </button>
            </div>
          )}
        </div>
      </main>
      <AreaStrip areas={piece.areas} chosen={area?.id} rack={rack} onChoose={choose} />
    </div>
  );
}
