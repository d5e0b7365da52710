"use client";
import { useEffect, useRef, type MouseEvent, type PointerEvent, type RefObject } from "react";

interface At {
  readonly clientX: number;
  readonly clientY: number;
}

interface Wish {
  /** What is dragged is somewhere: by the mouse at once, by a finger once it has rested. */
  readonly onMove: (at: At) => void;
  /** It is let go where it was last. */
  readonly onDone: () => void;
  /** What had begun is taken back. */
  readonly onCancel: () => void;
}

/** How long a finger must rest before it takes hold, ms, and how far it may slip meanwhile, screen pixels. */
const [HOLD, SLIP] = [220, 10];

/**
 * Dragging by mouse, and by a finger that takes hold by resting: one that swipes scrolls and changes nothing. A tap or click is a drag of no
 * length.
 * @param target what is dragged on; it keeps the browser's own touch action
 */
export function useHold(target: RefObject<Element | null>, wish: Wish) {
  const latest = useRef(wish);
  useEffect(() => {
    latest.current = wish;
  });
  const mouse = useRef(false);
  useEffect(() => {
    const on = target.current;
    if (!on) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let from: At | undefined;
    let holds = false;
    const stop = () => {
      clearTimeout(timer);
      from = undefined;
      if (holds) latest.current.onCancel();
      holds = false;
    };
    const onStart = (e: Event) => {
      const { touches } = e as TouchEvent;
      stop();
      if (touches.length !== 1) return;
      from = { clientX: touches[0]!.clientX, clientY: touches[0]!.clientY };
      timer = setTimeout(() => {
        holds = true;
        latest.current.onMove(from!);
      }, HOLD);
    };
    const onMove = (e: Event) => {
      const [finger] = (e as TouchEvent).touches;
      if (holds) {
        if (e.cancelable) e.preventDefault();
        latest.current.onMove(finger!);
      } else if (from && Math.hypot(finger!.clientX - from.clientX, finger!.clientY - from.clientY) > SLIP)
        stop();
    };
    const onEnd = (e: Event) => {
      if (holds) {
        e.preventDefault();
        holds = false;
        latest.current.onDone();
      }
      stop();
    };
    on.addEventListener("touchstart", onStart, { passive: true });
    on.addEventListener("touchmove", onMove, { passive: false });
    on.addEventListener("touchend", onEnd, { passive: false });
    on.addEventListener("touchcancel", stop);
    return () => {
      clearTimeout(timer);
      on.removeEventListener("touchstart", onStart);
      on.removeEventListener("touchmove", onMove);
      on.removeEventListener("touchend", onEnd);
      on.removeEventListener("touchcancel", stop);
    };
  }, [target]);
  return {
    onPointerDown: (e: PointerEvent) => {
      if (e.pointerType === "touch" || e.button !== 0) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      mouse.current = true;
      latest.current.onMove(e);
    },
    onPointerMove: (e: PointerEvent) => {
      if (mouse.current) latest.current.onMove(e);
    },
    onPointerUp: () => {
      if (!mouse.current) return;
      mouse.current = false;
      latest.current.onDone();
    },
    onPointerCancel: () => {
      if (!mouse.current) return;
      mouse.current = false;
      latest.current.onCancel();
    },
    /** Of a finger that tapped: a mouse has done its part by then. */
    onClick: (e: MouseEvent) => {
      if ((e.nativeEvent as globalThis.PointerEvent).pointerType !== "touch") return;
      latest.current.onMove(e);
      latest.current.onDone();
    },
  };
}
