"use client";
import { proxy, releaseProxy, wrap, type Remote } from "comlink";
import { BadInput } from "@/border/problem";
import { deskOfRack, rackKey, type ReadRack } from "@/compute/from-rack";
import type { OperationName, OutputOf } from "@/compute/table";
import type { ComputeApi, WorkerAnswer } from "@/workers/compute-api";

export interface Watch {
  /** The share that is done, and what is known so far where the operation tells. */
  readonly onProgress?: (share: number, soFar?: unknown) => void;
  readonly signal?: AbortSignal;
}

interface Running {
  readonly remote: Remote<ComputeApi>;
  readonly thread: Worker;
  /** Rejects everything that waits when the worker is gone. */
  readonly waiting: Set<(error: Error) => void>;
  /** Handles of desks and pictures that this worker has opened, or is opening. */
  readonly desks: Map<string, Promise<string>>;
  readonly pictures: Map<string, Promise<void>>;
}

const GONE = "The computing part of this page stopped. It has been started again; please try once more.";

let running: Running | undefined;
let lastJob = 0;

function worker(): Running {
  if (running) return running;
  const thread = new Worker(new URL("../../workers/compute.worker.ts", import.meta.url), { type: "module" });
  const own: Running = {
    remote: wrap<ComputeApi>(thread),
    thread,
    waiting: new Set(),
    desks: new Map(),
    pictures: new Map(),
  };
  thread.onerror = thread.onmessageerror = () => dropWorker(own);
  running = own;
  return own;
}

/** Ends a worker that failed; the next question starts another. */
function dropWorker(failed: Running): void {
  if (running === failed) running = undefined;
  for (const reject of failed.waiting) reject(new Error(GONE));
  failed.waiting.clear();
  failed.remote[releaseProxy]();
  failed.thread.terminate();
}

/** An answer of the worker, or its end. */
async function unlessGone(own: Running, answer: Promise<WorkerAnswer>): Promise<unknown> {
  let give: (error: Error) => void;
  const gone = new Promise<never>((_, reject) => own.waiting.add((give = reject)));
  try {
    const said = await Promise.race([answer, gone]);
    if (said.ok) return said.output;
    if (said.cancelled) throw new DOMException("cancelled", "AbortError");
    throw new BadInput(said.problems);
  } finally {
    own.waiting.delete(give!);
  }
}

/**
 * Runs an operation of the compute table in the worker.
 * @throws BadInput for input that cannot be used; AbortError when stopped
 */
export async function compute<N extends OperationName>(
  name: N,
  input: unknown,
  { onProgress, signal }: Watch = {},
): Promise<OutputOf<N>> {
  signal?.throwIfAborted();
  const own = worker();
  const id = ++lastJob;
  const stop = () => void own.remote.stop(id);
  signal?.addEventListener("abort", stop);
  try {
    const answer = own.remote.run(id, name, input, proxy(onProgress ?? (() => undefined)));
    return (await unlessGone(own, answer as Promise<WorkerAnswer>)) as OutputOf<N>;
  } finally {
    signal?.removeEventListener("abort", stop);
  }
}

/** Handle of a rack's desk, which is opened once in each worker. */
function handleOf(rack: ReadRack): Promise<string> {
  const { desks } = worker();
  const key = rackKey(rack);
  const known = desks.get(key);
  if (known) return known;
  const opening = compute("open", deskOfRack(rack)).then((o) => o.desk);
  desks.set(key, opening);
  opening.catch(() => desks.delete(key));
  return opening;
}

/** Whether something that was named was put away in the meantime. */
export const isUnknown = (e: unknown, path: string): boolean =>
  e instanceof BadInput && e.problems.some((p) => p.path === path);

/** Asks an operation of a rack's desk; a desk that the worker has put away is opened again. */
export async function ask<N extends OperationName>(
  name: N,
  rack: ReadRack,
  question: object,
  watch: Watch = {},
): Promise<OutputOf<N>> {
  const once = async () => compute(name, { desk: await handleOf(rack), ...question }, watch);
  try {
    return await once();
  } catch (e) {
    if (!isUnknown(e, "desk")) throw e;
    worker().desks.delete(rackKey(rack));
    return once();
  }
}

/** A picture as the worker knows it. */
export interface NamedPicture {
  /** Names the picture, which never changes under it. */
  readonly handle: string;
  readonly load: () => Promise<Blob>;
  readonly called: string;
}

/** Has a picture decoded in the worker, where it stays; `anew` when it was put away there. */
export async function havePicture({ handle, load, called }: NamedPicture, anew = false): Promise<void> {
  const own = worker();
  if (anew) own.pictures.delete(handle);
  const opening =
    own.pictures.get(handle) ??
    load().then(async (blob) => {
      await unlessGone(own, own.remote.openPicture(handle, blob, called) as Promise<WorkerAnswer>);
    });
  own.pictures.set(handle, opening);
  opening.catch(() => own.pictures.delete(handle));
  return opening;
}

/** Asks an operation of a picture, which is decoded in the worker and stays there. */
export async function askOfPicture<N extends OperationName>(
  name: N,
  picture: NamedPicture,
  question: object,
  watch: Watch = {},
): Promise<OutputOf<N>> {
  const once = async (anew: boolean) => {
    await havePicture(picture, anew);
    return compute(name, { image: { picture: picture.handle }, ...question }, watch);
  };
  try {
    return await once(false);
  } catch (e) {
    if (!isUnknown(e, "image.picture")) throw e;
    return once(true);
  }
}
