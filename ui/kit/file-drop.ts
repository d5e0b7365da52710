"use client";
import { useEffect, useRef, type RefObject } from "react";

/** Whether a file is of a kind that a list such as "image/png,.svg" takes. */
export const isAccepted = ({ name, type }: Pick<File, "name" | "type">, accept: string): boolean =>
  accept.split(",").some((kind) => {
    const k = kind.trim().toLowerCase();
    return k.startsWith(".")
      ? name.toLowerCase().endsWith(k)
      : k.endsWith("/*")
        ? type.startsWith(k.slice(0, -1))
        : type === k;
  });

/** Something that takes files, wherever on the page they are dropped or pasted. */
interface Taker {
  readonly element: () => HTMLElement | null;
  readonly accept: string;
  readonly multiple: boolean;
  readonly give: (files: readonly File[]) => void;
}

const takers = new Set<Taker>();

/** Of the takers that are to be seen, the one nearest to a point; none where all are hidden, or behind a dialog. */
export function takerNear(
  all: Iterable<Taker>,
  point: { readonly x: number; readonly y: number } | undefined,
  takes: (accept: string) => boolean,
): Taker | undefined {
  let [best, least] = [undefined as Taker | undefined, Infinity];
  const dialog = document.querySelector("[role=dialog]");
  for (const taker of all) {
    const element = taker.element();
    const box = element?.getBoundingClientRect();
    if (!box?.width || !takes(taker.accept) || (dialog && !dialog.contains(element))) continue;
    const off = point
      ? Math.hypot(
          Math.max(box.left - point.x, 0, point.x - box.right),
          Math.max(box.top - point.y, 0, point.y - box.bottom),
        )
      : box.top;
    if (off < least) [best, least] = [taker, off];
  }
  return best;
}

const OVER = "data-takes-drop";
let shown: HTMLElement | null = null;
function show(element: HTMLElement | null): void {
  if (shown === element) return;
  shown?.removeAttribute(OVER);
  element?.setAttribute(OVER, "");
  shown = element;
}

const hasFiles = (e: DragEvent) => e.dataTransfer?.types.includes("Files") ?? false;
const at = (e: DragEvent) => ({ x: e.clientX, y: e.clientY });

function hand(files: readonly File[], taker: Taker | undefined): boolean {
  const own = taker ? files.filter((f) => isAccepted(f, taker.accept)) : [];
  if (!own.length) return false;
  taker!.give(taker!.multiple ? own : own.slice(0, 1));
  return true;
}

function onDragOver(e: DragEvent): void {
  if (!hasFiles(e)) return;
  // A file that falls beside everything would be opened in place of the page.
  e.preventDefault();
  show(takerNear(takers, at(e), () => true)?.element() ?? null);
}
function onDrop(e: DragEvent): void {
  if (!hasFiles(e) || e.defaultPrevented) return;
  e.preventDefault();
  show(null);
  const files = [...(e.dataTransfer?.files ?? [])];
  hand(
    files,
    takerNear(takers, at(e), (accept) => files.some((f) => isAccepted(f, accept))),
  );
}
const onDragLeave = (e: DragEvent) => e.relatedTarget === null && show(null);
function onPaste(e: ClipboardEvent): void {
  const files = [...(e.clipboardData?.files ?? [])];
  if (!files.length) return;
  const taker = takerNear(takers, undefined, (accept) => files.some((f) => isAccepted(f, accept)));
  if (hand(files, taker)) e.preventDefault();
}

/** Has files given that are dropped anywhere on the page, or pasted, and are of a kind that is taken; of several takers the nearest has them. */
export function useFileDrop(
  element: RefObject<HTMLElement | null>,
  {
    accept,
    multiple,
    disabled,
    onFiles,
  }: {
    readonly accept: string;
    readonly multiple: boolean;
    readonly disabled: boolean;
    readonly onFiles: (files: readonly File[]) => void;
  },
): void {
  const latest = useRef(onFiles);
  useEffect(() => {
    latest.current = onFiles;
  });
  useEffect(() => {
    if (disabled) return;
    const taker: Taker = {
      element: () => element.current,
      accept,
      multiple,
      give: (files) => latest.current(files),
    };
    if (!takers.size) {
      window.addEventListener("dragover", onDragOver);
      window.addEventListener("dragleave", onDragLeave);
      window.addEventListener("drop", onDrop);
      window.addEventListener("paste", onPaste);
    }
    takers.add(taker);
    return () => {
      takers.delete(taker);
      if (takers.size) return;
      show(null);
      window.removeEventListener("dragover", onDragOver);
      window.removeEventListener("dragleave", onDragLeave);
      window.removeEventListener("drop", onDrop);
      window.removeEventListener("paste", onPaste);
    };
  }, [element, accept, multiple, disabled]);
}
