import { openRoute } from "@/door/route";
import { sql } from "drizzle-orm";
import { withStore } from "@/store/database";

export const dynamic = "force-dynamic";

export const GET = openRoute(null, async () => {
  await withStore((db) => db.execute(sql`select 1`));
  return { ok: true };
});
