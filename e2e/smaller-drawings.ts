import { execFileSync } from "node:child_process";

/** Runs beside what the tests are run by, which does not know the decorators of the border. */
export default function smallerDrawings(): void {
  execFileSync("npx", ["--no-install", "tsx", "e2e/smaller-drawings.run.ts"], { stdio: "inherit" });
}
