import { readFileSync } from "node:fs";
import { withFields } from "@/scripts/operation-fields";

/** Text without the room that a formatter gives to columns. */
const bare = (text: string) => text.replace(/\s+/g, " ").replace(/-{3,}/g, "---");

it("what is said of the operations' fields is what their classes check", () => {
  const text = readFileSync("compute/README.md", "utf8");
  expect(bare(text)).toBe(bare(withFields(text)));
});
