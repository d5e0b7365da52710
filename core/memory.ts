import { LRUCache } from "lru-cache";

/** Keeps the last few results of slow work by a key that names its input. */
export interface Memory<T> {
  readonly recall: (key: string) => T | undefined;
  /** Keeps a result and gives it back. */
  readonly keep: (key: string, value: T) => T;
  readonly forget: (key: string) => void;
}

export function memory<T extends object | string | number | boolean>(most: number): Memory<T> {
  const kept = new LRUCache<string, T>({ max: most });
  return {
    keep: (key, value) => {
      kept.set(key, value);
      return value;
    },
    forget: (key) => void kept.delete(key),
    recall: (key) => kept.get(key),
  };
}
