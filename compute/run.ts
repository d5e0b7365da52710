import { BadInput, wrong } from "@/border/problem";
import { readAs } from "@/border/read-as";
import { Cancelled, part, type Work } from "@/core/progress";
import type { OpenDesk } from "./desk";
import { deskFor, questionOf } from "./desks";
import type { Operation } from "./operation";
import { isOperation, operationNames, table, type OperationName, type OutputOf } from "./table";

export interface Watch {
  /** The share that is done, 0–1, and what is known so far where the operation tells. */
  readonly onProgress?: (share: number, soFar?: unknown) => void;
  readonly signal?: AbortSignal;
}

/** Longest stretch of work, in ms, before messages (such as a wish to stop) are let in. */
const STRETCH = 40;
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
/** Share of the progress that opening a desk takes. */
const OPENING = 0.4;

const isWork = (v: unknown): v is Work<unknown> =>
  typeof (v as Work<unknown> | undefined)?.next === "function";

/** What is wrong with an input, whichever part is at fault: both parts are looked at before anything is said. */
function* askedOf(
  { question, ofDesk }: Operation<object, unknown>,
  plain: unknown,
): Work<[object, OpenDesk | undefined]> {
  if (!ofDesk) return [readAs(question, plain), undefined];
  let asked: object | undefined;
  const problems: BadInput["problems"][number][] = [];
  try {
    asked = readAs(question, questionOf(plain));
  } catch (e) {
    if (!(e instanceof BadInput)) throw e;
    problems.push(...e.problems);
  }
  try {
    const open = yield* part(deskFor(plain), 0, OPENING);
    if (asked) return [asked, open];
  } catch (e) {
    if (!(e instanceof BadInput) || !problems.length) throw e;
    problems.push(...e.problems);
  }
  throw new BadInput(problems);
}

/** An operation as work that can be stopped between two of its steps. */
function* asWork(name: string, plain: unknown, show: (soFar: unknown) => void): Work<unknown> {
  if (!isOperation(name))
    throw wrong(
      "",
      `expected one of ${operationNames.join(", ")}; there is no operation "${name.slice(0, 60)}"`,
    );
  const operation = table[name] as unknown as Operation<object, unknown>;
  const [question, open] = yield* askedOf(operation, plain);
  const answer = operation.run(question, open!, show);
  return isWork(answer) ? yield* open ? part(answer, OPENING, 1 - OPENING) : answer : answer;
}

/**
 * Does a piece of work, and lets messages in between.
 * @throws Cancelled when stopped
 */
export async function runWork<T>(
  work: Work<T>,
  { onProgress, signal }: Watch = {},
  at?: (share: number) => void,
): Promise<T> {
  let paused = performance.now();
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
    at?.(value);
    if (performance.now() - paused > STRETCH) {
      onProgress?.(value);
      await breathe();
      if (signal?.aborted) throw new Cancelled();
      paused = performance.now();
    }
  }
}

/**
 * Runs an operation of the table on unchecked input.
 * @throws BadInput for an unknown name or a wrong field; Cancelled when stopped
 */
export async function runOperation<N extends OperationName>(
  name: N | (string & {}),
  plain: unknown,
  watch: Watch = {},
): Promise<OutputOf<N>> {
  let share = 0;
  const work = asWork(name, plain, (soFar) => watch.onProgress?.(share, soFar));
  return (await runWork(work, watch, (now) => (share = now))) as OutputOf<N>;
}
