"use client";
import { Camera } from "lucide-react";
import { useState } from "react";
import { FileButton } from "@/ui/kit/file-button";
import { useTyped } from "@/ui/kit/use-typed";
import type { DeskState } from "./use-desk";

/** A note or a photo of the piece as it is now. */
export function Note({
  state,
  area,
  onDone,
}: {
  readonly state: DeskState;
  readonly area: string | undefined;
  readonly onDone: () => void;
}) {
  const { text: note, type: setNote, done } = useTyped(`note on ${state.pieceId}`);
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const said = note.trim();
  const keep = () => {
    if (said) state.add({ kind: "noted", note: said, ...(area && { area }) });
    done();
    onDone();
  };
  const photo = async (file: File) => {
    setBusy(true);
    const kept = await state.photograph(file, file.name, said);
    setBusy(false);
    done();
    if (kept) return onDone();
    setTrouble(
      "This browser keeps no photo for later: stay here until it is sent. It is sent as soon as the studio is in reach.",
    );
  };
  const notes = state.record.events.filter((e) => e.kind === "noted" || e.kind === "photographed");
  return (
    <div className="grid gap-3">
      <label className="grid gap-0.5 text-[14px]">
        What is worth knowing later
        <textarea
          className="field min-h-24 w-full"
          value={note}
          maxLength={2000}
          onChange={(e) => setNote(e.target.value)}
        />
      </label>
      {trouble && (
        <p role="alert" className="m-0">
          {trouble}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button className="button button-main" onClick={keep} disabled={!said}>
          Keep the note
        </button>
        <FileButton
          label="Photo of it now"
          accept="image/*"
          onFiles={([file]) => file && void photo(file)}
          disabled={busy}
        >
          <Camera size={17} aria-hidden /> {busy ? "Keeping the photo…" : "Photo of it now"}
        </FileButton>
      </div>
      {notes.length > 0 && (
        <ul className="m-0 list-none p-0 text-[14px]" aria-label="Notes so far">
          {notes
            .slice(-6)
            .reverse()
            .map((e) => (
              <li key={e.id} className="border-t border-line py-1">
                <time className="text-soft" dateTime={new Date(e.at).toISOString()} suppressHydrationWarning>
                  {new Date(e.at).toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" })}
                </time>{" "}
                {e.kind === "noted" ? e.note : `Photo${e.note ? `: ${e.note}` : ""}`}
              </li>
            ))}
        </ul>
      )}
    </div>
  );
}
