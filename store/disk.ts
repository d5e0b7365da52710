import { statfsSync } from "node:fs";

/** Below so many bytes the database is asked to write nothing more: what it notes for itself needs some room, and it stops where it finds none. */
export const LEAST_FREE = 200_000_000;
const LOOK_EVERY_MS = 2000;

let looked = { at: -Infinity, isFull: false };

/**
 * Whether the disk with the database's files is as good as full, as it was at most two seconds ago. BLENDT_DISK names a folder on it; where the
 * database is elsewhere nobody here can tell.
 */
export function isDiskFull(now = performance.now(), statfs: typeof statfsSync = statfsSync): boolean {
  const folder = process.env.BLENDT_DISK;
  if (!folder) return false;
  if (now - looked.at < LOOK_EVERY_MS) return looked.isFull;
  let isFull = false;
  try {
    const { bavail, bsize } = statfs(folder);
    isFull = bavail * bsize < LEAST_FREE;
  } catch {
    // What cannot be looked at is not taken for full.
  }
  looked = { at: now, isFull };
  return isFull;
}
