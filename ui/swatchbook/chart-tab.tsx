"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { interleave, pencilLines, pieceLines, stackLines } from "@/core/chart/compose";
import {
  inkLine,
  layOutChart,
  MARK,
  marksOf,
  SHEETS,
  whiteBoxes,
  type ChartLine,
  type PageLayout,
  type SheetName,
} from "@/core/chart/layout";
import { labToHex } from "@/core/colour/display";
import type { Rack } from "@/store/rack";
import { Day } from "@/ui/day";
import { messageOf, send } from "@/ui/send";
import { counted } from "@/words/numbers";
import type { PaperData } from "./paper-view";

const WHICH = [
  "all markers",
  "owned markers",
  "markers not read yet",
  "one family",
  "a piece and its overlays",
  "open trials",
  "pencils over markers",
] as const;
type Which = (typeof WHICH)[number];
/** Markers that pencils are tried over when none are named: pale to deep. */
const PENCIL_BASES = 8;

/** Composes a chart to print, shows its first page, and lists those that were printed. */
export function ChartTab({ rack, readings, charts, scans, trials, pieces }: PaperData) {
  const router = useRouter();
  const { paper } = rack;
  const [which, setWhich] = useState<Which>(
    rack.markers.every((m) => m.swatches.length) ? "owned markers" : "markers not read yet",
  );
  const [family, setFamily] = useState(rack.families[0] ?? "");
  const [pieceId, setPieceId] = useState(pieces[0]?.id ?? "");
  const [sheet, setSheet] = useState<SheetName>("A4");
  const [known, setKnown] = useState(true);
  const [trouble, setTrouble] = useState<string>();
  const measured = [
    ...new Set(
      readings
        .filter(
          (r) =>
            !r.excluded &&
            !r.lift &&
            r.stack.length === 3 &&
            new Set(r.stack).size === 1 &&
            r.source !== "chart",
        )
        .map((r) => r.stack[0]!),
    ),
  ].filter((c) => rack.markers.some((m) => m.code === c && m.owned));
  const { lines: plain, title } = composed(rack, {
    which,
    family,
    piece: pieces.find((p) => p.id === pieceId)?.document,
    trials,
  });
  const lines = known ? interleave(plain, measured) : plain;
  const pages = layOutChart({ serial: 1, sheet, lines });
  const make = async () => {
    try {
      const chart = await send<{ id: string }>("POST", "/api/charts", {
        paperId: paper.id,
        title: title.slice(0, 80),
        sheet,
        lines,
      });
      window.location.assign(`/api/charts/${chart.id}/pdf`);
      router.refresh();
    } catch (e) {
      setTrouble(messageOf(e));
    }
  };
  const own = charts.filter((c) => c.paperId === paper.id);
  return (
    <div className="grid gap-x-8 gap-y-6 min-[900px]:grid-cols-[minmax(0,1fr)_320px]">
      <div className="grid content-start gap-5">
        <section aria-label="Compose a chart" className="grid gap-3">
          <h2 className="m-0 text-[17px]">Print a chart for {paper.name}</h2>
          <div className="flex flex-wrap items-end gap-3 text-[14px]">
            <label>
              With
              <br />
              <select
                className="field mt-0.5"
                value={which}
                onChange={(e) => setWhich(e.target.value as Which)}
              >
                {WHICH.map((w) => (
                  <option key={w}>{w}</option>
                ))}
              </select>
            </label>
            {which === "one family" && (
              <label>
                Family
                <br />
                <select className="field mt-0.5" value={family} onChange={(e) => setFamily(e.target.value)}>
                  {rack.families
                    .filter((f) => rack.markers.some((m) => m.family === f))
                    .map((f) => (
                      <option key={f}>{f}</option>
                    ))}
                </select>
              </label>
            )}
            {which === "a piece and its overlays" && (
              <label>
                Piece
                <br />
                <select className="field mt-0.5" value={pieceId} onChange={(e) => setPieceId(e.target.value)}>
                  {pieces.map((p) => (
                    <option key={p.id} value={p.id}>
                      {p.document.name}
                    </option>
                  ))}
                </select>
              </label>
            )}
            <label>
              Sheet
              <br />
              <select
                className="field mt-0.5"
                value={sheet}
                onChange={(e) => setSheet(e.target.value as SheetName)}
              >
                {Object.keys(SHEETS).map((s) => (
                  <option key={s}>{s}</option>
                ))}
              </select>
            </label>
          </div>
          <label className="flex items-start gap-2 text-[14px]">
            <input
              type="checkbox"
              className="mt-0.5 size-4 accent-black"
              checked={known}
              onChange={(e) => setKnown(e.target.checked)}
            />
            <span>
              Put markers in between whose colour is known already ({measured.length} are on this paper). A
              camera is no instrument: by them its own colours are set right, and readings come out three to
              five times nearer.
            </span>
          </label>
          <div className="flex flex-wrap items-center gap-3">
            <button className="button button-main" disabled={!plain.length} onClick={() => void make()}>
              Make the PDF
            </button>
            <span className="text-[15px]">
              {plain.length
                ? `${counted(lines.length, "line")} on ${counted(pages.length, "page")}${lines.length > plain.length ? `, ${lines.length - plain.length} of them known` : ""}`
                : "Nothing to print with this choice."}
            </span>
          </div>
          {trouble && (
            <p role="alert" className="m-0">
              {trouble}
            </p>
          )}
          <ol className="m-0 list-decimal pl-5 text-[14px]">
            <li>
              Print in true size (100 %) onto {paper.name}, or onto the thinnest paper and copy the cells by
              hand.
            </li>
            <li>
              Fill each cell to its ticks: one, two, three coats, each dry before the next; the last cell two
              coats, then one pass of the blender.
            </li>
            <li>Let it dry overnight, then scan it or photograph the whole page in even light.</li>
          </ol>
          <p className="m-0 text-[13px] text-soft">
            Alcohol ink is a flammable solvent: air the room and cap each marker; the maker’s data sheet and
            local rules decide.
          </p>
        </section>
        <section aria-label="Printed charts">
          <h2 className="m-0 text-[17px]">Printed charts</h2>
          {own.length === 0 && <p className="my-1 text-[15px]">None yet.</p>}
          <ul className="m-0 list-none p-0">
            {own.map((c) => {
              const read = scans.filter((s) => s.chartId === c.id);
              const count = layOutChart(c).length;
              return (
                <li
                  key={c.id}
                  className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-1.5 text-[15px]"
                >
                  <strong>Chart {c.serial}</strong> {c.title}{" "}
                  <span className="text-soft">
                    {c.sheet}, {counted(count, "page")}, <Day at={c.createdAt} />
                  </span>
                  <span className="ml-auto flex items-center gap-3">
                    {new Set(read.map((s) => s.page)).size} of {count} read{" "}
                    <a className="button" href={`/api/charts/${c.id}/pdf`} download>
                      PDF
                    </a>
                  </span>
                </li>
              );
            })}
          </ul>
        </section>
      </div>
      {pages[0] && plain.length > 0 && <Preview layout={pages[0]} rack={rack} />}
    </div>
  );
}

function composed(
  rack: Rack,
  {
    which,
    family,
    piece,
    trials,
  }: {
    which: Which;
    family: string;
    piece: PaperData["pieces"][number]["document"] | undefined;
    trials: PaperData["trials"];
  },
): { lines: ChartLine[]; title: string } {
  const inks = (list: readonly { readonly code: string }[], title: string) => ({
    lines: list.map((m) => inkLine(m.code)),
    title,
  });
  switch (which) {
    case "all markers":
      return inks(rack.markers, "All markers");
    case "owned markers":
      return inks(
        rack.markers.filter((m) => m.owned),
        "Owned markers",
      );
    case "markers not read yet":
      return inks(
        rack.markers.filter((m) => m.owned && m.swatches.length < 3),
        "Owned markers not read yet",
      );
    case "one family":
      return inks(
        rack.markers.filter((m) => m.family === family),
        `Family ${family}`,
      );
    case "a piece and its overlays":
      return { lines: piece ? pieceLines(piece) : [], title: piece ? piece.name : "" };
    case "open trials":
      return {
        lines: stackLines(
          "trials",
          trials.filter((t) => t.verdict === "open").map((t) => ({ stack: t.stack })),
        ),
        title: "Open trials",
      };
    case "pencils over markers": {
      const ready = rack.markers
        .filter((m) => m.owned && m.state !== "dry" && m.swatches.length)
        .sort((a, b) => b.swatches[0]!.lab[0] - a.swatches[0]!.lab[0]);
      const bases = Array.from(
        { length: Math.min(PENCIL_BASES, ready.length) },
        (_, i) => ready[Math.floor((i * ready.length) / PENCIL_BASES)]!.code,
      );
      return {
        lines: pencilLines(
          rack.others.filter((o) => o.kind === "pencil" && o.owned).map((o) => o.code),
          bases,
        ),
        title: "Pencils over markers",
      };
    }
  }
}

/** The first page as it will be printed, with what is known already filled in. */
function Preview({ layout, rack }: { layout: PageLayout; rack: Rack }) {
  const { width, height } = SHEETS[layout.sheet];
  const known = new Map(rack.markers.map((m) => [m.code, m.swatches]));
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="w-full border border-strong"
        style={{ background: labToHex(rack.paper.lab) }}
        role="img"
        aria-label={`First of ${layout.pages} pages`}
      >
        {marksOf(layout.sheet).map(([x, y]) => (
          <g key={`${x} ${y}`}>
            <circle
              cx={x}
              cy={y}
              r={(MARK.outer + MARK.inner) / 2}
              fill="none"
              stroke="#000"
              strokeWidth={MARK.outer - MARK.inner}
            />
            <circle cx={x} cy={y} r={MARK.dot} />
          </g>
        ))}
        {layout.code.map((b) => (
          <rect key={b.x} x={b.x} y={b.y} width={b.width} height={b.height} />
        ))}
        {layout.cells.map((c) => {
          const swatch =
            c.lift || new Set(c.stack).size > 1 ? undefined : known.get(c.stack[0]!)?.[c.stack.length - 1];
          return (
            <rect
              key={`${c.line} ${c.place}`}
              x={c.box.x}
              y={c.box.y}
              width={c.box.width}
              height={c.box.height}
              fill={swatch ? labToHex(swatch.lab) : "none"}
              stroke="#8a8a8a"
              strokeWidth="0.25"
            />
          );
        })}
        {whiteBoxes(layout.sheet).map((b, i) => (
          <rect
            key={i}
            x={b.x}
            y={b.y}
            width={b.width}
            height={b.height}
            fill="none"
            stroke="#8a8a8a"
            strokeWidth="0.2"
            strokeDasharray="0.6 0.6"
          />
        ))}
        {layout.labels.map((l) => (
          <text key={`${l.x} ${l.y}`} x={l.x} y={l.y + 0.8} fontSize="2.6" className="font-mono">
            {l.text.split("\n")[0]}
          </text>
        ))}
      </svg>
      <figcaption className="mt-1 text-[13px] text-soft">
        First of {counted(layout.pages, "page")}. Cells already known are shown filled; the narrow ones stay
        white.
      </figcaption>
    </figure>
  );
}
