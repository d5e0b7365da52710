"use client";
import { CloudOff } from "lucide-react";
import { useStore } from "zustand";
import type { WorkLog } from "./work-log";

/** What of the work the studio does not have yet; nothing while it has all. */
export function LogNotice({ log }: { readonly log: WorkLog }) {
  const { state, unsent } = useStore(log.log);
  if (state.kind === "saved" || state.kind === "saving") return null;
  return (
    <p role="status" className="m-0 flex items-center gap-2 border border-line px-2 py-1 text-[14px]">
      <CloudOff size={17} aria-hidden />
      {state.kind === "waiting"
        ? `No studio in reach: ${unsent === 1 ? "one note or photo waits" : `${unsent} notes and photos wait`} on this device.`
        : `The studio does not take the work: ${state.message} It stays on this device.`}
    </p>
  );
}
