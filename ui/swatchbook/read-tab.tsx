"use client";
import { useIsDropped } from "@/ui/kit/dropping";
import { Link } from "@/ui/kit/link";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import type { ReadPage } from "@/core/chart/read-chart";
import type { PictureFacts } from "@/store/pictures";
import { KNOWN } from "@/ui/swatchbook/known-sources";
import { askOfPicture } from "@/ui/jobs/client";
import { Day } from "@/ui/day";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { pictureBlob } from "@/ui/piece/picture-blob";
import { messageOf, send, sendPicture } from "@/ui/send";
import { counted } from "@/words/numbers";
import { GoodPictures } from "./good-pictures";
import type { PaperData } from "./paper-view";

interface Reading {
  readonly name: string;
  readonly progress?: number;
  readonly trouble?: string;
  readonly done?: { readonly scanId: string; readonly page: ReadPage };
}

/** Reads photos or scans of chart pages: in the browser first, stored only once a page was read. */
export function ReadTab({ rack, readings, charts, scans, pictures }: PaperData) {
  const router = useRouter();
  const { paper } = rack;
  const [work, setWork] = useState<readonly Reading[]>([]);
  const abort = useRef<AbortController>(undefined);
  const own = charts.filter((c) => c.paperId === paper.id);
  const known = [
    ...new Map(
      [...readings]
        .reverse()
        .filter(
          (r) => !r.excluded && !r.lift && r.backing === "paper" && KNOWN.has(r.source) && r.stack.length,
        )
        .map((r) => [r.stack.join("\n"), { stack: r.stack, color: { lab: r.lab } }]),
    ).values(),
  ];

  const set = (at: number, next: Reading) => setWork((w) => w.map((r, i) => (i === at ? next : r)));
  const readOne = async (
    at: number,
    name: string,
    load: () => Promise<Blob>,
    pictureId: string | undefined,
    signal: AbortSignal,
  ) => {
    try {
      const blob = await load();
      // Charts of other papers are known by their number alone, so that a page of theirs is told from no chart at all.
      const question = {
        charts: charts.map((c) => ({
          serial: c.serial,
          sheet: c.sheet,
          lines: c.lines,
          paper: { lab: paper.lab },
          known: c.paperId === paper.id ? known : [],
        })),
      };
      const picture = {
        handle: pictureId ?? crypto.randomUUID(),
        load: () => Promise.resolve(blob),
        called: name,
      };
      const page = await askOfPicture("readChart", picture, question, {
        signal,
        onProgress: (progress) => set(at, { name, progress }),
      });
      const chart = charts.find((c) => c.serial === page.serial)!;
      if (chart.paperId !== paper.id)
        throw new Error(
          `This is page ${page.page + 1} of chart ${chart.serial}, which belongs to another paper. Open that paper and read it there.`,
        );
      const id = pictureId ?? (await sendPicture<PictureFacts>(blob, name)).id;
      const scan = await send<{ id: string }>("POST", "/api/scans", {
        chartId: chart.id,
        pictureId: id,
        result: page,
      });
      set(at, { name, done: { scanId: scan.id, page } });
      return scan.id;
    } catch (e) {
      set(at, {
        name,
        trouble: signal.aborted ? "Stopped. Nothing was stored." : `${messageOf(e)} Nothing was stored.`,
      });
      return undefined;
    }
  };
  const readAll = async (
    files: readonly {
      readonly name: string;
      readonly load: () => Promise<Blob>;
      readonly pictureId?: string;
    }[],
  ) => {
    if (!files.length) return;
    const controller = new AbortController();
    abort.current = controller;
    setWork(files.map((f) => ({ name: f.name, progress: 0 })));
    const scanIds = [];
    for (const [i, f] of files.entries())
      scanIds.push(await readOne(i, f.name, f.load, f.pictureId, controller.signal));
    const [only] = scanIds;
    if (scanIds.length === 1 && only) router.push(`/swatchbook/scans/${only}`);
    else router.refresh();
  };
  const busy = work.some((w) => w.progress !== undefined);
  const isDropped = useIsDropped();
  const mine = scans.filter((s) => own.some((c) => c.id === s.chartId) && !isDropped(`/api/scans/${s.id}`));
  return (
    <div className="grid gap-6">
      <section aria-label="Read a chart" className="grid gap-3">
        <h2 className="m-0 text-[17px]">Scans or photos of a coloured chart</h2>
        <div className="flex flex-wrap items-center gap-3">
          <FileButton
            main
            multiple
            label="Pictures of charts"
            accept={PICTURES}
            disabled={busy}
            onFiles={(files) =>
              void readAll(files.map((f) => ({ name: f.name, load: () => Promise.resolve(f) })))
            }
          >
            Choose pictures
          </FileButton>
          <span className="max-w-[70ch] text-[14px] text-soft">
            A camera’s plain or neutral setting; no filters. Several pages at once are read one after the
            other.
          </span>
        </div>
        <GoodPictures />
        {work.length > 0 && (
          <ul className="m-0 list-none p-0" aria-label="Pictures being read" aria-live="polite">
            {work.map((w, i) => (
              <li key={i} className="flex flex-wrap items-center gap-3 border-t border-line py-2 text-[15px]">
                <strong>{w.name}</strong>
                {w.progress !== undefined && (
                  <>
                    <progress
                      className="h-2 w-52 accent-black"
                      value={w.progress}
                      aria-label={`Reading ${w.name}`}
                    />
                    <button className="button" onClick={() => abort.current?.abort("cancelled")}>
                      Cancel
                    </button>
                  </>
                )}
                {w.trouble && (
                  <span role="alert" className="border-l-4 border-strong pl-3">
                    {w.trouble}
                  </span>
                )}
                {w.done && (
                  <span>
                    chart {w.done.page.serial}, page {w.done.page.page + 1}:{" "}
                    {counted(w.done.page.cells.length, "cell")},{" "}
                    {w.done.page.cells.filter((c) => c.doubts.length).length} in doubt.{" "}
                    <Link className="underline" href={`/swatchbook/scans/${w.done.scanId}`}>
                      Look at it
                    </Link>
                  </span>
                )}
              </li>
            ))}
          </ul>
        )}
        {!own.length && (
          <p className="m-0 text-[15px]">
            No chart has been printed for {paper.name} yet.{" "}
            <Link className="button ml-2" href={`/swatchbook/${paper.id}?tab=chart`}>
              Print one
            </Link>
          </p>
        )}
      </section>
      {pictures.length > 0 && own.length > 0 && (
        <section aria-label="Pictures at hand">
          <h2 className="m-0 text-[17px]">Pictures at hand</h2>
          <p className="mt-0.5 mb-1 text-[14px] text-soft">In the studio already and not read yet.</p>
          <ul className="m-0 flex list-none flex-wrap gap-4 p-0">
            {pictures.map((p: PictureFacts) => (
              <li key={p.id} className="w-56 border border-line bg-panel p-2">
                <img
                  src={`/api/pictures/${p.id}`}
                  alt=""
                  className="block h-36 w-full object-contain"
                  loading="lazy"
                />
                <p className="my-1 truncate text-[14px]">{p.name}</p>
                <button
                  className="button w-full justify-center"
                  disabled={busy}
                  onClick={() =>
                    void readAll([
                      {
                        name: p.name,
                        pictureId: p.id,
                        load: () => pictureBlob(p.id),
                      },
                    ])
                  }
                >
                  Read it
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-label="Pages read">
        <h2 className="m-0 text-[17px]">Pages read</h2>
        {mine.length === 0 && <p className="my-1 text-[15px]">None yet.</p>}
        <ul className="m-0 list-none p-0">
          {mine.map((s) => {
            const open = s.decisions.filter((d) => d === "open").length;
            return (
              <li
                key={s.id}
                className="flex flex-wrap items-center gap-x-4 border-t border-line py-1.5 text-[15px]"
              >
                <Link className="font-semibold underline" href={`/swatchbook/scans/${s.id}`}>
                  Chart {own.find((c) => c.id === s.chartId)!.serial}, page {s.page + 1} of {s.pages}
                </Link>
                <span>
                  {open ? (
                    <strong>{counted(open, "cell")} in doubt</strong>
                  ) : s.stored ? (
                    "stored"
                  ) : (
                    "not stored yet"
                  )}
                </span>
                <span className="text-soft">
                  {s.decisions.filter((d) => d === "accepted").length} of {s.decisions.length} accepted,{" "}
                  <Day at={s.createdAt} />
                </span>
              </li>
            );
          })}
        </ul>
      </section>
    </div>
  );
}
