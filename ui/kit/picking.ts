"use client";
import { useDrag, usePinch } from "@use-gesture/react";
import { useRef, useState, type KeyboardEvent, type MouseEvent, type PointerEvent } from "react";

interface Point {
  readonly x: number;
  readonly y: number;
}

export interface PickedBox extends Point {
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
  readonly onPoint: (at: Point) => void;
  /** A patch that was dragged, or pressed for long. */
  readonly onBox?: (box: PickedBox) => void;
  /** Two fingers: by how much they have moved apart since they came. */
  readonly onPinch?: (ratio: number, isFirst: boolean) => void;
}

/** Pixels of the picture that an arrow key moves the crosshair; ten times as many with Shift. */
const KEY_STEP = 4;
/** How long a finger must rest before it draws a patch, and the patch of one that only rests: ms, screen pixels. */
const [LONG_PRESS, RESTING] = [350, 28];
/** A drag shorter than this, screen pixels, is none. */
const LEAST = 4;

/**
 * Picking on a picture: a click or tap picks a point; a dragged patch with the mouse, or after a long press; two fingers zoom; a swipe
 * scrolls what the picture lies in; arrows and Enter do it by keys. Points and boxes are in the picture's pixels.
 */
export function usePicking({ width, height, scale, disabled, onPoint, onBox, onPinch }: Wish) {
  const surface = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<Point & { readonly byKeys: boolean }>();
  const [drag, setDrag] = useState<PickedBox>();
  const rested = useRef(0);

  const within = (v: number, most: number) => Math.min(most, Math.max(0, v));
  const pointOf = (clientX: number, clientY: number): Point => {
    const { left, top } = surface.current!.getBoundingClientRect();
    return { x: within((clientX - left) / scale, width), y: within((clientY - top) / scale, height) };
  };
  const boxOf = (a: Point, b: Point): PickedBox => ({
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(a.x - b.x),
    height: Math.abs(a.y - b.y),
  });

  useDrag(
    ({ last, canceled, tap, xy, initial, elapsedTime, event, pinching, cancel }) => {
      if (disabled || !onBox) return;
      if (pinching) return cancel();
      const [from, to] = [pointOf(...initial), pointOf(...xy)];
      const byFinger = "touches" in event || (event as globalThis.PointerEvent).pointerType === "touch";
      if (!last) {
        const reach = RESTING / scale / 2;
        setDrag(
          byFinger && Math.hypot(to.x - from.x, to.y - from.y) * scale < LEAST
            ? { x: from.x - reach, y: from.y - reach, width: 2 * reach, height: 2 * reach }
            : boxOf(from, to),
        );
        return;
      }
      const drawn = drag;
      setDrag(undefined);
      if (canceled || event.type.includes("cancel")) return;
      if (byFinger && elapsedTime < LONG_PRESS) return;
      if (tap && !byFinger) return;
      const box = boxOf(from, to);
      const wanted =
        box.width * scale > LEAST && box.height * scale > LEAST ? box : byFinger ? drawn : undefined;
      if (!wanted) return;
      rested.current = Date.now();
      onBox(wanted);
    },
    {
      target: surface,
      filterTaps: true,
      preventScroll: LONG_PRESS,
      preventScrollAxis: "xy",
      pointer: { capture: false, keys: false },
      eventOptions: { passive: false },
    },
  );
  usePinch(({ first, movement: [ratio] }) => onPinch?.(ratio, first), {
    target: surface,
    enabled: onPinch !== undefined,
    preventDefault: true,
    eventOptions: { passive: false },
  });

  const onClick = (e: MouseEvent) => {
    // The click that ends a long press has been counted; one by the keyboard has no place.
    if (disabled || Date.now() - rested.current < 600 || e.detail === 0) return;
    onPoint(pointOf(e.clientX, e.clientY));
  };
  const onPointerMove = (e: PointerEvent) => {
    if (e.pointerType !== "touch") setAt({ ...pointOf(e.clientX, e.clientY), byKeys: false });
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
      onPointerMove,
      onKeyDown,
      onPointerLeave: () => setAt((was) => (was?.byKeys ? was : undefined)),
      onBlur: () => setAt(undefined),
      onContextMenu: (e: MouseEvent) => e.preventDefault(),
    },
  };
}
