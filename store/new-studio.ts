import { isOwnPace, studios } from "./studio-schema";
import type { PgTable } from "drizzle-orm/pg-core";
import { inPieces } from "./database";
import { besideStudios, MOST_STUDIOS, ownedBy, type Studio, type StudioFacts } from "./studio";
import type { Visitor } from "./people";

/** Puts rows into a studio that is being made. */
export type TakeIn = <T extends PgTable>(
  table: T,
  rows: readonly Omit<T["$inferInsert"], "studioId">[],
) => Promise<void>;

/**
 * Makes a studio with all that comes into it, or none of it: what goes wrong on the way leaves nothing behind.
 * @returns undefined when its owner has as many studios as there may be
 */
export const studioOf = (
  visitor: Visitor,
  facts: Pick<StudioFacts, "name"> & Partial<StudioFacts>,
  fill: (take: TakeIn) => Promise<void>,
): Promise<Studio | undefined> =>
  besideStudios(visitor, async (tx, all) => {
    if (all.length >= MOST_STUDIOS) return undefined;
    const [studio] = await tx
      .insert(studios)
      .values({ ...facts, paceSet: isOwnPace(facts) })
      .returning({ id: studios.id, name: studios.name });
    await ownedBy(tx, visitor, studio!.id);
    await fill(async (table, rows) => {
      for (const some of inPieces(rows))
        await tx.insert(table).values(some.map((r) => ({ ...r, studioId: studio!.id })) as never);
    });
    return studio!;
  });
