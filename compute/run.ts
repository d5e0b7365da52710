import { isOperation, operationNames, table, type OperationName, type OutputOf } from "./table";
import { BadInput } from "./problem";
import { validate } from "./validate";

/** Work that was stopped on request. */
export class Cancelled extends Error {
  constructor() {
    super("cancelled");
    this.name = "Cancelled";
  }
}

export interface Watch {
  readonly onProgress?: (share: number) => void;
  readonly signal?: AbortSignal;
}

/** Longest stretch of work, in ms, before messages (such as a wish to stop) are let in. */
const STRETCH = 40;
const breathe = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

/**
 * Runs an operation of the table on unchecked input.
 * @throws BadInput for an unknown name or a wrong field; Cancelled when stopped
 */
export async function runOperation<N extends OperationName>(
  name: N | (string & {}),
  plain: unknown,
  watch: Watch = {},
): Promise<OutputOf<N>> {
  if (!isOperation(name))
    throw new BadInput([
      { path: "", expected: `expected one of ${operationNames.join(", ")}; there is no operation "${name}"` },
    ]);
  const { input, run } = table[name];
  const work = (run as (input: object) => unknown)(validate<object>(input, plain));
  if (!isGenerator(work)) return work as OutputOf<N>;
  let paused = performance.now();
  for (;;) {
    const { done, value } = work.next();
    if (done) return value as OutputOf<N>;
    if (performance.now() - paused > STRETCH) {
      watch.onProgress?.(value as number);
      await breathe();
      if (watch.signal?.aborted) throw new Cancelled();
      paused = performance.now();
    }
  }
}

const isGenerator = (v: unknown): v is Generator<number, unknown> =>
  typeof (v as Generator | undefined)?.next === "function";
