"use client";
import { useSyncExternalStore } from "react";
import { useHotkeys, type Options } from "react-hotkeys-hook";

const KEY = "blendt-single-keys";
const listeners = new Set<() => void>();

function areOn(): boolean {
  try {
    return localStorage.getItem(KEY) !== "off";
  } catch {
    return true;
  }
}

/** Switches shortcuts of a single key on or off, in this browser. */
export function switchKeys(on: boolean): void {
  try {
    if (on) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, "off");
  } catch {
    // A browser without storage keeps them on.
  }
  listeners.forEach((l) => l());
}

const watch = (changed: () => void) => {
  listeners.add(changed);
  return () => listeners.delete(changed);
};

/** Whether shortcuts of a single key are on. */
export const useKeysOn = (): boolean => useSyncExternalStore(watch, areOn, () => true);

const behindDialog = () => document.querySelector('[role="dialog"], [role="alertdialog"]') !== null;

/** A shortcut of a single key: not while it is switched off, while one types, or behind a dialog. */
export function useKey(
  keys: string | readonly string[],
  act: (e: KeyboardEvent) => void,
  options: Options = {},
): void {
  useHotkeys(keys as string | string[], act, {
    ...options,
    ignoreEventWhen: () => !areOn() || behindDialog(),
  });
}

/** Where typing has an undo of its own. */
const isWriting = (target: EventTarget | null): boolean =>
  (target instanceof HTMLInputElement &&
    !/^(checkbox|radio|range|button|submit|file|color)$/.test(target.type)) ||
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLElement && target.isContentEditable);

/** Undo and redo by their usual keys, which stay on; not behind a dialog. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  const options = {
    preventDefault: true,
    // In a list or a tick box there is no text whose own undo it could be.
    enableOnFormTags: true,
    ignoreEventWhen: (e: KeyboardEvent) => behindDialog() || isWriting(e.target),
  };
  useHotkeys("mod+z", () => undo(), options);
  useHotkeys("mod+shift+z, mod+y", () => redo(), options);
}
