"use client";
import { shortName } from "@/border/names";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { interleave } from "@/core/chart/compose";
import { layOutChart, SHEETS, type SheetName } from "@/core/chart/layout";
import type { Piece } from "@/core/piece/piece";
import { Day } from "@/ui/day";
import { Progress } from "@/ui/jobs/progress";
import { useFetched } from "@/ui/jobs/use-fetched";
import { useAsk } from "@/ui/jobs/use-job";
import { messageOf, send } from "@/ui/send";
import { counted } from "@/words/numbers";
import { useStudio } from "@/ui/studio/studio-context";
import { ChartPreview } from "./chart-preview";
import { composed, WHICH, type Which } from "./composed-chart";
import type { PaperData } from "./paper-view";

const STRIPS: Which = "strips that tell most of your pencils";
/** Strips of one sheet. */
const MOST_STRIPS = 24;

/** Composes a chart to print, shows its first page, and lists those that were printed. */
export function ChartTab({ rack, readings, charts, scans, trials, pieces }: PaperData) {
  const router = useRouter();
  const { paper } = rack;
  const [which, setWhich] = useState<Which>(
    rack.markers.every((m) => m.swatches.length) ? "owned markers" : "markers not read yet",
  );
  const [family, setFamily] = useState(rack.families[0] ?? "");
  const [pieceId, setPieceId] = useState(pieces[0]?.id ?? "");
  const chosen = useFetched<{ readonly document: Piece }>(pieceId ? `/api/pieces/${pieceId}` : null);
  const [sheet, setSheet] = useState<SheetName>(useStudio()?.sheet ?? "A4");
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
  const strips = useAsk(
    "pencilStrips",
    rack,
    which === STRIPS ? { top: MOST_STRIPS, ownedOnly: true } : null,
  );
  const { lines: plain, title } = composed(rack, {
    which,
    family,
    piece: chosen.output?.document,
    trials,
    strips: strips.output?.strips ?? [],
  });
  const lines = known ? interleave(plain, measured) : plain;
  const pages = layOutChart({ serial: 1, sheet, lines });
  const make = async () => {
    try {
      const chart = await send<{ id: string }>("POST", "/api/charts", {
        paperId: paper.id,
        title: shortName(title, 80),
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
            {(which === "a piece and its overlays" || which === "what a piece needs first") && (
              <label>
                Piece
                <br />
                <select className="field mt-0.5" value={pieceId} onChange={(e) => setPieceId(e.target.value)}>
                  {pieces.map((p) => (
                    <option key={p.id} value={p.id}>
                      {p.name}
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
          {which === "what a piece needs first" && (
            <p className="m-0 text-[14px]">
              Owned markers that are not known on {paper.name} yet and whose codes let one expect a colour
              near those picked in the piece. Measured first, they make its plan surest soonest.
            </p>
          )}
          {which === STRIPS && (
            <>
              <Progress work={strips} doing="Weighing which strips tell most" />
              <p className="m-0 text-[14px]">
                Of all strips that could be drawn, those that leave least unsure about your pencils on{" "}
                {paper.name}: alone and over each other, light, medium and firm. Draw each the way you will
                draw; from them Blendt learns this paper, your pencils and your hand.
              </p>
            </>
          )}
          {which === "blends, light against dark" && (
            <p className="m-0 text-[14px]">
              Two markers laid wet, either way round; crisp; and lifted. From how they run into one another,
              plans and sample strips learn how far ink moves on {paper.name} and what it loosens.
            </p>
          )}
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
            {which === "blends, light against dark" ? (
              <li>
                Fill each long cell as the notes above it say, in the order of their numbers: the right one
                begins at the ticks in its middle, at once where it says wet. Do one cell at a time, so that
                nothing dries too early.
              </li>
            ) : which === STRIPS ? (
              <li>
                Lay the marker that is named first and let it dry; over it so many layers of each pencil as
                stands beside the cell, all as hard as it says. Both cells of a line alike, filled to their
                ticks.
              </li>
            ) : (
              <li>
                Fill each cell to its ticks: one, two, three coats, each dry before the next; the last cell
                two coats, then one pass of the blender.
              </li>
            )}
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
      {pages[0] && plain.length > 0 && <ChartPreview layout={pages[0]} rack={rack} />}
    </div>
  );
}
