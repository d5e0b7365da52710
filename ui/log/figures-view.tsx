"use client";
import { Download } from "lucide-react";
import type { ReactNode } from "react";
import type { WorkFigures } from "@/core/log/figures";
import type { Rack } from "@/store/rack";
import { labToHex } from "@/core/colour/display";
import { axis, ChartCanvas } from "@/ui/kit/chart";
import { Link } from "@/ui/kit/link";
import { Empty } from "@/ui/kit/notice";
import { withRack } from "@/ui/rack-here";
import { saveFile } from "@/ui/save-file";
import { FORMULA } from "@/words/formula";
import { pencilName } from "@/words/pencil";

/** Bars of a chart, and rows of a table before the rest is folded away. */
const [MOST_WEEKS, MOST_MARKERS, MOST_ROWS] = [52, 20, 12];

/** Widest bar, px. */
const WIDEST_BAR = 44;

const minutes = (n: number) =>
  n < 90 ? `${Math.round(n)} min` : `${Math.floor(n / 60)} h ${String(Math.round(n % 60)).padStart(2, "0")}`;
const ground = (mm2: number) =>
  mm2 < 100 ? `${Math.round(mm2)} mm²` : `${(mm2 / 100).toFixed(mm2 < 10_000 ? 1 : 0)} cm²`;
const dayName = (day: string) =>
  new Intl.DateTimeFormat("en", { day: "numeric", month: "short", year: "numeric", timeZone: "UTC" }).format(
    new Date(`${day}T12:00:00Z`),
  );

/** What the record of work comes to: time, ground and pace, each as a chart with its table. */
export function FiguresView({ figures, rack }: { readonly figures: WorkFigures; readonly rack: Rack }) {
  const { weeks, pieces, markers } = figures;
  const shownWeeks = weeks.slice(-MOST_WEEKS);
  const top = markers.slice(0, MOST_MARKERS);
  const things = new Map([...rack.markers, ...rack.others].map((m) => [m.code, m]));
  const colourOf = (code: string) => {
    const swatch = things.get(code)?.swatches[0];
    return swatch ? (swatch.hex ?? labToHex(swatch.lab)) : undefined;
  };
  return (
    <main id="main" className="mx-auto max-w-[1320px] p-4 max-[759px]:px-2">
      <div className="mb-3 flex flex-wrap items-baseline gap-x-4">
        <h1 className="m-0 text-[26px]">Log in figures</h1>
        <Link href="/log" className="text-[15px] underline">
          The diary
        </Link>
      </div>
      {!weeks.length ? (
        <Empty>
          Nothing was laid at the desk yet. Once steps are ticked off there, this says how long they took, how
          much ground each marker covered, and how your hand gets faster.
        </Empty>
      ) : (
        <div className="grid items-start gap-x-8 gap-y-8 min-[1000px]:grid-cols-2">
          <Part
            title="Time at the desk"
            says="By week. Breaks of ten minutes and more are not counted, nor what was paused."
            file="time by week.csv"
            head={["week from", "minutes", "steps", "mm², coats counted", "mm² a second"]}
            rows={weeks.map((w) => [
              w.week,
              w.minutes.toFixed(1),
              String(w.steps),
              w.mm2.toFixed(0),
              w.speed?.toFixed(1) ?? "",
            ])}
            chart={
              <ChartCanvas
                kind="bar"
                className="h-56"
                label="Minutes at the desk by week; the table below says the same"
                says={JSON.stringify(shownWeeks)}
                data={({ text }) => ({
                  labels: shownWeeks.map((w) => dayName(w.week)),
                  datasets: [
                    {
                      label: "minutes",
                      data: shownWeeks.map((w) => w.minutes),
                      backgroundColor: text,
                      maxBarThickness: WIDEST_BAR,
                    },
                  ],
                })}
                options={(ink) => ({
                  scales: {
                    x: { ticks: { color: ink.text, font: ink.font }, grid: { display: false } },
                    y: axis(ink, "minutes", { min: 0 }),
                  },
                  plugins: { legend: { display: false }, tooltip: { animation: false } },
                })}
              />
            }
            table={[...weeks]
              .reverse()
              .map((w) => [
                dayName(w.week),
                minutes(w.minutes),
                String(w.steps),
                ground(w.mm2),
                w.speed === undefined ? "–" : `${w.speed.toFixed(1)} mm² a second`,
              ])}
            columns={["Week from", "Time", "Steps", "Ground", "Pace"]}
          />
          <Part
            title="Markers most used"
            says="By the ground that they covered, coats counted."
            file="ground by marker.csv"
            head={["code", "mm², coats counted", "steps", "pieces"]}
            rows={markers.map((m) => [m.code, m.mm2.toFixed(0), String(m.steps), String(m.pieces)])}
            chart={
              <ChartCanvas
                kind="bar"
                className="h-56"
                label="Ground covered by the markers most used; the table below says the same"
                says={JSON.stringify(top)}
                data={({ text }) => ({
                  labels: top.map((m) => pencilName(m.code)),
                  datasets: [
                    {
                      label: "cm²",
                      data: top.map((m) => m.mm2 / 100),
                      backgroundColor: top.map((m) => colourOf(m.code) ?? text),
                      borderColor: text,
                      borderWidth: 1,
                      maxBarThickness: WIDEST_BAR,
                    },
                  ],
                })}
                options={(ink) => ({
                  scales: {
                    x: { ticks: { color: ink.text, font: ink.font }, grid: { display: false } },
                    y: axis(ink, "cm², coats counted", { min: 0 }),
                  },
                  plugins: { legend: { display: false }, tooltip: { animation: false } },
                })}
              />
            }
            table={markers.map((m) => [
              <span key={m.code} className="code">
                {pencilName(m.code)}
              </span>,
              ground(m.mm2),
              String(m.steps),
              String(m.pieces),
            ])}
            columns={["Marker", "Ground", "Steps", "Pieces"]}
          />
          <Part
            title="Time by piece"
            says="Most time first."
            file="time by piece.csv"
            head={["piece", "minutes", "steps", "mm², coats counted"]}
            rows={pieces.map((p) => [p.name, p.minutes.toFixed(1), String(p.steps), p.mm2.toFixed(0)])}
            table={pieces.map((p) => [
              <Link key={p.id} href={`/log?piece=${p.id}`} className="underline">
                {p.name}
              </Link>,
              minutes(p.minutes),
              String(p.steps),
              ground(p.mm2),
            ])}
            columns={["Piece", "Time", "Steps", "Ground"]}
          />
        </div>
      )}
    </main>
  );
}

function Part({
  title,
  says,
  chart,
  columns,
  table,
  file,
  head,
  rows,
}: {
  readonly title: string;
  readonly says: string;
  readonly chart?: ReactNode;
  readonly columns: readonly string[];
  readonly table: readonly (readonly ReactNode[])[];
  readonly file: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}) {
  const save = async () => {
    const { default: Papa } = await import("papaparse");
    const text = Papa.unparse(
      { fields: [...head], data: rows.map((r) => [...r]) },
      { escapeFormulae: FORMULA },
    );
    saveFile(file, "text/csv", `${text}\r\n`);
  };
  const shown = (some: typeof table) => (
    <table className="w-full border-collapse text-[15px]">
      <thead>
        <tr>
          {columns.map((c, i) => (
            <th
              key={c}
              className={`border-b border-strong py-1 font-semibold ${i ? "pl-3 text-right" : "text-left"}`}
            >
              {c}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {some.map((row, r) => (
          <tr key={r} className="border-b border-line">
            {row.map((cell, i) => (
              <td key={i} className={`py-1 ${i ? "pl-3 text-right whitespace-nowrap" : ""}`}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
  return (
    <section aria-label={title} className="min-w-0">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="m-0 text-[18px]">{title}</h2>
        <button
          className="button-bare ml-auto inline-flex items-center gap-1.5 text-[14px] underline"
          onClick={() => void save()}
        >
          <Download size={15} aria-hidden /> CSV
        </button>
      </div>
      <p className="mt-0 mb-2 text-[14px] text-soft">{says}</p>
      {chart}
      <div className="mt-2 overflow-x-auto">{shown(table.slice(0, MOST_ROWS))}</div>
      {table.length > MOST_ROWS && (
        <details className="mt-1">
          <summary className="min-h-6 cursor-pointer text-[14px]">{table.length - MOST_ROWS} more</summary>
          <div className="overflow-x-auto">{shown(table.slice(MOST_ROWS))}</div>
        </details>
      )}
    </section>
  );
}

/** The same where the rack comes with the page. */
export const FiguresPlace = withRack(FiguresView);
