"use client";
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { ReadRack } from "@/compute/from-rack";
import type { OperationName, OutputOf } from "@/compute/table";
import { messageOf } from "@/ui/send";
import { rackKey } from "@/compute/from-rack";
import { ask, compute, type Watch } from "./client";
import { sharedJobs } from "./shared-jobs";

export interface Work<O> {
  /** The answer; while `progress` is told, or after a stop, the best that is known so far, of operations that tell. */
  readonly output: O | undefined;
  /** 0–1 while working, otherwise undefined. */
  readonly progress: number | undefined;
  readonly error: string | undefined;
  readonly cancelled: boolean;
  readonly cancel: () => void;
  readonly again: () => void;
}

const jobs = sharedJobs();

/** Wait before work starts, so that a slider being dragged starts it once. */
const SETTLE_MS = 120;

/** Least time between two tellings of how far work is. */
const TELL_MS = 100;

interface State {
  readonly id: string | null;
  readonly output?: unknown;
  readonly progress?: number;
  readonly error?: string;
  readonly cancelled?: boolean;
  /** The output is the answer, not what is known so far. */
  readonly whole?: boolean;
}

/** Runs a job whenever what it is asked changes; null means there is nothing to do. `id` names the question. */
function useJob<O>(id: string | null, start: (watch: Watch) => Promise<O>): Work<O> {
  const [state, setState] = useState<State>({ id: null });
  const [round, setRound] = useState(0);
  const stop = useRef<() => void>(undefined);
  const latest = useRef(start);
  useEffect(() => {
    latest.current = start;
  });

  useEffect(() => {
    if (id === null || jobs.known(id) !== undefined) return;
    let left = false;
    let leave: (() => void) | undefined;
    // Drawn when there is time for it: what is pressed or typed meanwhile goes first.
    const tell = (state: State | ((s: State) => State)) => startTransition(() => setState(state));
    const timer = setTimeout(() => {
      tell({ id, progress: 0 });
      let told = 0;
      const job = jobs.join(
        id,
        (signal, onProgress) => latest.current({ signal, onProgress }),
        (progress, soFar) => {
          // A bar that moves ten times a second moves smoothly enough; the page has other things to do.
          const now = performance.now();
          if (left || (soFar === undefined && now - told < TELL_MS)) return;
          told = now;
          tell((s) => ({ id, progress, output: soFar ?? (s.id === id ? s.output : undefined) }));
        },
      );
      leave = job.leave;
      job.answer.then(
        (output) => !left && tell({ id, output, whole: true }),
        (error: unknown) => !left && tell({ id, error: messageOf(error) }),
      );
    }, SETTLE_MS);
    const end = () => {
      left = true;
      clearTimeout(timer);
      leave?.();
    };
    stop.current = () => {
      end();
      setState((s) => ({ id, cancelled: true, output: s.id === id ? s.output : undefined }));
    };
    return end;
  }, [id, round]);

  const cancel = useCallback(() => stop.current?.(), []);
  const again = useCallback(() => setRound((r) => r + 1), []);
  const own = state.id === id ? state : undefined;
  const known = id === null ? undefined : jobs.known(id);
  const output = (known ?? own?.output) as O | undefined;
  const idle = known !== undefined || own?.whole || id === null || own?.cancelled || own?.error !== undefined;
  const progress = idle ? undefined : (own?.progress ?? 0);
  const error = own?.error;
  const cancelled = own?.cancelled ?? false;
  return useMemo(
    () => ({ output, progress, error, cancelled, cancel, again }),
    [output, progress, error, cancelled, cancel, again],
  );
}

/** An operation that needs no desk; null while there is nothing to ask. `key` names the input when it is too long to be its own name. */
export function useCompute<N extends OperationName>(
  name: N,
  input: object | null,
  key?: string,
): Work<OutputOf<N>> {
  const id = input && `${name} ${key ?? JSON.stringify(input)}`;
  return useJob(id, (watch) => compute(name, input, watch));
}

/** An operation on the desk of a rack; null while there is nothing to ask. */
export function useAsk<N extends OperationName>(
  name: N,
  rack: ReadRack,
  question: object | null,
): Work<OutputOf<N>> {
  const id = question && `${name} ${rackKey(rack)} ${JSON.stringify(question)}`;
  return useJob(id, (watch) => ask(name, rack, question!, watch));
}
