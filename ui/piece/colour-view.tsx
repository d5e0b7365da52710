"use client";
import { withRack } from "@/ui/rack-here";
import { ImageUp, Plus } from "lucide-react";
import { useRouter } from "next/navigation";
import { useCallback, useDeferredValue, useRef, useState } from "react";
import { NO_GAINS } from "@/core/picture/balance";
import { PLACES, type PictureReading, type Place } from "@/core/piece/piece";
import type { PictureFacts } from "@/store/pictures";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { messageOf, sendPicture } from "@/ui/send";
import { useKey } from "@/ui/use-keys";
import { ask, useQueryPart } from "@/ui/use-query";
import { canBeShown, PiecePicture } from "@/ui/light/piece-picture";
import { AreaPanel } from "./area-panel";
import { AreaPicture } from "./area-picture";
import { AreaStrip } from "./area-strip";
import { nameAtOnce } from "./area-wishes";
import { useJudged } from "./group/use-groups";
import { PicturePane } from "./picture-pane";
import { usePiece, usePieceHandles, useRun } from "./piece-context";
import { PieceHeader } from "./piece-header";
import { useRack } from "./use-rack";

/** What stands beside the plan: the reference that is picked from, or the piece as ink. */
const LOOKS = ["reference", "line", "tones", "colouring", "area"] as const;
type Look = (typeof LOOKS)[number];
const LOOK_NAMES: Readonly<Record<Look, string>> = {
  reference: "Reference",
  line: "Drawing",
  tones: "Tone map",
  colouring: "Colouring",
  area: "This area alone",
};
/** Fine enough for half a screen. */
const CLOSER = { drawing: 2, light: 1 } as const;

const NO_READINGS = {};

interface ColourViewProps {
  readonly papers: readonly PaperSheet[];
  readonly rack: Rack;
  readonly picture: PictureFacts | undefined;
}

/** Colour: the picture on the left, the area's plan on the right, all areas below. */
export function ColourView({ papers, rack: first, picture: firstPicture }: ColourViewProps) {
  const router = useRouter();
  const piece = usePiece();
  const run = useRun();
  const { id: pieceId } = usePieceHandles();
  const { rack, trouble } = useRack(piece.paperId ?? first.paper.id, first);
  const judged = useJudged(rack, piece);
  const wanted = useQueryPart("area");
  const chosen = piece.areas.find((a) => a.id === wanted) ?? piece.areas[0];
  // The strip follows at once; what is shown of the area comes as soon as it is drawn, and is what is worked on until then.
  const shown = useDeferredValue(chosen?.id);
  const area = piece.areas.find((a) => a.id === shown) ?? chosen;
  const [place, setPlace] = useState<Place>("local");
  const [said, setLook] = useState<Look>();
  const [pictures, setPictures] = useState<readonly PictureFacts[]>(firstPicture ? [firstPicture] : []);
  const [upload, setUpload] = useState<{ busy: boolean; error?: string }>({ busy: false });
  const picture = pictures.find((p) => p.id === piece.pictureId);
  const hasLine = piece.setUp.line !== null;
  const planned = canBeShown(piece);
  const usual = picture || !hasLine ? "reference" : planned ? "colouring" : "line";
  const look = said && (said === "reference" || hasLine) ? said : usual;

  const choose = useCallback((id: string) => ask(`/pieces/${pieceId}/colour?area=${id}`), [pieceId]);
  const step = (by: number) => {
    const next = piece.areas[piece.areas.findIndex((a) => a.id === chosen?.id) + by];
    if (next) choose(next.id);
  };
  useKey("bracketleft", () => step(-1));
  useKey("bracketright", () => step(1));
  useKey("a", () => piece.areas.length > 1 && router.push(`/pieces/${pieceId}/whole`));

  /** Areas and places whose colour was pointed at and is being read. */
  const beingRead = useRef(new Set<string>());
  const pick = useCallback(
    (picked: Place, reading: Promise<PictureReading>) => {
      if (!area) return;
      const { id, readings } = area;
      const named = (p: Place) => `${id} ${p}`;
      beingRead.current.add(named(picked));
      // The next thing one picks is what is still missing, whether or not this one has been read by then.
      const [next] = PLACES.filter((p) => !readings[p] && !beingRead.current.has(named(p)));
      if (next) setPlace(next);
      reading
        .then(
          (read) => run({ type: "place reading", id, place: picked, reading: read }),
          () => setPlace(picked),
        )
        .finally(() => beingRead.current.delete(named(picked)));
    },
    [area, run],
  );

  const take = useCallback(
    async (chosen: File | undefined) => {
      if (!chosen) return;
      setUpload({ busy: true });
      try {
        const taken = await sendPicture<PictureFacts>(chosen, chosen.name);
        setPictures((p) => [...p, taken]);
        run({ type: "choose picture", pictureId: taken.id });
        setUpload({ busy: false });
      } catch (e) {
        setUpload({ busy: false, error: messageOf(e) });
      }
    },
    [run],
  );
  const addFirst = () => {
    const id = crypto.randomUUID();
    nameAtOnce(id);
    run({ type: "add area", id, name: "Area 1" });
    choose(id);
  };

  const looks = (
    <div role="group" aria-label="Picture shows" className="flex flex-wrap gap-1">
      {LOOKS.filter((l) => planned || l === "reference" || l === "line").map((l) => (
        <button
          key={l}
          className={`button ${l === look ? "button-main" : ""}`}
          aria-pressed={l === look}
          onClick={() => setLook(l)}
        >
          {l === "reference" && !picture ? "Bring a reference" : LOOK_NAMES[l]}
        </button>
      ))}
    </div>
  );
  const shownIn = (className: string) => (
    <PiecePicture
      piece={piece}
      rack={rack}
      look={look === "tones" ? "tones" : "colouring"}
      alone={look === "area" ? area?.id : undefined}
      groupOf={judged.groupOf}
      closeness={CLOSER}
      className={className}
      instead={<p className="m-0 p-4 text-[16px] text-soft">Finding the line and what it encloses…</p>}
    />
  );

  return (
    <div className="flex min-h-[calc(100dvh-3rem)] flex-col min-[900px]:h-[calc(100dvh-3.06rem)]">
      <PieceHeader stage="colour" papers={papers} />
      {(upload.error || upload.busy || trouble) && (
        <p
          role="alert"
          className="m-0 flex items-center gap-3 border-b border-line bg-panel px-4 py-2 text-[15px]"
        >
          {upload.busy
            ? "Taking the picture in…"
            : (upload.error ?? "The swatches of this paper cannot be fetched just now; trying again.")}
          {upload.error && (
            <button className="button-bare" onClick={() => setUpload({ busy: false })}>
              Dismiss
            </button>
          )}
        </p>
      )}
      <main
        id="main"
        className="grid min-h-0 flex-1 gap-4 px-4 pt-2 min-[900px]:grid-cols-[minmax(0,1fr)_minmax(0,1.12fr)] min-[1500px]:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]"
      >
        <h1 className="sr-only">Colour of {piece.name}</h1>
        <div className="flex min-h-0 min-w-0 flex-col">
          {look === "reference" ? (
            hasLine && <div className="flex flex-wrap gap-1 pb-2 max-[899px]:order-last">{looks}</div>
          ) : (
            <div className="flex min-h-60 flex-1 flex-col">
              <AreaPicture
                piece={piece}
                chosen={chosen?.id}
                onChoose={choose}
                lined={look === "line" || look === "tones" || !canBeShown(piece)}
                numbered={look !== "colouring"}
                toolbar={looks}
                instead={shownIn("mx-auto max-h-full w-full max-w-[calc((100dvh-19rem)*1.2)]")}
              >
                {look !== "line" && canBeShown(piece) && shownIn("w-full")}
              </AreaPicture>
            </div>
          )}
          {look !== "reference" ? null : picture ? (
            <PicturePane
              picture={picture}
              gains={piece.references.find((r) => r.pictureId === picture.id)?.gains ?? NO_GAINS}
              readings={area?.readings ?? NO_READINGS}
              place={place}
              onPlace={setPlace}
              onPick={pick}
              onUpload={take}
              disabled={!area}
            />
          ) : (
            <div
              className="flex min-h-60 flex-col items-start justify-center gap-3 border border-dashed border-strong p-8"
              onDragOver={(e) => e.preventDefault()}
              onDrop={(e) => {
                e.preventDefault();
                void take(e.dataTransfer.files[0]);
              }}
            >
              <p className="m-0 max-w-[40ch] text-[17px]">
                Bring the picture whose colours you want: a photo, a scan or a painting. PNG, JPEG or WebP, up
                to 30 MB.
              </p>
              <FileButton
                main
                label="Reference picture"
                accept={PICTURES}
                disabled={upload.busy}
                onFiles={([chosen]) => void take(chosen)}
              >
                <ImageUp size={18} aria-hidden /> Choose a picture
              </FileButton>
            </div>
          )}
        </div>
        <div className="min-h-0 min-w-0 pb-3 min-[900px]:overflow-y-auto min-[900px]:pr-1">
          {area ? (
            <AreaPanel key={area.id} area={area} rack={rack} judged={judged} />
          ) : (
            <div className="flex flex-col items-start gap-3 p-4">
              <p className="m-0 max-w-[44ch] text-[17px]">
                An area is what one blend group colours: skin, a sleeve, the sea. Name the first one, then
                point at its colour in the picture.
              </p>
              <button className="button button-main" onClick={addFirst}>
                <Plus size={18} aria-hidden /> Add the first area
              </button>
            </div>
          )}
        </div>
      </main>
      <AreaStrip areas={piece.areas} chosen={chosen?.id} judged={judged} onChoose={choose} />
    </div>
  );
}

/** The same where the rack comes with the page. */
export const ColourPlace = withRack(ColourView);
