import { sql } from "drizzle-orm";
import { withStore } from "@/store/database";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

export const GET = () =>
  answer(async () => {
    await withStore((db) => db.execute(sql`select 1`));
    return Response.json({ ok: true });
  });
