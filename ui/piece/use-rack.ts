"use client";
import { useEffect, useState } from "react";
import type { Rack } from "@/store/rack";

const racks = new Map<string, Rack>();
const RETRY_MS = 2500;

/** The rack as read on a paper; fetched once a tab, and again until the server answers. */
export function useRack(paperId: string, first: Rack): { rack: Rack; trouble: boolean } {
  const [rack, setRack] = useState(first);
  const [trouble, setTrouble] = useState(false);
  useEffect(() => {
    racks.set(first.paper.id, first);
    const known = racks.get(paperId);
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const load = async () => {
      const answer = await fetch(`/api/papers/${paperId}`).catch(() => undefined);
      const loaded = answer?.ok ? ((await answer.json()) as Rack) : undefined;
      if (gone) return;
      setTrouble(!loaded);
      if (!loaded) {
        timer = setTimeout(() => void load(), RETRY_MS);
        return;
      }
      racks.set(paperId, loaded);
      setRack(loaded);
    };
    if (known) Promise.resolve(known).then((r) => !gone && setRack(r));
    else void load();
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [paperId, first]);
  return { rack, trouble };
}
