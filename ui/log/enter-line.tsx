"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { LONGEST_LINE, readEntry } from "@/core/log/read-entry";
import type { Rack } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { useSending } from "@/ui/jobs/use-sending";
import { useTyped } from "@/ui/kit/use-typed";
import { send } from "@/ui/send";
import { counted } from "@/words/numbers";

/** Codes that nobody knows and that are named at most. */
const MOST_UNKNOWN = 6;

/** Writes down work that was done away from the screen, in one line; what it is understood as stands beneath before it is kept. */
export function EnterLine({
  pieces,
  rack,
}: {
  readonly pieces: readonly { readonly id: string; readonly name: string }[];
  readonly rack: Rack;
}) {
  const router = useRouter();
  const sending = useSending();
  const { text: line, type: setLine, done } = useTyped("line of the log");
  const [chosen, setChosen] = useState("");
  const markers = useMemo(() => [...rack.markers, ...rack.others], [rack]);
  const codes = useMemo(() => markers.map((m) => m.code), [markers]);
  const byCode = useMemo(() => new Map(markers.map((m) => [m.code, m])), [markers]);
  const { subject, tones, note, unknown } = useMemo(() => readEntry(line, codes), [line, codes]);
  const piece = chosen || pieces[0]?.id;
  if (!piece) return null;
  const keep = () =>
    void sending
      .run(() =>
        send("POST", `/api/pieces/${piece}/work`, {
          events: [
            {
              id: crypto.randomUUID(),
              kind: "entered",
              at: Date.now(),
              line: line.trim(),
              subject,
              tones,
              // What nobody knows is not lost.
              note: [note, unknown.length > 0 && `(${unknown.join(" ")})`]
                .filter(Boolean)
                .join(" ")
                .slice(0, LONGEST_LINE),
            },
          ],
        }),
      )
      .then((went) => {
        if (!went) return;
        done();
        router.refresh();
      });
  return (
    <form
      aria-label="Write down"
      className="mt-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (line.trim() && !sending.busy) keep();
      }}
    >
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex min-w-[240px] flex-1 flex-col gap-0.5 text-[14px]">
          What was done away from the screen
          <input
            className="field w-full"
            value={line}
            maxLength={LONGEST_LINE}
            placeholder="skin: rust2c, rust3m ×2, rust4m; too red; next time plum under it"
            onChange={(e) => setLine(e.target.value)}
          />
        </label>
        <label className="flex flex-col gap-0.5 text-[14px]">
          Of
          <select className="field max-w-[220px]" value={piece} onChange={(e) => setChosen(e.target.value)}>
            {pieces.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <button className="button" disabled={!line.trim() || sending.busy}>
          Write it down
        </button>
      </div>
      {line.trim() && (
        <p className="mt-1 mb-0 flex flex-wrap items-center gap-x-3 gap-y-1 text-[14px]" aria-live="polite">
          <span>
            Understood: {subject ? <b className="font-semibold">{subject}</b> : "no subject"},{" "}
            {counted(tones.length, "ink")}
          </span>
          {tones.map(({ code, coats }, i) => (
            <span key={i} className="inline-flex items-center gap-1">
              <MarkerChip marker={byCode.get(code)!} width={36} height={20} />
              <span className="code">{code}</span>
              {coats > 1 && <span className="text-soft">×{coats}</span>}
            </span>
          ))}
          {note && <span>“{note}”</span>}
          {unknown.length > 0 && (
            <span className="font-semibold">
              Not on the rack, kept as a note: {unknown.slice(0, MOST_UNKNOWN).join(", ")}
            </span>
          )}
        </p>
      )}
      {sending.trouble && (
        <p role="alert" className="mt-1 mb-0 border border-strong p-2 text-[14px]">
          {sending.trouble}
        </p>
      )}
    </form>
  );
}
