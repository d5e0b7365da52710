"use client";
import { useEffect, useRef, useState, type KeyboardEvent, type MouseEvent, type PointerEvent } from "react";

interface ScreenPoint {
  readonly x: number;
  readonly y: number;
}

export interface PickedBox extends ScreenPoint {
  readonly width: number;
  readonly height: number;
}

interface Wish {
  /** What is shown, in its own pixels, and how large one of them is on the screen. */
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly disabled?: boolean;
  /** A click, a tap, or Enter. */
  readonly onPoint: (at: ScreenPoint) => void;
  /** A patch that was dragged, or pressed for long. */
  readonly onBox?: (box: PickedBox) => void;
  /** Two fingers: by how much they have moved apart since they came. */
  readonly onPinch?: (ratio: number, isFirst: boolean) => void;
}

/** Pixels of the picture that an arrow key moves the crosshair; ten times as many with Shift. */
const KEY_STEP = 4;
/** How long a finger must rest before it draws a patch, and the patch of one that only rests: ms, screen pixels. */
const [LONG_PRESS, RESTING] = [350, 28];
/** A drag shorter than this, screen pixels, is none; a finger that slips farther does not rest. */
const [LEAST, SLIP] = [4, 10];

/**
 * Picking on a picture: a click or tap picks a point; a dragged patch with the mouse, or after a long press; two fingers zoom; a swipe
 * scrolls what the picture lies in; arrows and Enter do it by keys. Points and boxes are in the picture's pixels.
 */
export function usePicking({ width, height, scale, disabled, onPoint, onBox, onPinch }: Wish) {
  const surface = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<ScreenPoint & { readonly byKeys: boolean }>();
  const [drag, setDrag] = useState<PickedBox>();
  const dragged = useRef(false);
  const isThere = scale > 0;

  const within = (v: number, most: number) => Math.min(most, Math.max(0, v));
  const pointOf = (clientX: number, clientY: number): ScreenPoint => {
    const { left, top } = surface.current!.getBoundingClientRect();
    return { x: within((clientX - left) / scale, width), y: within((clientY - top) / scale, height) };
  };
  const boxOf = (a: ScreenPoint, b: ScreenPoint): PickedBox => ({
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(a.x - b.x),
    height: Math.abs(a.y - b.y),
  });

  // Listeners that are set anew with every picture would miss the second half of a touch: they read what is wanted from here.
  const latest = useRef({ pointOf, boxOf, onBox, onPinch, disabled, scale });
  useEffect(() => {
    latest.current = { pointOf, boxOf, onBox, onPinch, disabled, scale };
  });

  useEffect(() => {
    const at = surface.current;
    if (!at) return;
    let doing: "nothing" | "resting" | "patch" | "pinch" = "nothing";
    let timer: ReturnType<typeof setTimeout> | undefined;
    let from = { x: 0, y: 0 };
    let apart = 1;
    let patch: PickedBox | undefined;
    const between = ({ touches: [a, b] }: TouchEvent) =>
      Math.max(1, Math.hypot(a!.clientX - b!.clientX, a!.clientY - b!.clientY));
    const stop = () => {
      clearTimeout(timer);
      doing = "nothing";
      patch = undefined;
      setDrag(undefined);
    };
    const draw = (box: PickedBox) => {
      patch = box;
      setDrag(box);
    };
    const onStart = (e: TouchEvent) => {
      stop();
      const { pointOf, onBox, onPinch, disabled, scale } = latest.current;
      if (disabled) return;
      const [first] = e.touches;
      if (e.touches.length === 2 && onPinch) {
        e.preventDefault();
        doing = "pinch";
        apart = between(e);
        onPinch(1, true);
      } else if (e.touches.length === 1 && onBox) {
        doing = "resting";
        from = { x: first!.clientX, y: first!.clientY };
        timer = setTimeout(() => {
          doing = "patch";
          const reach = RESTING / scale / 2;
          const middle = pointOf(from.x, from.y);
          draw({ x: middle.x - reach, y: middle.y - reach, width: 2 * reach, height: 2 * reach });
        }, LONG_PRESS);
      }
    };
    const onMove = (e: TouchEvent) => {
      const { pointOf, boxOf, onPinch, scale } = latest.current;
      const { clientX, clientY } = e.touches[0]!;
      if (doing === "pinch") {
        if (e.cancelable) e.preventDefault();
        onPinch?.(between(e) / apart, false);
      } else if (doing === "patch") {
        if (e.cancelable) e.preventDefault();
        const box = boxOf(pointOf(from.x, from.y), pointOf(clientX, clientY));
        if (box.width * scale > LEAST && box.height * scale > LEAST) draw(box);
      } else if (Math.hypot(clientX - from.x, clientY - from.y) > SLIP) stop();
    };
    const onEnd = (e: TouchEvent) => {
      const done = doing;
      const drawn = patch;
      if (done === "pinch" || done === "patch") e.preventDefault();
      stop();
      if (done === "patch" && drawn) latest.current.onBox?.(drawn);
    };
    at.addEventListener("touchstart", onStart, { passive: false });
    at.addEventListener("touchmove", onMove, { passive: false });
    at.addEventListener("touchend", onEnd, { passive: false });
    at.addEventListener("touchcancel", stop);
    return () => {
      clearTimeout(timer);
      at.removeEventListener("touchstart", onStart);
      at.removeEventListener("touchmove", onMove);
      at.removeEventListener("touchend", onEnd);
      at.removeEventListener("touchcancel", stop);
    };
  }, [isThere]);

  const start = useRef<ScreenPoint>(undefined);
  const onPointerDown = (e: PointerEvent<HTMLElement>) => {
    if (e.pointerType === "touch" || e.button !== 0 || disabled || !onBox) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    start.current = pointOf(e.clientX, e.clientY);
  };
  const onPointerUp = (e: PointerEvent) => {
    const from = start.current;
    start.current = undefined;
    setDrag(undefined);
    if (!from) return;
    const box = boxOf(from, pointOf(e.clientX, e.clientY));
    if (box.width * scale <= LEAST || box.height * scale <= LEAST) return;
    dragged.current = true;
    onBox?.(box);
  };
  const onClick = (e: MouseEvent) => {
    // The click that ends a drag has been counted.
    const counted = dragged.current;
    dragged.current = false;
    if (!disabled && !counted) onPoint(pointOf(e.clientX, e.clientY));
  };
  const onPointerMove = (e: PointerEvent) => {
    if (e.pointerType === "touch") return;
    const p = pointOf(e.clientX, e.clientY);
    setAt({ ...p, byKeys: false });
    if (start.current) setDrag(boxOf(start.current, p));
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    const from = at ?? { x: width / 2, y: height / 2 };
    if (step) {
      e.preventDefault();
      const by = (e.shiftKey ? 10 : 1) * KEY_STEP;
      setAt({
        x: within(from.x + step[0]! * by, width),
        y: within(from.y + step[1]! * by, height),
        byKeys: true,
      });
    } else if (e.key === "Enter" && !disabled) {
      e.preventDefault();
      onPoint(from);
    }
  };
  return {
    surface,
    /** Where the pointer or the crosshair is. */
    at,
    /** The patch that is being drawn. */
    drag,
    bind: {
      onClick,
      onPointerDown,
      onPointerUp,
      onPointerMove,
      onKeyDown,
      onPointerLeave: () => setAt((was) => (was?.byKeys ? was : undefined)),
      onBlur: () => setAt(undefined),
      onContextMenu: (e: MouseEvent) => e.preventDefault(),
    },
  };
}
