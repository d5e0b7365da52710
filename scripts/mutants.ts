import { spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { MUTANTS, type Mutant } from "./mutant-list";

/**
 * Sets one fault after another into a copy of the sources and runs the tests beside it: a fault that no test notices survives, and is named.
 * `npm run mutants` sets all of them, `npm run mutants -- weigh pencil` those of files that are called like that.
 */
const root = process.cwd();
const asked = process.argv.slice(2);
const chosen = MUTANTS.filter((m) => !asked.length || asked.some((a) => m.file.includes(a)));

const copy = mkdtempSync(path.join(tmpdir(), "blendt-mutants-"));
const listed = spawnSync("git", ["ls-files", "-co", "--exclude-standard"], { encoding: "utf8" }).stdout.split(
  "\n",
);
for (const file of listed.filter((f) => f && !f.startsWith("docs/")))
  cpSync(path.join(root, file), path.join(copy, file));
symlinkSync(path.join(root, "node_modules"), path.join(copy, "node_modules"));

/** Whether some test turns red. */
function isNoticed({ file, from, to, tests }: Mutant): boolean {
  const at = path.join(copy, file);
  const sound = readFileSync(at, "utf8");
  if (sound.split(from).length !== 2)
    throw new Error(`${file}: expected "${from}" exactly once; the list of mutants is older than the file`);
  writeFileSync(
    at,
    sound.replace(from, () => to),
  );
  const run = spawnSync("node_modules/.bin/jest", ["--bail", "--silent", ...tests], {
    cwd: copy,
    encoding: "utf8",
    timeout: 180_000,
  });
  writeFileSync(at, sound);
  return run.status !== 0;
}

const survivors: Mutant[] = [];
try {
  for (const [i, mutant] of chosen.entries()) {
    const noticed = isNoticed(mutant);
    if (!noticed) survivors.push(mutant);
    console.log(
      `${i + 1}/${chosen.length} ${noticed ? "noticed " : "SURVIVES"} ${mutant.file}: ${mutant.says}`,
    );
  }
} finally {
  rmSync(copy, { recursive: true, force: true });
}
const share = ((100 * survivors.length) / Math.max(1, chosen.length)).toFixed(0);
console.log(`${survivors.length} of ${chosen.length} survive (${share} %)`);
process.exitCode = survivors.length > chosen.length / 10 ? 1 : 0;
