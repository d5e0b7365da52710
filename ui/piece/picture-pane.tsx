"use client";
import { ImageUp, Maximize, ZoomIn, ZoomOut } from "lucide-react";
import { useCallback, useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { readPatch } from "@/core/picture/patch";
import { PLACES, type PictureReading, type Place } from "@/core/piece/piece";
import type { PictureFacts } from "@/store/pictures";
import { Loupe } from "./loupe";

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface PicturePaneProps {
  readonly picture: PictureFacts;
  readonly readings: { readonly [P in Place]?: PictureReading };
  readonly place: Place;
  readonly onPlace: (place: Place) => void;
  readonly onPick: (reading: PictureReading) => void;
  readonly onUpload: () => void;
  readonly disabled: boolean;
}

export const placeNames: Record<Place, string> = { light: "Light", local: "Local colour", shadow: "Shadow" };
const placeLetters: Record<Place, string> = { light: "L", local: "C", shadow: "S" };

const ZOOMS = [1, 1.5, 2, 3, 4, 6, 8];
/** A click reads this many picture pixels around the point. */
const POINT = 5;
const KEY_STEP = 4;

/** The reference picture: zoom, loupe, and picking by point or by dragging a patch. */
export function PicturePane({
  picture,
  readings,
  place,
  onPlace,
  onPick,
  onUpload,
  disabled,
}: PicturePaneProps) {
  const [zoom, setZoom] = useState(0);
  const [fit, setFit] = useState(0);
  const [pixels, setPixels] = useState<CanvasRenderingContext2D>();
  const [at, setAt] = useState<{ x: number; y: number }>();
  const [drag, setDrag] = useState<Box>();
  const [lost, setLost] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  const start = useRef<{ x: number; y: number }>(undefined);

  useEffect(() => {
    const image = new Image();
    image.onload = () => {
      const canvas = document.createElement("canvas");
      canvas.width = picture.width;
      canvas.height = picture.height;
      const context = canvas.getContext("2d", { willReadFrequently: true, colorSpace: "srgb" })!;
      context.drawImage(image, 0, 0);
      setPixels(context);
      setLost(false);
    };
    image.onerror = () => setLost(true);
    image.src = `/api/pictures/${picture.id}`;
    return () => {
      image.onload = image.onerror = null;
    };
  }, [picture]);

  useEffect(() => {
    const measure = () =>
      frame.current &&
      setFit(
        Math.min(frame.current.clientWidth / picture.width, frame.current.clientHeight / picture.height),
      );
    measure();
    const observer = new ResizeObserver(measure);
    if (frame.current) observer.observe(frame.current);
    return () => observer.disconnect();
  }, [picture]);

  const scale = fit * ZOOMS[zoom]!;
  const zoomBy = useCallback(
    (by: number) => setZoom((z) => Math.min(ZOOMS.length - 1, Math.max(0, z + by))),
    [],
  );
  useHotkeys("equal, shift+equal, add", () => zoomBy(1));
  useHotkeys("minus, subtract", () => zoomBy(-1));
  useHotkeys("0", () => setZoom(0));
  useHotkeys(["1", "2", "3"], (e) => onPlace(PLACES[Number(e.key) - 1]!), [onPlace]);

  const read = (box: Box) => {
    if (!pixels || disabled) return;
    const x = Math.max(0, Math.min(picture.width - 1, Math.round(box.x)));
    const y = Math.max(0, Math.min(picture.height - 1, Math.round(box.y)));
    const width = Math.max(1, Math.min(picture.width - x, Math.round(box.width)));
    const height = Math.max(1, Math.min(picture.height - y, Math.round(box.height)));
    const { lab, spread } = readPatch(pixels.getImageData(x, y, width, height).data);
    onPick({
      lab,
      spread,
      at: {
        x: x / picture.width,
        y: y / picture.height,
        width: width / picture.width,
        height: height / picture.height,
      },
    });
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
          <button
            className="button-bare"
            onClick={() => zoomBy(-1)}
            disabled={zoom === 0}
            aria-label="Zoom out"
          >
            <ZoomOut size={19} aria-hidden />
          </button>
          <span className="w-11 text-center text-[14px]">{ZOOMS[zoom]}×</span>
          <button
            className="button-bare"
            onClick={() => zoomBy(1)}
            disabled={zoom === ZOOMS.length - 1}
            aria-label="Zoom in"
          >
            <ZoomIn size={19} aria-hidden />
          </button>
          <button className="button-bare" onClick={() => setZoom(0)} aria-label="Whole picture">
            <Maximize size={18} aria-hidden />
          </button>
          <button
            className="button-bare"
            onClick={onUpload}
            aria-label="Another picture"
            title="Another picture"
          >
            <ImageUp size={19} aria-hidden />
          </button>
        </span>
      </div>
      <div ref={frame} className="relative min-h-60 flex-1 overflow-auto">
        {lost && (
          <p role="alert" className="m-0 p-4">
            The picture cannot be fetched just now.{" "}
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
              style={{ imageRendering: scale > 3 ? "pixelated" : "auto" }}
            />
            <svg
              className="pointer-events-none absolute inset-0 overflow-visible"
              width="100%"
              height="100%"
              aria-hidden
            >
              {PLACES.map(
                (p) =>
                  readings[p] && (
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
                <rect
                  x={drag.x * scale}
                  y={drag.y * scale}
                  width={drag.width * scale}
                  height={drag.height * scale}
                  fill="none"
                  stroke="#fff"
                  strokeWidth="3"
                />
              )}
              {drag && (
                <rect
                  x={drag.x * scale}
                  y={drag.y * scale}
                  width={drag.width * scale}
                  height={drag.height * scale}
                  fill="none"
                  stroke="#000"
                  strokeWidth="1.2"
                  strokeDasharray="4 3"
                />
              )}
            </svg>
            {at && pixels && !disabled && (
              <Loupe
                pixels={pixels}
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

function ReadingMark({
  letter,
  at,
  width,
  height,
}: {
  letter: string;
  at: PictureReading["at"];
  width: number;
  height: number;
}) {
  const x = (at.x + at.width / 2) * width;
  const y = (at.y + at.height / 2) * height;
  return (
    <g>
      <rect
        x={at.x * width}
        y={at.y * height}
        width={at.width * width}
        height={at.height * height}
        fill="none"
        stroke="#fff"
        strokeWidth="2.500"
      />
      <rect
        x={at.x * width}
        y={at.y * height}
        width={at.width * width}
        height={at.height * height}
        fill="none"
        stroke="#000"
      />
      <path d={`M${x} ${y}l8 -12h14v-18h-18v12z`} fill="#000" stroke="#fff" strokeWidth="1.5" />
      <text x={x + 13} y={y - 16} textAnchor="middle" fontSize="13" fontWeight="700" fill="#fff">
        {letter}
      </text>
    </g>
  );
}
