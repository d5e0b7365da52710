"use client";
import { useCallback, useState } from "react";
import { messageOf } from "@/ui/send";

/** Something that is sent and may fail. */
export interface Sending {
  readonly busy: boolean;
  /** What went wrong the last time, in words. */
  readonly trouble: string | undefined;
  /** Does it; true when it went well. */
  readonly run: (work: () => Promise<unknown>) => Promise<boolean>;
  readonly dismiss: () => void;
}

/** The one way in which a screen sends something: busy while it is under way, and says what went wrong. */
export function useSending(): Sending {
  const [state, setState] = useState<{ readonly busy: boolean; readonly trouble?: string }>({ busy: false });
  const run = useCallback(async (work: () => Promise<unknown>) => {
    setState({ busy: true });
    try {
      await work();
      setState({ busy: false });
      return true;
    } catch (e) {
      setState({ busy: false, trouble: messageOf(e) });
      return false;
    }
  }, []);
  const dismiss = useCallback(() => setState({ busy: false }), []);
  return { busy: state.busy, trouble: state.trouble, run, dismiss };
}
