"use client";
import { paperInWords } from "@/words/colour";
import { Link } from "@/ui/kit/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { labToHex } from "@/core/colour/display";
import type { PaperSheet } from "@/store/papers";
import { StrokeChip } from "@/ui/ink/stroke-chip";
import { Modal } from "@/ui/kit/modal";
import { messageOf, send } from "@/ui/send";
import { counted } from "@/words/numbers";
import { colourTyped } from "./typed-colour";

interface PaperRow {
  readonly paper: PaperSheet;
  readonly read: number;
  readonly charts: number;
  /** Coats of a marker of each family, as hex. */
  readonly strokes: readonly (readonly string[])[];
  readonly doubtful: readonly { readonly id: string; readonly cells: number }[];
}

/** The papers of the studio: how well each is known, and what waits to be looked at. */
export function PaperList({
  rows,
  markers,
  studio,
}: {
  readonly rows: readonly PaperRow[];
  readonly markers: number;
  readonly studio: string;
}) {
  const [adding, setAdding] = useState(false);
  return (
    <main id="main" className="mx-auto max-w-[1320px] px-4 py-5">
      <div className="mb-4 flex items-center justify-between gap-4">
        <h1 className="m-0 text-[26px]">
          Swatchbook <span className="ml-2 text-[16px] font-normal text-soft">{studio}</span>
        </h1>
        <button className="button button-main" onClick={() => setAdding(true)}>
          New paper
        </button>
      </div>
      <ul className="m-0 grid list-none gap-4 p-0">
        {rows.map(({ paper, read, charts, doubtful, strokes }) => (
          <li
            key={paper.id}
            className="grid grid-cols-[minmax(64px,180px)_minmax(0,1fr)] gap-5 border border-line bg-panel p-4"
          >
            <Link
              href={`/swatchbook/${paper.id}`}
              aria-hidden
              tabIndex={-1}
              className="min-h-28 border border-strong"
              style={{ background: labToHex(paper.lab) }}
            />
            <div className="min-w-0 wrap-anywhere">
              <h2 className="m-0 text-[21px]">
                <Link className="hover:underline" href={`/swatchbook/${paper.id}`}>
                  {paper.name}
                </Link>
              </h2>
              <p className="mt-0.5 mb-2 text-[14px] text-soft">
                {[
                  paperInWords(paper.lab),
                  paper.weight && `${paper.weight} g/m²`,
                  paper.finish,
                  `holds ${counted(paper.capacity, "coat")}`,
                  paper.openTime && `wet for ${paper.openTime} s`,
                ]
                  .filter(Boolean)
                  .join(" · ")}
              </p>
              <p className="my-1 flex items-center gap-3 text-[15px]">
                <span className="block h-2.5 w-48 border border-strong" aria-hidden>
                  <span
                    className="block h-full bg-text"
                    style={{ width: `${Math.min(100, (100 * read) / Math.max(1, markers))}%` }}
                  />
                </span>
                {read} of {markers} markers read, {counted(charts, "chart")} printed
              </p>
              {strokes.length > 0 && (
                <div className="my-2 flex flex-wrap gap-x-2 gap-y-1" aria-hidden>
                  {strokes.map((coats, i) => (
                    <StrokeChip key={i} coats={coats} width={54} height={24} />
                  ))}
                </div>
              )}
              {doubtful.map((d) => (
                <p key={d.id} className="my-1 text-[15px]">
                  <Link className="font-semibold underline" href={`/swatchbook/scans/${d.id}`}>
                    {counted(d.cells, "doubtful cell")} to look at
                  </Link>
                </p>
              ))}
              {read === 0 && (
                <p className="my-1 text-[15px]">
                  Nothing has been read on it:{" "}
                  <Link className="underline" href={`/swatchbook/${paper.id}?tab=chart`}>
                    print a chart
                  </Link>
                  , colour it and photograph it.
                </p>
              )}
            </div>
          </li>
        ))}
      </ul>
      {adding && <NewPaper onClose={() => setAdding(false)} />}
    </main>
  );
}

function NewPaper({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [name, setName] = useState("");
  const [colour, setColour] = useState("96 0 2");
  const [capacity, setCapacity] = useState("4");
  const [trouble, setTrouble] = useState<string>();
  const make = async (e: React.FormEvent) => {
    e.preventDefault();
    const color = colourTyped(colour);
    if (!color)
      return setTrouble(
        "The colour of the bare paper is a hex colour such as #f4f3ee, or L* a* b* such as 96 0 2.",
      );
    try {
      const paper = await send<PaperSheet>("POST", "/api/papers", {
        name: name.trim(),
        color,
        capacity: Number(capacity),
      });
      router.push(`/swatchbook/${paper.id}`);
    } catch (error) {
      setTrouble(messageOf(error));
    }
  };
  return (
    <Modal open title="New paper" onClose={onClose}>
      <form className="grid gap-3" onSubmit={(e) => void make(e)}>
        <label className="text-[15px]">
          Name
          <input
            className="field mt-0.5 w-full"
            value={name}
            maxLength={80}
            onChange={(e) => setName(e.target.value)}
            autoFocus
          />
        </label>
        <label className="text-[15px]">
          Bare colour, hex or L* a* b*
          <input
            className="field mt-0.5 w-full font-mono"
            value={colour}
            onChange={(e) => setColour(e.target.value)}
          />
        </label>
        <label className="text-[15px]">
          Coats it holds
          <input
            className="field mt-0.5 w-24"
            inputMode="numeric"
            value={capacity}
            onChange={(e) => setCapacity(e.target.value)}
          />
        </label>
        {trouble && (
          <p role="alert" className="m-0">
            {trouble}
          </p>
        )}
        <button className="button button-main justify-self-start" disabled={!name.trim()}>
          Add it
        </button>
      </form>
    </Modal>
  );
}
