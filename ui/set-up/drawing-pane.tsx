"use client";
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import type { SetUpOutput } from "@/compute/operations/set-up";
import { courseOf, type Cut } from "@/core/picture/cut";
import { useZoom } from "@/ui/piece/use-zoom";
import { ZoomButtons } from "@/ui/piece/zoom-buttons";
import { Crosshair, Draft } from "./crosshair";
import { LineCanvas } from "./line-canvas";
import { RegionOverlay } from "./region-overlay";
import { toolInWords, type Tool } from "./tool";

/** A point in shares of the drawing. */
export type Share = readonly [x: number, y: number];

interface DrawingPaneProps {
  readonly output: SetUpOutput;
  readonly names: Parameters<typeof RegionOverlay>[0]["names"];
  readonly chosen: ReadonlySet<string>;
  readonly tool: Tool;
  /** Points of the tool that are set so far. */
  readonly draft: readonly Share[];
  /** How many of them tell what comes next. */
  readonly next: number;
  /** Cuts that were made, to show where they run. */
  readonly cuts: readonly Cut[];
  /** A click, or Enter at the crosshair; `more` with Shift. */
  readonly onPoint: (at: Share, owner: string | undefined, region: number | undefined, more: boolean) => void;
  readonly onEnd: () => void;
  readonly onBack: () => void;
  readonly showAreas: boolean;
  /** Whether areas bear their numbers. */
  readonly numbered?: boolean;
  /** Whether what is chosen is told by its outline alone. */
  readonly outlined?: boolean;
  /** A line that was dragged; tools that take none leave it out. */
  readonly onPath?: ((points: readonly Share[]) => void) | undefined;
  /** The line itself; a picture under it may have its own. */
  readonly lined?: boolean;
  /** What lies under the line, for the size of the drawing on the screen. */
  readonly under?: (frame: { readonly width: number; readonly height: number }) => ReactNode;
  readonly toolbar?: ReactNode;
  /** What a click does, where that is not what the tool says. */
  readonly says?: string;
  /** More that is drawn over it; `place` leads from shares to pixels of the screen. */
  readonly marks?: ((place: (at: Share) => readonly [number, number]) => ReactNode) | undefined;
}

const KEY_STEP = 0.004;
/** Points of a dragged line lie so far apart, in shares of the drawing; and so many of them at most. */
const PATH_STEP = 0.008;
const MOST_PATH = 60;

/** As many points of a path as a line may have, evenly. */
const thinned = (path: readonly Share[]): readonly Share[] => {
  if (path.length <= MOST_PATH) return path;
  return Array.from(
    { length: MOST_PATH },
    (_, i) => path[Math.round((i * (path.length - 1)) / (MOST_PATH - 1))]!,
  );
};
const MANY = 10;

/** The drawing with its areas: choosing, cutting and pointing by mouse, touch and keys. */
export function DrawingPane(props: DrawingPaneProps) {
  const { output, names, chosen, tool, draft, next, cuts, onPoint, onEnd, onBack, showAreas } = props;
  const { frame, fit, zoom, scale, zoomBy, whole } = useZoom(output);
  const [at, setAt] = useState<Share>();
  const size = { width: output.width * scale, height: output.height * scale };
  const onScreen = ([x, y]: Share) => [x * size.width, y * size.height] as const;

  const pointed = (e: PointerEvent<HTMLElement>): Share => {
    const box = e.currentTarget.getBoundingClientRect();
    return [(e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height];
  };
  const path = useRef<Share[]>(undefined);
  const [dragged, setDragged] = useState<readonly Share[]>();
  const onDown = (e: PointerEvent<HTMLElement>) => {
    if (e.button !== 0 || !props.onPath) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    path.current = [pointed(e)];
  };
  const onMove = (e: PointerEvent<HTMLElement>) => {
    if (!path.current) return;
    const p = pointed(e);
    const last = path.current.at(-1)!;
    if (Math.hypot(p[0] - last[0], p[1] - last[1]) < PATH_STEP) return;
    path.current.push(p);
    setDragged([...path.current]);
  };
  const onClick = (e: PointerEvent<HTMLElement>) => {
    if (e.button !== 0) return;
    const drawn = path.current;
    path.current = undefined;
    setDragged(undefined);
    if (drawn && drawn.length > 1) return props.onPath?.(thinned(drawn));
    const shape = (e.target as Element).closest<SVGGElement>("[data-region]");
    setAt(undefined);
    onPoint(pointed(e), shape?.dataset.owner, shape ? Number(shape.dataset.region) : undefined, e.shiftKey);
  };
  /** The region under the crosshair, found by the shapes themselves. */
  const regionAt = (root: Element, [x, y]: Share) => {
    const point = new DOMPoint(x * output.width, y * output.height);
    return [...root.querySelectorAll<SVGGElement>("[data-region]")].find((g) =>
      g.querySelector("path")?.isPointInFill(point),
    );
  };
  const onKeyDown = (e: KeyboardEvent<HTMLElement>) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    const from = at ?? [0.5, 0.5];
    if (way) {
      e.preventDefault();
      const by = (e.shiftKey ? MANY : 1) * KEY_STEP;
      const clamp = (v: number) => Math.min(1, Math.max(0, v));
      setAt([clamp(from[0] + way[0]! * by), clamp(from[1] + way[1]! * by)]);
    } else if (e.key === " " && at) {
      e.preventDefault();
      const shape = regionAt(e.currentTarget, from);
      onPoint(from, shape?.dataset.owner, shape ? Number(shape.dataset.region) : undefined, e.shiftKey);
    } else if (e.key === "Enter") {
      e.preventDefault();
      onEnd();
    } else if (e.key === "Backspace") {
      e.preventDefault();
      onBack();
    }
  };

  return (
    <section aria-label="Drawing" className="flex min-h-0 min-w-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-1 pb-2">
        {props.toolbar}
        <span className="ml-auto flex items-center">
          <ZoomButtons zoom={zoom} zoomBy={zoomBy} whole={whole} />
        </span>
      </div>
      <div ref={frame} className="relative min-h-60 flex-1 overflow-auto">
        {fit > 0 && (
          <div
            role="application"
            tabIndex={0}
            aria-label={`The drawing. Arrow keys move the crosshair, Space points there, Enter ends a line. ${toolInWords[tool](next)}`}
            className={`relative mx-auto ${props.onPath ? "touch-none" : "touch-manipulation"} bg-white select-none ${tool === "pick" ? "" : "cursor-crosshair"}`}
            style={size}
            onPointerDown={onDown}
            onPointerMove={onMove}
            onPointerUp={onClick}
            onPointerCancel={() => {
              path.current = undefined;
              setDragged(undefined);
            }}
            onKeyDown={onKeyDown}
            data-testid="drawing"
          >
            {props.under?.(size)}
            {props.lined !== false && <LineCanvas line={output.line} label="Line of the drawing" />}
            <RegionOverlay
              output={output}
              chosen={chosen}
              names={names}
              scale={scale}
              showRest={showAreas}
              numbered={props.numbered !== false}
              outlined={props.outlined ?? false}
            />
            <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
              {cuts.map((cut, i) => (
                <Cutting key={i} points={courseOf(cut).map(onScreen)} />
              ))}
              {draft.length > 0 && (
                <Draft
                  points={
                    tool === "shape" && draft.length > 2
                      ? courseOf({ points: draft, closed: true, curved: true }).map(onScreen)
                      : draft.map(onScreen)
                  }
                  closed={false}
                />
              )}
              {dragged && <Draft points={dragged.map(onScreen)} closed={false} />}
              {props.marks?.(onScreen)}
              {at && <Crosshair x={at[0] * size.width} y={at[1] * size.height} />}
            </svg>
          </div>
        )}
      </div>
      <p className="m-0 min-h-6 pt-1 text-[14px] text-soft" role="status">
        {props.says ?? toolInWords[tool](next)}
      </p>
    </section>
  );
}

/** A line that parts areas. */
function Cutting({ points }: { readonly points: readonly (readonly [number, number])[] }) {
  const path = points.map(([x, y], i) => `${i ? "L" : "M"}${x} ${y}`).join("");
  return (
    <>
      <path d={path} fill="none" stroke="#fff" strokeWidth="3.5" />
      <path d={path} fill="none" stroke="#000" strokeWidth="1.3" strokeDasharray="2 3" />
    </>
  );
}
