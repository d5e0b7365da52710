"use client";
import { ImageUp } from "lucide-react";
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { PLACES, type PictureReading, type Place } from "@/core/piece/piece";
import type { Gains } from "@/core/picture/balance";
import type { PictureFacts } from "@/store/pictures";
import { askOfPicture } from "@/ui/compute/client";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { messageOf } from "@/ui/send";
import { useKey } from "@/ui/use-keys";
import { LightFilter } from "./light-filter";
import { Loupe } from "./loupe";
import { pictureBlob } from "./picture-blob";
import { Outline, ReadingMark } from "./reading-mark";
import { useZoom } from "./use-zoom";
import { ZoomButtons } from "./zoom-buttons";

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface PicturePaneProps {
  readonly picture: PictureFacts;
  /** Sets its light right. */
  readonly gains: Gains;
  readonly readings: { readonly [P in Place]?: PictureReading };
  readonly place: Place;
  readonly onPlace: (place: Place) => void;
  /** The place is that for which it was picked, whatever is chosen by the time it has been read. */
  readonly onPick: (place: Place, reading: PictureReading) => void;
  readonly onUpload: (file: File) => void;
  readonly disabled: boolean;
}

export const placeNames: Record<Place, string> = { light: "Light", local: "Local colour", shadow: "Shadow" };
const placeLetters: Record<Place, string> = { light: "L", local: "C", shadow: "S" };

/** A click reads this many picture pixels around the point. */
const POINT = 5;
const KEY_STEP = 4;
const FILTER = "picked-light";
const filterOf = (gains: Gains) => (gains.every((g) => g === 1) ? undefined : `url(#${FILTER})`);

/** The reference picture: zoom, loupe, and picking by point or by dragging a patch. */
export function PicturePane({
  picture,
  gains,
  readings,
  place,
  onPlace,
  onPick,
  onUpload,
  disabled,
}: PicturePaneProps) {
  const { frame, fit, zoom, scale, zoomBy, whole } = useZoom(picture);
  const [bitmap, setBitmap] = useState<ImageBitmap>();
  const [at, setAt] = useState<{ x: number; y: number }>();
  const [drag, setDrag] = useState<Box>();
  const [trouble, setTrouble] = useState<string>();
  const start = useRef<{ x: number; y: number }>(undefined);

  useEffect(() => {
    let gone = false;
    let opened: ImageBitmap | undefined;
    // Decoded off the main thread, once for the loupe here and once for reading in the worker.
    pictureBlob(picture.id)
      .then((blob) => createImageBitmap(blob))
      .then(
        (bitmap) => {
          if (gone) return bitmap.close();
          opened = bitmap;
          setBitmap(bitmap);
          setTrouble(undefined);
        },
        () => !gone && setTrouble("The picture cannot be fetched just now."),
      );
    return () => {
      gone = true;
      setBitmap(undefined);
      opened?.close();
    };
  }, [picture]);

  useKey(["1", "2", "3"], (e) => onPlace(PLACES[Number(e.key) - 1]!));

  const read = (box: Box) => {
    if (disabled) return;
    const share = (v: number, of: number) => Math.min(1, Math.max(0, v / of));
    const [x, y] = [share(box.x, picture.width), share(box.y, picture.height)];
    const wanted = {
      x,
      y,
      width: Math.min(1 - x, box.width / picture.width),
      height: Math.min(1 - y, box.height / picture.height),
    };
    const from = { handle: picture.id, called: picture.name, load: () => pictureBlob(picture.id) };
    askOfPicture("readPatch", from, { box: wanted, gains }).then(
      ({ lab, spread, at }) => {
        setTrouble(undefined);
        onPick(place, { lab, spread, at });
      },
      (e: unknown) => setTrouble(messageOf(e)),
    );
  };
  const readPoint = ({ x, y }: { x: number; y: number }) =>
    read({ x: x - POINT / 2, y: y - POINT / 2, width: POINT, height: POINT });

  const pointOf = (e: PointerEvent<HTMLElement>) => {
    const area = e.currentTarget.getBoundingClientRect();
    return { x: (e.clientX - area.left) / scale, y: (e.clientY - area.top) / scale };
  };
  const boxOf = (a: { x: number; y: number }, b: { x: number; y: number }): Box => ({
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(a.x - b.x),
    height: Math.abs(a.y - b.y),
  });

  const onPointerMove = (e: PointerEvent<HTMLElement>) => {
    const p = pointOf(e);
    setAt(p);
    if (start.current) setDrag(boxOf(start.current, p));
  };
  const onPointerDown = (e: PointerEvent<HTMLElement>) => {
    if (e.button !== 0) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    start.current = pointOf(e);
  };
  const onPointerUp = (e: PointerEvent<HTMLElement>) => {
    if (!start.current) return;
    const box = boxOf(start.current, pointOf(e));
    start.current = undefined;
    setDrag(undefined);
    if (box.width * scale > 4 && box.height * scale > 4) read(box);
    else readPoint(pointOf(e));
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    const from = at ?? { x: picture.width / 2, y: picture.height / 2 };
    if (step) {
      e.preventDefault();
      const by = (e.shiftKey ? 10 : 1) * KEY_STEP;
      setAt({
        x: Math.min(picture.width, Math.max(0, from.x + step[0]! * by)),
        y: Math.min(picture.height, Math.max(0, from.y + step[1]! * by)),
      });
    } else if (e.key === "Enter") {
      e.preventDefault();
      readPoint(from);
    }
  };

  return (
    <section aria-label="Reference" className="flex min-h-0 min-w-0 flex-col">
      <div className="flex flex-wrap items-center gap-1 pb-2" role="group" aria-label="Pick for">
        {PLACES.map((p, i) => (
          <button
            key={p}
            className={`button ${p === place ? "button-main" : ""}`}
            aria-pressed={p === place}
            disabled={disabled}
            onClick={() => onPlace(p)}
          >
            {placeNames[p]}{" "}
            <span className="font-mono text-[12px] opacity-70" aria-hidden>
              {i + 1}
            </span>
          </button>
        ))}
        <span className="ml-auto flex items-center">
          <ZoomButtons zoom={zoom} zoomBy={zoomBy} whole={whole} />
          <FileButton bare label="Another picture" accept={PICTURES} onFiles={([f]) => onUpload(f!)}>
            <ImageUp size={19} aria-hidden />
          </FileButton>
        </span>
      </div>
      <LightFilter id={FILTER} gains={gains} view="colour" />
      <div ref={frame} className="relative min-h-60 flex-1 overflow-auto">
        {trouble && (
          <p role="alert" className="m-0 p-4">
            {trouble}{" "}
            <button className="button" onClick={() => location.reload()}>
              Load again
            </button>
          </p>
        )}
        {fit > 0 && (
          <div
            role="application"
            tabIndex={0}
            aria-label={`Reference ${picture.name}. Arrow keys move the crosshair, Enter picks ${placeNames[place].toLowerCase()}.`}
            className={`relative mx-auto touch-none select-none ${disabled ? "" : "cursor-crosshair"}`}
            style={{ width: picture.width * scale, height: picture.height * scale }}
            onPointerMove={onPointerMove}
            onPointerDown={onPointerDown}
            onPointerUp={onPointerUp}
            onPointerLeave={() => !start.current && setAt(undefined)}
            onKeyDown={onKeyDown}
            data-testid="reference"
          >
            <img
              src={`/api/pictures/${picture.id}`}
              alt={picture.name}
              draggable={false}
              className="block h-full w-full"
              style={{ imageRendering: scale > 3 ? "pixelated" : "auto", filter: filterOf(gains) }}
            />
            <svg
              className="pointer-events-none absolute inset-0 overflow-visible"
              width="100%"
              height="100%"
              aria-hidden
            >
              {PLACES.map(
                (p) =>
                  readings[p]?.at && (
                    <ReadingMark
                      key={p}
                      letter={placeLetters[p]}
                      at={readings[p].at}
                      width={picture.width * scale}
                      height={picture.height * scale}
                    />
                  ),
              )}
              {drag && (
                <Outline
                  x={drag.x * scale}
                  y={drag.y * scale}
                  width={drag.width * scale}
                  height={drag.height * scale}
                  dashed
                />
              )}
            </svg>
            {at && bitmap && !disabled && (
              <Loupe
                bitmap={bitmap}
                gains={gains}
                at={at}
                left={at.x * scale}
                top={at.y * scale}
                flip={{ x: at.x > picture.width * 0.7, y: at.y > picture.height * 0.6 }}
              />
            )}
          </div>
        )}
      </div>
    </section>
  );
}
