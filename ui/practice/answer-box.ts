import { createStore } from "zustand";
import type { EyeAnswer } from "@/core/practice/schedule";
import { send, SendFailed } from "@/ui/send";

/** Until what could not be sent is sent again, ms. */
const AGAIN_MS = 8000;
const AT_ONCE = 400;

interface Box {
  /** Answers of this tab, and those that this device had not sent yet. */
  readonly own: readonly EyeAnswer[];
  readonly trouble: string | undefined;
}

function keptAt(key: string): EyeAnswer[] {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(key) ?? "[]");
    return Array.isArray(read) ? (read as EyeAnswer[]) : [];
  } catch {
    return [];
  }
}

/**
 * Answers of an eye on their way: each is kept on this device at once and sent until the studio has it, once however often it is sent.
 * @param key under which this device keeps those of one studio @param mayKeep guests keep none
 */
export function createAnswerBox(key: string, mayKeep: boolean) {
  const box = createStore<Box>(() => ({ own: [], trouble: undefined }));
  let unsent: readonly EyeAnswer[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  /** Another tab may have answers of its own there: only those of this one are added and taken away. */
  const change = (with_: (kept: readonly EyeAnswer[]) => readonly EyeAnswer[]) =>
    localStorage.setItem(key, JSON.stringify(with_(keptAt(key))));

  async function flush(): Promise<void> {
    clearTimeout(timer);
    if (busy || !unsent.length) return;
    busy = true;
    const batch = unsent.slice(0, AT_ONCE);
    const sent = new Set(batch.map((a) => a.id));
    try {
      await send("POST", "/api/practice", { answers: batch });
      unsent = unsent.filter((a) => !sent.has(a.id));
      change((kept) => kept.filter((a) => !sent.has(a.id)));
      box.setState({ trouble: undefined });
      if (unsent.length) timer = setTimeout(() => void flush(), 0);
    } catch (e) {
      const { status, message } = e instanceof SendFailed ? e : new SendFailed(String(e), 0);
      box.setState({ trouble: message });
      // What is refused stays refused, however often it is sent.
      if (status < 400 || status >= 500 || status === 429 || status === 401)
        timer = setTimeout(() => void flush(), AGAIN_MS);
    } finally {
      busy = false;
    }
  }

  return {
    box,
    /** Sends what this device still has; the answer ends it. */
    start(): () => void {
      if (!mayKeep) return () => undefined;
      const left = keptAt(key);
      unsent = [...left, ...unsent.filter((a) => !left.some((l) => l.id === a.id))];
      if (left.length) box.setState((s) => ({ own: [...left, ...s.own] }));
      void flush();
      return () => clearTimeout(timer);
    },
    add(answer: Omit<EyeAnswer, "id" | "at">): void {
      const whole: EyeAnswer = { ...answer, id: crypto.randomUUID(), at: Date.now() };
      box.setState((s) => ({ own: [...s.own, whole] }));
      if (!mayKeep) return;
      unsent = [...unsent, whole];
      change((kept) => [...kept, whole]);
      void flush();
    },
  };
}
