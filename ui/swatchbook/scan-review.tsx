"use client";
import { differenceWords } from "@/words/closeness";
import { drop } from "@/ui/kit/dropping";
import { Link } from "@/ui/kit/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { labToHex } from "@/core/colour/display";
import type { StoredChart, StoredScan } from "@/store/charts";
import type { PaperSheet } from "@/store/papers";
import type { CellDecision } from "@/store/schema";
import { useKey } from "@/ui/use-keys";
import { messageOf, send } from "@/ui/send";
import { counted } from "@/words/numbers";
import { nameOf, OneCell, type Earlier } from "./one-cell";
import { ScanPicture } from "./scan-picture";

interface Props {
  readonly scan: StoredScan;
  readonly chart: StoredChart;
  readonly paper: PaperSheet;
  readonly earlier: readonly Earlier[];
}

/** A chart page as read: the picture with the grid that was found, and each doubtful cell with its reason, to be decided. */
export function ScanReview({ scan, chart, paper, earlier }: Props) {
  const router = useRouter();
  const { result } = scan;
  const [decisions, setDecisions] = useState<readonly CellDecision[]>(scan.decisions);
  const doubtful = result.cells.flatMap((c, i) => (c.doubts.length ? [i] : []));
  const [at, setAt] = useState(doubtful.find((i) => scan.decisions[i] === "open") ?? doubtful[0] ?? 0);
  const [said, setSaid] = useState<{ text: string; trouble?: boolean }>();
  const cell = result.cells[at]!;

  const save = (next: readonly CellDecision[], store: boolean) =>
    send<{ readings?: number }>("PATCH", `/api/scans/${scan.id}`, { decisions: next, store });
  const decide = (cells: readonly number[], decision: CellDecision) => {
    const next = decisions.map((d, i) => (cells.includes(i) ? decision : d));
    setDecisions(next);
    save(next, false).catch((e: unknown) => setSaid({ text: messageOf(e), trouble: true }));
    const open =
      doubtful.find((i) => i > Math.max(...cells) && next[i] === "open") ??
      doubtful.find((i) => next[i] === "open");
    if (cells.length === 1 && open !== undefined) setAt(open);
  };
  const step = (by: number) => setAt((i) => (i + by + result.cells.length) % result.cells.length);
  useKey("a", () => decide([at], "accepted"));
  useKey("x", () => decide([at], "excluded"));
  useKey("r", () => decide([at], "redo"));
  useKey("right, n", () => step(1));
  useKey("left, p", () => step(-1));
  const count = (d: CellDecision) => decisions.filter((v) => v === d).length;
  const store = async () => {
    try {
      const { readings } = await save(decisions, true);
      setSaid({ text: `${counted(readings ?? 0, "reading")} of this page stored on ${paper.name}.` });
      router.refresh();
    } catch (e) {
      setSaid({ text: messageOf(e), trouble: true });
    }
  };
  const redo = async () => {
    const lines = [...new Set(result.cells.filter((_, i) => decisions[i] === "redo").map((c) => c.line))].map(
      (l) => chart.lines[l]!,
    );
    try {
      const made = await send<{ id: string }>("POST", "/api/charts", {
        paperId: paper.id,
        title: `Again, from chart ${chart.serial}`,
        sheet: chart.sheet,
        lines,
      });
      window.location.assign(`/api/charts/${made.id}/pdf`);
      router.refresh();
    } catch (e) {
      setSaid({ text: messageOf(e), trouble: true });
    }
  };
  const dropPage = () => {
    drop(`/api/scans/${scan.id}`, `Page ${scan.page + 1} of chart ${chart.serial}`);
    router.push(`/swatchbook/${paper.id}?tab=read`);
  };
  return (
    <main id="main" className="mx-auto max-w-[1500px] px-4 py-3">
      <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="m-0 text-[22px]">
          Chart {chart.serial}, page {scan.page + 1} of {result.pages}{" "}
          <span className="ml-1 text-[15px] font-normal text-soft">on {paper.name}</span>
        </h1>
        <Link className="text-[15px] underline" href={`/swatchbook/${paper.id}?tab=read`}>
          All pages read
        </Link>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          {count("redo") > 0 && (
            <button className="button" onClick={() => void redo()}>
              Print {counted(count("redo"), "cell")} again
            </button>
          )}
          <button className="button" onClick={dropPage}>
            Drop this page
          </button>
          <button className="button button-main" onClick={() => void store()}>
            {scan.stored
              ? `Save these ${counted(count("accepted"), "reading")} again`
              : `Save ${counted(count("accepted"), "reading")}`}
          </button>
        </div>
      </div>
      {said && (
        <p
          role={said.trouble ? "alert" : "status"}
          className="mt-0 mb-2 border-l-4 border-strong pl-3 text-[15px]"
        >
          {said.text}
        </p>
      )}
      <div className="grid gap-5 min-[1000px]:grid-cols-[minmax(0,1fr)_360px]">
        <ScanPicture scan={scan} decisions={decisions} at={at} onChoose={setAt} />
        <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
          <OneCell
            cell={cell}
            decision={decisions[at]!}
            paper={paper}
            before={earlier.find(
              (r) =>
                !cell.meets &&
                r.lift === (cell.lift ?? false) &&
                r.stack.join("\n") === cell.stack.join("\n"),
            )}
            onDecide={(d) => decide([at], d)}
          />
          <section aria-label="Cells in doubt">
            <h2 className="m-0 flex items-baseline justify-between text-[17px]">
              In doubt{" "}
              <span className="text-[14px] font-normal text-soft">
                {count("open")} of {doubtful.length} open
              </span>
            </h2>
            {doubtful.length === 0 && (
              <p className="my-1 text-[15px]">
                None: every cell is even, dry of glare, and as dark as its coats promise.
              </p>
            )}
            <ul className="m-0 max-h-72 list-none overflow-y-auto p-0">
              {doubtful.map((i) => {
                const c = result.cells[i]!;
                return (
                  <li key={i} className={`border-t border-line ${i === at ? "bg-panel" : ""}`}>
                    <button
                      className="flex w-full items-center gap-2 px-1 py-1.5 text-left text-[14px]"
                      aria-current={i === at}
                      onClick={() => setAt(i)}
                    >
                      <span
                        className="h-7 w-9 shrink-0 border border-strong"
                        style={{ background: labToHex(c.lab) }}
                        aria-hidden
                      />
                      <span className="min-w-0 flex-1">
                        <span className="code">{nameOf(c)}</span>
                        <span className="block truncate text-soft">
                          {c.doubts.map((d) => d.kind).join(", ")}
                        </span>
                      </span>
                      <span>{decisions[i] === "open" ? <strong>open</strong> : decisions[i]}</span>
                    </button>
                  </li>
                );
              })}
            </ul>
            {count("open") > 1 && (
              <div className="mt-2 flex gap-2">
                <button
                  className="button"
                  onClick={() =>
                    decide(
                      doubtful.filter((i) => decisions[i] === "open"),
                      "excluded",
                    )
                  }
                >
                  Leave out all open
                </button>
                <button
                  className="button"
                  onClick={() =>
                    decide(
                      doubtful.filter((i) => decisions[i] === "open"),
                      "accepted",
                    )
                  }
                >
                  Accept all open
                </button>
              </div>
            )}
          </section>
          <section aria-label="How it was read" className="text-[14px]">
            <h2 className="m-0 text-[17px]">How it was read</h2>
            <p className="my-1">
              {result.references
                ? `The camera’s colour was set by ${result.references} cells known otherwise; unknown cells come out ${differenceWords(result.expectedError ?? 0)} from what they are, as a rule (${result.expectedError?.toFixed(1)}).`
                : "No cell was known otherwise: only white was set, and the camera taken at its word. Expect a visible difference here and there; print known markers in between to do better."}
            </p>
            <p className="my-1 text-soft">
              {result.pixelsPerMm.toFixed(1)} pixels a millimetre; uneven light was corrected
              {result.lightResidual > 0.02
                ? ", not to the last: photograph it in softer light to do better"
                : ""}
              .
            </p>
          </section>
        </div>
      </div>
    </main>
  );
}
