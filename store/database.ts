import { AsyncLocalStorage } from "node:async_hooks";
import { STORE_AWAY } from "@/border/store-away";
import { sql } from "drizzle-orm";
import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { Pool } from "pg";
import * as peopleSchema from "./people-schema";
import * as pieceSchema from "./piece-schema";
import * as restSchema from "./schema";
import * as studioSchema from "./studio-schema";
import { isDiskFull } from "./disk";

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

/** There is no room on the server's disk: what is there can be read, nothing is written until there is room again. */
export class DiskFull extends Error {
  constructor(cause?: unknown) {
    super("the disk is full", { cause });
    this.name = "DiskFull";
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

/** One pool a process, kept over hot reloads; and one that only reads, while the disk is full. */
const shared = globalThis as typeof globalThis & { blendtPool?: Pool; blendtReading?: Pool };

function newPool(max: number, options?: string): Pool {
  const connectionString = process.env.DATABASE_URL;
  if (!connectionString) throw new Error("DATABASE_URL is not set; ./blendt start sets it");
  const made = new Pool({
    connectionString,
    max,
    connectionTimeoutMillis: CONNECT_MS,
    ...(options !== undefined && { options }),
  });
  // A connection that dies while idle is replaced at the next query.
  made.on("error", () => undefined);
  return made;
}

export function pool(): Pool {
  // A database that finds no room for what it must note stops altogether: it is not asked to before that.
  if (isDiskFull()) return (shared.blendtReading ??= newPool(4, "-c default_transaction_read_only=on"));
  return (shared.blendtPool ??= newPool(8));
}

export const database = (): Database => drizzle(pool(), { schema });

/** What reads at one moment: its connection, and the last that was asked of it. */
interface Moment {
  readonly db: Database;
  last: Promise<unknown>;
}
const moment = new AsyncLocalStorage<Moment>();

/**
 * Everything that is read with {@link withStore} on the way is of one moment, whatever others change meanwhile. One connection is held as long
 * as it lasts, and one question follows the other.
 */
export const atOneMoment = <T>(read: () => Promise<T>): Promise<T> =>
  withStore((db) =>
    db.transaction((tx) => moment.run({ db: tx as unknown as Database, last: Promise.resolve() }, read), {
      isolationLevel: "repeatable read",
      accessMode: "read only",
    }),
  );

function inTurn<T>(now: Moment, work: (db: Database) => Promise<T>): Promise<T> {
  const own = now.last.then(() => work(now.db));
  now.last = own.catch(() => undefined);
  return own;
}

export async function closeDatabase(): Promise<void> {
  await Promise.all([shared.blendtPool?.end(), shared.blendtReading?.end()]);
  delete shared.blendtPool;
  delete shared.blendtReading;
}

/** PostgreSQL's codes for a disk that is full, and for a change where only reading is allowed; and what writing a file says. */
const FULL = new Set(["53100", "25006", "ENOSPC"]);

interface Caused {
  readonly code?: unknown;
  readonly message?: unknown;
  readonly cause?: unknown;
}

/** An error and what caused it, down to the bottom. */
function* causesOf(error: unknown): Generator<Caused> {
  for (let e = error as Caused | undefined; e; e = e.cause as typeof e) yield e;
}

/** PostgreSQL classes 08 (connection), 57P0x (shutting down), a database that is being exchanged, and what the socket says. */
const isLost = (error: unknown): boolean =>
  [...causesOf(error)].some(
    ({ code, message }) =>
      (typeof code === "string" && /^(08|57P0|3D000|55000|ECONN|ENOENT|EPIPE|ETIMEDOUT)/.test(code)) ||
      (typeof message === "string" &&
        /Connection terminated|timeout exceeded when trying to connect/.test(message)),
  );

/** Whether something could not be written for want of room. */
export const isWantOfRoom = (error: unknown): boolean =>
  [...causesOf(error)].some(({ code }) => typeof code === "string" && FULL.has(code));

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
    for (const { code } of causesOf(error)) if (code === UNIQUE_VIOLATION) return "taken";
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

/** Runs queries; a lost connection becomes {@link StoreUnavailable}, want of room {@link DiskFull}. */
export async function withStore<T>(work: (db: Database) => Promise<T>): Promise<T> {
  try {
    const now = moment.getStore();
    return await (now ? inTurn(now, work) : work(database()));
  } catch (error) {
    if (isWantOfRoom(error)) throw new DiskFull(withoutValues(error));
    throw isLost(error) ? new StoreUnavailable(withoutValues(error)) : withoutValues(error);
  }
}
