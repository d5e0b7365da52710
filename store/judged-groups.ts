import { and, desc, eq, inArray, notInArray } from "drizzle-orm";
import { withStore } from "./database";
import { judgedGroups } from "./schema";
import type { Studio } from "./studio";

/** Answers that a studio keeps, about 4 kB each; the oldest go first. */
const MOST = 2000;

/** What was worked out of kept groups, by the names of what was asked. */
export async function findJudged(studio: Studio, names: readonly string[]): Promise<Map<string, object>> {
  if (!names.length) return new Map();
  const rows = await withStore((db) =>
    db
      .select({ name: judgedGroups.name, group: judgedGroups.group })
      .from(judgedGroups)
      .where(and(eq(judgedGroups.studioId, studio.id), inArray(judgedGroups.name, [...names]))),
  );
  return new Map(rows.map((r) => [r.name, r.group]));
}

/** Keeps what was worked out; what is there already is the same. */
export async function keepJudged(studio: Studio, groups: ReadonlyMap<string, object>): Promise<void> {
  if (!groups.size) return;
  await withStore(async (db) => {
    await db
      .insert(judgedGroups)
      .values([...groups].map(([name, group]) => ({ studioId: studio.id, name, group })))
      .onConflictDoNothing();
    const latest = db
      .select({ name: judgedGroups.name })
      .from(judgedGroups)
      .where(eq(judgedGroups.studioId, studio.id))
      .orderBy(desc(judgedGroups.createdAt))
      .limit(MOST);
    await db
      .delete(judgedGroups)
      .where(and(eq(judgedGroups.studioId, studio.id), notInArray(judgedGroups.name, latest)));
  });
}
