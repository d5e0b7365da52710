"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { RACK_COLUMNS } from "@/core/stock/rack-file";
import { MOST_ON_RACK } from "@/core/stock/kinds";
import type { ImportOutcome, Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { FileButton } from "@/ui/kit/file-button";
import { saveFile } from "@/ui/save-file";
import { messageOf, send } from "@/ui/send";
import { counted } from "@/words/numbers";
import type { RackFileCount } from "@/workers/rack-file";
import { COLUMN_NAMES, ColumnTable } from "./column-table";
import { useRackFile } from "./use-rack-file";

const AT_ONCE = 400;
/** Brings a rack in from a file: which column is what, a preview, good rows kept, bad ones listed by line. */
export function ImportPanel({ rack, onDone }: { readonly rack: Rack; readonly onDone: () => void }) {
  const router = useRouter();
  const [rangeId, setRangeId] = useState(rack.ranges[0]?.id ?? "");
  const key = rack.ranges.find((r) => r.id === rangeId)?.key ?? null;
  const file = useRackFile(key);
  const { head, mapping, count } = file;
  const [asReadings, setAsReadings] = useState(false);
  const [failed, setFailed] = useState<string>();
  const [progress, setProgress] = useState<number>();
  const [outcome, setOutcome] = useState<string>();
  const stopped = useRef(false);
  const trouble = failed ?? file.trouble;
  const tooMany = (count?.good ?? 0) > MOST_ON_RACK;

  const choose = async (chosen: File | undefined) => {
    setFailed(undefined);
    setOutcome(undefined);
    if (chosen) await file.choose(chosen);
  };
  const bring = async ({ good, bad }: RackFileCount) => {
    setFailed(undefined);
    stopped.current = false;
    let [added, updated, at] = [0, 0, 0];
    const elsewhere: string[] = [];
    try {
      for (; at < good && !stopped.current; at += AT_ONCE) {
        setProgress(at / good);
        const rows = await file.rows(at, AT_ONCE);
        const answer = await send<ImportOutcome>("POST", "/api/rack", {
          rangeId,
          rows,
          ...(asReadings && { paperId: rack.paper.id }),
        });
        added += answer.added;
        updated += answer.updated;
        elsewhere.push(...answer.elsewhere);
      }
      const parts = [
        ...(stopped.current ? ["Stopped"] : []),
        `${added} added, ${updated} updated`,
        ...(elsewhere.length
          ? [
              `${elsewhere.length} left alone because their code stands in another range: ${elsewhere.slice(0, 6).join(", ")}`,
            ]
          : []),
        ...(bad ? [`${counted(bad, "bad row")} not taken`] : []),
      ];
      setOutcome(`${parts.join(", ")}.`);
      router.refresh();
    } catch (e) {
      setFailed(
        `${messageOf(e)} ${at ? `The first ${at} rows are in; bringing the file in again updates them and doubles none.` : ""}`,
      );
    } finally {
      setProgress(undefined);
    }
  };
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-center gap-3">
        <FileButton
          main
          label="Rack file"
          accept=".csv,.tsv,.txt,.json,.xlsx,.ods,.gpl,.ase,.aco,.soc,.sbz,.css"
          onFiles={([chosen]) => void choose(chosen)}
        >
          Choose a file
        </FileButton>
        <span className="text-[14px] text-soft">
          A spreadsheet (XLSX, ODS, CSV) with any columns, JSON, or a palette (GPL, ASE, ACO, SOC, CSS).
          Nothing changes until you have seen how it is read.
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
      {file.reading !== undefined && (
        <Progress
          work={{
            progress: file.reading,
            cancel: file.stop,
            again: file.stop,
            cancelled: false,
            error: undefined,
          }}
          doing="Reading the file"
        />
      )}
      {!head && file.reading === undefined && (
        <div className="grid min-h-56 place-content-center gap-2 border-2 border-dashed border-strong p-6 text-center">
          <p className="m-0 text-[17px] font-semibold">Drop a file here</p>
          <p className="m-0 max-w-[64ch] text-[14px] text-soft">
            The first line names the columns, in any order; what has no name that is known is recognised by
            what is in it. Blendt knows {RACK_COLUMNS.map((c) => COLUMN_NAMES[c]).join(", ")}; only the code
            is needed. A code that is on the rack already is updated with what the file says, never doubled.
          </p>
        </div>
      )}
      {head && (
        <>
          <div className="flex flex-wrap items-end gap-4">
            <p className="m-0 text-[15px]">
              <strong>{head.name}</strong>: {counted(head.rows, "row")}, {head.encoding}
            </p>
            {head.sheets && head.sheets.length > 1 && (
              <label className="text-[14px]">
                sheet{" "}
                <select
                  className="field ml-1"
                  value={head.sheet}
                  onChange={(e) => void file.turnTo(Number(e.target.value))}
                >
                  {head.sheets.map((s, i) => (
                    <option key={i} value={i}>
                      {s || i + 1}
                    </option>
                  ))}
                </select>
              </label>
            )}
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
          <ColumnTable head={head} mapping={mapping} onMap={(by) => void file.map(by)} />
          {mapping.code === undefined && (
            <p role="alert" className="m-0 text-[15px]">
              Say which column holds the code.
            </p>
          )}
          {count && (
            <div className="flex flex-wrap items-center gap-3">
              <button
                className="button button-main"
                disabled={!count.good || tooMany || progress !== undefined}
                onClick={() => void bring(count)}
              >
                Bring in {counted(count.good, "row")}
              </button>
              {tooMany && (
                <span role="alert" className="text-[15px]">
                  A rack holds at most {MOST_ON_RACK.toLocaleString("en")} things. Leave out of the file what
                  you do not own or wish for.
                </span>
              )}
              {count.unread > 0 && (
                <span className="text-[14px]">
                  {counted(count.unread, "code")} cannot be read by the key of the range; they come in under
                  the family the file gives, or “other”.
                </span>
              )}
              {count.bad > 0 && (
                <button
                  className="button"
                  onClick={() => void file.badRows().then((csv) => saveFile("bad-rows.csv", "text/csv", csv))}
                >
                  Save {counted(count.bad, "bad row")}
                </button>
              )}
            </div>
          )}
          {progress !== undefined && (
            <Progress
              work={{
                progress,
                cancel: () => (stopped.current = true),
                again: () => undefined,
                cancelled: false,
                error: undefined,
              }}
              doing="Bringing in"
            />
          )}
          {!!count?.bad && (
            <section aria-label="Bad rows">
              <h2 className="small-title m-0">{counted(count.bad, "row")} cannot be taken</h2>
              <ul className="m-0 max-h-44 overflow-y-auto pl-5 text-[14px]">
                {count.worst.map((b) => (
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
