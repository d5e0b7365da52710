"use client";
import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { useEffect, useState } from "react";

interface Answer {
  readonly key: string;
  readonly value: unknown;
  readonly at: number;
}

interface Schema extends DBSchema {
  answers: { key: string; value: Answer; indexes: { at: number } };
}

/** Answers that are kept; those not asked for the longest go first. */
const MOST = 600;

let opened: Promise<IDBPDatabase<Schema> | undefined> | undefined;

/** A store of its own: what is in it may be thrown away at any time, and nothing is lost. */
const store = (): Promise<IDBPDatabase<Schema> | undefined> =>
  (opened ??= openDB<Schema>("blendt-answers", 1, {
    upgrade(db) {
      db.createObjectStore("answers", { keyPath: "key" }).createIndex("at", "at");
    },
  }).catch(() => undefined));

/** Answers of an earlier visit, by the whole of what was asked. A store that cannot be read has none. */
export async function recallAnswers<T>(keys: readonly string[]): Promise<ReadonlyMap<string, T>> {
  const found = new Map<string, T>();
  try {
    const db = await store();
    if (!db) return found;
    const tx = db.transaction("answers");
    for (const answer of await Promise.all(keys.map((key) => tx.store.get(key))))
      if (answer) found.set(answer.key, answer.value as T);
  } catch {
    // Without them it is worked out, as at the first visit.
  }
  return found;
}

/** What this page has kept already. */
const written = new Set<string>();

/** Throws all of them away, as when somebody signs out. */
export async function forgetAnswers(): Promise<void> {
  written.clear();
  await (await store().catch(() => undefined))?.clear("answers").catch(() => undefined);
}

/** Keeps answers for the next visit, each once. */
export async function keepAnswers(all: ReadonlyMap<string, unknown>): Promise<void> {
  const answers = new Map([...all].filter(([key]) => !written.has(key)));
  if (!answers.size) return;
  for (const key of answers.keys()) written.add(key);
  try {
    const db = await store();
    if (!db) return;
    const tx = db.transaction("answers", "readwrite", { durability: "relaxed" });
    const at = Date.now();
    for (const [key, value] of answers) void tx.store.put({ key, value, at });
    let over = (await tx.store.count()) - MOST;
    for (let c = await tx.store.index("at").openCursor(); c && over > 0; over--, c = await c.continue())
      void c.delete();
    await tx.done;
  } catch {
    // A full disk costs the next visit two seconds.
  }
}

/**
 * Answers of an earlier visit to what is asked now, to be shown until the present ones are there: they are no second truth, everything is
 * worked out again.
 */
export function useEarlierAnswers<T>(keys: readonly string[]): ReadonlyMap<string, T> | undefined {
  const [found, setFound] = useState<{ readonly of: string; readonly answers: ReadonlyMap<string, T> }>();
  const of = keys.join("\n");
  useEffect(() => {
    if (!of) return;
    let gone = false;
    void recallAnswers<T>(of.split("\n")).then((answers) => !gone && setFound({ of, answers }));
    return () => {
      gone = true;
    };
  }, [of]);
  return found?.of === of ? found.answers : undefined;
}
