// Sums Jest's and Playwright's reports into the last line of ./blendt test; fails when any test failed or a report is missing.
import { existsSync, readFileSync } from "node:fs";

const [unitFile, e2eFile] = process.argv.slice(2);
const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : undefined);
const unit = read(unitFile);
const e2e = read(e2eFile);
const passed = (unit?.numPassedTests ?? 0) + (e2e?.stats.expected ?? 0) + (e2e?.stats.flaky ?? 0);
const failed =
  (unit?.numFailedTests ?? 0) +
  (unit?.numRuntimeErrorTestSuites ?? 0) +
  (e2e?.stats.unexpected ?? 0) +
  (e2e?.errors?.length ?? 0) +
  (unit ? 0 : 1) +
  (e2e ? 0 : 1);
if (e2e?.stats.flaky) console.log(`Passed on a second try: ${e2e.stats.flaky}`);
// Written synchronously, so that nothing else can follow it.
process.exitCode = failed ? 1 : 0;
console.log(`Tests: ${passed} passed, ${failed} failed`);
