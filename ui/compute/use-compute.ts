"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { OperationName, OutputOf } from "@/compute/table";
import { compute } from "./client";

export interface Work<O> {
  readonly output: O | undefined;
  /** 0–1 while working, otherwise undefined. */
  readonly progress: number | undefined;
  readonly error: string | undefined;
  readonly cancelled: boolean;
  readonly cancel: () => void;
  readonly again: () => void;
}

/** Answers kept in this tab, so that going back to an area shows its groups at once. */
const known = new Map<string, unknown>();
const MOST_KNOWN = 200;

/** Wait before work starts, so that a slider being dragged starts it once. */
const SETTLE_MS = 120;

/**
 * Runs an operation whenever its input changes; null means there is nothing to do. `key` names the input: it must change exactly when the
 * input does.
 */
export function useCompute<N extends OperationName>(
  name: N,
  key: string | null,
  input: () => unknown,
): Work<OutputOf<N>> {
  type O = OutputOf<N>;
  const id = key === null ? null : `${name} ${key}`;
  const [state, setState] = useState<{
    id: string | null;
    output?: O;
    progress?: number;
    error?: string;
    cancelled?: boolean;
  }>({ id: null });
  const [round, setRound] = useState(0);
  const abort = useRef<AbortController>(undefined);
  const latestInput = useRef(input);
  useEffect(() => {
    latestInput.current = input;
  });

  useEffect(() => {
    if (id === null || known.has(id)) return;
    const controller = new AbortController();
    abort.current = controller;
    const timer = setTimeout(() => {
      setState({ id, progress: 0 });
      compute(name, latestInput.current(), {
        signal: controller.signal,
        onProgress: (progress) => !controller.signal.aborted && setState({ id, progress }),
      }).then(
        (output) => {
          if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
          known.set(id, output);
          if (!controller.signal.aborted) setState({ id, output });
        },
        (error: unknown) => {
          if (controller.signal.reason === "replaced") return;
          if (controller.signal.aborted) setState({ id, cancelled: true });
          else setState({ id, error: error instanceof Error ? error.message : String(error) });
        },
      );
    }, SETTLE_MS);
    const unstarted = () => {
      clearTimeout(timer);
      if (controller.signal.reason !== "replaced") setState({ id, cancelled: true });
    };
    controller.signal.addEventListener("abort", unstarted);
    return () => {
      controller.abort("replaced");
    };
  }, [name, id, round]);

  const cancel = useCallback(() => abort.current?.abort("cancelled"), []);
  const again = useCallback(() => setRound((r) => r + 1), []);
  const own = state.id === id ? state : undefined;
  const output = id === null ? undefined : ((known.get(id) as O | undefined) ?? own?.output);
  return {
    output,
    progress:
      output || id === null ? undefined : own?.cancelled || own?.error ? undefined : (own?.progress ?? 0),
    error: own?.error,
    cancelled: own?.cancelled ?? false,
    cancel,
    again,
  };
}
