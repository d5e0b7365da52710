import {
  boolean,
  doublePrecision,
  index,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  uuid,
} from "drizzle-orm/pg-core";
import type { ExerciseId } from "@/core/practice/shapes";
import type { EyeKind } from "@/core/practice/eye";
import { people } from "./people-schema";
import { studio } from "./studio-schema";

/** What eyes were asked, and how they answered: of each person of a studio by themselves. */
export const eyeAnswers = pgTable(
  "eye_answers",
  {
    /** Given by the device on which it was answered. */
    id: uuid("id").notNull(),
    studioId: studio(),
    /** Who answered; nobody in a studio without sign-in. Those who are gone leave no answers of theirs. */
    personId: uuid("person_id").references(() => people.id, { onDelete: "cascade" }),
    at: timestamp("at", { withTimezone: true }).notNull(),
    kind: text("kind").$type<EyeKind>().notNull(),
    family: text("family").notNull(),
    right: boolean("right").notNull(),
    seconds: doublePrecision("seconds").notNull(),
    level: doublePrecision("level").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index("eye_answers_by_person").on(t.studioId, t.personId, t.at),
  ],
);

/** Sheets that were practised on, as they were scored: of each person of a studio by themselves. */
export const sheetScores = pgTable(
  "sheet_scores",
  {
    /** Given by the device on which it was scored. */
    id: uuid("id").notNull(),
    studioId: studio(),
    personId: uuid("person_id").references(() => people.id, { onDelete: "cascade" }),
    at: timestamp("at", { withTimezone: true }).notNull(),
    exercise: text("exercise").$type<ExerciseId>().notNull(),
    score: smallint("score").notNull(),
    codes: text("codes").array().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index("sheet_scores_by_person").on(t.studioId, t.personId, t.at),
  ],
);
