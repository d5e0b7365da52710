import { sql } from "drizzle-orm";
import {
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import type { BACKINGS, DECISIONS, SOURCES } from "@/border/swatchbook";
import type { ChartLine, Meeting, SheetName } from "@/core/chart/layout";
import type { Profile } from "@/core/chart/profile";
import type { ReadPage } from "@/core/chart/read-chart";
import type { CodeKey } from "@/core/codes/key";
import type { DeskFit } from "@/core/ink/desk-fit";
import type { Illuminant } from "@/core/colour/observer";
import type { InstrumentReading } from "@/core/formats/measured";
import type { KeptTone } from "@/core/piece/piece";
import type { Material } from "@/core/group/material";
import type { School } from "@/core/group/school";
import type { Pressure } from "@/core/pencil/tooth";
import type { Shown } from "@/core/piece/shown";
import type { Verdict } from "@/core/stock/verdicts";
import type { ScaleKind } from "@/core/stock/ink-ledger";
import type { Kind } from "@/core/stock/kinds";
import type { ROLES } from "@/border/studio";
import { people } from "./people-schema";
import { pictures, pieces } from "./piece-schema";
import { created, id, studio } from "./studio-schema";

export type ReadingSource = (typeof SOURCES)[number];
export type Backing = (typeof BACKINGS)[number];
export type CellDecision = (typeof DECISIONS)[number];
export type Role = (typeof ROLES)[number];

/** Who may enter which studio, and what they may do there. */
export const members = pgTable(
  "members",
  {
    studioId: studio(),
    personId: uuid("person_id")
      .notNull()
      .references(() => people.id, { onDelete: "cascade" }),
    role: text("role").$type<Role>().notNull(),
    createdAt: created(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.personId] }), index("members_by_person").on(t.personId)],
);

/** Links that let somebody in, each for one person. Only the hash of their code is kept. */
export const invitations = pgTable(
  "invitations",
  {
    id: id(),
    studioId: studio(),
    role: text("role").$type<Role>().notNull(),
    hash: text("hash").notNull().unique(),
    expiresAt: timestamp("expires_at", { withTimezone: true }).notNull(),
    createdAt: created(),
  },
  (t) => [index("invitations_by_studio").on(t.studioId)],
);

/** Links that show one piece to whoever has them. */
export const shares = pgTable(
  "shares",
  {
    id: id(),
    studioId: studio(),
    pieceId: uuid("piece_id")
      .notNull()
      .references(() => pieces.id, { onDelete: "cascade" }),
    hash: text("hash").notNull().unique(),
    /** What it shows. */
    shows: text("shows").array().$type<Shown[]>().notNull(),
    createdAt: created(),
  },
  (t) => [index("shares_by_piece").on(t.studioId, t.pieceId)],
);

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
    /** Weight in g/m², open time in s, bleed past the line in mm: as the user knows them. */
    weight: integer("weight"),
    openTime: integer("open_time"),
    /** What is said of its open time follows from work on it: nobody has said another. */
    openLearnt: boolean("open_learnt").notNull().default(false),
    /** s until ink is dry. */
    dryTime: integer("dry_time"),
    bleed: doublePrecision("bleed"),
    /** smooth, plate, vellum, rough…, and which side is coloured: free words. */
    finish: text("finish").notNull().default(""),
    side: text("side").notNull().default(""),
    /** Tooth for pencil, 0–1. */
    grain: doublePrecision("grain"),
    /** Light under which pictures on it are judged; readings are always those of daylight. */
    light: text("light").$type<Illuminant>().notNull().default("D65"),
    notes: text("notes").notNull().default(""),
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
    /** How its codes are written; none until it is described. */
    key: jsonb("key").$type<CodeKey>(),
    /** Hue home of a family in degrees, where one was given. */
    homes: jsonb("homes").$type<Record<string, number>>().notNull().default({}),
    createdAt: created(),
  },
  (t) => [uniqueIndex("ranges_by_name").on(t.studioId, t.name)],
);

/** Everything on the rack: markers, pencils, finishers, water-based pens. */
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
    kind: text("kind").$type<Kind>().notNull().default("marker"),
    name: text("name").notNull().default(""),
    owned: boolean("owned").notNull(),
    wished: boolean("wished").notNull().default(false),
    /** full, fine, low or dry; and since when: a trigger notes when it is another. */
    state: text("state").notNull(),
    stateAt: timestamp("state_at", { withTimezone: true }).notNull().defaultNow(),
    refills: smallint("refills").notNull().default(0),
    nib: text("nib").notNull().default(""),
    price: text("price").notNull().default(""),
    place: text("place").notNull().default(""),
    notes: text("notes").notNull().default(""),
    /** Of a liner: whether alcohol ink leaves it alone. */
    proof: boolean("proof"),
    createdAt: created(),
  },
  (t) => [uniqueIndex("inks_by_code").on(t.studioId, t.code)],
);

/** What was found out of markers' ink beside the word for their level: weighed, something added, filled up. */
export const inkEvents = pgTable(
  "ink_events",
  {
    /** Given by the device on which it happened. */
    id: uuid("id").notNull(),
    studioId: studio(),
    code: text("code").notNull(),
    kind: text("kind").$type<ScaleKind>().notNull(),
    /** Grams of what was weighed; ml of what was filled. */
    amount: doublePrecision("amount").notNull(),
    at: timestamp("at", { withTimezone: true }).notNull(),
    /** The word in the Rack, and since when, that a filling took the place of: taken back with it. */
    wordBefore: text("word_before"),
    wordBeforeAt: timestamp("word_before_at", { withTimezone: true }),
    /** What was filled in was a refill of the stock: taken back, the stock has it again. */
    refill: boolean("refill").notNull().default(false),
    createdAt: created(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index("ink_events_by_code").on(t.studioId, t.code, t.at),
  ],
);

/** Every colour that was read on a paper. Newer readings of the same stack supersede older ones; none is erased. */
export const readings = pgTable(
  "readings",
  {
    id: id(),
    studioId: studio(),
    paperId: uuid("paper_id")
      .notNull()
      .references(() => papers.id, { onDelete: "cascade" }),
    /** Codes bottom to top, one entry a coat. */
    stack: text("stack").array().notNull(),
    /** One pass of the colourless blender over it. */
    lift: boolean("lift").notNull().default(false),
    /** What lies beneath a pencil's drawdown: the paper itself, white or black. */
    backing: text("backing").$type<Backing>().notNull().default("paper"),
    /** Of a strip with pencil: how hard it was pressed; each pencil entry of the stack is a layer. */
    pressure: text("pressure").$type<Pressure>(),
    lab: doublePrecision("lab").array().notNull(),
    /** The 8-bit reading it came from, where there is one: a channel at 0 or 255 says only that the true value lies there or beyond. */
    hex: text("hex"),
    /** What an instrument told beside that: its spectrum, the light it meant, how it was lit. */
    measured: jsonb("measured").$type<InstrumentReading>(),
    source: text("source").$type<ReadingSource>().notNull(),
    /** Mean ΔE00 within the cell or between repeats; L* within the cell; 0–1. */
    spread: doublePrecision("spread"),
    streakiness: doublePrecision("streakiness"),
    confidence: doublePrecision("confidence"),
    scanId: uuid("scan_id").references(() => scans.id, { onDelete: "set null" }),
    excluded: boolean("excluded").notNull().default(false),
    readAt: timestamp("read_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index("readings_by_paper").on(t.studioId, t.paperId, t.readAt)],
);

/** Long cells of charts as read: two layings that meet. Newer ones of the same meeting supersede older ones; none is erased. */
export const blends = pgTable(
  "blends",
  {
    id: id(),
    studioId: studio(),
    paperId: uuid("paper_id")
      .notNull()
      .references(() => papers.id, { onDelete: "cascade" }),
    how: text("how").$type<Meeting>().notNull(),
    /** What was laid over all of the cell and over its right half: codes, one entry a coat. */
    stack: text("stack").array().notNull(),
    over: text("over").array().notNull(),
    profile: jsonb("profile").$type<Profile>().notNull(),
    scanId: uuid("scan_id").references(() => scans.id, { onDelete: "set null" }),
    excluded: boolean("excluded").notNull().default(false),
    readAt: timestamp("read_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index("blends_by_paper").on(t.studioId, t.paperId, t.readAt)],
);

/** Printed swatch charts. */
export const charts = pgTable(
  "charts",
  {
    id: id(),
    studioId: studio(),
    paperId: uuid("paper_id")
      .notNull()
      .references(() => papers.id, { onDelete: "cascade" }),
    /** Printed into every page. */
    serial: integer("serial").notNull(),
    title: text("title").notNull(),
    sheet: text("sheet").$type<SheetName>().notNull(),
    lines: jsonb("lines").$type<readonly ChartLine[]>().notNull(),
    createdAt: created(),
  },
  (t) => [uniqueIndex("charts_by_serial").on(t.studioId, t.serial)],
);

/** Pictures of chart pages as read, with what was decided about each cell. */
export const scans = pgTable(
  "scans",
  {
    id: id(),
    studioId: studio(),
    chartId: uuid("chart_id")
      .notNull()
      .references(() => charts.id, { onDelete: "cascade" }),
    pictureId: uuid("picture_id")
      .notNull()
      .references(() => pictures.id, { onDelete: "cascade" }),
    page: smallint("page").notNull(),
    result: jsonb("result").$type<ReadPage>().notNull(),
    /** One entry a cell, in the order of the result. */
    decisions: jsonb("decisions").$type<readonly CellDecision[]>().notNull(),
    /** Whether its accepted cells have become readings. */
    stored: boolean("stored").notNull().default(false),
    createdAt: created(),
  },
  (t) => [index("scans_by_studio").on(t.studioId, t.createdAt)],
);

/** Stacks that were tried on paper to see what they give. */
export const trials = pgTable(
  "trials",
  {
    id: id(),
    studioId: studio(),
    paperId: uuid("paper_id")
      .notNull()
      .references(() => papers.id, { onDelete: "cascade" }),
    stack: text("stack").array().notNull(),
    /** What the model said before it was tried. */
    predicted: doublePrecision("predicted").array().notNull(),
    verdict: text("verdict").$type<Verdict>().notNull().default("open"),
    note: text("note").notNull().default(""),
    createdAt: created(),
  },
  (t) => [index("trials_by_paper").on(t.studioId, t.paperId)],
);

/**
 * What was worked out of the kept groups of pieces, by the name of the whole of what was asked: to be shown again at once. It may be thrown
 * away at any time.
 */
export const judgedGroups = pgTable(
  "judged_groups",
  {
    studioId: studio(),
    name: text("name").notNull(),
    group: jsonb("group").$type<object>().notNull(),
    createdAt: created(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.name] })],
);

/** What was fitted to the readings of a desk, by the build that fitted and the name of the desk; it may be thrown away at any time. */
export const deskFits = pgTable(
  "desk_fits",
  {
    studioId: studio(),
    name: text("name").notNull(),
    fit: jsonb("fit").$type<DeskFit>().notNull(),
    createdAt: created(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.name] })],
);

/** How a kept group came out on a paper. */
export interface GroupResult {
  readonly paperId: string;
  readonly verdict: Verdict;
  readonly note: string;
}

/** Kept blend groups, of no piece in particular. */
export const keptGroups = pgTable(
  "kept_groups",
  {
    id: id(),
    studioId: studio(),
    name: text("name").notNull(),
    tags: text("tags")
      .array()
      .notNull()
      .default(sql`'{}'::text[]`),
    /** Light to dark. */
    tones: jsonb("tones").$type<readonly KeptTone[]>().notNull(),
    material: text("material").$type<Material>().notNull().default("other"),
    school: text("school").$type<School>(),
    /** An ink beneath the shadow. */
    underlay: jsonb("underlay").$type<KeptTone>(),
    results: jsonb("results")
      .$type<readonly GroupResult[]>()
      .notNull()
      .default(sql`'[]'::jsonb`),
    notes: text("notes").notNull().default(""),
    createdAt: created(),
  },
  (t) => [uniqueIndex("kept_groups_by_name").on(t.studioId, t.name)],
);
