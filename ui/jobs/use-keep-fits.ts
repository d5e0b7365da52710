"use client";
import { useEffect } from "react";
import { rackKey } from "@/compute/from-rack";
import type { Rack } from "@/store/rack";
import { useMayChange } from "@/ui/studio/studio-context";
import { send } from "@/ui/send";
import { hearFits } from "./desk-fits";

/** How long a page waits before it sends what was fitted, ms: pencils may follow the inks. */
const STAYS = 2500;

/** Keeps what is fitted to a rack here in the studio, so that nobody who comes next fits it again; nobody waits for it. */
export function useKeepFits(rack: Rack | undefined): void {
  const may = useMayChange();
  useEffect(() => {
    if (!rack || !may) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = hearFits(({ key, fit }) => {
      if (key !== rackKey(rack)) return;
      clearTimeout(timer);
      timer = setTimeout(() => {
        // What is refused, or lost, is fitted again by whoever comes next.
        send("PUT", `/api/papers/${rack.paper.id}/fit`, { name: key, fit }).catch(() => undefined);
      }, STAYS);
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [rack, may]);
}
