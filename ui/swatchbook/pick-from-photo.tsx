"use client";
import { useEffect, useState } from "react";
import { labToHex } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import type { PatchBox } from "@/core/picture/patch";
import type { PaperSheet } from "@/store/papers";
import { askOfPicture } from "@/ui/jobs/client";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { Modal } from "@/ui/kit/modal";
import { usePicking } from "@/ui/kit/picking";
import { messageOf } from "@/ui/send";
import { Crosshair } from "@/ui/set-up/crosshair";
import { labInWords } from "@/words/numbers";

/** Side of the square that one click takes, as a share of the picture's longer side. */
const REACH = 0.0075;

interface Photo {
  readonly handle: string;
  readonly file: File;
  readonly url: string;
}

/** Takes a colour from a photo of a trial: one click on bare paper sets the white, the next takes the swatch. */
export function PickFromPhoto({
  paper,
  name,
  onPick,
  onClose,
}: {
  readonly paper: PaperSheet;
  readonly name: string;
  readonly onPick: (lab: Lab) => void;
  readonly onClose: () => void;
}) {
  const [photo, setPhoto] = useState<Photo>();
  const [white, setWhite] = useState<PatchBox>();
  const [lab, setLab] = useState<Lab>();
  const [trouble, setTrouble] = useState<string>();
  const [size, setSize] = useState({ width: 1, height: 1, scale: 0 });
  const { surface, at, bind } = usePicking({ ...size, onPoint: (p) => void take(p) });
  useEffect(() => () => photo && URL.revokeObjectURL(photo.url), [photo]);
  const again = () => {
    setWhite(undefined);
    setLab(undefined);
  };
  const choose = (file: File) => {
    setTrouble(undefined);
    again();
    setPhoto({ handle: crypto.randomUUID(), file, url: URL.createObjectURL(file) });
  };
  const take = async ({ x, y }: { readonly x: number; readonly y: number }) => {
    const side = REACH * Math.max(size.width, size.height);
    const at = (v: number, most: number) => Math.min(1, Math.max(0, (v - side / 2) / most));
    const box = {
      x: at(x, size.width),
      y: at(y, size.height),
      width: Math.min(1, side / size.width),
      height: Math.min(1, side / size.height),
    };
    if (!white) return setWhite(box);
    const from = {
      handle: photo!.handle,
      called: photo!.file.name,
      load: () => Promise.resolve(photo!.file),
    };
    try {
      const { swatches } = await askOfPicture("readSwatches", from, {
        paper: { lab: paper.lab },
        bare: white,
        swatches: [{ code: "swatch", box }],
        known: [],
      });
      setTrouble(undefined);
      setLab(swatches[0]!.lab);
    } catch (error) {
      setTrouble(messageOf(error));
    }
  };
  const help = !photo
    ? "Bare paper and the swatch in the same light."
    : !white
      ? "Click on bare paper beside the swatch."
      : lab
        ? `${labInWords(lab)}. Click again for another place.`
        : "Now click on the swatch.";
  return (
    <Modal open wide title={`Pick ${name} from a photo`} onClose={onClose}>
      <div className="flex flex-wrap items-center gap-3">
        <FileButton label="Photo of the trial" accept={PICTURES} onFiles={([file]) => choose(file!)}>
          Choose a photo
        </FileButton>
        <span className="text-[15px]">{help}</span>
        {lab && (
          <>
            <span
              className="h-9 w-12 border border-strong"
              style={{ background: labToHex(lab) }}
              aria-hidden
            />
            <button className="button button-main" onClick={() => onPick(lab)}>
              Take it
            </button>
          </>
        )}
        {white && (
          <button className="button" onClick={again}>
            Set white again
          </button>
        )}
      </div>
      {trouble && (
        <p role="alert" className="mb-0 text-[14px]">
          {trouble}
        </p>
      )}
      {photo && (
        <div
          ref={surface}
          role="application"
          tabIndex={0}
          aria-label="The photo. Arrow keys move the crosshair, Enter picks: bare paper first, then the swatch."
          className="relative mt-3 w-fit max-w-full cursor-crosshair touch-manipulation select-none"
          {...bind}
        >
          <img
            src={photo.url}
            onLoad={({ currentTarget: i }) =>
              setSize({
                width: i.naturalWidth,
                height: i.naturalHeight,
                scale: i.clientWidth / i.naturalWidth,
              })
            }
            onError={() => setTrouble(`“${photo.file.name}” is not a picture this browser can open.`)}
            draggable={false}
            className="block max-h-[56vh] max-w-full"
            alt="The photo: click bare paper, then the swatch"
          />
          {at?.byKeys && (
            <svg
              className="pointer-events-none absolute inset-0 overflow-visible"
              width="100%"
              height="100%"
              aria-hidden
            >
              <Crosshair x={at.x * size.scale} y={at.y * size.scale} />
            </svg>
          )}
        </div>
      )}
    </Modal>
  );
}
