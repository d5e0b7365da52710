import { readFileSync, writeFileSync } from "node:fs";
import { hashOf } from "@/compute/hash";
import { runOperation } from "@/compute/run";
import type { OperationName, OutputOf } from "@/compute/table";

const FILE = new URL("./answers.json", import.meta.url);

/** Answers by what was asked: the hash of the operation's name and input. */
type Answers = Record<string, unknown>;

const known = JSON.parse(readFileSync(FILE, "utf8")) as Answers;
const used: Answers = {};
let fresh = 0;

/**
 * What an operation answers, as it was worked out once and kept in `answers.json`; worked out here when it is asked something else. `part`
 * takes out what the demo needs, so that no more is kept.
 */
export async function answerOf<N extends OperationName, P>(
  name: N,
  input: object,
  part: (output: OutputOf<N>) => P,
): Promise<P> {
  const key = hashOf([name, input]);
  if (!(key in known)) fresh++;
  return (used[key] = key in known ? (known[key] as P) : part(await runOperation(name, input))) as P;
}

/** Answers that had to be worked out since the start. */
export const workedOut = (): number => fresh;

/** Keeps exactly the answers that were asked for since the start. */
export function keepAnswers(): void {
  const sorted = Object.fromEntries(Object.entries(used).sort(([a], [b]) => (a < b ? -1 : 1)));
  writeFileSync(FILE, `${JSON.stringify(sorted, null, 1)}\n`);
}
