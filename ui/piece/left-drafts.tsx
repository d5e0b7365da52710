"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Notice } from "@/ui/kit/notice";
import { messageOf } from "@/ui/send";
import { useLeftDrafts, usePieceHandles } from "./piece-context";

const at = (ms: number) =>
  new Date(ms).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });

/** Offers what a tab that is gone did not save. */
export function LeftDrafts() {
  const { autosave } = usePieceHandles();
  const [draft] = useLeftDrafts();
  const router = useRouter();
  const [trouble, setTrouble] = useState<string>();
  if (!draft || !autosave) return null;
  const copy = () =>
    autosave.copyOf(draft).then(
      (id) => router.push(`/pieces/${id}/colour`),
      (e: unknown) => setTrouble(messageOf(e)),
    );
  return (
    <div className="screen-only px-4 py-2">
      <Notice
        alert
        action={
          <span className="flex flex-wrap gap-2">
            <button className="button button-main" onClick={() => autosave.takeUp(draft)}>
              Take them up
            </button>
            <button className="button" onClick={() => void copy()}>
              Keep as a copy
            </button>
            <button className="button" onClick={() => autosave.drop(draft)}>
              Drop them
            </button>
          </span>
        }
      >
        <strong>Changes of {at(draft.at)} did not reach the studio.</strong> A tab that is gone made them to
        this piece and kept them in this browser. {trouble}
      </Notice>
    </div>
  );
}
