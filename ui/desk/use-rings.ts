"use client";
import { useEffect, useRef, useSyncExternalStore } from "react";

const KEY = "blendt-desk-sound";

const chosen = (): boolean => {
  try {
    return localStorage.getItem(KEY) === "on";
  } catch {
    return false;
  }
};

const listeners = new Set<() => void>();
const watch = (changed: () => void) => {
  listeners.add(changed);
  return () => listeners.delete(changed);
};

function toggle(): void {
  try {
    localStorage.setItem(KEY, chosen() ? "off" : "on");
  } catch {
    // A browser without storage stays quiet.
  }
  listeners.forEach((l) => l());
}

/** A short, low tone, and where there is one a short buzz. */
function ring(): void {
  navigator.vibrate?.(120);
  try {
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    const loud = audio.createGain();
    tone.frequency.value = 520;
    loud.gain.setValueAtTime(0.15, audio.currentTime);
    loud.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.5);
    tone.connect(loud).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + 0.5);
    tone.onended = () => void audio.close();
  } catch {
    // A browser without sound stays quiet.
  }
}

/** Rings when a wait is over, where somebody has chosen so; quiet otherwise. */
export function useRings(waiting: string | undefined): { readonly on: boolean; readonly toggle: () => void } {
  const on = useSyncExternalStore(watch, chosen, () => false);
  const was = useRef(waiting);
  useEffect(() => {
    if (on && was.current !== undefined && waiting === undefined) ring();
    was.current = waiting;
  }, [on, waiting]);
  return { on, toggle };
}
