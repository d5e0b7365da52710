"use client";
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { rackKey, type ReadRack } from "@/compute/from-rack";
import type { OperationName, OutputOf } from "@/compute/table";
import { messageOf } from "@/ui/send";
import { ask, compute, type Watch } from "./client";
import { sharedJobs } from "./shared-jobs";

/** What is known of a question while it is answered, and then. */
export interface Work<O> {
  /** The answer; while `progress` is told, or after a stop, the best that is known so far, of work that tells, else the last answer about the same. */
  readonly output: O | undefined;
  /** The output is that of an older question about the same. */
  readonly old: boolean;
  /** 0–1 while working, otherwise undefined. */
  readonly progress: number | undefined;
  readonly error: string | undefined;
  readonly cancelled: boolean;
  readonly cancel: () => void;
  /** Asks again, whatever was answered. */
  readonly again: () => void;
}

export interface JobWish {
  /** Names what the question is about: the last answer about the same stays in sight while another is worked out. */
  readonly about?: string | undefined;
  /** Wait before work starts, ms, so that a slider being dragged starts it once. */
  readonly settle?: number;
  /** The question changes faster than it is answered: what was begun is ended and shown, then the newest is asked; nothing is thrown away. */
  readonly following?: boolean;
  /** Answers that are kept for whoever asks the same again, and how many. */
  readonly store?: Jobs;
}

export type Jobs = ReturnType<typeof sharedJobs>;
const plainJobs = sharedJobs();

const SETTLE_MS = 120;
/** Least time between two tellings of how far work is. */
const TELL_MS = 100;

interface State {
  readonly id: string | null;
  readonly about?: string | undefined;
  readonly output?: unknown;
  readonly progress?: number;
  readonly error?: string;
  readonly cancelled?: boolean;
  /** The output is the answer, not what is known so far. */
  readonly whole?: boolean;
}

/** Drawn when there is time for it: what is pressed or typed meanwhile goes first. */
const calmly = startTransition;

/** A state's output where it is about the same as what comes next. */
const stays = (s: State, about: string | undefined) =>
  about !== undefined && s.about === about && s.output !== undefined ? { output: s.output } : {};

/**
 * The one way in which a screen asks for something that takes time: runs work whenever what it is asked changes. The same question asked twice
 * is one job, answers are kept, what is not wanted any more is stopped.
 * @param id names the question; null while there is nothing to ask
 */
export function useJob<O>(
  id: string | null,
  start: (watch: Watch) => Promise<O>,
  { about, settle = SETTLE_MS, following = false, store = plainJobs }: JobWish = {},
): Work<O> {
  const [state, setState] = useState<State>({ id: null });
  const [round, setRound] = useState(0);
  const stop = useRef<() => void>(undefined);
  const latest = useRef({ id, start, about, following });
  useEffect(() => {
    latest.current = { id, start, about, following };
  });
  const alive = useRef(false);
  useEffect(() => {
    alive.current = true;
    return () => {
      alive.current = false;
    };
  }, []);
  const running = useRef(false);

  /** Answers question after question as long as they change. */
  const follow = useCallback(async () => {
    if (running.current) return;
    running.current = true;
    try {
      for (let done: string | null = null; alive.current;) {
        const own = latest.current;
        if (!own.following || own.id === null || own.id === done) break;
        const output = await own.start({});
        done = own.id;
        if (alive.current) setState({ id: own.id, about: own.about, output, whole: true });
      }
    } catch (e) {
      if (alive.current) setState((s) => ({ ...s, id: latest.current.id, error: messageOf(e) }));
    } finally {
      running.current = false;
    }
  }, []);

  useEffect(() => {
    if (id === null || store.known(id) !== undefined) return;
    if (following) {
      void follow();
      return;
    }
    let left = false;
    let leave: (() => void) | undefined;
    const tell = (next: (s: State) => State) => calmly(() => setState(next));
    const begin = () => {
      tell((s) => ({ id, about, progress: 0, ...stays(s, about) }));
      let told = 0;
      const job = store.join(
        id,
        (signal, onProgress) => latest.current.start({ signal, onProgress }),
        (progress, soFar) => {
          // A bar that moves ten times a second moves smoothly enough; the page has other things to do.
          const now = performance.now();
          if (left || (soFar === undefined && now - told < TELL_MS)) return;
          told = now;
          tell((s) => ({
            id,
            about,
            progress,
            ...(soFar !== undefined
              ? { output: soFar }
              : s.id === id && s.output !== undefined
                ? { output: s.output }
                : stays(s, about)),
          }));
        },
      );
      leave = job.leave;
      job.answer.then(
        (output) => !left && tell(() => ({ id, about, output, whole: true })),
        (error: unknown) =>
          !left && tell((s) => ({ id, about, error: messageOf(error), ...stays(s, about) })),
      );
    };
    const timer = setTimeout(begin, settle);
    const end = () => {
      left = true;
      clearTimeout(timer);
      leave?.();
    };
    stop.current = () => {
      end();
      setState((s) => ({
        id,
        about,
        cancelled: true,
        ...(s.id === id ? { output: s.output } : stays(s, about)),
      }));
    };
    return end;
    // What it is about follows from the question.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, round, following, store]);

  const cancel = useCallback(() => stop.current?.(), []);
  const again = useCallback(() => {
    if (latest.current.id !== null) store.forget(latest.current.id);
    setRound((r) => r + 1);
  }, [store]);
  const own = state.id === id ? state : undefined;
  const known = id === null ? undefined : store.known(id);
  const present = (known ?? own?.output) as O | undefined;
  const last = id === null ? undefined : (stays(state, about).output as O | undefined);
  const output = present ?? last;
  const old = present === undefined && last !== undefined;
  const idle = known !== undefined || own?.whole || id === null || own?.cancelled || own?.error !== undefined;
  const progress = idle ? undefined : (own?.progress ?? 0);
  const error = own?.error;
  const cancelled = own?.cancelled ?? false;
  // What was known without being asked is what stays when the next is asked.
  if (known !== undefined && about !== undefined && state.output !== known)
    setState({ id, about, output: known, whole: true });
  return useMemo(
    () => ({ output, old, progress, error, cancelled, cancel, again }),
    [output, old, progress, error, cancelled, cancel, again],
  );
}

/** An operation that needs no desk; null while there is nothing to ask. `key` names the input when it is too long to be its own name. */
export function useCompute<N extends OperationName>(
  name: N,
  input: object | null,
  key?: string,
  wish?: JobWish,
): Work<OutputOf<N>> {
  const id = input && `${name} ${key ?? JSON.stringify(input)}`;
  return useJob(id, (watch) => compute(name, input, watch), wish);
}

/** An operation on the desk of a rack; null while there is nothing to ask. */
export function useAsk<N extends OperationName>(
  name: N,
  rack: ReadRack,
  question: object | null,
  wish?: JobWish,
): Work<OutputOf<N>> {
  const id = question && `${name} ${rackKey(rack)} ${JSON.stringify(question)}`;
  return useJob(id, (watch) => ask(name, rack, question!, watch), wish);
}
