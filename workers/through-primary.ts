import cluster, { type Worker } from "node:cluster";
import { BadInput, type Problem } from "@/border/problem";
import { Cancelled } from "@/core/progress";
import { askInThread, Busy, type Asker } from "./server-pool";

/** What a process that answers people sends to the one that computes for all of them. */
export type Question =
  | { readonly ask: number; readonly name: string; readonly input: unknown; readonly asker?: Asker }
  | { readonly stop: number };

/** What comes back. */
export type Answer = { readonly ask: number } & (
  | { readonly output: unknown }
  | { readonly problems: readonly Problem[] }
  | { readonly busy: string }
  | { readonly cancelled: true }
  | { readonly failed: string }
);

type Settle = (answer: Answer) => void;

/** Questions of this process that wait for an answer, by number. */
const waiting = new Map<number, Settle>();
let asked = 0;

const isAnswer = (message: unknown): message is Answer =>
  typeof message === "object" && message !== null && "ask" in message;

function listen(): void {
  if (asked) return;
  process.on("message", (message: unknown) => {
    if (isAnswer(message)) waiting.get(message.ask)?.(message);
  });
}

function outputOf(answer: Answer): unknown {
  if ("output" in answer) return answer.output;
  if ("problems" in answer) throw new BadInput(answer.problems);
  if ("busy" in answer) throw new Busy(answer.busy);
  if ("cancelled" in answer) throw new Cancelled();
  throw new Error(answer.failed);
}

async function askPrimary(name: string, input: unknown, signal: AbortSignal, asker: Asker): Promise<unknown> {
  if (signal.aborted) throw new Cancelled();
  listen();
  const ask = ++asked;
  const stop = () => process.send!({ stop: ask } satisfies Question);
  signal.addEventListener("abort", stop);
  try {
    return outputOf(
      await new Promise<Answer>((settle) => {
        waiting.set(ask, settle);
        process.send!({ ask, name, input, asker } satisfies Question);
      }),
    );
  } finally {
    waiting.delete(ask);
    signal.removeEventListener("abort", stop);
  }
}

/**
 * Asks an operation in a thread beside whoever answers people. Several processes answer on one port (scripts/serve.ts); the threads, and
 * the desks that `open` keeps, are their primary's, so that a handle is good whichever of them is asked.
 * @throws BadInput; Busy; Cancelled
 */
export const compute = (
  name: string,
  input: unknown,
  signal: AbortSignal,
  asker: Asker = "people",
): Promise<unknown> =>
  cluster.isWorker ? askPrimary(name, input, signal, asker) : askInThread(name, input, signal, { asker });

function answerTo(ask: number, e: unknown): Answer {
  if (e instanceof BadInput) return { ask, problems: e.problems };
  if (e instanceof Busy) return { ask, busy: e.message };
  if (e instanceof Cancelled) return { ask, cancelled: true };
  return { ask, failed: e instanceof Error ? e.message : String(e) };
}

/** Answers what a process asks, for as long as it lives; what it asked is stopped when it is gone. */
export function computeFor(worker: Pick<Worker, "on" | "send" | "isConnected">): void {
  const going = new Map<number, AbortController>();
  worker.on("message", (question: Question) => {
    if ("stop" in question) return void going.get(question.stop)?.abort();
    if (!("ask" in question)) return;
    const { ask, name, input, asker = "people" } = question;
    const stop = new AbortController();
    going.set(ask, stop);
    void askInThread(name, input, stop.signal, { asker })
      .then(
        (output): Answer => ({ ask, output }),
        (e: unknown) => answerTo(ask, e),
      )
      .then((answer) => {
        going.delete(ask);
        if (worker.isConnected()) worker.send(answer);
      });
  });
  worker.on("exit", () => {
    for (const stop of going.values()) stop.abort();
  });
}
