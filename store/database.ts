import { STORE_AWAY } from "@/border/store-away";
import { sql } from "drizzle-orm";
import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { Pool } from "pg";
import * as peopleSchema from "./people-schema";
import * as pieceSchema from "./piece-schema";
import * as restSchema from "./schema";
import * as studioSchema from "./studio-schema";

const schema = { ...studioSchema, ...peopleSchema, ...pieceSchema, ...restSchema };

export type Database = NodePgDatabase<typeof schema>;

/** The database cannot be reached or has just gone away; what was saved before is safe. */
export class StoreUnavailable extends Error {
  /** By which a page knows in the browser why it could not be made: nothing else of an error goes there. */
  readonly digest = STORE_AWAY;
  constructor(cause: unknown) {
    super("the store cannot be reached", { cause });
    this.name = "StoreUnavailable";
  }
}

/** A studio holds as much of something as it may. */
export class StudioFull extends Error {
  constructor(most: number, what: string) {
    super(
      `This studio holds ${most.toLocaleString("en")} ${what}, which is as many as it may. Remove some first.`,
    );
    this.name = "StudioFull";
  }
}

const CONNECT_MS = 3000;

/** One pool a process, kept over hot reloads. */
const shared = globalThis as typeof globalThis & { blendtPool?: Pool };

export function pool(): Pool {
  if (!shared.blendtPool) {
    const connectionString = process.env.DATABASE_URL;
    if (!connectionString) throw new Error("DATABASE_URL is not set; ./blendt start sets it");
    shared.blendtPool = new Pool({ connectionString, max: 8, connectionTimeoutMillis: CONNECT_MS });
    // A connection that dies while idle is replaced at the next query.
    shared.blendtPool.on("error", () => undefined);
  }
  return shared.blendtPool;
}

export const database = (): Database => drizzle(pool(), { schema });

export async function closeDatabase(): Promise<void> {
  await shared.blendtPool?.end();
  delete shared.blendtPool;
}

/** PostgreSQL classes 08 (connection) and 57P0x (shutting down), and what the socket says. */
function isLost(error: unknown): boolean {
  for (
    let e = error as { code?: unknown; message?: unknown; cause?: unknown } | undefined;
    e;
    e = e.cause as typeof e
  ) {
    if (typeof e.code === "string" && /^(08|57P0|ECONN|ENOENT|EPIPE|ETIMEDOUT)/.test(e.code)) return true;
    if (
      typeof e.message === "string" &&
      /Connection terminated|timeout exceeded when trying to connect/.test(e.message)
    )
      return true;
  }
  return false;
}

/** The database itself, or a transaction on it. */
export type Db = Pick<Database, "select" | "insert" | "update" | "delete">;

export type Tx = Parameters<Parameters<Database["transaction"]>[0]>[0];

/** Transactions that name the same thing wait for each other. */
export const lockNamed = (tx: Pick<Database, "execute">, name: string): Promise<unknown> =>
  tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${name}, 0))`);

/** Changes that touch many rows of a studio wait for each other, so that no two hold what the other wants. */
export const lockStudio = (tx: Pick<Database, "execute">, studioId: string): Promise<unknown> =>
  lockNamed(tx, studioId);

/** Rows of one statement: PostgreSQL takes 65,535 parameters, and a row has up to twenty. */
export const ROWS_AT_ONCE = 1000;

/** A list in pieces of at most so many. */
export function* inPieces<T>(list: readonly T[], most = ROWS_AT_ONCE): Generator<readonly T[]> {
  for (let from = 0; from < list.length; from += most) yield list.slice(from, from + most);
}

/** PostgreSQL's code for a value that must be there once and would be there twice. */
const UNIQUE_VIOLATION = "23505";

/** Runs a change; "taken" when a name that must be its own is another's. */
export async function unlessTaken<T>(change: () => Promise<T>): Promise<T | "taken"> {
  try {
    return await change();
  } catch (error) {
    for (let e = error as { code?: unknown; cause?: unknown } | undefined; e; e = e.cause as typeof e)
      if (e.code === UNIQUE_VIOLATION) return "taken";
    throw error;
  }
}

/** A query that the database refused, without the values that were in it: they are somebody's, and errors are written to logs. */
class QueryFailed extends Error {
  override name = "QueryFailed";
  constructor(
    message: string,
    /** PostgreSQL's. */
    readonly code: string | undefined,
  ) {
    super(message);
  }
}

const LONGEST_QUERY = 300;
function withoutValues(error: unknown): unknown {
  if (typeof error !== "object" || error === null || !("query" in error && "params" in error)) return error;
  const { query, cause } = error as { query: unknown; cause?: unknown };
  if (typeof query !== "string") return error;
  const { code, message } = (cause ?? {}) as { code?: string; message?: string };
  return new QueryFailed(`${message ?? "failed"}, in: ${query.slice(0, LONGEST_QUERY)}`, code);
}

/** Runs queries; a lost connection becomes {@link StoreUnavailable}. */
export async function withStore<T>(work: (db: Database) => Promise<T>): Promise<T> {
  try {
    return await work(database());
  } catch (error) {
    throw isLost(error) ? new StoreUnavailable(withoutValues(error)) : withoutValues(error);
  }
}
