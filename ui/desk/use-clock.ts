"use client";
import { useEffect, useState } from "react";

const TICK_MS = 500;

/**
 * The time, renewed as it passes: read off the clock each time, so that sleep and a hidden tab change nothing. A clock that is set back does not
 * turn the work back: time then goes on from the latest moment that is known.
 * @param latest when something last happened, ms
 */
export function useClock(latest: number): number {
  // The server has no clock that the page would agree with.
  const [now, setNow] = useState(latest);
  useEffect(() => {
    let [last, at] = [Math.max(Date.now(), latest), performance.now()];
    const tick = () => {
      const [said, passed] = [Date.now(), performance.now() - at];
      // Behind what is known by more than a tick: the clock was set back, and only what has passed since counts.
      last = said >= last ? said : last + Math.max(0, passed);
      at = performance.now();
      setNow(last);
    };
    tick();
    const timer = setInterval(tick, TICK_MS);
    document.addEventListener("visibilitychange", tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", tick);
    };
  }, [latest]);
  return Math.max(now, latest);
}

/** Keeps the screen awake while something is true, where the browser lets it. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let ended = false;
    const take = () => {
      if (document.visibilityState !== "visible") return;
      navigator.wakeLock.request("screen").then(
        (got) => {
          if (ended) void got.release();
          else lock = got;
        },
        () => undefined,
      );
    };
    take();
    document.addEventListener("visibilitychange", take);
    return () => {
      ended = true;
      document.removeEventListener("visibilitychange", take);
      void lock?.release().catch(() => undefined);
    };
  }, [on]);
}
