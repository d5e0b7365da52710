import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { hashOf } from "@/compute/hash";
import { runOperation } from "@/compute/run";
import type { OperationName, OutputOf } from "@/compute/table";
import { buildOfCore } from "./core-build";

const FILE = new URL("./answers.json", import.meta.url);
const PICTURES = new URL("./colourings/", import.meta.url);

/** What was worked out, by what was asked: the hash of the operation's name and input; and the build of the computation that did. */
interface Kept {
  readonly build: string;
  readonly answers: Readonly<Record<string, unknown>>;
}

const kept = JSON.parse(readFileSync(FILE, "utf8")) as Partial<Kept>;
/** The build of the computation that all of it is of. */
export const build = buildOfCore();
/** What another build worked out is not this one's answer. */
const known = kept.build === build ? (kept.answers ?? {}) : {};
const used: Record<string, unknown> = {};
const pictures = new Map<string, Buffer>();
let fresh = 0;

/**
 * What an operation answers, as this build of it worked it out once and as it was kept in `answers.json`; worked out here when it is asked
 * something else. `part` takes out what the demo needs, so that no more is kept.
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

/** What was worked out of a question that no one operation answers, as it was kept; worked out here when it is another. */
export async function workedFrom<P>(question: object, work: () => Promise<P>): Promise<P> {
  const key = hashOf(["work", question]);
  if (!(key in known)) fresh++;
  return (used[key] = key in known ? (known[key] as P) : await work()) as P;
}

/** A file that was made of a question (a picture, a packed drawing), as it was kept in `colourings/`; made here when it is another. */
export async function fileOf(
  question: object,
  kind: "webp" | "drawing",
  make: () => Promise<Buffer>,
): Promise<Buffer> {
  const key = hashOf([kind, question]);
  const name = `${key}.${kind}`;
  const file = new URL(name, PICTURES);
  const there = key in known && existsSync(file);
  if (!there) fresh++;
  const bytes = there ? readFileSync(file) : await make();
  used[key] = "colourings";
  pictures.set(name, bytes);
  return bytes;
}

/** Answers that had to be worked out since the start. */
export const workedOut = (): number => fresh;

/** Keeps exactly the answers and pictures that were asked for since the start. */
export function keepAnswers(): void {
  const answers = Object.fromEntries(Object.entries(used).sort(([a], [b]) => (a < b ? -1 : 1)));
  writeFileSync(FILE, `${JSON.stringify({ build, answers } satisfies Kept, null, 1)}\n`);
  rmSync(PICTURES, { recursive: true, force: true });
  mkdirSync(PICTURES);
  for (const [name, bytes] of pictures) writeFileSync(new URL(name, PICTURES), bytes);
}
