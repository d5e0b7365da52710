import { openDB, type DBSchema, type IDBPDatabase } from "idb";

/** A photo that was taken at the desk and that the studio does not have yet. */
export interface KeptPhoto {
  /** Of the picture, as the studio will know it: sent twice it is there once. */
  readonly id: string;
  /** Of the event that tells of it. */
  readonly event: string;
  readonly pieceId: string;
  /** When it was taken, ms. */
  readonly at: number;
  readonly picture: Blob;
  readonly name: string;
  readonly note: string;
}

interface Schema extends DBSchema {
  photos: { key: string; value: KeptPhoto; indexes: { piece: string } };
}

let opened: Promise<IDBPDatabase<Schema> | undefined> | undefined;

/** The browser's own store of photos that are not sent; undefined where it has none. */
const store = (): Promise<IDBPDatabase<Schema> | undefined> =>
  (opened ??= openDB<Schema>("blendt-photos", 1, {
    upgrade(db) {
      db.createObjectStore("photos", { keyPath: "id" }).createIndex("piece", "pieceId");
    },
  }).catch(() => undefined));

/** Keeps a photo on this device; false where it has no room for it or no store. */
export async function keepPhoto(photo: KeptPhoto): Promise<boolean> {
  try {
    const db = await store();
    if (!db) return false;
    const tx = db.transaction("photos", "readwrite", { durability: "strict" });
    void tx.store.put(photo);
    await tx.done;
    return true;
  } catch {
    return false;
  }
}

/** Photos of a piece that wait on this device, in the order in which they were taken. */
export async function keptPhotos(pieceId: string): Promise<KeptPhoto[]> {
  const db = await store();
  const found = db ? await db.getAllFromIndex("photos", "piece", pieceId).catch(() => []) : [];
  return found.sort((a, b) => a.at - b.at);
}

/** The studio has it, or will never take it. */
export const dropPhoto = async (id: string): Promise<void> => {
  const db = await store();
  await db?.delete("photos", id).catch(() => undefined);
};
