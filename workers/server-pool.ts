import { memory } from "@/core/memory";
import { availableParallelism } from "node:os";
import path from "node:path";
import { Piscina } from "piscina";
import { BadInput } from "@/border/problem";
import { Cancelled } from "@/core/progress";
import type { ServerAnswer, ServerJob } from "./server-compute";

/** The server is at work for others and takes no more just now, or one question took too long. */
export class Busy extends Error {
  constructor(message: string) {
    super(message);
    this.name = "Busy";
  }
}

/** Questions that wait for a thread; more are sent away at once. */
const MOST_WAITING = 24;
/** Longest that one question may take, ms. */
const LONGEST = 60_000;
/** Memory of a thread, MB: what the border lets in needs less. */
const MOST_MEMORY = 900;
/** A thread that nothing was asked of for so long ends, ms. */
const IDLE = { people: 60_000, pages: 600_000 } as const;

/** What threads run: the file that a build has made of it, or the sources. */
const THREAD =
  process.env.BLENDT_THREAD ??
  path.join(/* turbopackIgnore: true */ process.cwd(), "workers", "server-thread.mjs");

/** Who asks: people, or pages that are being made, which wait for a moment only and have a thread to themselves. */
export type Asker = "people" | "pages";

/** One pool of each a process, kept over hot reloads. */
const shared = globalThis as typeof globalThis & {
  blendtCompute?: Partial<Record<Asker, Piscina<ServerJob, ServerAnswer>>>;
};

const pool = (asker: Asker): Piscina<ServerJob, ServerAnswer> =>
  ((shared.blendtCompute ??= {})[asker] ??= new Piscina({
    filename: THREAD,
    name: "answerJob",
    minThreads: 0,
    // Pages are made beside the computation: one core is left to them.
    maxThreads: asker === "pages" ? 1 : Math.max(1, Math.min(4, availableParallelism() - 1)),
    // One more than are let in: what wakes the pool must find room.
    maxQueue: MOST_WAITING + 1,
    idleTimeout: IDLE[asker],
    // And they go first on the others, too.
    niceIncrement: 5,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY },
  }));

/** A question that is answered at once. */
const NOTHING: ServerJob = { name: "nothing", input: {} };

/** Whoever waits when a thread was stopped would wait until somebody else asks: only then does the pool start another thread. */
function wake(threads: Piscina<ServerJob, ServerAnswer>): void {
  if (threads.queueSize && threads.threads.length < threads.maxThreads)
    threads.run(NOTHING).catch(() => undefined);
}

/** Desks by the handle that `open` gave, for threads that have not opened them, or have ended since. */
const desks = memory<object>(6);

const isFields = (v: unknown): v is Record<string, unknown> =>
  typeof v === "object" && v !== null && !Array.isArray(v);

async function inThread(
  job: ServerJob,
  signal: AbortSignal,
  { longest = LONGEST, asker = "people" }: Conditions,
): Promise<ServerAnswer> {
  // AbortSignal.any would do, but a signal made of others may be collected before they fire (Node 20).
  const stop = new AbortController();
  const end = () => stop.abort();
  const timer = setTimeout(end, longest);
  signal.addEventListener("abort", end);
  const threads = pool(asker);
  try {
    if (signal.aborted) throw new Cancelled();
    if (threads.queueSize >= MOST_WAITING)
      throw new Busy("Others are computing just now. Try again in a moment.");
    return await threads.run(job, { signal: stop.signal });
  } catch (e) {
    wake(threads);
    if (e instanceof Busy) throw e;
    if (signal.aborted) throw new Cancelled();
    if (stop.signal.aborted)
      throw new Busy(
        `This takes longer than ${longest / 1000} s here. Ask for less, or use ./blendt compute.`,
      );
    const message = e instanceof Error ? e.message : "";
    if (/memory|heap/i.test(message))
      throw new Busy("This needs more memory than there is here. Ask for less, or use ./blendt compute.");
    throw e;
  } finally {
    clearTimeout(timer);
    signal.removeEventListener("abort", end);
  }
}

export interface Conditions {
  /** Time after which it is stopped, ms. */
  readonly longest?: number;
  readonly asker?: Asker;
}

/**
 * Asks an operation in a thread of its own: pages go on meanwhile, and whoever goes away stops it, whatever it is doing.
 * @throws BadInput; Busy; Cancelled
 */
export async function askInThread(
  name: string,
  input: unknown,
  signal: AbortSignal,
  conditions: Conditions = {},
): Promise<unknown> {
  let answer = await inThread({ name, input }, signal, conditions);
  if ("unknownDesk" in answer && answer.unknownDesk && isFields(input)) {
    const { desk, ...question } = input;
    const known = typeof desk === "string" ? desks.recall(desk) : undefined;
    if (known) answer = await inThread({ name, input: { ...known, ...question } }, signal, conditions);
  }
  if ("problems" in answer) throw new BadInput(answer.problems);
  if (name === "open" && isFields(input)) desks.keep((answer.output as { desk: string }).desk, input);
  return answer.output;
}

/** Ends all threads; the next question starts new ones. */
export async function closePool(): Promise<void> {
  const ending = Object.values(shared.blendtCompute ?? {});
  delete shared.blendtCompute;
  await Promise.all(ending.map((p) => p.destroy()));
}
