import { sql } from "drizzle-orm";
import { boolean, customType, doublePrecision, index, integer, jsonb, pgTable, primaryKey, smallint, text, timestamp, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import type { Piece } from "@/core/piece/piece";

const bytea = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => "bytea" });

const id = () => uuid("id").primaryKey().default(sql`gen_random_uuid()`);
const created = () => timestamp("created_at", { withTimezone: true }).notNull().defaultNow();
const studio = () =>
  uuid("studio_id")
    .notNull()
    .references(() => studios.id, { onDelete: "cascade" });

export const studios = pgTable("studios", { id: id(), slug: text("slug").notNull().unique(), name: text("name").notNull(), createdAt: created() });

export const papers = pgTable(
  "papers",
  {
    id: id(),
    studioId: studio(),
    name: text("name").notNull(),
    /** Bare sheet, Lab (D65, 2°). */
    lab: doublePrecision("lab").array().notNull(),
    /** Coats before it is soaked. */
    capacity: smallint("capacity").notNull(),
    position: smallint("position").notNull().default(0),
    createdAt: created(),
  },
  (t) => [uniqueIndex("papers_by_name").on(t.studioId, t.name)],
);

export const ranges = pgTable(
  "ranges",
  {
    id: id(),
    studioId: studio(),
    name: text("name").notNull(),
    /** Families in rack order. */
    families: text("families").array().notNull(),
    createdAt: created(),
  },
  (t) => [uniqueIndex("ranges_by_name").on(t.studioId, t.name)],
);

export const inks = pgTable(
  "inks",
  {
    id: id(),
    studioId: studio(),
    rangeId: uuid("range_id")
      .notNull()
      .references(() => ranges.id, { onDelete: "cascade" }),
    code: text("code").notNull(),
    family: text("family").notNull(),
    owned: boolean("owned").notNull(),
    /** full, fine, low or dry. */
    state: text("state").notNull(),
    createdAt: created(),
  },
  (t) => [uniqueIndex("inks_by_code").on(t.studioId, t.code)],
);

export const swatches = pgTable(
  "swatches",
  {
    studioId: studio(),
    inkId: uuid("ink_id")
      .notNull()
      .references(() => inks.id, { onDelete: "cascade" }),
    paperId: uuid("paper_id")
      .notNull()
      .references(() => papers.id, { onDelete: "cascade" }),
    coats: smallint("coats").notNull(),
    lab: doublePrecision("lab").array().notNull(),
    /** The 8-bit reading it came from, where there is one: a channel at 0 or 255 says only that the true value lies there or beyond. */
    hex: text("hex"),
    source: text("source").notNull(),
    readAt: created(),
  },
  (t) => [primaryKey({ columns: [t.inkId, t.paperId, t.coats] }), index("swatches_by_paper").on(t.studioId, t.paperId)],
);

export const pictures = pgTable(
  "pictures",
  {
    id: id(),
    studioId: studio(),
    name: text("name").notNull(),
    type: text("type").notNull(),
    /** Size in pixels once turned upright. */
    width: integer("width").notNull(),
    height: integer("height").notNull(),
    original: bytea("original").notNull(),
    /** Upright sRGB copy for the screen and for picking, with its own type and size. */
    working: bytea("working").notNull(),
    workingType: text("working_type").notNull(),
    workingWidth: integer("working_width").notNull(),
    workingHeight: integer("working_height").notNull(),
    createdAt: created(),
  },
  (t) => [index("pictures_by_studio").on(t.studioId)],
);

export const pieces = pgTable(
  "pieces",
  {
    id: id(),
    studioId: studio(),
    /** Grows by one with each saved change. */
    revision: integer("revision").notNull().default(1),
    document: jsonb("document").$type<Piece>().notNull(),
    createdAt: created(),
    changedAt: timestamp("changed_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index("pieces_by_studio").on(t.studioId, t.changedAt)],
);
