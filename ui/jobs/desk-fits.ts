import { memory } from "@/core/memory";
import type { DeskFit } from "@/core/ink/desk-fit";

/** What was fitted to a rack, by the rack's name (`rackKey`). */
export interface Fitted {
  readonly key: string;
  readonly fit: DeskFit;
}

const MOST = 12;
const known = memory<DeskFit>(MOST);
const listeners = new Set<(fitted: Fitted) => void>();

/** What is known to be fitted to a rack. */
export const fitOf = (key: string): DeskFit | undefined => known.recall(key);

/** Takes in what was fitted before: the rack's desk is opened with it. */
export function knowFit({ key, fit }: Fitted): void {
  if (!known.recall(key)) known.keep(key, fit);
}

/** Notes what was fitted here, if it is more than was known, and tells who keeps it. */
export function foundFit(key: string, fit: DeskFit): void {
  const before = known.recall(key);
  if (before && (before.pencils || !fit.pencils)) return;
  known.keep(key, fit);
  for (const listener of listeners) listener({ key, fit });
}

/** Hears of what is fitted here from now on; gives the way to stop that. */
export function hearFits(listener: (fitted: Fitted) => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
