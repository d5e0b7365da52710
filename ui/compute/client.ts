"use client";
import { proxy, wrap, type Remote } from "comlink";
import type { OperationName, OutputOf } from "@/compute/table";
import type { ComputeWorker, WorkerAnswer } from "@/workers/compute.worker";

/** Input that an operation refused; the message says which field and what was expected. */
export class ComputeRefused extends Error {}

let remote: Remote<ComputeWorker> | undefined;
let lastJob = 0;

function worker(): Remote<ComputeWorker> {
  remote ??= wrap<ComputeWorker>(
    new Worker(new URL("../../workers/compute.worker.ts", import.meta.url), { type: "module" }),
  );
  return remote;
}

/**
 * Runs an operation of the compute table in the worker.
 * @throws ComputeRefused for input that cannot be used; AbortError when stopped
 */
export async function compute<N extends OperationName>(
  name: N,
  input: unknown,
  watch: { onProgress?: (share: number) => void; signal?: AbortSignal } = {},
): Promise<OutputOf<N>> {
  const id = ++lastJob;
  const stop = () => void worker().stop(id);
  watch.signal?.throwIfAborted();
  watch.signal?.addEventListener("abort", stop);
  try {
    const answer = (await worker().run(
      id,
      name,
      input,
      proxy(watch.onProgress ?? (() => undefined)),
    )) as WorkerAnswer;
    if (answer.ok) return answer.output as OutputOf<N>;
    if (answer.cancelled) throw new DOMException("cancelled", "AbortError");
    throw new ComputeRefused(answer.message);
  } finally {
    watch.signal?.removeEventListener("abort", stop);
  }
}
