import { migrate } from "drizzle-orm/node-postgres/migrator";
import { closeDatabase, database } from "@/store/database";

await migrate(database(), { migrationsFolder: "store/migrations" });
await closeDatabase();
