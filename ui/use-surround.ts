"use client";
import { useSyncExternalStore } from "react";
import { isSurround, type Surround } from "./surround";

const watch = (changed: () => void) => {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ["data-surround"] });
  return () => observer.disconnect();
};
const now = (): Surround => {
  const v = document.documentElement.dataset.surround ?? "";
  return isSurround(v) ? v : "bright";
};

/** The present surround, for what is painted on a canvas and must be painted anew when it changes. */
export const useSurround = (): Surround => useSyncExternalStore(watch, now, () => "bright");
