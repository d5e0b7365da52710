import cluster from "node:cluster";
import { availableParallelism } from "node:os";
import path from "node:path";
import { pathToFileURL } from "node:url";
import { removeLeftBodies } from "@/border/body";
import { computeFor } from "@/workers/through-primary";

/**
 * Serves the app: tsx scripts/serve.ts HOST PORT
 * Several processes answer people on the one port, BLENDT_PROCESSES of them; this one hands connections out and computes for all.
 * One that dies is started again. When this one is gone, they are gone too.
 */
const [host = "127.0.0.1", port = "3000"] = process.argv.slice(2);

/** Each takes about 300 MB. */
const MOST_BY_ITSELF = 4;
const MOST = 64;
/** Falls within so long, ms, after which this one gives up and its launcher sees to it. */
const [MOST_FALLS, WITHIN] = [10, 60_000];
/** How long those that answer may take to finish when they are asked to end, ms. */
const PATIENCE = 6000;

function processesWanted(): number {
  const said = process.env.BLENDT_PROCESSES;
  if (!said) return Math.min(MOST_BY_ITSELF, availableParallelism());
  const n = Number(said);
  if (Number.isInteger(n) && n >= 1 && n <= MOST) return n;
  console.error(`blendt: BLENDT_PROCESSES: expected a whole number from 1 to ${MOST}, not "${said}"`);
  process.exit(2);
}

const wanted = processesWanted();
cluster.schedulingPolicy = cluster.SCHED_RR;
cluster.setupPrimary({
  exec: path.resolve("node_modules/next/dist/bin/next"),
  // Longer than any proxy in front keeps a connection it does not use: one that is closed while a request is on its way fails.
  args: ["start", "-H", host, "-p", port, "--keepAliveTimeout", "65000"],
  // Pages are made of many short-lived things: a larger young space collects them in passing.
  execArgv: ["--max-semi-space-size=64", "--import", pathToFileURL("scripts/readable-only.mjs").href],
  serialization: "advanced",
});

let isEnding = false;
let falls: number[] = [];
const begin = () => computeFor(cluster.fork());

cluster.on("exit", (worker, code, signal) => {
  if (isEnding) {
    if (!Object.keys(cluster.workers!).length) process.exit(0);
    return;
  }
  const now = Date.now();
  falls = [...falls.filter((t) => now - t < WITHIN), now];
  console.error(
    `${new Date(now).toISOString()} process ${worker.process.pid} has ended by itself (${signal ?? code})`,
  );
  if (falls.length > MOST_FALLS) process.exit(1);
  begin();
});

function end(): void {
  if (isEnding) return;
  isEnding = true;
  const all = Object.values(cluster.workers!);
  if (!all.length) process.exit(0);
  for (const worker of all) worker!.process.kill("SIGTERM");
  setTimeout(() => {
    for (const worker of Object.values(cluster.workers!)) worker!.process.kill("SIGKILL");
    process.exit(0);
  }, PATIENCE);
}
for (const signal of ["SIGTERM", "SIGINT", "SIGHUP"] as const) process.on(signal, end);

void removeLeftBodies();
for (let i = 0; i < wanted; i++) begin();
