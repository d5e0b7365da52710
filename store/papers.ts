import { and, asc, eq, sql } from "drizzle-orm";
import type { Lab } from "@/core/colour/lab";
import { withStore } from "./database";
import { papers } from "./schema";
import type { Studio } from "./studio";

export interface PaperSheet {
  readonly id: string;
  readonly name: string;
  /** Bare sheet, Lab (D65). */
  readonly lab: Lab;
  /** Coats before it is soaked. */
  readonly capacity: number;
  /** g/m², s, mm, 0–1; null where it is not known. */
  readonly weight: number | null;
  readonly openTime: number | null;
  readonly bleed: number | null;
  readonly grain: number | null;
  readonly finish: string;
  readonly side: string;
  readonly notes: string;
}

/** Lab of a stored array. */
export const asLab = (v: readonly number[]): Lab => [v[0]!, v[1]!, v[2]!];

const sheet = (p: typeof papers.$inferSelect): PaperSheet => {
  const { id, name, lab, capacity, weight, openTime, bleed, grain, finish, side, notes } = p;
  return { id, name, lab: asLab(lab), capacity, weight, openTime, bleed, grain, finish, side, notes };
};

export async function listPapers(studio: Studio): Promise<PaperSheet[]> {
  const rows = await withStore((db) =>
    db
      .select()
      .from(papers)
      .where(eq(papers.studioId, studio.id))
      .orderBy(asc(papers.position), asc(papers.name)),
  );
  return rows.map(sheet);
}

export type NewPaper = Omit<PaperSheet, "id">;

export async function addPaper(studio: Studio, paper: NewPaper): Promise<PaperSheet> {
  const next = sql<number>`(select coalesce(max(${papers.position}), -1) + 1 from ${papers} where ${papers.studioId} = ${studio.id})`;
  const [added] = await withStore((db) =>
    db
      .insert(papers)
      .values({ studioId: studio.id, ...paper, lab: [...paper.lab], position: next })
      .returning(),
  );
  return sheet(added!);
}

/** Changes a paper; undefined when it is not this studio's. */
export async function changePaper(
  studio: Studio,
  id: string,
  change: Partial<NewPaper>,
): Promise<PaperSheet | undefined> {
  const { lab, ...rest } = change;
  const [changed] = await withStore((db) =>
    db
      .update(papers)
      .set({ ...rest, ...(lab && { lab: [...lab] }) })
      .where(and(eq(papers.studioId, studio.id), eq(papers.id, id)))
      .returning(),
  );
  return changed && sheet(changed);
}
