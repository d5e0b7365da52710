import { labToHex } from "@/core/colour/display";
import type { StoredReading } from "@/store/readings";
import { Day } from "@/ui/day";
import type { DataColumn } from "@/ui/kit/data-table";
import { labInWords } from "@/words/numbers";

/** Whether a reading counts: the newest of its stack does, unless somebody left it out. */
export type Standing = "current" | "superseded" | "left out";

export interface ListedReading extends StoredReading {
  readonly name: string;
  readonly standing: Standing;
}

const said = (v: number | null | undefined, text: (v: number) => string) =>
  v === null || v === undefined ? "" : text(v);

/** Columns of a paper's readings. */
export const readingColumns = (
  onExclude: (id: string, excluded: boolean) => Promise<void>,
  onCurve: (reading: ListedReading) => void,
): readonly DataColumn<ListedReading>[] => [
  {
    id: "stack",
    title: "layers",
    width: 270,
    by: (r) => r.name,
    cell: (r) => (
      <span className="flex min-w-0 items-center gap-2">
        <span
          className="h-7 w-9 shrink-0 border border-strong"
          style={{ background: r.hex ?? labToHex(r.lab) }}
          aria-hidden
        />
        <span className="code truncate">{r.name}</span>
      </span>
    ),
  },
  { id: "lab", title: "L* a* b*", width: 190, by: (r) => r.lab[0], cell: (r) => labInWords(r.lab) },
  {
    id: "source",
    title: "source",
    width: 180,
    by: (r) => r.source,
    cell: (r) =>
      r.measured?.reflectance ? (
        <button
          className="button-bare min-h-8 px-0 text-[13px] underline"
          aria-label={`Spectrum of ${r.name}`}
          onClick={() => onCurve(r)}
        >
          {r.source}, spectrum
        </button>
      ) : (
        `${r.source}${r.measured?.told ? `, ${r.measured.told.light}` : ""}`
      ),
  },
  {
    id: "read",
    title: "read",
    width: 120,
    by: (r) => new Date(r.readAt).getTime(),
    cell: (r) => <Day at={r.readAt} />,
  },
  {
    id: "spread",
    title: "spread",
    width: 90,
    by: (r) => r.spread ?? -1,
    cell: (r) => said(r.spread, (v) => v.toFixed(2)),
  },
  {
    id: "streaks",
    title: "streaks",
    width: 90,
    by: (r) => r.streakiness ?? -1,
    cell: (r) => said(r.streakiness, (v) => `${v.toFixed(1)} L*`),
  },
  {
    id: "trust",
    title: "trust",
    width: 80,
    by: (r) => r.confidence ?? -1,
    cell: (r) => said(r.confidence, (v) => `${Math.round(100 * v)} %`),
  },
  {
    id: "standing",
    title: "standing",
    width: 220,
    by: (r) => r.standing,
    cell: (r) => (
      <span className="flex items-center justify-between gap-2">
        {r.standing}
        <button
          className="button-bare min-h-8 text-[13px] underline"
          onClick={() => void onExclude(r.id, !r.excluded)}
        >
          {r.excluded ? "Take in again" : "Leave out"}
        </button>
      </span>
    ),
  },
];
