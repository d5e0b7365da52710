import { randomUUID } from "node:crypto";
import { setTimeout as wait } from "node:timers/promises";
import { and, eq, lt, sql } from "drizzle-orm";
import { DiskFull, withStore } from "./database";
import { leases } from "./people-schema";

/** Something that is done by one at a time is being done by another just now. */
export class InUse extends Error {
  override name = "Busy";
}

const RETRY_MS = 150;

const until = (seconds: number) => sql`now() + make_interval(secs => ${seconds})`;

/**
 * Takes a lease for so many seconds, unless another holds it: whichever process asks, one gets it. No connection is held while it lasts. Where
 * there is no room to note it, it is as good as held: what only reads goes on, and nobody writes.
 */
async function take(name: string, token: string, seconds: number): Promise<boolean> {
  const got = await withStore((db) =>
    db
      .insert(leases)
      .values({ name, token, until: until(seconds) })
      .onConflictDoUpdate({
        target: leases.name,
        set: { token, until: until(seconds) },
        setWhere: lt(leases.until, sql`now()`),
      })
      .returning({ name: leases.name }),
  ).catch((e: unknown) => {
    if (e instanceof DiskFull) return [{ name }];
    throw e;
  });
  return got.length > 0;
}

/** One of several names that is free, held for as long as the work lasts; whoever dies with it loses it after a minute. */
export async function holding<T>(
  names: readonly string[],
  { waitMs, busy }: { readonly waitMs: number; readonly busy: string },
  work: () => Promise<T>,
): Promise<T> {
  const SECONDS = 60;
  const token = randomUUID();
  const end = Date.now() + waitMs;
  let held: string | undefined;
  for (;;) {
    for (const name of names) {
      if (!(await take(name, token, SECONDS))) continue;
      held = name;
      break;
    }
    if (held !== undefined) break;
    if (Date.now() >= end) throw new InUse(busy);
    await wait(RETRY_MS);
  }
  const mine = and(eq(leases.name, held), eq(leases.token, token));
  const renewing = setInterval(
    () =>
      void withStore((db) =>
        db
          .update(leases)
          .set({ until: until(SECONDS) })
          .where(mine),
      ).catch(() => undefined),
    (SECONDS * 1000) / 3,
  );
  try {
    return await work();
  } finally {
    clearInterval(renewing);
    // A lease that cannot be given back runs out.
    await withStore((db) => db.delete(leases).where(mine)).catch(() => undefined);
  }
}
