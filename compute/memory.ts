/** Keeps the last few results of slow work by a key that names its input. */
export interface Memory<T> {
  readonly recall: (key: string) => T | undefined;
  /** Keeps a result and gives it back. */
  readonly keep: (key: string, value: T) => T;
  readonly forget: (key: string) => void;
}

export function memory<T>(most: number): Memory<T> {
  const kept = new Map<string, T>();
  const keep = (key: string, value: T): T => {
    kept.delete(key);
    kept.set(key, value);
    if (kept.size > most) kept.delete(kept.keys().next().value!);
    return value;
  };
  return {
    keep,
    forget: (key) => void kept.delete(key),
    recall: (key) => {
      const known = kept.get(key);
      // What is asked for again is the last to be forgotten.
      return known === undefined ? undefined : keep(key, known);
    },
  };
}
