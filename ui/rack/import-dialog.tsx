"use client";
import Papa from "papaparse";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { isRead, parseCode } from "@/core/codes/key";
import { FormatError } from "@/core/formats/format-error";
import {
  guessMapping,
  RACK_COLUMNS,
  readRows,
  type Mapping,
  type RackColumn,
  type RackFileRow,
} from "@/core/stock/rack-file";
import type { Rack } from "@/store/rack";
import { FileButton } from "@/ui/kit/file-button";
import { saveFile } from "@/ui/save-file";
import { messageOf, send } from "@/ui/send";
import { counted } from "@/words/numbers";
import { loadRackFile, type Loaded } from "./load-rack-file";

const AT_ONCE = 400;
const columnNames: Record<RackColumn, string> = {
  code: "code",
  name: "name",
  family: "family",
  kind: "kind",
  owned: "owned or wished",
  state: "state",
  refills: "refills",
  nib: "nib",
  price: "price",
  place: "kept in",
  notes: "notes",
  colour: "colour (hex)",
};

/** Brings a rack in from a file: which column is what, a preview, good rows kept, bad ones listed by line. */
export function ImportPanel({ rack, onDone }: { readonly rack: Rack; readonly onDone: () => void }) {
  const router = useRouter();
  const [file, setFile] = useState<Loaded>();
  const [mapping, setMapping] = useState<Mapping>({});
  const [rangeId, setRangeId] = useState(rack.ranges[0]?.id ?? "");
  const [asReadings, setAsReadings] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const [progress, setProgress] = useState<number>();
  const [outcome, setOutcome] = useState<string>();
  const read = useMemo(
    () => (file && mapping.code !== undefined ? readRows(file.rows, mapping, file.first) : undefined),
    [file, mapping],
  );
  const key = rack.ranges.find((r) => r.id === rangeId)?.key;
  const familyOf = (row: RackFileRow): string => {
    const parsed = key && parseCode(key, row.code);
    return row.family ?? (parsed && isRead(parsed) ? parsed.family : undefined) ?? "other";
  };
  const unread =
    key && read
      ? read.good.filter((r) => (r.kind ?? "marker") === "marker" && !isRead(parseCode(key, r.code))).length
      : 0;

  const choose = async (chosen: File | undefined) => {
    setTrouble(undefined);
    setOutcome(undefined);
    if (!chosen) return;
    try {
      const loaded = loadRackFile(chosen.name, await chosen.arrayBuffer());
      setFile(loaded);
      setMapping(guessMapping(loaded.headings));
    } catch (e) {
      setFile(undefined);
      setTrouble(e instanceof FormatError ? `“${chosen.name}” cannot be read: ${e.message}.` : messageOf(e));
    }
  };
  const bring = async () => {
    if (!read) return;
    setTrouble(undefined);
    let [added, updated, at] = [0, 0, 0];
    const elsewhere: string[] = [];
    try {
      for (; at < read.good.length; at += AT_ONCE) {
        setProgress(at / read.good.length);
        const rows = read.good.slice(at, at + AT_ONCE).map((r) => ({ ...r, family: familyOf(r) }));
        const answer = await send<{ added: number; updated: number; elsewhere: string[] }>(
          "POST",
          "/api/rack",
          { rangeId, rows, ...(asReadings && { paperId: rack.paper.id }) },
        );
        added += answer.added;
        updated += answer.updated;
        elsewhere.push(...answer.elsewhere);
      }
      setOutcome(
        `${added} added, ${updated} updated${elsewhere.length ? `, ${elsewhere.length} left alone because their code stands in another range: ${elsewhere.slice(0, 6).join(", ")}` : ""}${read.bad.length ? `, ${read.bad.length} bad rows not taken` : ""}.`,
      );
      router.refresh();
    } catch (e) {
      setTrouble(
        `${messageOf(e)} ${at ? `The first ${at} rows are in; bringing the file in again updates them and doubles none.` : ""}`,
      );
    } finally {
      setProgress(undefined);
    }
  };
  const bad = read?.bad ?? [];
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-center gap-3">
        <FileButton
          main
          label="Rack file"
          accept=".csv,.tsv,.txt,.json,.gpl"
          onFiles={([chosen]) => void choose(chosen)}
        >
          Choose a file
        </FileButton>
        <span className="text-[14px] text-soft">
          CSV with any columns, JSON, or a GIMP palette. Nothing changes until you have seen how it is read.
        </span>
        <button className="button-bare ml-auto" onClick={onDone}>
          Back to the rack
        </button>
      </div>
      {trouble && (
        <p role="alert" className="m-0 border-l-4 border-strong pl-3 text-[15px]">
          {trouble}
        </p>
      )}
      {outcome && (
        <p role="status" className="m-0 border-l-4 border-strong pl-3 text-[15px]">
          {outcome}
        </p>
      )}
      {!file && (
        <div
          className="grid min-h-56 place-content-center gap-2 border-2 border-dashed border-strong p-6 text-center"
          onDragOver={(e) => e.preventDefault()}
          onDrop={(e) => {
            e.preventDefault();
            void choose(e.dataTransfer.files[0]);
          }}
        >
          <p className="m-0 text-[17px] font-semibold">Drop a file here</p>
          <p className="m-0 max-w-[64ch] text-[14px] text-soft">
            A CSV’s first line names its columns, in any order and with any separator. Blendt knows{" "}
            {RACK_COLUMNS.map((c) => columnNames[c]).join(", ")}; only the code is needed. A code that is on
            the rack already is updated with what the file says, never doubled.
          </p>
        </div>
      )}
      {file && (
        <>
          <div className="flex flex-wrap items-end gap-4">
            <p className="m-0 text-[15px]">
              <strong>{file.name}</strong>: {counted(file.rows.length, "row")}, {file.encoding}
            </p>
            <label className="text-[14px]">
              into range{" "}
              <select className="field ml-1" value={rangeId} onChange={(e) => setRangeId(e.target.value)}>
                {rack.ranges.map((r) => (
                  <option key={r.id} value={r.id}>
                    {r.name}
                  </option>
                ))}
              </select>
            </label>
            {mapping.colour !== undefined && (
              <label className="flex min-h-9 items-center gap-1.5 text-[14px]">
                <input
                  type="checkbox"
                  className="size-4 accent-black"
                  checked={asReadings}
                  onChange={(e) => setAsReadings(e.target.checked)}
                />{" "}
                take its colours as one coat on {rack.paper.name}
              </label>
            )}
          </div>
          <div className="overflow-x-auto border border-line bg-panel">
            <table className="border-collapse text-[14px]">
              <thead>
                <tr>
                  {file.headings.map((h, i) => (
                    <th key={i} className="border-b border-strong p-1 text-left align-bottom font-normal">
                      <span className="block font-semibold">{h || `column ${i + 1}`}</span>
                      <select
                        className="field min-h-8 text-[13px]"
                        aria-label={`Meaning of column ${h || i + 1}`}
                        value={RACK_COLUMNS.find((c) => mapping[c] === i) ?? ""}
                        onChange={(e) => {
                          const cleared = Object.fromEntries(
                            Object.entries(mapping).filter(([c, at]) => at !== i && c !== e.target.value),
                          );
                          setMapping(e.target.value ? { ...cleared, [e.target.value]: i } : cleared);
                        }}
                      >
                        <option value="">not taken</option>
                        {RACK_COLUMNS.map((c) => (
                          <option key={c} value={c}>
                            {columnNames[c]}
                          </option>
                        ))}
                      </select>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {file.rows.slice(0, 6).map((row, i) => (
                  <tr key={i}>
                    {file.headings.map((_, c) => (
                      <td key={c} className="max-w-56 truncate border-b border-line p-1">
                        {row[c]}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          {mapping.code === undefined && (
            <p role="alert" className="m-0 text-[15px]">
              Say which column holds the code.
            </p>
          )}
          {read && (
            <div className="flex flex-wrap items-center gap-3">
              <button
                className="button button-main"
                disabled={!read.good.length || progress !== undefined}
                onClick={() => void bring()}
              >
                Bring in {counted(read.good.length, "row")}
              </button>
              {progress !== undefined && (
                <progress className="h-2 w-52 accent-black" value={progress} aria-label="Bringing in" />
              )}
              {unread > 0 && (
                <span className="text-[14px]">
                  {counted(unread, "code")} cannot be read by the key of the range; they come in under the
                  family the file gives, or “other”.
                </span>
              )}
              {bad.length > 0 && (
                <button
                  className="button"
                  onClick={() =>
                    saveFile(
                      "bad-rows.csv",
                      "text/csv",
                      Papa.unparse(
                        {
                          fields: ["line", "reason", ...file.headings],
                          data: bad.map((b) => [String(b.line), b.reason, ...b.values]),
                        },
                        { escapeFormulae: true },
                      ),
                    )
                  }
                >
                  Save {counted(bad.length, "bad row")}
                </button>
              )}
            </div>
          )}
          {bad.length > 0 && (
            <section aria-label="Bad rows">
              <h3 className="small-title m-0">{counted(bad.length, "row")} cannot be taken</h3>
              <ul className="m-0 max-h-44 overflow-y-auto pl-5 text-[14px]">
                {bad.slice(0, 100).map((b) => (
                  <li key={b.line}>
                    line {b.line}: {b.reason}
                  </li>
                ))}
              </ul>
            </section>
          )}
        </>
      )}
    </div>
  );
}
