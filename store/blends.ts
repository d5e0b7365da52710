import { and, desc, eq } from "drizzle-orm";
import type { Meeting } from "@/core/chart/layout";
import type { Profile } from "@/core/chart/profile";
import { inPieces, withStore, type Db } from "./database";
import { blends } from "./schema";
import type { Studio } from "./studio";

/** A long cell as it was read on a paper: what was laid over all of it, what over its right half, and the colours along it. */
export interface Blend {
  readonly how: Meeting;
  readonly stack: readonly string[];
  readonly over: readonly string[];
  readonly profile: Profile;
}

export interface StoredBlend extends Blend {
  readonly id: string;
  readonly excluded: boolean;
  readonly readAt: Date;
}

/** Every long cell that was read on a paper, newest first, superseded and excluded ones too. */
export const blendsOn = (studio: Studio, paperId: string): Promise<StoredBlend[]> =>
  withStore((db) =>
    db
      .select({
        id: blends.id,
        how: blends.how,
        stack: blends.stack,
        over: blends.over,
        profile: blends.profile,
        excluded: blends.excluded,
        readAt: blends.readAt,
      })
      .from(blends)
      .where(and(eq(blends.studioId, studio.id), eq(blends.paperId, paperId)))
      .orderBy(desc(blends.readAt), blends.stack, blends.how),
  );

/** Long cells that a desk takes; what is older than so many says little. */
const MOST_CURRENT = 200;

/** The newest of every meeting that nobody excluded. */
export function currentBlends(all: readonly StoredBlend[]): StoredBlend[] {
  const known = new Set<string>();
  return all
    .filter(({ how, stack, over, excluded }) => {
      const key = JSON.stringify([how, stack, over]);
      return !excluded && !known.has(key) && known.add(key);
    })
    .slice(0, MOST_CURRENT);
}

/** Adds long cells as they were read. */
export async function addBlends(
  db: Db,
  studio: Studio,
  paperId: string,
  added: readonly Blend[],
  scanId: string | null = null,
): Promise<void> {
  for (const some of inPieces(added))
    await db.insert(blends).values(
      some.map(({ how, stack, over, profile }) => ({
        studioId: studio.id,
        paperId,
        how,
        stack: [...stack],
        over: [...over],
        profile,
        scanId,
      })),
    );
}

/** Leaves a long cell out, or takes it in again; false when it is not this studio's. */
export const excludeBlend = (studio: Studio, id: string, excluded: boolean): Promise<boolean> =>
  withStore(
    async (db) =>
      (
        await db
          .update(blends)
          .set({ excluded })
          .where(and(eq(blends.studioId, studio.id), eq(blends.id, id)))
          .returning({ id: blends.id })
      ).length > 0,
  );
