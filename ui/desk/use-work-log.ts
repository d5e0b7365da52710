"use client";
import { useEffect, useState } from "react";
import type { WorkEvent } from "@/core/work/record";
import { useMayChange } from "@/ui/studio/studio-context";
import { createWorkLog, type WorkLog } from "./work-log";

/** Logs of pieces that were opened in this tab: leaving the desk and coming back loses none of what is on its way. */
const logs = new Map<string, WorkLog>();

/** What is done to a piece, kept and sent while it is in sight. @param events what came with the page */
export function useWorkLog(id: string, events: readonly WorkEvent[]): WorkLog {
  const may = useMayChange();
  const [log] = useState(() => {
    const known = typeof window === "undefined" ? undefined : logs.get(id);
    const made = known ?? createWorkLog(id, events, may);
    if (typeof window !== "undefined") logs.set(id, made);
    return made;
  });
  useEffect(() => log.start(), [log]);
  return log;
}
