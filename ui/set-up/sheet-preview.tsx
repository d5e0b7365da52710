"use client";
import { backgroundOf } from "@/core/piece/placing";
import { type KeyboardEvent, useMemo, useRef, useState } from "react";
import type { SetUpOutput } from "@/compute/operations/set-up";
import { useHold } from "@/ui/kit/use-hold";
import { placeOf, type SheetPlan } from "@/core/piece/set-up";

interface SheetPreviewProps {
  readonly sheet: SheetPlan;
  /** Size of the drawing on it, mm. */
  readonly width: number;
  readonly height: number;
  readonly regions: SetUpOutput;
  readonly onMove: (at: readonly [number, number] | null) => void;
}

const KEY_STEP = 1;
const MANY = 10;

/** The sheet with the drawing on it, to be dragged or moved by keys. */
export function SheetPreview({ sheet, width, height, regions, onMove }: SheetPreviewProps) {
  const background = useMemo(() => backgroundOf(regions), [regions]);
  const [moving, setMoving] = useState<readonly [number, number]>();
  const from = useRef<readonly [number, number]>(undefined);
  const last = useRef<readonly [number, number]>(undefined);
  const target = useRef<SVGGElement>(null);
  const [left, top] = moving ?? placeOf(sheet, width, height);
  const inMm = (e: { readonly clientX: number; readonly clientY: number }): readonly [number, number] => {
    const box = target.current!.ownerSVGElement!.getBoundingClientRect();
    return [
      ((e.clientX - box.left) * sheet.width) / box.width,
      ((e.clientY - box.top) * sheet.height) / box.height,
    ];
  };
  const round = (v: number) => Math.round(v * 2) / 2;
  const end = () => {
    from.current = last.current = undefined;
    setMoving(undefined);
  };
  const hold = useHold(target, {
    onMove: (e) => {
      const [x, y] = inMm(e);
      if (from.current) setMoving((last.current = [round(x - from.current[0]), round(y - from.current[1])]));
      else from.current = [x - left, y - top];
    },
    onDone: () => {
      if (last.current) onMove(last.current);
      end();
    },
    onCancel: end,
  });
  const onKey = (e: KeyboardEvent) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (!way) return;
    e.preventDefault();
    const by = (e.shiftKey ? MANY : 1) * KEY_STEP;
    onMove([round(left + way[0]! * by), round(top + way[1]! * by)]);
  };
  return (
    <div className="flex items-end gap-3">
      <svg
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        className="max-h-64 border border-strong bg-white"
        style={{ aspectRatio: `${sheet.width} / ${sheet.height}`, height: 240, maxWidth: "100%" }}
        role="group"
        aria-label="The sheet"
      >
        <g
          ref={target}
          tabIndex={0}
          role="button"
          aria-label={`The drawing, ${Math.round(left)} mm from the left and ${Math.round(top)} mm from the top. Arrow keys move it.`}
          className="cursor-move touch-manipulation"
          onKeyDown={onKey}
          {...hold}
        >
          <svg
            x={left}
            y={top}
            width={width}
            height={height}
            viewBox={`0 0 ${regions.width} ${regions.height}`}
          >
            <rect width={regions.width} height={regions.height} fill="#000" fillOpacity="0.05" />
            {regions.regions
              .filter((r) => !background.has(r.id))
              .map((r) => (
                <path
                  key={r.id}
                  d={r.path}
                  fill="none"
                  stroke="#000"
                  vectorEffect="non-scaling-stroke"
                  strokeWidth="0.8"
                />
              ))}
            <rect
              width={regions.width}
              height={regions.height}
              fill="transparent"
              stroke="#000"
              strokeDasharray="4 3"
              vectorEffect="non-scaling-stroke"
            />
          </svg>
        </g>
      </svg>
      <button className="button" disabled={sheet.at === null} onClick={() => onMove(null)}>
        Centre it
      </button>
    </div>
  );
}
