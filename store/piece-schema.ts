import { sql } from "drizzle-orm";
import type { Lab } from "@/core/colour/lab";
import {
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from "drizzle-orm/pg-core";
import type { Piece } from "@/core/piece/piece";
import type { WorkEventKind } from "@/core/work/record";
import type { NamedPlace } from "./pictures";
import { bytea, created, id, studio, tsvector } from "./studio-schema";

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
    /** Of both together. */
    bytes: integer("bytes")
      .notNull()
      .generatedAlwaysAs(sql`length(original) + length(working)`),
    /** Of a drawing in SVG: what it calls its shapes, and where they lie. */
    names: jsonb("names")
      .$type<readonly NamedPlace[]>()
      .notNull()
      .default(sql`'[]'::jsonb`),
    createdAt: created(),
  },
  (t) => [index("pictures_by_studio").on(t.studioId)],
);

/** What was picked for an area. */
export interface PickedOf {
  readonly area: string;
  readonly labs: readonly Lab[];
}

export const pieces = pgTable(
  "pieces",
  {
    id: id(),
    studioId: studio(),
    /** Grows by one with each saved change. */
    revision: integer("revision").notNull().default(1),
    /** The save that made this revision, as its sender named it: who lost the answer knows their own again. */
    savedBy: uuid("saved_by"),
    document: jsonb("document").$type<Piece>().notNull(),
    /** What lists show, so that they read no documents. */
    name: text("name").generatedAlwaysAs(sql`document ->> 'name'`),
    paperId: text("paper_id").generatedAlwaysAs(sql`document ->> 'paperId'`),
    /** The picture of its line: pieces that share it are variants of each other. */
    lineId: text("line_id").generatedAlwaysAs(sql`document -> 'setUp' -> 'line' ->> 'pictureId'`),
    /** The picture that it is coloured after, else its line. */
    stillId: text("still_id").generatedAlwaysAs(
      sql`coalesce(document ->> 'pictureId', document -> 'setUp' -> 'line' ->> 'pictureId')`,
    ),
    /** Colours that were picked for its areas; of the revision in `listed`. */
    picked: jsonb("picked")
      .$type<readonly PickedOf[]>()
      .notNull()
      .default(sql`'[]'::jsonb`),
    /** Areas, and how many of them have a group; of the revision in `listed`. */
    areas: integer("areas").notNull().default(0),
    planned: integer("planned").notNull().default(0),
    /** The revision of which `areas`, `planned` and the uses speak; 0 when none was looked at yet. */
    listed: integer("listed").notNull().default(0),
    /** Finished, put away: as somebody has said. */
    doneAt: timestamp("done_at", { withTimezone: true }),
    archivedAt: timestamp("archived_at", { withTimezone: true }),
    createdAt: created(),
    changedAt: timestamp("changed_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    index("pieces_by_studio").on(t.studioId, t.changedAt),
    index("pieces_by_line").on(t.studioId, t.lineId),
  ],
);

/** What pieces take in hand, worked out of their documents: see `store/uses.ts`. */
export const pieceUses = pgTable(
  "piece_uses",
  {
    studioId: studio(),
    pieceId: uuid("piece_id")
      .notNull()
      .references(() => pieces.id, { onDelete: "cascade" }),
    code: text("code").notNull(),
    /** Empty for the underlay of the whole. */
    area: text("area").notNull(),
    areaId: text("area_id").notNull(),
    medium: text("medium").notNull(),
    coats: doublePrecision("coats").notNull(),
  },
  (t) => [index("piece_uses_by_code").on(t.studioId, t.code), index("piece_uses_by_piece").on(t.pieceId)],
);

/** The picture of a piece as it will look, as it was last drawn; worked out, so it may be thrown away at any time. */
export const colourings = pgTable(
  "colourings",
  {
    studioId: studio(),
    pieceId: uuid("piece_id")
      .primaryKey()
      .references(() => pieces.id, { onDelete: "cascade" }),
    /** Hash of all that it was made of but its line, and the picture of that. */
    name: text("name").notNull(),
    lineId: uuid("line_id").notNull(),
    width: integer("width").notNull(),
    height: integer("height").notNull(),
    webp: bytea("webp").notNull(),
    createdAt: created(),
  },
  (t) => [index("colourings_by_studio").on(t.studioId)],
);

/** Drawings of pictures as they were looked at: line and regions, packed; worked out, so they may be thrown away at any time. */
export const drawings = pgTable(
  "drawings",
  {
    studioId: studio(),
    pictureId: uuid("picture_id")
      .notNull()
      .references(() => pictures.id, { onDelete: "cascade" }),
    /** The build that looked, and hash of how. */
    name: text("name").notNull(),
    packed: bytea("packed").notNull(),
    createdAt: created(),
  },
  (t) => [primaryKey({ columns: [t.pictureId, t.name] }), index("drawings_by_studio").on(t.studioId)],
);

/** What was done at the desk, one row an event; nothing is ever changed or taken out of it: what is taken back is another event. */
export const workEvents = pgTable(
  "work_events",
  {
    studioId: studio(),
    /** Given by the device on which it happened. */
    id: uuid("id").notNull(),
    pieceId: uuid("piece_id")
      .notNull()
      .references(() => pieces.id, { onDelete: "cascade" }),
    kind: text("kind").$type<WorkEventKind>().notNull(),
    /** When it happened, by the clock of its device, and when it came here. */
    at: timestamp("at", { withTimezone: true }).notNull(),
    createdAt: created(),
    /** The event that it takes back. */
    undoes: uuid("undoes"),
    pictureId: uuid("picture_id").references(() => pictures.id, { onDelete: "set null" }),
    /** What else belongs to its kind. */
    body: jsonb("body").$type<object>().notNull(),
    /** Its words and codes, for searching. */
    words: tsvector("words").generatedAlwaysAs(
      sql`jsonb_to_tsvector('simple'::regconfig, body, '["string"]'::jsonb)`,
    ),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index("work_events_by_piece").on(t.studioId, t.pieceId, t.at),
    index("work_events_by_time").on(t.studioId, t.at),
    index("work_events_by_words").using("gin", t.words),
  ],
);
