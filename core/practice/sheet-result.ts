import type { ExerciseId } from "./shapes";

/** A sheet that was practised on, and how it came out. */
export interface SheetResult {
  readonly id: string;
  /** ms since 1970. */
  readonly at: number;
  readonly exercise: ExerciseId;
  /** 0–100. */
  readonly score: number;
  /** Markers that it was laid with, light to dark. */
  readonly codes: readonly string[];
}

/** Results by which a marker is judged at least. */
const TELLS = 3;

/** Markers with which sheets came out worse than with others, worst first: the mean score of each, and of how many. */
export function worstWith(
  results: readonly SheetResult[],
): { readonly code: string; readonly score: number; readonly of: number }[] {
  const all = results.reduce((sum, r) => sum + r.score, 0) / Math.max(1, results.length);
  const by = new Map<string, number[]>();
  for (const r of results)
    for (const code of new Set(r.codes)) by.set(code, [...(by.get(code) ?? []), r.score]);
  return [...by]
    .filter(([, own]) => own.length >= TELLS)
    .map(([code, own]) => ({ code, score: own.reduce((a, b) => a + b, 0) / own.length, of: own.length }))
    .filter((m) => m.score < all - 5)
    .sort((a, b) => a.score - b.score);
}
