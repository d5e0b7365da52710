import { expose } from "comlink";
import { BadInput } from "@/compute/problem";
import { Cancelled, runOperation } from "@/compute/run";

export type WorkerAnswer =
  | { readonly ok: true; readonly output: unknown }
  | { readonly ok: false; readonly cancelled: boolean; readonly message: string };

const stops = new Map<number, AbortController>();

const api = {
  /** Runs an operation of the compute table; `id` names the job for {@link stop}. */
  async run(
    id: number,
    name: string,
    input: unknown,
    onProgress: (share: number) => void,
  ): Promise<WorkerAnswer> {
    const controller = new AbortController();
    stops.set(id, controller);
    try {
      return {
        ok: true,
        output: await runOperation(name, input, {
          onProgress: (s) => void onProgress(s),
          signal: controller.signal,
        }),
      };
    } catch (error) {
      if (!(error instanceof BadInput || error instanceof Cancelled)) throw error;
      return { ok: false, cancelled: error instanceof Cancelled, message: error.message };
    } finally {
      stops.delete(id);
    }
  },
  stop(id: number): void {
    stops.get(id)?.abort();
  },
};

export type ComputeWorker = typeof api;

expose(api);
