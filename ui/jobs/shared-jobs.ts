import { memory } from "@/core/memory";

/** Is told the share that is done, and what is known so far where that is told. */
type Watcher = (share: number, soFar?: unknown) => void;

interface Job {
  readonly controller: AbortController;
  readonly watchers: Set<Watcher>;
  readonly answer: Promise<unknown>;
}

/** Answers that are kept, so that going back shows them at once. */
const MOST_KNOWN = 200;

/**
 * Jobs by the question they answer: the same question asked twice at a time is one job, and is stopped when the last who asked has left;
 * so many answers are kept.
 */
export function sharedJobs(most = MOST_KNOWN) {
  const running = new Map<string, Job>();
  const known = memory<object>(Math.max(1, most));
  return {
    known: (id: string): unknown => (most ? known.recall(id) : undefined),
    forget: (id: string): void => known.forget(id),
    /** Joins the job of a question, or starts it. `leave` gives it up. */
    join(
      id: string,
      start: (signal: AbortSignal, onProgress: Watcher) => Promise<unknown>,
      onProgress: Watcher,
    ): { readonly answer: Promise<unknown>; readonly leave: () => void } {
      let job = running.get(id);
      if (!job) {
        const controller = new AbortController();
        const watchers = new Set<Watcher>();
        const answer = start(controller.signal, (share, soFar) => watchers.forEach((w) => w(share, soFar)))
          .then((output) => {
            if (most && output !== undefined) known.keep(id, output as object);
            return output;
          })
          .finally(() => {
            if (running.get(id)?.controller === controller) running.delete(id);
          });
        // Whoever left hears nothing of how it ended.
        answer.catch(() => undefined);
        job = { controller, watchers, answer };
        running.set(id, job);
      }
      const own = job;
      // Each joins with a watcher of its own, so that two who watch alike are two.
      const watch: Watcher = (share, soFar) => onProgress(share, soFar);
      own.watchers.add(watch);
      return {
        answer: own.answer,
        leave: () => {
          own.watchers.delete(watch);
          if (own.watchers.size || running.get(id) !== own) return;
          running.delete(id);
          own.controller.abort();
        },
      };
    },
  };
}
