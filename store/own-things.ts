import { pictures } from "./piece-schema";
import { and, eq, inArray } from "drizzle-orm";
import { LRUCache } from "lru-cache";
import { withStore } from "./database";
import { papers } from "./schema";
import type { Studio } from "./studio";

/** Things found to be a studio's: they stay its own for as long as it is there. */
const MOST_KNOWN = 20_000;
const known = new LRUCache<string, true>({ max: MOST_KNOWN });

/** Which of some papers or pictures are not this studio's, or nobody's. */
export async function notOwn(
  studio: Studio,
  kind: "paper" | "picture",
  ids: readonly string[],
): Promise<ReadonlySet<string>> {
  const open = [...new Set(ids)].filter((id) => !known.has(`${studio.id} ${kind} ${id}`));
  if (!open.length) return new Set();
  const table = kind === "paper" ? papers : pictures;
  const found = await withStore((db) =>
    db
      .select({ id: table.id })
      .from(table)
      .where(and(eq(table.studioId, studio.id), inArray(table.id, open))),
  );
  for (const { id } of found) known.set(`${studio.id} ${kind} ${id}`, true);
  const there = new Set(found.map((f) => f.id));
  return new Set(open.filter((id) => !there.has(id)));
}
