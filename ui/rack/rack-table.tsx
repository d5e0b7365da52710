"use client";
import { useMemo, useState } from "react";
import { STATES } from "@/core/stock/kinds";
import type { RackFacts, RackMarker } from "@/store/rack";
import { DataTable } from "@/ui/kit/data-table";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { usePrinting } from "@/ui/kit/use-printing";
import { counted, signed } from "@/words/numbers";
import { rackColumns, standingFacts, standingOf } from "./rack-columns";
import type { RunEdits } from "./use-rack-edits";

/** The rack as rows: sorted, chosen, edited in place and in bulk. */
export function RackTable({
  markers,
  run,
  onOpen,
}: {
  readonly markers: readonly RackMarker[];
  readonly run: RunEdits;
  readonly onOpen: (code: string) => void;
}) {
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const chosen = markers.filter((m) => picked.has(m.code));
  const columns = useMemo(
    () =>
      rackColumns.map((c) => ({
        ...c,
        cell: (m: RackMarker) => c.cell(m, (set) => run([{ code: m.code, set }])),
      })),
    [run],
  );
  const all = (facts: Partial<RackFacts>) => run(chosen.map((m) => ({ code: m.code, set: facts })));
  const printing = usePrinting();
  if (printing) return <OnPaper markers={markers} />;
  return (
    <div>
      <div
        className="mb-1 flex min-h-10 flex-wrap items-center gap-2 text-[14px]"
        role="group"
        aria-label="Chosen markers"
      >
        {chosen.length === 0 ? (
          <span className="text-soft">
            {counted(markers.length, "row")}. Edit any cell in place; tick rows to change many at once, Shift
            for a stretch.
          </span>
        ) : (
          <>
            <strong>{counted(chosen.length, "row")} chosen:</strong>
            {["owned", "wished", "not owned"].map((s) => (
              <button key={s} className="button" onClick={() => all(standingFacts(s))}>
                {s}
              </button>
            ))}
            {STATES.map((s) => (
              <button key={s} className="button" onClick={() => all({ state: s })}>
                {s}
              </button>
            ))}
            <BulkPlace onSet={(place) => all({ place })} />
            <button className="button-bare" onClick={() => setPicked(new Set())}>
              Choose none
            </button>
          </>
        )}
      </div>
      <DataTable
        label="Rack"
        rows={markers}
        columns={columns}
        idOf={(m) => m.code}
        picking={{ picked, onPick: setPicked }}
        onOpen={(m) => onOpen(m.code)}
        className="h-[calc(100vh-250px)] min-h-72"
      />
    </div>
  );
}

/** The whole table as it is printed: every row, and nothing to press. */
const OnPaper = ({ markers }: { readonly markers: readonly RackMarker[] }) => (
  <table className="w-full border-collapse text-[13px]">
    <thead>
      <tr>
        {["", "code", "name", "lightness", "standing", "state", "refills", "kept in"].map((h) => (
          <th key={h} className="border-b border-strong pr-3 text-left">
            {h}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {markers.map((m) => (
        <tr key={m.code} className="break-inside-avoid border-b border-line">
          <td className="pr-3">
            <MarkerChip marker={m} width={54} height={18} />
          </td>
          <td className="code pr-3">{m.code}</td>
          <td className="pr-3">{m.name}</td>
          <td className="pr-3">{m.swatches[0] ? signed(m.swatches[0].lab[0]) : "not read"}</td>
          <td className="pr-3">{standingOf(m)}</td>
          <td className="pr-3">{m.owned ? m.state : ""}</td>
          <td className="pr-3">{m.refills || ""}</td>
          <td>{m.place}</td>
        </tr>
      ))}
    </tbody>
  </table>
);

function BulkPlace({ onSet }: { onSet: (place: string) => void }) {
  const [place, setPlace] = useState("");
  return (
    <form
      className="flex items-center gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        onSet(place.trim());
        setPlace("");
      }}
    >
      <input
        className="field w-36"
        placeholder="kept in"
        aria-label="Where the chosen ones are kept"
        value={place}
        maxLength={120}
        onChange={(e) => setPlace(e.target.value)}
      />
      <button className="button" disabled={!place.trim()}>
        Set
      </button>
    </form>
  );
}
