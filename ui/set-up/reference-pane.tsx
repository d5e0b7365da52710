"use client";
import { useState, type KeyboardEvent, type PointerEvent } from "react";
import type { PictureFacts } from "@/store/pictures";
import { useZoom } from "@/ui/piece/use-zoom";
import { Crosshair, Draft } from "./crosshair";
import type { Share } from "./drawing-pane";

const KEY_STEP = 0.005;
const MANY = 10;

/** A reference by itself: points of it are pointed at by mouse, touch or keys. */
export function ReferencePane({
  picture,
  filter,
  pointing,
  marks,
  onPoint,
}: {
  readonly picture: PictureFacts;
  readonly filter: string;
  readonly pointing: boolean;
  readonly marks: readonly Share[];
  readonly onPoint: (at: Share) => void;
}) {
  const { frame, fit, scale } = useZoom(picture);
  const [at, setAt] = useState<Share>();
  const size = { width: picture.width * scale, height: picture.height * scale };
  const onClick = (e: PointerEvent<HTMLElement>) => {
    if (!pointing || e.button !== 0) return;
    const box = e.currentTarget.getBoundingClientRect();
    onPoint([(e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height]);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    const from = at ?? [0.5, 0.5];
    if (way && pointing) {
      e.preventDefault();
      const by = (e.shiftKey ? MANY : 1) * KEY_STEP;
      const clamp = (v: number) => Math.min(1, Math.max(0, v));
      setAt([clamp(from[0] + way[0]! * by), clamp(from[1] + way[1]! * by)]);
    } else if (e.key === " " && pointing && at) {
      e.preventDefault();
      onPoint(from);
    }
  };
  return (
    <section aria-label="Reference" className="flex min-h-0 min-w-0 flex-col">
      <h2 className="small-title m-0 flex min-h-11 items-center pb-2">{picture.name}</h2>
      <div ref={frame} className="relative min-h-60 flex-1 overflow-auto">
        {fit > 0 && (
          <div
            role="application"
            tabIndex={0}
            aria-label={`Reference ${picture.name}. ${pointing ? "Arrow keys move the crosshair, Space points there." : ""}`}
            className={`relative mx-auto touch-manipulation select-none ${pointing ? "cursor-crosshair" : ""}`}
            style={size}
            onPointerUp={onClick}
            onKeyDown={onKeyDown}
            data-testid="reference"
          >
            <img
              src={`/api/pictures/${picture.id}`}
              alt={picture.name}
              draggable={false}
              className="block h-full w-full"
              style={{ filter: `url(#${filter})` }}
            />
            <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
              {marks.map(([x, y], i) => (
                <Draft key={i} points={[[x * size.width, y * size.height]]} closed={false} />
              ))}
              {at && pointing && <Crosshair x={at[0] * size.width} y={at[1] * size.height} />}
            </svg>
          </div>
        )}
      </div>
    </section>
  );
}
