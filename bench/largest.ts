import { readFileSync, writeFileSync } from "node:fs";
import { largestQuestions } from "@/fixtures/largest";

/**
 * Asks every operation of a running Blendt the largest question that the border lets in:
 * tsx bench/largest.ts http://localhost:3000 PID-of-the-server [inks] [operation …]
 * Time is that of the answer; memory is the most that the server held meanwhile (its high-water mark, which Linux can set back).
 */
const [base = "http://localhost:3000", pid = "", inks = "6000", ...only] = process.argv.slice(2);
const high = () => Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))![1]) / 1024;
const LONGEST_SAID = 90;
const LONGEST_WAIT = 120_000;

console.log(`| operation | bytes asked | answer | bytes said | seconds | most memory, MB |
| --- | --- | --- | --- | --- | --- |`);
for (const [name, question] of Object.entries(largestQuestions(Number(inks)))) {
  if (only.length && !only.includes(name)) continue;
  writeFileSync(`/proc/${pid}/clear_refs`, "5");
  const body = JSON.stringify(question());
  const start = performance.now();
  const answer = await fetch(`${base}/api/compute/${name}`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body,
    signal: AbortSignal.timeout(LONGEST_WAIT),
  }).catch((e: unknown) => new Response(String(e), { status: 599 }));
  const said = await answer.text();
  const seconds = ((performance.now() - start) / 1000).toFixed(1);
  const why = answer.ok ? "" : `: ${said.slice(0, LONGEST_SAID).replaceAll("|", "/")}`;
  console.log(
    `| ${name} | ${body.length} | ${answer.status}${why} | ${said.length} | ${seconds} | ${high().toFixed(0)} |`,
  );
}
