"use client";
import { Undo2, X } from "lucide-react";
import { useRouter } from "next/navigation";
import { useEffect, useSyncExternalStore } from "react";
import { create } from "zustand";
import { messageOf, send, sendAtLast } from "@/ui/send";

interface Dropped {
  readonly url: string;
  /** What was dropped, as a sentence names it: “the group Dusk skin”. */
  readonly what: string;
  /** Undefined while it can be taken back; then what went wrong. */
  readonly trouble?: string;
}

/** How long what was dropped can be taken back, ms. */
const TIME = 12_000;

const useDroppedList = create<{ readonly list: readonly Dropped[] }>(() => ({ list: [] }));
const timers = new Map<string, ReturnType<typeof setTimeout>>();
/** Hear of what is gone for good. */
const listeners = new Set<() => void>();

const without = (url: string) =>
  useDroppedList.setState(({ list }) => ({ list: list.filter((d) => d.url !== url) }));

function takeBack(url: string): void {
  clearTimeout(timers.get(url));
  timers.delete(url);
  without(url);
}

async function carryOut(url: string): Promise<void> {
  clearTimeout(timers.get(url));
  if (!timers.delete(url)) return;
  try {
    await send("DELETE", url);
    listeners.forEach((l) => l());
    without(url);
  } catch (e) {
    useDroppedList.setState(({ list }) => ({
      list: list.map((d) => (d.url === url ? { ...d, trouble: messageOf(e) } : d)),
    }));
  }
}

/** Drops something of the studio: it is out of sight at once, and gone for good when nobody has taken it back. */
export function drop(url: string, what: string): void {
  useDroppedList.setState(({ list }) => ({ list: [...list.filter((d) => d.url !== url), { url, what }] }));
  timers.set(
    url,
    setTimeout(() => void carryOut(url), TIME),
  );
}

const nothing = () => () => undefined;

/** Whether something was dropped just now. */
export function useIsDropped(): (url: string) => boolean {
  const { list } = useDroppedList();
  // What the server has drawn knows of nothing that was dropped.
  const isHere = useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  );
  return (url) => isHere && list.some((d) => d.url === url && !d.trouble);
}

/** What was dropped last, with the way back. */
export function DroppedNotice() {
  const { list } = useDroppedList();
  const router = useRouter();
  useEffect(() => {
    const again = () => router.refresh();
    const leave = () => {
      for (const [url, timer] of timers) {
        clearTimeout(timer);
        sendAtLast("DELETE", url);
      }
      timers.clear();
      useDroppedList.setState({ list: [] });
    };
    // A page that the browser kept as it was knows nothing of what it sent when it went away.
    const back = (e: PageTransitionEvent) => e.persisted && again();
    listeners.add(again);
    window.addEventListener("pagehide", leave);
    window.addEventListener("pageshow", back);
    return () => {
      listeners.delete(again);
      window.removeEventListener("pagehide", leave);
      window.removeEventListener("pageshow", back);
    };
  }, [router]);
  if (!list.length) return null;
  return (
    <ul
      aria-label="Dropped"
      className="screen-only fixed bottom-3 left-3 z-30 m-0 grid max-w-[calc(100vw-24px)] list-none gap-1 p-0"
    >
      {list.map(({ url, what, trouble }) => (
        <li
          key={url}
          className="flex items-center gap-3 border border-invert bg-invert py-1 pr-1 pl-3 text-[15px] text-invert-text"
        >
          <span role={trouble ? "alert" : "status"}>
            {trouble ? `${what} was not dropped: ${trouble}` : `${what} was dropped.`}
          </span>
          <button className="button-bare min-h-11 font-semibold underline" onClick={() => takeBack(url)}>
            {trouble ? <X size={18} aria-label="Dismiss" /> : <Undo2 size={18} aria-hidden />}
            {!trouble && "Take back"}
          </button>
        </li>
      ))}
    </ul>
  );
}
