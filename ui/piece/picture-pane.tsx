"use client";
import { ImageUp } from "lucide-react";
import { memo, useEffect, useRef, useState, type CSSProperties } from "react";
import { PLACES, type PictureReading, type Place } from "@/core/piece/piece";
import type { Gains } from "@/core/picture/balance";
import type { PictureFacts } from "@/store/pictures";
import { askOfPicture } from "@/ui/jobs/client";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { Picture } from "@/ui/kit/picture";
import { usePicking, type PickedBox } from "@/ui/kit/picking";
import { messageOf } from "@/ui/send";
import { Crosshair } from "@/ui/set-up/crosshair";
import { useKey } from "@/ui/use-keys";
import { LightFilter } from "./light-filter";
import { Loupe } from "./loupe";
import { pictureBlob } from "./picture-blob";
import { Outline, ReadingMarks } from "./reading-mark";
import { useZoom, ZOOMS } from "./use-zoom";
import { ZoomButtons } from "./zoom-buttons";

interface PicturePaneProps {
  readonly picture: PictureFacts;
  /** Sets its light right. */
  readonly gains: Gains;
  readonly readings: { readonly [P in Place]?: PictureReading };
  readonly place: Place;
  readonly onPlace: (place: Place) => void;
  /** A colour was pointed at for a place; what is read there comes when it has been read. */
  readonly onPick: (place: Place, reading: Promise<PictureReading>) => void;
  readonly onUpload: (file: File) => Promise<void>;
  readonly disabled: boolean;
}

export const placeNames: Record<Place, string> = { light: "Light", local: "Local colour", shadow: "Shadow" };
const placeLetters: Record<Place, string> = { light: "L", local: "C", shadow: "S" };

/** A click reads this many picture pixels around the point. */
const POINT = 5;
/** ms */
const LOUPE_AFTER = 2500;
/** How wide the picture is seen; twice as many pixels as points are enough on a phone. */
const SIZES = "(min-width: 1500px) 58vw, (min-width: 900px) 46vw, 72vw";
const FILTER = "picked-light";
const filterOf = (gains: Gains) => (gains.every((g) => g === 1) ? undefined : `url(#${FILTER})`);

/** The reference picture: zoom, loupe, and picking by point or by dragging a patch. */
export const PicturePane = memo(function PicturePane({
  picture,
  gains,
  readings,
  place,
  onPlace,
  onPick,
  onUpload,
  disabled,
}: PicturePaneProps) {
  const { frame, fit, zoom, scale, zoomBy, zoomTo, whole } = useZoom(picture);
  const [bitmap, setBitmap] = useState<ImageBitmap>();
  const [isNear, setNear] = useState(false);
  const [trouble, setTrouble] = useState<string>();

  // The loupe's pixels come once the page has nothing else to do, or at once for who comes near.
  useEffect(() => {
    const timer = setTimeout(() => setNear(true), LOUPE_AFTER);
    return () => clearTimeout(timer);
  }, []);
  useEffect(() => {
    if (!isNear) return;
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
  }, [picture, isNear]);

  useKey(["1", "2", "3"], (e) => onPlace(PLACES[Number(e.key) - 1]!));

  const read = (box: PickedBox) => {
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
    const reading = askOfPicture("readPatch", from, { box: wanted, gains });
    reading.then(
      () => setTrouble(undefined),
      (e: unknown) => setTrouble(messageOf(e)),
    );
    onPick(
      place,
      reading.then(({ lab, spread, at }) => ({ lab, spread, at })),
    );
  };
  const readPoint = ({ x, y }: { x: number; y: number }) =>
    read({ x: x - POINT / 2, y: y - POINT / 2, width: POINT, height: POINT });

  const pinchedFrom = useRef(0);
  const { surface, at, drag, bind } = usePicking({
    width: picture.width,
    height: picture.height,
    scale,
    disabled,
    onPoint: readPoint,
    onBox: read,
    onPinch: (ratio, isFirst) => {
      if (isFirst) pinchedFrom.current = zoom;
      zoomTo(ZOOMS[pinchedFrom.current]! * ratio);
    },
  });

  return (
    <section aria-label="Reference" className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div
        className="flex flex-wrap items-center gap-1 py-2 max-[899px]:order-last min-[900px]:pt-0"
        role="group"
        aria-label="Pick for"
      >
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
          <FileButton bare label="Another picture" accept={PICTURES} onFiles={([f]) => void onUpload(f!)}>
            <ImageUp size={19} aria-hidden />
          </FileButton>
        </span>
      </div>
      <LightFilter id={FILTER} gains={gains} view="colour" />
      <div
        ref={frame}
        // On a narrow screen as tall as the picture when it fills the width; on a wide one it takes what is there.
        className="relative min-h-40 flex-1 overflow-auto max-[899px]:h-[min(68dvh,calc((100vw-2rem)*var(--tall)))] max-[899px]:flex-none"
        style={{ "--tall": picture.height / picture.width } as CSSProperties}
      >
        {trouble && (
          <p role="alert" className="m-0 p-4">
            {trouble}{" "}
            <button className="button" onClick={() => location.reload()}>
              Load again
            </button>
          </p>
        )}
        <div
          role="application"
          tabIndex={0}
          aria-label={`Reference ${picture.name}. Arrow keys move the crosshair, Enter picks ${placeNames[place].toLowerCase()}. By touch: tap for a point, press long and drag for a patch, two fingers to zoom.`}
          ref={surface}
          className={`relative mx-auto touch-pan-x touch-pan-y select-none ${disabled ? "" : "cursor-crosshair"}`}
          // Before its frame was measured it fits in by itself, so that it is seen from the start.
          style={fit ? { width: picture.width * scale, height: picture.height * scale } : { height: "100%" }}
          onPointerEnter={() => setNear(true)}
          onFocus={() => setNear(true)}
          {...bind}
          data-testid="reference"
        >
          <Picture
            {...picture}
            alt={picture.name}
            sizes={SIZES}
            first
            className="pointer-events-none block h-full w-full object-contain object-top"
            style={{ filter: filterOf(gains) }}
          />
          {zoom > 0 && (
            <img
              src={`/api/pictures/${picture.id}`}
              alt=""
              draggable={false}
              className="absolute inset-0 block h-full w-full"
              style={{ imageRendering: scale > 3 ? "pixelated" : "auto", filter: filterOf(gains) }}
            />
          )}
          <svg
            className="pointer-events-none absolute inset-0 overflow-visible"
            width="100%"
            height="100%"
            aria-hidden
          >
            <ReadingMarks
              marks={PLACES.flatMap((p) => {
                const read = readings[p]?.at;
                return read ? [{ letter: placeLetters[p], at: read }] : [];
              })}
              width={picture.width * scale}
              height={picture.height * scale}
            />
            {at?.byKeys && <Crosshair x={at.x * scale} y={at.y * scale} />}
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
      </div>
    </section>
  );
});
