import { createStore } from "zustand";
import { inOrder, type WorkEvent, type WorkEventKind } from "@/core/work/record";
import { send, SendFailed } from "@/ui/send";
import { keepEvents, keptEvents } from "./kept-events";

/** How the log stands towards the studio. */
export type LogState =
  | { readonly kind: "saved" }
  | { readonly kind: "saving" }
  /** Kept on this device until the studio can be reached again. */
  | { readonly kind: "waiting"; readonly message: string }
  /** The studio will not take it as it is. */
  | { readonly kind: "refused"; readonly message: string };

interface Log {
  /** All that is known of the piece, first things first. */
  readonly events: readonly WorkEvent[];
  readonly unsent: number;
  readonly state: LogState;
}

/** Between tries while the studio cannot be reached, ms. */
const RETRY_MS = [1000, 2000, 5000, 10_000, 30_000] as const;
/** How often it is asked what other devices did, ms. */
const ASK_MS = 15_000;
/** Events that go at once. */
const AT_ONCE = 400;

/** What is new of an event, without what the log gives it. */
export type NewEvent = {
  [K in WorkEventKind]: Omit<Extract<WorkEvent, { kind: K }>, "id" | "at">;
}[WorkEventKind];

/**
 * What is done at the desk to one piece. Each event is kept on this device at once and sent when the studio can be reached: in the order in which
 * it happened, again until it is answered for, and there once however often it is sent. Tabs of this device tell each other.
 * @param known what came with the page
 */
export function createWorkLog(pieceId: string, known: readonly WorkEvent[], mayChange: boolean) {
  const log = createStore<Log>(() => ({ events: inOrder(known), unsent: 0, state: { kind: "saved" } }));
  const unsent = new Map<string, WorkEvent>();
  let channel: BroadcastChannel | undefined;
  const url = `/api/pieces/${pieceId}/work`;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let [running, busy, failures] = [false, false, 0];

  const set = (state: LogState) => log.setState({ state, unsent: unsent.size });
  /** Takes events in; those that are there stay as they are. */
  function merge(events: readonly WorkEvent[]): void {
    const there = new Set(log.getState().events.map((e) => e.id));
    const fresh = events.filter((e) => !there.has(e.id));
    if (fresh.length)
      log.setState((s) => ({ events: inOrder([...s.events, ...fresh]), unsent: unsent.size }));
  }
  function schedule(ms: number): void {
    clearTimeout(timer);
    if (!running) return;
    timer = setTimeout(() => void flush(), ms);
  }

  async function flush(): Promise<void> {
    if (busy) return;
    busy = true;
    const batch = inOrder([...unsent.values()]).slice(0, AT_ONCE);
    try {
      if (batch.length) set({ kind: "saving" });
      const { events } = await (batch.length
        ? send<{ events: WorkEvent[] }>("POST", url, { events: batch })
        : send<{ events: WorkEvent[] }>("GET", url));
      failures = 0;
      for (const e of batch) unsent.delete(e.id);
      merge(events);
      await keepEvents(pieceId, events, true);
      set({ kind: "saved" });
      schedule(unsent.size ? 0 : ASK_MS);
    } catch (e) {
      const { status, message } = e instanceof SendFailed ? e : new SendFailed(String(e), 0);
      if (status >= 400 && status < 500 && status !== 401 && status !== 408 && status !== 429)
        set({ kind: "refused", message });
      else if (unsent.size)
        set({
          kind: "waiting",
          message: status === 401 ? "You are signed out. Sign in again in another tab." : message,
        });
      schedule(RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)]!);
    } finally {
      busy = false;
    }
  }

  /** The time of this device; never before what is known to have happened, so that what comes later stands later even when a clock was set back. */
  const later = () => Math.max(Date.now(), (log.getState().events.at(-1)?.at ?? 0) + 1);

  return {
    log,
    /** Begins to listen and to send; the answer ends it. */
    start(): () => void {
      let ended = false;
      running = true;
      channel =
        typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel(`blendt-work-${pieceId}`);
      void keptEvents(pieceId).then(({ all, unsent: left }) => {
        if (ended) return;
        if (mayChange) for (const e of left) unsent.set(e.id, e);
        merge(all);
        schedule(0);
      });
      const now = () => schedule(0);
      const seen = () => document.visibilityState === "visible" && now();
      const told = (e: MessageEvent<WorkEvent[]>) => merge(e.data);
      window.addEventListener("online", now);
      document.addEventListener("visibilitychange", seen);
      channel?.addEventListener("message", told);
      return () => {
        ended = true;
        running = false;
        clearTimeout(timer);
        window.removeEventListener("online", now);
        document.removeEventListener("visibilitychange", seen);
        channel?.close();
        channel = undefined;
      };
    },
    /** Writes down what happened, at once on the screen and on this device. Gives its id. */
    add(event: NewEvent): string {
      const whole = { ...event, id: crypto.randomUUID(), at: later() } as WorkEvent;
      unsent.set(whole.id, whole);
      merge([whole]);
      set({ kind: "saving" });
      void keepEvents(pieceId, [whole], false).then(() => channel?.postMessage([whole]));
      schedule(0);
      return whole.id;
    },
  };
}

export type WorkLog = ReturnType<typeof createWorkLog>;
