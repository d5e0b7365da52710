import { studios } from "./studio-schema";
import { pictures, pieces } from "./piece-schema";
import { and, eq, getTableColumns, sql, type SQL } from "drizzle-orm";
import type { PgColumn, PgTable } from "drizzle-orm/pg-core";
import type { Piece } from "@/core/piece/piece";
import { withStore, type Tx } from "./database";
import { CONTENT } from "./content";
import { keptGroups, papers } from "./schema";
import { besideStudios, DEMO_STUDIO, MOST_STUDIOS, ownedBy, type Studio } from "./studio";
import type { Visitor } from "./people";

/** Id of a copy: the same for every mention of the same thing in the same studio. */
const copied = (column: PgColumn | SQL, to: string): SQL => sql`md5(${column}::text || ${to})::uuid`;

async function copyRows(tx: Tx, table: PgTable, from: string, to: string): Promise<void> {
  const columns = Object.values(getTableColumns(table)).filter((c) => !c.generated);
  const names = sql.join(
    columns.map((c) => sql.identifier(c.name)),
    sql`, `,
  );
  const values = sql.join(
    columns.map((c) => {
      if (c.name === "studio_id") return sql`${to}::uuid`;
      // Every other id is that of a row of the same studio.
      return c.getSQLType() === "uuid" ? copied(c, to) : sql`${c}`;
    }),
    sql`, `,
  );
  await tx.execute(
    sql`insert into ${table} (${names}) select ${values} from ${table} where ${sql.identifier("studio_id")} = ${from}`,
  );
}

/** Ids within documents, exchanged wherever they stand. */
function exchanged<T>(document: T, ids: ReadonlyMap<string, string>): T {
  if (typeof document === "string") return (ids.get(document) ?? document) as T;
  if (Array.isArray(document)) return document.map((d: unknown) => exchanged(d, ids)) as T;
  if (typeof document !== "object" || document === null) return document;
  return Object.fromEntries(Object.entries(document).map(([k, v]) => [k, exchanged<unknown>(v, ids)])) as T;
}

async function copyContent(tx: Tx, from: string, to: string): Promise<void> {
  for (const table of CONTENT) await copyRows(tx, table, from, to);
  const ids = new Map<string, string>();
  for (const table of [papers, pictures]) {
    const rows = await tx
      .select({ id: table.id, copy: sql<string>`${copied(table.id, to)}::text` })
      .from(table)
      .where(eq(table.studioId, from));
    for (const { id, copy } of rows) ids.set(id, copy);
  }
  for (const { id, document } of await tx
    .select({ id: pieces.id, document: pieces.document })
    .from(pieces)
    .where(eq(pieces.studioId, to)))
    await tx
      .update(pieces)
      .set({ document: exchanged<Piece>(document, ids) })
      .where(eq(pieces.id, id));
  for (const { id, results } of await tx
    .select({ id: keptGroups.id, results: keptGroups.results })
    .from(keptGroups)
    .where(eq(keptGroups.studioId, to)))
    await tx
      .update(keptGroups)
      .set({ results: exchanged(results, ids) })
      .where(eq(keptGroups.id, id));
}

const templateOf = async (tx: Tx) =>
  (await tx.select().from(studios).where(eq(studios.slug, DEMO_STUDIO)))[0];

async function demoIn(tx: Tx, visitor: Visitor): Promise<Studio | undefined> {
  const template = await templateOf(tx);
  if (!template) return undefined;
  const { name, units, sheet, hand, speed, change } = template;
  const [copy] = await tx
    .insert(studios)
    .values({ name, units, sheet, hand, speed, change, demo: true })
    .returning({ id: studios.id, name: studios.name });
  await ownedBy(tx, visitor, copy!.id);
  await copyContent(tx, template.id, copy!.id);
  return copy!;
}

/** Copies the demo that was made when the server was set up; undefined when there is none. */
export const newDemo = (visitor: Visitor): Promise<Studio | undefined> =>
  withStore((db) => db.transaction((tx) => demoIn(tx, visitor)));

/** A demo studio for somebody: the one they have, or a copy of the one that was made when the server was set up; undefined when there is none, or they have too many studios. */
export const demoFor = (visitor: Visitor): Promise<Studio | undefined> =>
  besideStudios(visitor, async (tx, all) => {
    const there = all.find((s) => s.demo && s.role === "owner");
    if (there) return there;
    return all.length >= MOST_STUDIOS ? undefined : demoIn(tx, visitor);
  });

/**
 * Puts a demo studio back as it was made, under the same ids: what is open in a browser goes on to work, and who was let in stays.
 * @returns false when it is none
 */
export const resetDemo = (studio: Studio): Promise<boolean> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      const template = await templateOf(tx);
      const [own] = await tx
        .select({ id: studios.id })
        .from(studios)
        .where(and(eq(studios.id, studio.id), eq(studios.demo, true)))
        .for("update");
      if (!template || !own) return false;
      for (const table of [...CONTENT].reverse()) await tx.delete(table).where(eq(table.studioId, studio.id));
      const { name, units, sheet, hand, speed, change } = template;
      await tx
        .update(studios)
        .set({ name, units, sheet, hand, speed, change })
        .where(eq(studios.id, studio.id));
      await copyContent(tx, template.id, studio.id);
      return true;
    }),
  );
