import { and, desc, eq, gte, inArray, like, lt, or, sql, type SQL } from "drizzle-orm";
import { EVENTS_OF, MOST_WORDS, type LogSearchInput } from "@/border/log-search";
import type { LogEvent } from "@/core/log/diary";
import { holding } from "@/core/work/record";
import { patternOf } from "./bench";
import { withStore } from "./database";
import { colourings, pieces, pieceUses, workEvents } from "./piece-schema";
import type { Studio } from "./studio";
import { listUses } from "./uses";
import { asEvent } from "./work-events";

/** Events of one answer. */
export const LOG_PAGE = 300;

/** Something that is planned and was found. */
export interface PlannedUse {
  readonly piece: { readonly id: string; readonly name: string };
  readonly areaId: string;
  readonly area: string;
  readonly codes: readonly string[];
}

export interface LogFound {
  /** Newest first. */
  readonly events: readonly LogEvent[];
  /** Moment before which there is more; null where this is all. */
  readonly before: number | null;
  readonly planned: readonly PlannedUse[];
  /** Pictures of the pieces, as they were last drawn. */
  readonly pictures: readonly {
    readonly pieceId: string;
    readonly name: string;
    readonly width: number;
    readonly height: number;
  }[];
}

const MOST_PLANNED = 60;
/** A word as the beginning of a lexeme; quotes and backslashes are what the query's own language is made of. */
const beginning = (word: string) => `'${word.replace(/\\/g, "").replace(/'/g, "''")}':*`;
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/\s+/)
    .filter((w) => /[\p{L}\p{N}]/u.test(w))
    .slice(0, MOST_WORDS);

/** The area that an event is about, as its piece names it: without what is added for dry media. */
const areaId = sql<string | null>`left(split_part(${workEvents.body} ->> 'area', ' · ', 1), 60)`;

/** Events whose words, piece or area have a word. What is looked up beside them is looked up once. */
const says = (studio: Studio, word: string): SQL =>
  or(
    sql`${workEvents.words} @@ to_tsquery('simple', ${beginning(word)})`,
    sql`${workEvents.pieceId} in (
      select n.id from pieces n where n.studio_id = ${studio.id} and lower(n.name) like ${patternOf(word)})`,
    sql`(${workEvents.pieceId}, ${areaId}) in (
      select u.piece_id, u.area_id from piece_uses u where u.studio_id = ${studio.id} and lower(u.area) like ${patternOf(word)})`,
  )!;

/** Where the next page begins: with what happened at the same moment as the last of this one, unless all of it did. */
const beforeOf = (first: Date, last: Date): number =>
  last.getTime() + (first.getTime() > last.getTime() ? 1 : 0);

/** Events that take one of some codes: those whose words have its parts, which an index tells, and then exactly. */
const takes = (codes: readonly string[]): SQL => {
  const query = sql.join(
    codes.map((c) => sql`plainto_tsquery('simple', ${c})`),
    sql` || `,
  );
  return and(
    // A code without letter or digit has no words.
    codes.every((c) => /[\p{L}\p{N}]/u.test(c)) ? sql`${workEvents.words} @@ (${query})` : undefined,
    or(
      inArray(sql`${workEvents.body} ->> 'code'`, [...codes]),
      inArray(sql`${workEvents.body} ->> 'by'`, [...codes]),
      sql`${workEvents.body} -> 'codes' ?| ${sql.param(codes)}::text[]`,
      sql`jsonb_path_exists(${workEvents.body}, '$.tones[*].code ? (@ == $c[*])', jsonb_build_object('c', ${JSON.stringify(codes)}::jsonb))`,
    ),
  )!;
};

/** What was done and what is planned, of all pieces of a studio: everything that was asked for holds of each. */
export async function searchLog(studio: Studio, wish: LogSearchInput): Promise<LogFound> {
  await listUses(studio);
  const words = wordsOf(wish.words);
  return withStore(async (db) => {
    const rows = await db
      .select({
        id: workEvents.id,
        kind: workEvents.kind,
        at: workEvents.at,
        undoes: workEvents.undoes,
        pictureId: workEvents.pictureId,
        body: workEvents.body,
        pieceId: workEvents.pieceId,
        name: pieces.name,
        areaId,
      })
      .from(workEvents)
      .innerJoin(pieces, eq(pieces.id, workEvents.pieceId))
      .where(
        and(
          eq(workEvents.studioId, studio.id),
          sql`${workEvents.kind} not in ('begun', 'paused', 'skipped', 'undone')`,
          wish.kind && inArray(workEvents.kind, [...EVENTS_OF[wish.kind]]),
          wish.piece ? eq(workEvents.pieceId, wish.piece) : undefined,
          wish.from === undefined ? undefined : gte(workEvents.at, new Date(wish.from)),
          wish.until === undefined ? undefined : lt(workEvents.at, new Date(wish.until)),
          wish.codes.length ? takes(wish.codes) : undefined,
          ...words.map((w) => says(studio, w)),
        ),
      )
      .orderBy(desc(workEvents.at), desc(workEvents.id))
      .limit(LOG_PAGE + 1);
    const shown = rows.slice(0, LOG_PAGE);
    // What was taken back is no part of a diary, whenever that was.
    const taken = shown.length
      ? await db
          .select()
          .from(workEvents)
          .where(
            and(
              eq(workEvents.studioId, studio.id),
              eq(workEvents.kind, "undone"),
              inArray(workEvents.pieceId, [...new Set(shown.map((r) => r.pieceId))]),
            ),
          )
      : [];
    const ids = [...new Set(shown.map((r) => r.pieceId))];
    const named = ids.length
      ? await db
          .selectDistinct({ pieceId: pieceUses.pieceId, areaId: pieceUses.areaId, area: pieceUses.area })
          .from(pieceUses)
          .where(and(eq(pieceUses.studioId, studio.id), inArray(pieceUses.pieceId, ids)))
      : [];
    const names = new Map(named.map((n) => [`${n.pieceId} ${n.areaId}`, n.area]));
    const events = shown.map((r) => ({
      event: asEvent(r),
      piece: { id: r.pieceId, name: r.name ?? "" },
      // An area that is in no plan any more has no name.
      area: (r.areaId && names.get(`${r.pieceId} ${r.areaId}`)) ?? "",
    }));
    const hold = new Set(holding([...events.map((e) => e.event), ...taken.map(asEvent)]).map((e) => e.id));
    const isSearch = words.length > 0 || wish.codes.length > 0;
    const planned =
      isSearch && !wish.kind && wish.from === undefined && wish.until === undefined
        ? await db
            .select({
              pieceId: pieceUses.pieceId,
              name: pieces.name,
              areaId: pieceUses.areaId,
              area: pieceUses.area,
              codes: sql<string[]>`array_agg(distinct ${pieceUses.code})`,
              changedAt: sql`max(${pieces.changedAt})`,
            })
            .from(pieceUses)
            .innerJoin(pieces, eq(pieces.id, pieceUses.pieceId))
            .where(
              and(
                eq(pieceUses.studioId, studio.id),
                wish.piece ? eq(pieceUses.pieceId, wish.piece) : undefined,
                wish.codes.length ? usedWith(studio, inArray(sql`v.code`, [...wish.codes])) : undefined,
                ...words.map((w) =>
                  or(
                    usedWith(studio, like(sql`lower(v.code)`, patternOf(w).slice(1))),
                    like(sql`lower(${pieceUses.area})`, patternOf(w)),
                    like(sql`lower(${pieces.name})`, patternOf(w)),
                  ),
                ),
              ),
            )
            .groupBy(pieceUses.pieceId, pieces.name, pieceUses.areaId, pieceUses.area)
            .orderBy(desc(sql`max(${pieces.changedAt})`), pieceUses.area)
            .limit(MOST_PLANNED)
        : [];
    const pictures = ids.length
      ? await db
          .select({
            pieceId: colourings.pieceId,
            name: colourings.name,
            width: colourings.width,
            height: colourings.height,
          })
          .from(colourings)
          .where(and(eq(colourings.studioId, studio.id), inArray(colourings.pieceId, ids)))
      : [];
    return {
      pictures,
      events: events.filter((e) => hold.has(e.event.id)),
      before: rows.length > LOG_PAGE ? beforeOf(shown[0]!.at, shown.at(-1)!.at) : null,
      planned: planned.map(({ pieceId, name, areaId, area, codes }) => ({
        piece: { id: pieceId, name: name ?? "" },
        areaId,
        area,
        codes,
      })),
    };
  });
}

/** Whether the same area of the same piece has a use that holds. */
const usedWith = (studio: Studio, holds: SQL): SQL =>
  sql`(${pieceUses.pieceId}, ${pieceUses.areaId}) in (
    select v.piece_id, v.area_id from piece_uses v where v.studio_id = ${studio.id} and ${holds})`;
