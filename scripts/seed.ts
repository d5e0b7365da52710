import { keepAnswers, workedOut } from "@/demo/answers";
import { seedDemo } from "@/demo/seed";
import { closeDatabase } from "@/store/database";

const asked = new Set(process.argv.slice(2));
await seedDemo();
await closeDatabase();
if (asked.has("--keep-answers")) keepAnswers();
else if (workedOut()) {
  const message = `blendt: ${workedOut()} of the demo's plans are not in demo/answers.json and were worked out anew; npm run answers keeps them`;
  console.error(message);
  if (asked.has("--strict")) process.exitCode = 1;
}
