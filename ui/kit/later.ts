"use client";
import { useState } from "react";

/** Loads of what is opened by hand only; all that this page knows of. */
const waiting = new Set<() => Promise<unknown>>();

/** What a page can do without until somebody opens it: it comes when it is wanted, or once the page stands, whichever is first. */
export function later<T>(load: () => Promise<T>): () => Promise<T> {
  waiting.add(load);
  // What another place brings with it comes when that place is gone to.
  if (typeof document !== "undefined" && document.documentElement.dataset.ready) void fetchLater();
  return load;
}

/** Fetches what was left for later, one after the other, while nothing else is to be done. What does not come is tried again when it is wanted. */
export async function fetchLater(): Promise<void> {
  for (const load of waiting) {
    waiting.delete(load);
    await new Promise<void>((go) =>
      // Not every browser tells when it has nothing else to do.
      typeof requestIdleCallback === "function"
        ? requestIdleCallback(() => go(), { timeout: 2000 })
        : setTimeout(go, 200),
    );
    await load().catch(() => undefined);
  }
}

/** Whether something has been so since the page came: what was open once stays, closed, and gives the focus back by itself. */
export function useEver(is: boolean): boolean {
  const [was, setWas] = useState(is);
  if (is && !was) setWas(true);
  return was || is;
}
