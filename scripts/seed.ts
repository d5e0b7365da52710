import { closeDatabase } from "@/store/database";
import { seedDemo } from "@/demo/seed";

await seedDemo();
await closeDatabase();
