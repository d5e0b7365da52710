import { sql } from "drizzle-orm";
import { bigint, boolean, index, integer, pgTable, text, timestamp, uuid } from "drizzle-orm/pg-core";

const id = () =>
  uuid("id")
    .primaryKey()
    .default(sql`gen_random_uuid()`);
const time = (name: string) => timestamp(name, { withTimezone: true });
const created = () => time("created_at").notNull().defaultNow();
const changed = () => time("updated_at").notNull().defaultNow();
const person = () =>
  uuid("person_id")
    .notNull()
    .references(() => people.id, { onDelete: "cascade" });

/**
 * Who may sign in. The sign-in library wants an address of everybody; there is no mail here, so it is made from the name, whatever its
 * capitals, and leads nowhere.
 */
export const people = pgTable("people", {
  id: id(),
  /** As its owner writes it. */
  name: text("name").notNull(),
  email: text("email").notNull().unique(),
  emailVerified: boolean("email_verified").notNull().default(false),
  image: text("image"),
  createdAt: created(),
  updatedAt: changed(),
});

export const sessions = pgTable(
  "sessions",
  {
    id: id(),
    personId: person(),
    token: text("token").notNull().unique(),
    expiresAt: time("expires_at").notNull(),
    ipAddress: text("ip_address"),
    userAgent: text("user_agent"),
    createdAt: created(),
    updatedAt: changed(),
  },
  (t) => [index("sessions_by_person").on(t.personId)],
);

/** How somebody signs in: a password, hashed by a function that costs memory. */
export const credentials = pgTable(
  "credentials",
  {
    id: id(),
    personId: person(),
    accountId: text("account_id").notNull(),
    providerId: text("provider_id").notNull(),
    accessToken: text("access_token"),
    refreshToken: text("refresh_token"),
    idToken: text("id_token"),
    accessTokenExpiresAt: time("access_token_expires_at"),
    refreshTokenExpiresAt: time("refresh_token_expires_at"),
    scope: text("scope"),
    password: text("password"),
    createdAt: created(),
    updatedAt: changed(),
  },
  (t) => [index("credentials_by_person").on(t.personId)],
);

/** What the sign-in library keeps for a while. */
export const verifications = pgTable("verifications", {
  id: id(),
  identifier: text("identifier").notNull(),
  value: text("value").notNull(),
  expiresAt: time("expires_at").notNull(),
  createdAt: created(),
  updatedAt: changed(),
});

/** Codes that stand in for a forgotten password, each for one time. Only their hash is kept. */
export const recoveryCodes = pgTable(
  "recovery_codes",
  {
    id: id(),
    personId: person(),
    hash: text("hash").notNull().unique(),
    createdAt: created(),
  },
  (t) => [index("recovery_codes_by_person").on(t.personId)],
);

/** How often something was tried of late, so that guessing is slow. Shape of rate-limiter-flexible. */
export const tries = pgTable("tries", {
  key: text("key").primaryKey(),
  points: integer("points").notNull().default(0),
  expire: bigint("expire", { mode: "number" }),
});

/** What is done by one at a time, whichever process does it, and until when it is held. */
export const leases = pgTable("leases", {
  name: text("name").primaryKey(),
  token: uuid("token").notNull(),
  until: time("until").notNull(),
});
