import { LRUCache } from "lru-cache";
import { rackOn, type Rack } from "./rack";
import type { Entered } from "./studio";

/** Racks that are kept in memory, of all studios; one of 320 markers has about 0.2 MB. */
const MOST_RACKS = 60;

interface Kept {
  readonly rack: Rack;
  /** As it is sent. */
  readonly json: string;
}

const kept = new LRUCache<string, Promise<Kept | undefined>>({ max: MOST_RACKS });

/** Everything on the rack with its swatches on a paper, read once for each version of the studio's readings. */
export function rackAt(studio: Entered, paperId: string): Promise<Kept | undefined> {
  const key = `${studio.id} ${paperId} ${studio.rackVersion}`;
  const there = kept.get(key);
  if (there) return there;
  const read = rackOn(studio, paperId).then((rack) => rack && { rack, json: JSON.stringify(rack) });
  kept.set(key, read);
  read.then(
    (found) => found ?? kept.delete(key),
    () => kept.delete(key),
  );
  return read;
}
