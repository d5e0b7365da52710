import { and, desc, eq, notInArray } from "drizzle-orm";
import type { DeskFit } from "@/core/ink/desk-fit";
import { withStore } from "./database";
import { deskFits } from "./schema";
import type { Studio } from "./studio";

/** Fits that a studio keeps, some 4 kB each: of its papers, and of how its readings were a while ago. */
const MOST = 40;

/** What was fitted to a desk, by the name of the build and of the desk. */
export async function findFit(studio: Studio, name: string): Promise<DeskFit | undefined> {
  const [found] = await withStore((db) =>
    db
      .select({ fit: deskFits.fit })
      .from(deskFits)
      .where(and(eq(deskFits.studioId, studio.id), eq(deskFits.name, name))),
  );
  return found?.fit;
}

/** Keeps what was fitted; what is there already is the same, but may be without the pencils. */
export async function keepFit(studio: Studio, name: string, fit: DeskFit): Promise<void> {
  await withStore(async (db) => {
    const row = { studioId: studio.id, name, fit };
    const kept = db.insert(deskFits).values(row);
    await (fit.pencils
      ? kept.onConflictDoUpdate({ target: [deskFits.studioId, deskFits.name], set: { fit } })
      : kept.onConflictDoNothing());
    const latest = db
      .select({ name: deskFits.name })
      .from(deskFits)
      .where(eq(deskFits.studioId, studio.id))
      .orderBy(desc(deskFits.createdAt))
      .limit(MOST);
    await db.delete(deskFits).where(and(eq(deskFits.studioId, studio.id), notInArray(deskFits.name, latest)));
  });
}
