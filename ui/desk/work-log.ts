import { createStore } from "zustand";
import { inOrder, type WorkEvent, type WorkEventKind } from "@/core/work/record";
import { send, SendFailed, sendPicture } from "@/ui/send";
import { keepEvents, keptEvents } from "./kept-events";
import { dropPhoto, keepPhoto, keptPhotos, type KeptPhoto } from "./kept-photos";

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
  /** Events and photos that the studio does not have. */
  readonly unsent: number;
  readonly state: LogState;
}

/** Between tries while the studio cannot be reached, ms. */
const RETRY_MS = [1000, 2000, 5000, 10_000, 30_000] as const;
/** How often it is asked what other devices did, ms. */
const ASK_MS = 15_000;
/** Events that go at once. */
const AT_ONCE = 400;

/** Whether the studio may take later what it does not take now. */
const mayTakeLater = (status: number): boolean =>
  !(status >= 400 && status < 500 && status !== 401 && status !== 408 && status !== 429);

/** What is new of an event, without what the log gives it. */
export type NewEvent = {
  [K in WorkEventKind]: Omit<Extract<WorkEvent, { kind: K }>, "id" | "at">;
}[WorkEventKind];

/**
 * What is done at the desk to one piece. Each event is kept on this device at once and sent when the studio can be reached: in the order in which
 * it happened, again until it is answered for, and there once however often it is sent; a photo becomes an event once the studio has it. Tabs of
 * this device tell each other.
 * @param known what came with the page
 */
export function createWorkLog(pieceId: string, known: readonly WorkEvent[], mayChange: boolean) {
  const log = createStore<Log>(() => ({ events: inOrder(known), unsent: 0, state: { kind: "saved" } }));
  const unsent = new Map<string, WorkEvent>();
  const photos = new Map<string, KeptPhoto>();
  let channel: BroadcastChannel | undefined;
  const url = `/api/pieces/${pieceId}/work`;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let [running, busy, failures] = [false, false, 0];

  const waiting = () => unsent.size + photos.size;
  const set = (state: LogState) => log.setState({ state, unsent: waiting() });
  /** Takes events in; those that are there stay as they are. */
  function merge(events: readonly WorkEvent[]): void {
    const there = new Set(log.getState().events.map((e) => e.id));
    const fresh = events.filter((e) => !there.has(e.id));
    if (fresh.length) log.setState((s) => ({ events: inOrder([...s.events, ...fresh]), unsent: waiting() }));
  }
  function schedule(ms: number): void {
    clearTimeout(timer);
    if (!running) return;
    timer = setTimeout(() => void flush(), ms);
  }

  /** Sends the photos that wait, one after the other; each becomes an event once the studio has it. */
  async function flushPhotos(): Promise<void> {
    for (const { id, event, at, picture, name, note } of [...photos.values()]) {
      set({ kind: "saving" });
      const said = await sendPicture<{ id: string }>(picture, name, id).catch((e: unknown) => {
        if (!(e instanceof SendFailed) || mayTakeLater(e.status)) throw e;
        return e;
      });
      photos.delete(id);
      const taken: WorkEvent =
        said instanceof SendFailed
          ? { id: event, kind: "noted", at, note: `${note} (a photo was not taken: ${said.message})`.trim() }
          : { id: event, kind: "photographed", at, pictureId: said.id, ...(note && { note }) };
      unsent.set(event, taken);
      merge([taken]);
      await keepEvents(pieceId, [taken], false);
      await dropPhoto(id);
      channel?.postMessage([taken]);
    }
  }

  async function flush(): Promise<void> {
    if (busy) return;
    busy = true;
    try {
      const batch = inOrder([...unsent.values()]).slice(0, AT_ONCE);
      if (batch.length) set({ kind: "saving" });
      const { events } = await (batch.length
        ? send<{ events: WorkEvent[] }>("POST", url, { events: batch })
        : send<{ events: WorkEvent[] }>("GET", url));
      failures = 0;
      for (const e of batch) unsent.delete(e.id);
      merge(events);
      await keepEvents(pieceId, events, true);
      await flushPhotos();
      set({ kind: "saved" });
      schedule(waiting() ? 0 : ASK_MS);
    } catch (e) {
      const { status, message } = e instanceof SendFailed ? e : new SendFailed(String(e), 0);
      if (!mayTakeLater(status)) set({ kind: "refused", message });
      else if (waiting())
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
      void Promise.all([keptEvents(pieceId), keptPhotos(pieceId)]).then(([{ all, unsent: left }, taken]) => {
        if (ended) return;
        if (mayChange) for (const e of left) unsent.set(e.id, e);
        if (mayChange) for (const p of taken) photos.set(p.id, p);
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
    /** Takes a photo in: kept on this device at once, sent when the studio can be reached. False where this device cannot keep it. */
    async photograph(picture: Blob, name: string, note: string): Promise<boolean> {
      const [id, event] = [crypto.randomUUID(), crypto.randomUUID()];
      const photo: KeptPhoto = { id, event, pieceId, at: later(), picture, name, note };
      photos.set(id, photo);
      set({ kind: "saving" });
      const kept = await keepPhoto(photo);
      schedule(0);
      return kept;
    },
  };
}

export type WorkLog = ReturnType<typeof createWorkLog>;
