"use client";
import { useRef, useState, type MouseEvent } from "react";
import { deviceColour } from "@/core/chart/device";
import { labToHex } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { LINEAR } from "@/core/colour/rgb";
import type { PaperSheet } from "@/store/papers";
import { Modal } from "@/ui/kit/modal";
import { labInWords } from "@/words/numbers";

const SIDE = 1600;
/** Half the side of the square that one click takes, in pixels of the picture. */
const REACH = 6;

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
  const canvas = useRef<HTMLCanvasElement>(null);
  const [ready, setReady] = useState(false);
  const [white, setWhite] = useState<Xyz>();
  const [lab, setLab] = useState<Lab>();
  const [trouble, setTrouble] = useState<string>();
  const choose = async (file: File | undefined) => {
    if (!file || !canvas.current) return;
    const bitmap = await createImageBitmap(file).catch(() => undefined);
    if (!bitmap) return setTrouble(`“${file.name}” is not a picture this browser can open.`);
    const share = Math.min(1, SIDE / Math.max(bitmap.width, bitmap.height));
    canvas.current.width = Math.round(bitmap.width * share);
    canvas.current.height = Math.round(bitmap.height * share);
    canvas.current
      .getContext("2d", { willReadFrequently: true })!
      .drawImage(bitmap, 0, 0, canvas.current.width, canvas.current.height);
    setTrouble(undefined);
    setWhite(undefined);
    setLab(undefined);
    setReady(true);
  };
  const click = (e: MouseEvent<HTMLCanvasElement>) => {
    const own = e.currentTarget;
    const box = own.getBoundingClientRect();
    const [x, y] = [
      ((e.clientX - box.left) / box.width) * own.width,
      ((e.clientY - box.top) / box.height) * own.height,
    ];
    const { data } = own
      .getContext("2d")!
      .getImageData(Math.max(0, x - REACH), Math.max(0, y - REACH), 2 * REACH, 2 * REACH);
    const mean = [0, 1, 2].map((c) => {
      let sum = 0;
      for (let i = c; i < data.length; i += 4) sum += LINEAR[data[i]!]!;
      return Math.max(1e-4, sum / (data.length / 4));
    }) as unknown as Xyz;
    if (!white) return setWhite(mean);
    setLab(deviceColour(paper.lab, []).toLab([mean[0] / white[0], mean[1] / white[1], mean[2] / white[2]]));
  };
  return (
    <Modal open wide title={`Pick ${name} from a photo`} onClose={onClose}>
      <div className="flex flex-wrap items-center gap-3">
        <label className="button">
          Choose a photo
          <input
            type="file"
            accept="image/png,image/jpeg,image/webp"
            className="sr-only"
            aria-label="Photo of the trial"
            onChange={(e) => void choose(e.target.files?.[0])}
          />
        </label>
        <span className="text-[15px]">
          {!ready
            ? "Bare paper and the swatch in the same light."
            : !white
              ? "Click on bare paper beside the swatch."
              : lab
                ? `${labInWords(lab)}. Click again for another place.`
                : "Now click on the swatch."}
        </span>
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
          <button
            className="button"
            onClick={() => {
              setWhite(undefined);
              setLab(undefined);
            }}
          >
            Set white again
          </button>
        )}
      </div>
      {trouble && (
        <p role="alert" className="mb-0 text-[14px]">
          {trouble}
        </p>
      )}
      <canvas
        ref={canvas}
        onClick={click}
        className={`mt-3 max-h-[56vh] max-w-full cursor-crosshair ${ready ? "" : "hidden"}`}
        aria-label="The photo: click bare paper, then the swatch"
      />
    </Modal>
  );
}
