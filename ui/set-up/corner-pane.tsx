"use client";
import { useRef, useState, type KeyboardEvent } from "react";
import type { Corners } from "@/core/picture/rectify";
import type { PictureFacts } from "@/store/pictures";
import { useHold } from "@/ui/kit/use-hold";
import { useZoom } from "@/ui/piece/use-zoom";
import { ZoomButtons } from "@/ui/piece/zoom-buttons";
import { toolInWords } from "./tool";

const CORNER_NAMES = ["Top left", "Top right", "Bottom right", "Bottom left"] as const;
const KEY_STEP = 0.001;
const MANY = 10;

/** The photo of a sheet with its four corners, which can be dragged or moved by keys. */
export function CornerPane({
  picture,
  corners,
  onChange,
  onDone,
}: {
  readonly picture: PictureFacts;
  readonly corners: Corners;
  readonly onChange: (corners: Corners) => void;
  readonly onDone: () => void;
}) {
  const { frame, fit, zoom, scale, zoomBy, whole } = useZoom(picture);
  const [moving, setMoving] = useState<Corners>();
  const shown = moving ?? corners;
  const size = { width: picture.width * scale, height: picture.height * scale };
  const withCorner = (i: number, x: number, y: number): Corners => {
    const clamp = (v: number) => Math.min(1.02, Math.max(-0.02, v));
    return shown.map((c, k) => (k === i ? ([clamp(x), clamp(y)] as const) : c)) as unknown as Corners;
  };
  const onKey = (i: number) => (e: KeyboardEvent) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (!way) return;
    e.preventDefault();
    const by = (e.shiftKey ? MANY : 1) * KEY_STEP;
    onChange(withCorner(i, shown[i]![0] + way[0]! * by, shown[i]![1] + way[1]! * by));
  };
  const points = shown.map(([x, y]) => `${x * size.width},${y * size.height}`).join(" ");
  return (
    <section aria-label="Corners of the sheet" className="flex min-h-0 min-w-0 flex-col">
      <div className="flex flex-wrap items-center gap-2 pb-2">
        <button className="button button-main" onClick={onDone}>
          Done
        </button>
        <span className="ml-auto flex items-center">
          <ZoomButtons zoom={zoom} zoomBy={zoomBy} whole={whole} />
        </span>
      </div>
      <div ref={frame} className="relative min-h-60 flex-1 overflow-auto">
        {fit > 0 && (
          <div className="relative mx-auto select-none" style={size}>
            <img
              src={`/api/pictures/${picture.id}`}
              alt={picture.name}
              draggable={false}
              className="block h-full w-full"
            />
            <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
              <polygon points={points} fill="none" stroke="#fff" strokeWidth="4" />
              <polygon points={points} fill="none" stroke="#000" strokeWidth="1.6" />
            </svg>
            {shown.map(([x, y], i) => (
              <Corner
                key={i}
                label={`${CORNER_NAMES[i]} corner, ${Math.round(x * 100)} % across, ${Math.round(y * 100)} % down`}
                at={[x, y]}
                size={size}
                onKeyDown={onKey(i)}
                onMove={(to) => setMoving(to && withCorner(i, to[0], to[1]))}
                onDone={(to) => onChange(withCorner(i, to[0], to[1]))}
              />
            ))}
          </div>
        )}
      </div>
      <p className="m-0 min-h-6 pt-1 text-[14px] text-soft" role="status">
        {toolInWords.corners(0)}
      </p>
    </section>
  );
}

type Point = readonly [number, number];

/** One corner, to be taken hold of; its place is in shares of the picture. */
function Corner({
  label,
  at,
  size,
  onKeyDown,
  onMove,
  onDone,
}: {
  readonly label: string;
  readonly at: Point;
  readonly size: { readonly width: number; readonly height: number };
  readonly onKeyDown: (e: KeyboardEvent) => void;
  /** Undefined when it is not moved any more. */
  readonly onMove: (to: Point | undefined) => void;
  readonly onDone: (to: Point) => void;
}) {
  const target = useRef<HTMLButtonElement>(null);
  /** From where the pointer took hold to the corner itself, so that it does not jump. */
  const off = useRef<Point>(undefined);
  const last = useRef<Point>(undefined);
  const end = () => {
    off.current = last.current = undefined;
    onMove(undefined);
  };
  const hold = useHold(target, {
    onMove: (e) => {
      const box = target.current!.parentElement!.getBoundingClientRect();
      const [x, y] = [(e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height];
      if (!off.current) off.current = [at[0] - x, at[1] - y];
      else onMove((last.current = [x + off.current[0], y + off.current[1]]));
    },
    onDone: () => {
      if (last.current) onDone(last.current);
      end();
    },
    onCancel: end,
  });
  return (
    <button
      ref={target}
      aria-label={label}
      className="absolute flex size-11 -translate-1/2 cursor-grab touch-manipulation items-center justify-center"
      style={{ left: at[0] * size.width, top: at[1] * size.height }}
      onKeyDown={onKeyDown}
      {...hold}
    >
      <span className="block size-5 rounded-full border-3 border-white bg-black/40 outline-2 outline-black" />
    </button>
  );
}
