"use client";
import { useMemo, useState } from "react";
import { averageReadings } from "@/core/chart/average";
import { labToHex } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import { nameStack, parseCgats, readStack, type CgatsSample } from "@/core/formats/cgats";
import type { Rack } from "@/store/rack";
import { FileButton } from "@/ui/kit/file-button";
import { messageOf, send } from "@/ui/send";
import { counted, labInWords } from "@/words/numbers";

interface Measured {
  readonly name: string;
  readonly stack: readonly string[];
  readonly lab: Lab;
  readonly spread: number;
  readonly used: number;
  readonly misreads: number;
}

const MOST_BYTES = 8 * 1024 * 1024;

/** Readings of an instrument from a CGATS.17 file: repeats averaged, misreads left out, names matched to the rack. */
export function Colorimeter({ rack, onDone }: { readonly rack: Rack; readonly onDone: () => void }) {
  const [file, setFile] = useState<{ name: string; samples: readonly CgatsSample[] }>();
  const [said, setSaid] = useState<string>();
  const codes = useMemo(() => new Set([...rack.markers, ...rack.others].map((m) => m.code)), [rack]);
  const { known, unknown } = useMemo(() => sort(file?.samples ?? [], codes), [file, codes]);
  const choose = async (chosen: File | undefined) => {
    setSaid(undefined);
    if (!chosen) return;
    try {
      if (chosen.size > MOST_BYTES) throw new Error("it has more than 8 MB");
      setFile({ name: chosen.name, samples: parseCgats(await chosen.text()) });
    } catch (e) {
      setFile(undefined);
      setSaid(`“${chosen.name}” cannot be read: ${messageOf(e)}.`);
    }
  };
  const keep = async () => {
    try {
      const { added } = await send<{ added: number }>("POST", `/api/papers/${rack.paper.id}/readings`, {
        readings: known.map(({ stack, lab, spread }) => ({
          stack,
          color: { lab },
          spread,
          source: "colorimeter",
        })),
      });
      setFile(undefined);
      setSaid(`${counted(added, "reading")} kept.`);
      onDone();
    } catch (e) {
      setSaid(messageOf(e));
    }
  };
  const missed = known.reduce((sum, m) => sum + m.misreads, 0);
  return (
    <section aria-label="Colorimeter">
      <h2 className="m-0 text-[17px]">From a colorimeter</h2>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <FileButton
          label="CGATS.17 file"
          accept=".txt,.cgats,.it8,.ti3"
          onFiles={([file]) => void choose(file)}
        >
          Choose its file
        </FileButton>
        <span className="text-[14px] text-soft">CGATS.17 text; samples named like “clay3m ×2”.</span>
      </div>
      {said && (
        <p role="status" className="mt-1 mb-0 text-[14px]">
          {said}
        </p>
      )}
      {file && (
        <div className="mt-2 text-[14px]">
          <p className="my-1">
            <strong>{file.name}</strong>: {counted(file.samples.length, "reading")} of{" "}
            {counted(known.length, "swatch", "swatches")}.{" "}
            {missed ? `${counted(missed, "misread")} left out. ` : ""}
            {unknown.length
              ? `${counted(unknown.length, "name")} not on the rack: ${unknown.slice(0, 5).join(", ")}.`
              : ""}
          </p>
          <ul className="m-0 max-h-44 list-none overflow-y-auto p-0">
            {known.map((m) => (
              <li key={m.name} className="flex items-center gap-2 border-t border-line py-0.5">
                <span
                  className="h-6 w-8 border border-strong"
                  style={{ background: labToHex(m.lab) }}
                  aria-hidden
                />
                <span className="code">{nameStack(m.stack)}</span>
                {labInWords(m.lab)}
                <span className="ml-auto text-soft">
                  mean of {m.used}, ±{m.spread.toFixed(2)} ΔE00
                  {m.misreads ? `, ${counted(m.misreads, "misread")}` : ""}
                </span>
              </li>
            ))}
          </ul>
          <div className="mt-2 flex gap-2">
            <button className="button button-main" disabled={!known.length} onClick={() => void keep()}>
              Keep {counted(known.length, "reading")}
            </button>
            <button className="button" onClick={() => setFile(undefined)}>
              Leave them
            </button>
          </div>
        </div>
      )}
    </section>
  );
}

function sort(
  samples: readonly CgatsSample[],
  codes: ReadonlySet<string>,
): { known: Measured[]; unknown: string[] } {
  const byName = new Map<string, Lab[]>();
  for (const { name, lab } of samples) byName.set(name, [...(byName.get(name) ?? []), lab]);
  const known: Measured[] = [];
  const unknown: string[] = [];
  for (const [name, labs] of byName) {
    const stack = readStack(name);
    if (!stack?.length || !stack.every((c) => codes.has(c))) {
      unknown.push(name);
      continue;
    }
    const { lab, spread, used, rejected } = averageReadings(labs);
    known.push({ name, stack, lab, spread, used, misreads: rejected.length });
  }
  return { known, unknown };
}
