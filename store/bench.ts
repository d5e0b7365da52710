import { colourings, pieces } from "./piece-schema";
import { and, asc, count, desc, eq, exists, gt, ilike, isNotNull, isNull, sql, type SQL } from "drizzle-orm";
import type { BenchFilter, BenchOrder } from "@/border/bench";
import { withStore } from "./database";
import { papers, shares } from "./schema";
import type { Studio } from "./studio";
import { listUses } from "./uses";

/** A piece as the bench lists it: nothing of its document is read. */
export interface BenchPiece {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly paperId: string | null;
  /** The picture that it is coloured after, else its line. */
  readonly stillId: string | null;
  readonly areas: number;
  readonly planned: number;
  readonly done: boolean;
  readonly archived: boolean;
  readonly shared: boolean;
  readonly changedAt: Date;
  /** Its last colouring, if one was drawn. */
  readonly colouring: { readonly width: number; readonly height: number; readonly name: string } | null;
}

export interface BenchAsked {
  readonly words: string;
  readonly order: BenchOrder;
  readonly filter: BenchFilter;
  /** Pieces before the first that is told, and how many are told. */
  readonly from: number;
  readonly most: number;
}

const ORDERS: Readonly<Record<BenchOrder, readonly SQL[]>> = {
  changed: [desc(pieces.changedAt)],
  name: [asc(sql`lower(${pieces.name})`), desc(pieces.changedAt)],
  paper: [asc(sql`lower(${papers.name})`), desc(pieces.changedAt)],
};

const isShared = sql<boolean>`exists (select 1 from ${shares} where ${shares.pieceId} = ${pieces.id})`;

const FILTERS: Readonly<Record<BenchFilter, SQL | undefined>> = {
  all: isNull(pieces.archivedAt),
  "to plan": and(isNull(pieces.archivedAt), sql`${pieces.planned} < greatest(${pieces.areas}, 1)`),
  planned: and(isNull(pieces.archivedAt), gt(pieces.areas, 0), eq(pieces.planned, pieces.areas)),
  done: isNotNull(pieces.doneAt),
  shared: exists(sql`(select 1 from ${shares} where ${shares.pieceId} = ${pieces.id})`),
  archived: isNotNull(pieces.archivedAt),
};

/** The words of a search as a pattern in which nothing else has a meaning. */
export const patternOf = (word: string) => `%${word.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`;

/** Pieces of the bench, so many at a time, and how many there are in all. */
export async function benchOf(
  studio: Studio,
  { words, order, filter, from, most }: BenchAsked,
): Promise<{ readonly pieces: BenchPiece[]; readonly found: number; readonly all: number }> {
  await listUses(studio);
  const here = eq(pieces.studioId, studio.id);
  const asked = and(
    here,
    FILTERS[filter],
    ...words
      .split(/\s+/)
      .filter(Boolean)
      .map((w) => ilike(pieces.name, patternOf(w))),
  );
  return withStore(async (db) => {
    const rows = await db
      .select({
        id: pieces.id,
        name: pieces.name,
        revision: pieces.revision,
        paperId: pieces.paperId,
        stillId: pieces.stillId,
        areas: pieces.areas,
        planned: pieces.planned,
        doneAt: pieces.doneAt,
        archivedAt: pieces.archivedAt,
        changedAt: pieces.changedAt,
        shared: isShared,
        width: colourings.width,
        height: colourings.height,
        colouring: colourings.name,
      })
      .from(pieces)
      .leftJoin(papers, and(eq(sql`${papers.id}::text`, pieces.paperId), eq(papers.studioId, studio.id)))
      .leftJoin(colourings, eq(colourings.pieceId, pieces.id))
      .where(asked)
      .orderBy(...ORDERS[order], asc(pieces.id))
      .offset(from)
      .limit(most);
    const [counted] = await db.select({ n: count() }).from(pieces).where(asked);
    const all = await db.$count(pieces, here);
    return {
      pieces: rows.map(({ width, height, colouring, doneAt, archivedAt, name, ...r }) => ({
        ...r,
        name: name ?? "",
        done: doneAt !== null,
        archived: archivedAt !== null,
        colouring: width && height && colouring ? { width, height, name: colouring } : null,
      })),
      found: counted?.n ?? 0,
      all,
    };
  });
}
