import { RateLimiterPostgres, RateLimiterRes } from "rate-limiter-flexible";
import { lt } from "drizzle-orm";
import { pool, StoreUnavailable, withStore } from "./database";
import { tries } from "./people-schema";

/** Something was tried too often of late. */
export class TooOften extends Error {
  constructor(readonly seconds: number) {
    super(`too often; again in ${seconds} s`);
    this.name = "TooOften";
  }
}

const MINUTE = 60;
/** Wrong passwords or codes for one name, whoever sends them. */
const A_NAME = { points: 10, duration: 15 * MINUTE };
/** Passwords that are hashed at all, over all names: each costs 32 MiB and a tenth of a second. */
const ALL = { points: 240, duration: MINUTE };

const limiters = new Map<string, RateLimiterPostgres>();
function limiter(name: string, { points, duration }: typeof ALL): RateLimiterPostgres {
  const there = limiters.get(name);
  if (there) return there;
  const made = new RateLimiterPostgres({
    storeClient: { query: (asked: never) => pool().query(asked) },
    storeType: "pool",
    tableName: "tries",
    tableCreated: true,
    keyPrefix: name,
    clearExpiredByTimeout: false,
    points,
    duration,
  });
  limiters.set(name, made);
  return made;
}

/** What was tried long ago is forgotten, every so many tries. */
const SWEEP_EACH = 200;
const HOUR_MS = 3_600_000;
let since = 0;
async function sweep(): Promise<void> {
  if (since++ % SWEEP_EACH) return;
  await withStore((db) => db.delete(tries).where(lt(tries.expire, Date.now() - HOUR_MS)));
}

async function consume(of: RateLimiterPostgres, key: string): Promise<void> {
  await of.consume(key).catch((e: unknown) => {
    if (e instanceof RateLimiterRes) throw new TooOften(Math.max(1, Math.ceil(e.msBeforeNext / 1000)));
    throw new StoreUnavailable(e);
  });
}

/**
 * Runs a check of a password or code unless its name was guessed at too often of late; what succeeds is forgiven.
 * @param who the name that is being tried
 * @param known whether it is tried from a browser with which that name has signed in before: what strangers try, under this name or any other,
 * is not in its way
 * @throws TooOften
 */
export async function slowly<T>(
  who: string,
  check: () => Promise<T | undefined>,
  known = false,
): Promise<T | undefined> {
  await sweep();
  const named = limiter(known ? "known" : "name", A_NAME);
  if (!known) await consume(limiter("all", ALL), "all");
  await consume(named, who);
  const found = await check();
  if (found !== undefined) await withStore(() => named.delete(who));
  return found;
}
