import { pieces, pieceUses, type PickedOf } from "./piece-schema";
import { and, asc, eq, inArray, ne, sql } from "drizzle-orm";
import type { Lab } from "@/core/colour/lab";
import type { Piece } from "@/core/piece/piece";
import { tonesOf } from "@/core/piece/piece";
import { upgradePiece } from "@/core/piece/upgrade";
import { usesByCode, type Use } from "@/core/stock/losses";
import type { GroupUse } from "@/core/group/library";
import { DiskFull, inPieces, withStore } from "./database";
import type { Studio } from "./studio";

/** Documents that are held at a time while uses are worked out, and bytes of them as the database keeps them. */
const AT_ONCE = 24;
const BYTES_AT_ONCE = 1_500_000;

/**
 * Sees to it that what lists and the rack say of pieces speaks of their present revisions: documents that were saved since are read once, by
 * the same code that says it everywhere. Whatever way a piece came in (saved, copied, restored), it is found here. Where there is no room to note
 * it, lists say what they said last.
 */
export async function listUses(studio: Studio): Promise<void> {
  const some = () =>
    listSome(studio).catch((e: unknown) => {
      if (e instanceof DiskFull) return 0;
      throw e;
    });
  while (await some());
}

/** Lists some pieces, and says how many. Whoever lists the same at the same time waits, and finds them listed. */
const listSome = (studio: Studio): Promise<number> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      const found = await tx
        .select({ id: pieces.id, bytes: sql<number>`pg_column_size(${pieces.document})` })
        .from(pieces)
        .where(and(eq(pieces.studioId, studio.id), ne(pieces.listed, pieces.revision)))
        .orderBy(pieces.id)
        .limit(AT_ONCE)
        .for("update");
      if (!found.length) return 0;
      let bytes = 0;
      const now = found.filter((p, i) => (bytes += p.bytes) <= BYTES_AT_ONCE || i === 0);
      const stale = await tx
        .select({ id: pieces.id, revision: pieces.revision, document: pieces.document })
        .from(pieces)
        .where(
          inArray(
            pieces.id,
            now.map((p) => p.id),
          ),
        );
      const present = stale.map((p) => ({ ...p, document: upgradePiece(p.document) as Piece }));
      const said = present.map(({ id, revision, document: { areas } }) => ({
        id,
        revision,
        areas: areas.length,
        planned: areas.filter((a) => tonesOf(a).length).length,
        picked: areas.flatMap((a): PickedOf[] => {
          const labs = Object.values(a.readings).flatMap((r: { lab?: Lab } | null) =>
            r?.lab ? [r.lab] : [],
          );
          return labs.length ? [{ area: a.name, labs }] : [];
        }),
      }));
      await tx.execute(sql`
        update ${pieces} p set listed = s.revision, areas = s.areas, planned = s.planned, picked = s.picked
        from jsonb_to_recordset(${JSON.stringify(said)}::jsonb) as s(id uuid, revision int, areas int, planned int, picked jsonb)
        where p.id = s.id`);
      await tx.delete(pieceUses).where(
        inArray(
          pieceUses.pieceId,
          present.map((p) => p.id),
        ),
      );
      const uses = [...usesByCode(present)].flatMap(([code, own]) =>
        own.map(({ pieceId, area, areaId, medium, coats }) => ({
          studioId: studio.id,
          pieceId,
          code,
          area,
          areaId,
          medium,
          coats,
        })),
      );
      for (const rows of inPieces(uses)) await tx.insert(pieceUses).values([...rows]);
      return stale.length;
    }),
  );

/** Uses of one code that are told. */
const MOST_USES = 400;

/** Layers of all pieces that use a code, by the names of the pieces. */
export async function usesOfCode(studio: Studio, code: string): Promise<Use[]> {
  await listUses(studio);
  const rows = await withStore((db) =>
    db
      .select({
        piece: pieces.name,
        pieceId: pieceUses.pieceId,
        area: pieceUses.area,
        areaId: pieceUses.areaId,
        medium: pieceUses.medium,
        coats: pieceUses.coats,
      })
      .from(pieceUses)
      .innerJoin(pieces, eq(pieces.id, pieceUses.pieceId))
      .where(and(eq(pieceUses.studioId, studio.id), eq(pieceUses.code, code)))
      .orderBy(asc(pieces.name))
      .limit(MOST_USES),
  );
  return rows.map((r) => ({ ...r, piece: r.piece ?? "", medium: r.medium as Use["medium"] }));
}

/** Share of a group's inks from which an area is said to use it, and the areas that are told of each. */
const USES = 0.6;
const MOST_TOLD = 12;
/** Pieces in which such areas are looked for: those changed last. */
const MOST_PIECES = 200;

/** Areas whose kept layers share most inks with each of some groups, by the group's id. */
export async function usesOfGroups(
  studio: Studio,
  groups: readonly { readonly id: string; readonly tones: readonly { readonly code: string }[] }[],
): Promise<Record<string, GroupUse[]>> {
  const out: Record<string, GroupUse[]> = Object.fromEntries(groups.map((g) => [g.id, []]));
  if (!groups.length) return out;
  await listUses(studio);
  const asked = JSON.stringify(
    groups.map(({ id, tones }) => ({ id, codes: tones.map((t) => t.code), n: tones.length })),
  );
  const found = await withStore((db) =>
    db.execute<{
      id: string;
      pieceid: string;
      areaid: string;
      area: string;
      piece: string;
      share: number;
    }>(sql`
      with asked as (
        select g.id, c.code, g.n
        from jsonb_to_recordset(${asked}::jsonb) as g(id text, codes jsonb, n int),
          lateral jsonb_array_elements_text(g.codes) as c(code)
      ), recent as (
        select id from ${pieces} where studio_id = ${studio.id} order by changed_at desc limit ${MOST_PIECES}
      ), shared as (
        select a.id, u.piece_id, u.area_id, min(u.area) as area, count(distinct a.code)::float / min(a.n) as share
        from recent r join ${pieceUses} u on u.piece_id = r.id and u.area_id <> '' join asked a on u.code = a.code
        group by a.id, u.piece_id, u.area_id
      ), told as (
        select s.*, p.name as piece, row_number() over (partition by s.id order by s.share desc, p.changed_at desc) as place
        from shared s join ${pieces} p on p.id = s.piece_id
        where s.share >= ${USES}
      )
      select id, piece_id as pieceid, area_id as areaid, area, piece, share from told
      where place <= ${MOST_TOLD} order by id, place`),
  );
  for (const r of found.rows)
    out[r.id]!.push({ piece: r.piece, pieceId: r.pieceid, area: r.area, areaId: r.areaid, share: r.share });
  return out;
}
