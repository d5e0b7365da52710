"use client";
import { useEffect, useState } from "react";
import type { Rack } from "@/store/rack";
import { send } from "@/ui/send";

/** Racks of other papers as they were last fetched: shown at once, and fetched anew each time a view asks for one. */
const racks = new Map<string, Rack>();
const RETRY_MS = 2500;

/**
 * The rack as read on a paper: the page's own, or another paper's, which is fetched again until the server answers. What was fetched
 * before stands in meanwhile.
 */
export function useRack(paperId: string, first: Rack): { readonly rack: Rack; readonly trouble: boolean } {
  const [fetched, setFetched] = useState<Rack>();
  const [trouble, setTrouble] = useState(false);
  const isFirst = paperId === first.paper.id;
  useEffect(() => {
    if (isFirst) return;
    const controller = new AbortController();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const load = async () => {
      const loaded = await send<Rack>("GET", `/api/papers/${paperId}`, undefined, controller.signal).catch(
        () => undefined,
      );
      if (controller.signal.aborted) return;
      setTrouble(!loaded);
      if (!loaded) {
        timer = setTimeout(() => void load(), RETRY_MS);
        return;
      }
      racks.set(paperId, loaded);
      setFetched(loaded);
    };
    void load();
    return () => {
      controller.abort();
      clearTimeout(timer);
    };
  }, [paperId, isFirst, first]);
  if (isFirst) return { rack: first, trouble: false };
  const known = fetched?.paper.id === paperId ? fetched : racks.get(paperId);
  return { rack: known ?? first, trouble };
}
