import { sql } from "drizzle-orm";
import { boolean, customType, integer, pgTable, real, text, timestamp, uuid } from "drizzle-orm/pg-core";
import type { HANDS, UNITS } from "@/border/studio";
import type { SheetName } from "@/core/chart/layout";

export type Units = (typeof UNITS)[number];
export type Hand = (typeof HANDS)[number];

/** Bytes as they are. */
/** Words of a text for full-text search. */
export const tsvector = customType<{ data: string }>({ dataType: () => "tsvector" });
export const bytea = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => "bytea" });

/** An id of its own, the time at which it came, and the studio that it is of: what every table has. */
export const id = () =>
  uuid("id")
    .primaryKey()
    .default(sql`gen_random_uuid()`);
export const created = () => timestamp("created_at", { withTimezone: true }).notNull().defaultNow();
export const studio = () =>
  uuid("studio_id")
    .notNull()
    .references(() => studios.id, { onDelete: "cascade" });

/** Pace of who has said nothing of it: mm² of one coat a second, and seconds to change markers. */
const USUAL_PACE = { speed: 40, change: 6 } as const;

/** Whether a pace that comes with a studio was somebody's own. */
export const isOwnPace = ({
  speed,
  change,
}: {
  readonly speed?: number;
  readonly change?: number;
}): boolean =>
  (speed ?? USUAL_PACE.speed) !== USUAL_PACE.speed || (change ?? USUAL_PACE.change) !== USUAL_PACE.change;

export const studios = pgTable("studios", {
  id: id(),
  /** Names the one from which demo studios are copied; nobody enters it. */
  slug: text("slug").unique(),
  name: text("name").notNull(),
  /** A copy of the demo, to look around in. */
  demo: boolean("demo").notNull().default(false),
  units: text("units").$type<Units>().notNull().default("mm"),
  /** Sheet of printers here. */
  sheet: text("sheet").$type<SheetName>().notNull().default("A4"),
  /** The hand that colours. */
  hand: text("hand").$type<Hand>().notNull().default("right"),
  /** How fast it colours, mm² of one coat a second, and how long a change of markers takes, s. */
  speed: real("speed").notNull().default(USUAL_PACE.speed),
  change: real("change_seconds").notNull().default(USUAL_PACE.change),
  /** Somebody said so; else it follows from the work, from the third piece on. */
  paceSet: boolean("pace_set").notNull().default(false),
  /** Grows whenever something of the rack or a reading changes: what was made from an older one is out of date. */
  rackVersion: integer("rack_version").notNull().default(1),
  createdAt: created(),
});
