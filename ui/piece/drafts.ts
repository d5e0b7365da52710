import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { Piece } from "@/core/piece/piece";
import { upgradePiece } from "@/core/piece/upgrade";

/** Changes of one tab that the studio has not answered for yet. */
export interface Draft {
  readonly pieceId: string;
  /** Which tab made them. */
  readonly tab: string;
  /** When the last of them was made, ms. */
  readonly at: number;
  /** The stored revision that they were made to. */
  readonly revision: number;
  /** Saves whose answers may have been lost: the studio may have any of them. */
  readonly saves: readonly string[];
  readonly document: Piece;
}

/** As it is kept: the document as JSON, as it is sent. */
type Kept = Omit<Draft, "document"> & { readonly json: string };

interface Schema extends DBSchema {
  drafts: { key: [string, string]; value: Kept; indexes: { piece: string } };
}

let opened: Promise<IDBPDatabase<Schema> | undefined> | undefined;

/** The browser's own store; undefined where it has none, and what is saved goes to the server only. */
const store = (): Promise<IDBPDatabase<Schema> | undefined> =>
  (opened ??= openDB<Schema>("blendt", 1, {
    upgrade(db) {
      db.createObjectStore("drafts", { keyPath: ["pieceId", "tab"] }).createIndex("piece", "pieceId");
    },
  }).catch(() => undefined));

/** On the disk when it is done: a browser that is killed then has it. */
const STRICT = { durability: "strict" } as const;

const TAB_KEY = "blendt-tab";
const lockOf = (tab: string) => `blendt-tab-${tab}`;

/** Holds a tab's name for as long as the tab lives; false when another tab has it, as one that was duplicated. */
const holds = (tab: string): Promise<boolean> =>
  new Promise((resolve) => {
    void navigator.locks.request(lockOf(tab), { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise(() => undefined) : undefined;
    });
  });

let named: Promise<string> | undefined;

/** The name of this tab; it outlives reloading. */
export const thisTab = (): Promise<string> =>
  (named ??= (async () => {
    const before = sessionStorage.getItem(TAB_KEY);
    const tab = before && (await holds(before)) ? before : crypto.randomUUID();
    if (tab !== before) await holds(tab);
    sessionStorage.setItem(TAB_KEY, tab);
    return tab;
  })());

/** Tabs that are open now. */
async function living(): Promise<ReadonlySet<string>> {
  const { held } = await navigator.locks.query();
  return new Set((held ?? []).map((l) => l.name ?? ""));
}

/** Drafts of a piece: this tab's own from before it was reloaded, and those of tabs that are gone. */
export async function draftsOf(pieceId: string): Promise<{ own: Draft | undefined; left: Draft[] }> {
  const db = await store();
  if (!db) return { own: undefined, left: [] };
  const [tab, alive, all] = await Promise.all([
    thisTab(),
    living(),
    db.getAllFromIndex("drafts", "piece", pieceId),
  ]);
  const present = all.map(({ json, ...d }): Draft => ({
    ...d,
    document: upgradePiece(JSON.parse(json)) as Piece,
  }));
  return {
    own: present.find((d) => d.tab === tab),
    left: present.filter((d) => d.tab !== tab && !alive.has(lockOf(d.tab))).sort((a, b) => b.at - a.at),
  };
}

export async function dropDraft({ pieceId, tab }: Pick<Draft, "pieceId" | "tab">): Promise<void> {
  const db = await store();
  const tx = db?.transaction("drafts", "readwrite", STRICT);
  await tx?.store.delete([pieceId, tab]);
  await tx?.done;
}

/**
 * Keeps this tab's draft of a piece: each change is written at once, the newest alone when the disk is slower than the hand.
 * @returns takes the draft as it is now, or undefined when the studio has everything
 */
export function draftKeeper(
  pieceId: string,
): (draft: Omit<Draft, "pieceId" | "tab" | "at"> | undefined) => void {
  let wanted: { readonly draft: Omit<Draft, "pieceId" | "tab" | "at"> | undefined } | undefined;
  let busy = false;
  const pump = async () => {
    busy = true;
    while (wanted) {
      const { draft } = wanted;
      wanted = undefined;
      const tab = await thisTab();
      if (!draft) await dropDraft({ pieceId, tab });
      else {
        const tx = (await store())?.transaction("drafts", "readwrite", STRICT);
        const { document, ...rest } = draft;
        await tx?.store.put({ ...rest, json: JSON.stringify(document), pieceId, tab, at: Date.now() });
        await tx?.done;
      }
    }
  };
  return (draft) => {
    wanted = { draft };
    // A browser without room still saves to the server.
    if (!busy)
      void pump()
        .catch(() => undefined)
        .finally(() => (busy = false));
  };
}
