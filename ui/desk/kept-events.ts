import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { WorkEvent } from "@/core/work/record";

/** An event as this device keeps it. */
interface Kept {
  readonly id: string;
  readonly pieceId: string;
  readonly event: WorkEvent;
  /** Whether the studio has it. */
  readonly sent: boolean;
}

interface Schema extends DBSchema {
  events: { key: [string, string]; value: Kept; indexes: { piece: string } };
}

let opened: Promise<IDBPDatabase<Schema> | undefined> | undefined;

/** The browser's own store of what was done at the desk; undefined where it has none. A newer Blendt opens the same one and keeps all that is in it. */
const store = (): Promise<IDBPDatabase<Schema> | undefined> =>
  (opened ??= openDB<Schema>("blendt-work", 1, {
    upgrade(db) {
      db.createObjectStore("events", { keyPath: ["pieceId", "id"] }).createIndex("piece", "pieceId");
    },
  }).catch(() => undefined));

/** On the disk when it is done: a browser that is killed then has it. */
const STRICT = { durability: "strict" } as const;

async function put(rows: readonly Kept[]): Promise<boolean> {
  const db = await store();
  if (!db) return false;
  const tx = db.transaction("events", "readwrite", STRICT);
  for (const row of rows) void tx.store.put(row);
  await tx.done;
  return true;
}

/** Keeps events on this device; false where it has no room for them or no store. */
export const keepEvents = (pieceId: string, events: readonly WorkEvent[], sent: boolean): Promise<boolean> =>
  put(events.map((event) => ({ id: event.id, pieceId, event, sent }))).catch(() => false);

/** What this device knows of a piece, and what of that the studio has not answered for. */
export async function keptEvents(
  pieceId: string,
): Promise<{ readonly all: WorkEvent[]; readonly unsent: WorkEvent[] }> {
  const db = await store();
  const rows = db ? await db.getAllFromIndex("events", "piece", pieceId).catch(() => []) : [];
  return { all: rows.map((r) => r.event), unsent: rows.filter((r) => !r.sent).map((r) => r.event) };
}
