import { defineConfig } from "drizzle-kit";

export default defineConfig({
  dialect: "postgresql",
  schema: ["./store/schema.ts", "./store/people-schema.ts"],
  out: "./store/migrations",
});
