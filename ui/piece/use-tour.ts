"use client";
import { useEffect, useSyncExternalStore } from "react";

const KEY = "blendt-tour";
/** Stands for a tour that was dismissed, or gone through. */
const DONE = "done";

/** The piece that the tour goes with; {@link DONE} once it is over; empty before it has begun. */
const kept = (): string => {
  try {
    return localStorage.getItem(KEY) ?? "";
  } catch {
    // A browser without storage has no tour: it would come again and again.
    return DONE;
  }
};
const listeners = new Set<() => void>();
const watch = (changed: () => void) => {
  listeners.add(changed);
  return () => listeners.delete(changed);
};
function keep(what: string): void {
  try {
    localStorage.setItem(KEY, what);
  } catch {
    // It goes with the page.
  }
  listeners.forEach((l) => l());
}

/** The tour goes with the first piece that somebody opens in a studio of their own, until they dismiss it or have been everywhere. */
export function useTour(pieceId: string, may: boolean): { readonly on: boolean; readonly end: () => void } {
  const of = useSyncExternalStore(watch, kept, () => DONE);
  useEffect(() => {
    if (may && !kept()) keep(pieceId);
  }, [may, pieceId]);
  return { on: may && of === pieceId, end: () => keep(DONE) };
}
