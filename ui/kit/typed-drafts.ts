import { openDB, type DBSchema, type IDBPDatabase } from "idb";

/** Text that somebody typed and nothing has kept yet. */
interface Typed {
  /** Studio and field. */
  readonly key: string;
  readonly text: string;
  /** When it was typed, ms. */
  readonly at: number;
}

interface Schema extends DBSchema {
  typed: { key: string; value: Typed; indexes: { at: number } };
}

/** Longest text that is kept, most fields, and how long each is, ms. */
const LONGEST = 1_000_000;
const MOST = 200;
const KEPT_FOR = 30 * 86_400_000;

let opened: Promise<IDBPDatabase<Schema> | undefined> | undefined;

/** The browser's own store; undefined where it has none: then what is typed lives as long as its page. */
const store = (): Promise<IDBPDatabase<Schema> | undefined> =>
  (opened ??= openDB<Schema>("blendt-typed", 1, {
    upgrade(db) {
      db.createObjectStore("typed", { keyPath: "key" }).createIndex("at", "at");
    },
  }).catch(() => undefined));

/** What was typed into a field and not kept; undefined where nothing was. */
export async function typedBefore(key: string, now: number): Promise<string | undefined> {
  const db = await store();
  const found = await db?.get("typed", key).catch(() => undefined);
  return found && now - found.at < KEPT_FOR ? found.text : undefined;
}

/** Keeps what is typed into a field; an empty text is none. What is old, or too much, goes. */
export async function keepTyped(key: string, text: string, now: number): Promise<void> {
  const db = await store();
  if (!db) return;
  try {
    const work = db.transaction("typed", "readwrite", { durability: "strict" });
    if (text.trim() && text.length <= LONGEST) {
      await work.store.put({ key, text, at: now });
      let spare = (await work.store.count()) - MOST;
      for (
        let cursor = await work.store.index("at").openCursor();
        cursor && (spare > 0 || now - cursor.value.at > KEPT_FOR);
        cursor = await cursor.continue()
      ) {
        await cursor.delete();
        spare--;
      }
    } else await work.store.delete(key);
    await work.done;
  } catch {
    // A browser without room keeps nothing; the text still stands in its field.
  }
}
