import { migrate } from "drizzle-orm/node-postgres/migrator";
import { drizzle } from "drizzle-orm/node-postgres";
import { Client } from "pg";

// Tables are made and changed by their owner; the app's own role reads and writes rows and can do nothing else.
const app = process.env.DATABASE_URL;
const owner = process.env.DATABASE_OWNER_URL ?? app;
if (!owner || !app) throw new Error("DATABASE_URL is not set; ./blendt start sets it");
const client = new Client({ connectionString: owner });
await client.connect();
await migrate(drizzle(client), { migrationsFolder: "store/migrations" });
const role = decodeURIComponent(new URL(app).username);
if (role && role !== decodeURIComponent(new URL(owner).username)) {
  const name = client.escapeIdentifier(role);
  for (const statement of [
    "revoke all on schema public from public",
    `grant usage on schema public to ${name}`,
    `grant select, insert, update, delete on all tables in schema public to ${name}`,
  ])
    await client.query(statement);
}
await client.end();
