import { and, asc, eq, sql } from "drizzle-orm";
import type { Material } from "@/core/group/material";
import type { School } from "@/core/group/school";
import type { KeptTone } from "@/core/piece/piece";
import { lockStudio, StudioFull, unlessTaken, withStore } from "./database";
import { keptGroups, type GroupResult } from "./schema";
import { MOST } from "@/border/room";
import type { Studio } from "./studio";

/** What is written down about a kept blend group. */
export interface GroupFacts {
  readonly name: string;
  readonly tags: readonly string[];
  /** Light to dark. */
  readonly tones: readonly KeptTone[];
  readonly material: Material;
  readonly school: School | null;
  readonly underlay: KeptTone | null;
  readonly results: readonly GroupResult[];
  readonly notes: string;
}

export interface LibraryGroup extends GroupFacts {
  readonly id: string;
}

const columns = {
  id: keptGroups.id,
  name: keptGroups.name,
  tags: keptGroups.tags,
  tones: keptGroups.tones,
  material: keptGroups.material,
  school: keptGroups.school,
  underlay: keptGroups.underlay,
  results: keptGroups.results,
  notes: keptGroups.notes,
};
const own = (studio: Studio, id: string) => and(eq(keptGroups.studioId, studio.id), eq(keptGroups.id, id));

/** All kept groups, in the order in which they were kept. */
export const listGroups = (studio: Studio): Promise<LibraryGroup[]> =>
  withStore((db) =>
    db
      .select(columns)
      .from(keptGroups)
      .where(eq(keptGroups.studioId, studio.id))
      .orderBy(asc(keptGroups.createdAt), asc(keptGroups.name)),
  );

/** Keeps groups; one of a name that is there already is replaced, so that a file that comes in again doubles none. */
export const keepGroups = (
  studio: Studio,
  groups: readonly GroupFacts[],
): Promise<{ readonly added: number; readonly replaced: number }> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      await lockStudio(tx, studio.id);
      const there = new Set(
        (
          await tx
            .select({ name: keptGroups.name })
            .from(keptGroups)
            .where(eq(keptGroups.studioId, studio.id))
        ).map((g) => g.name),
      );
      const more = new Set(groups.map((g) => g.name).filter((n) => !there.has(n))).size;
      if (there.size + more > MOST.groups) throw new StudioFull(MOST.groups, "groups");
      for (const g of groups) {
        const row = { ...g, tags: [...g.tags] };
        await tx
          .insert(keptGroups)
          .values({ studioId: studio.id, ...row, createdAt: sql`clock_timestamp()` })
          .onConflictDoUpdate({ target: [keptGroups.studioId, keptGroups.name], set: row });
      }
      const names = new Set(groups.map((g) => g.name));
      const replaced = [...names].filter((n) => there.has(n)).length;
      return { added: names.size - replaced, replaced };
    }),
  );

/** Changes a kept group; undefined when it is not this studio's, "taken" when another has the name. */
export async function changeGroup(
  studio: Studio,
  id: string,
  change: Partial<GroupFacts>,
): Promise<LibraryGroup | undefined | "taken"> {
  const { tags, ...rest } = change;
  return unlessTaken(async () => {
    const [changed] = await withStore((db) =>
      db
        .update(keptGroups)
        .set({ ...rest, ...(tags && { tags: [...tags] }) })
        .where(own(studio, id))
        .returning(columns),
    );
    return changed;
  });
}

export const dropGroup = (studio: Studio, id: string): Promise<boolean> =>
  withStore(
    async (db) =>
      (await db.delete(keptGroups).where(own(studio, id)).returning({ id: keptGroups.id })).length > 0,
  );
