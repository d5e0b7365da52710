import { and, asc, eq, isNull, or, sql } from "drizzle-orm";
import type { Lab } from "@/core/colour/lab";
import type { Illuminant } from "@/core/colour/observer";
import { unlessTaken, withStore } from "./database";
import { papers } from "./schema";
import { inRoom } from "./room";
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
  readonly dryTime: number | null;
  readonly bleed: number | null;
  readonly grain: number | null;
  /** Light under which pictures on it are judged. */
  readonly light: Illuminant;
  readonly finish: string;
  readonly side: string;
  readonly notes: string;
}

const own = (studio: Studio, id: string) => and(eq(papers.studioId, studio.id), eq(papers.id, id));

/** Lab of a stored array. */
export const asLab = (v: readonly number[]): Lab => [v[0]!, v[1]!, v[2]!];

const sheet = (p: typeof papers.$inferSelect): PaperSheet => {
  const { studioId: _, position: __, createdAt: ___, openLearnt: ____, ...facts } = p;
  return { ...facts, lab: asLab(p.lab) };
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

export async function findPaper(studio: Studio, id: string): Promise<PaperSheet | undefined> {
  const [found] = await withStore((db) => db.select().from(papers).where(own(studio, id)));
  return found && sheet(found);
}

type PaperFacts = Omit<PaperSheet, "id">;
/** A new paper: what is not known of it is left out. */
export type NewPaper = Pick<PaperFacts, "name" | "lab" | "capacity"> & Partial<PaperFacts>;

/** Adds a paper at the end; "taken" when another has its name. */
export const addPaper = (studio: Studio, paper: NewPaper): Promise<PaperSheet | "taken"> =>
  unlessTaken(async () => {
    const next = sql<number>`(select coalesce(max(${papers.position}), -1) + 1 from ${papers} where ${papers.studioId} = ${studio.id})`;
    const [added] = await inRoom(studio, papers, "papers", (tx) =>
      tx
        .insert(papers)
        .values({ studioId: studio.id, ...paper, lab: [...paper.lab], position: next })
        .returning(),
    );
    return sheet(added!);
  });

/** Changes a paper; undefined when it is not this studio's, "taken" when another has the name. */
export const changePaper = (
  studio: Studio,
  id: string,
  change: Partial<PaperFacts>,
): Promise<PaperSheet | undefined | "taken"> =>
  unlessTaken(async () => {
    const { lab, ...rest } = change;
    const [changed] = await withStore((db) =>
      db
        .update(papers)
        .set({
          ...rest,
          ...(lab && { lab: [...lab] }),
          ...(rest.openTime !== undefined && { openLearnt: false }),
        })
        .where(own(studio, id))
        .returning(),
    );
    return changed && sheet(changed);
  });

/** Takes how long ink stays open on a paper from the work on it, unless somebody has said how long. */
export const takeOpenTime = (studio: Studio, id: string, openTime: number): Promise<unknown> =>
  withStore((db) =>
    db
      .update(papers)
      .set({ openTime, openLearnt: true })
      .where(and(own(studio, id), or(isNull(papers.openTime), eq(papers.openLearnt, true)))),
  );
