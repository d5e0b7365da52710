import { defineConfig } from "drizzle-kit";

export default defineConfig({
  dialect: "postgresql",
  schema: [
    "./store/studio-schema.ts",
    "./store/people-schema.ts",
    "./store/piece-schema.ts",
    "./store/practice-schema.ts",
    "./store/schema.ts",
  ],
  out: "./store/migrations",
});
