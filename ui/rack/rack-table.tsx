"use client";
import { useVirtualizer } from "@tanstack/react-virtual";
import { ArrowDown, ArrowUp } from "lucide-react";
import { useMemo, useRef, useState, type ReactNode } from "react";
import { chroma, hue } from "@/core/colour/lab";
import type { RackFacts, RackMarker } from "@/store/rack";
import { coatsInHex, StrokeChip } from "@/ui/ink/stroke-chip";
import { counted, signed } from "@/words/numbers";
import type { RunEdits } from "./use-rack-edits";

interface Column {
  readonly id: string;
  readonly title: string;
  readonly width: number;
  readonly by: (m: RackMarker) => string | number;
  readonly cell: (m: RackMarker, set: (facts: Partial<RackFacts>) => void) => ReactNode;
}

const STATES = ["full", "fine", "low", "dry"] as const;
const NOT_READ = -1;
const lightness = (m: RackMarker) => m.swatches[0]?.lab[0] ?? NOT_READ;

function Text({
  label,
  value,
  mono,
  onCommit,
}: {
  label: string;
  value: string;
  mono?: boolean;
  onCommit: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const commit = () => {
    if (typed !== undefined && typed.trim() !== value) onCommit(typed.trim());
    setTyped(undefined);
  };
  return (
    <input
      aria-label={label}
      className={`min-h-8 w-full border border-transparent bg-transparent px-1 text-[14px] hover:border-line focus:bg-panel ${mono ? "code" : ""}`}
      value={typed ?? value}
      maxLength={120}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) =>
        e.key === "Enter" ? e.currentTarget.blur() : e.key === "Escape" && setTyped(undefined)
      }
    />
  );
}

export const standingOf = (m: Pick<RackFacts, "owned" | "wished">): "owned" | "wished" | "not owned" =>
  m.owned ? "owned" : m.wished ? "wished" : "not owned";
export const standingFacts = (text: string): Partial<RackFacts> => ({
  owned: text === "owned",
  wished: text === "wished",
});

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly string[];
  onChange: (v: string) => void;
}) {
  return (
    <select
      aria-label={label}
      className="min-h-8 w-full border border-transparent bg-transparent text-[14px] hover:border-line"
      value={value}
      onChange={(e) => onChange(e.target.value)}
    >
      {options.map((o) => (
        <option key={o}>{o}</option>
      ))}
    </select>
  );
}

const columns: readonly Column[] = [
  {
    id: "stroke",
    title: "Stroke",
    width: 84,
    by: (m) => (m.swatches[0] ? hue(m.swatches[0].lab) : NOT_READ),
    cell: (m) =>
      m.swatches.length ? (
        <StrokeChip
          coats={coatsInHex(m.swatches)}
          owned={m.owned}
          low={m.state === "low"}
          width={72}
          height={26}
        />
      ) : (
        <span className="text-[13px] text-soft">not read</span>
      ),
  },
  {
    id: "code",
    title: "Code",
    width: 118,
    by: (m) => m.code,
    cell: (m) => <span className="code">{m.code}</span>,
  },
  {
    id: "family",
    title: "Family",
    width: 96,
    by: (m) => m.family,
    cell: (m) => <span className="text-[14px]">{m.family}</span>,
  },
  {
    id: "lightness",
    title: "L*",
    width: 50,
    by: lightness,
    cell: (m) => <span className="text-[14px]">{m.swatches[0] ? signed(m.swatches[0].lab[0]) : ""}</span>,
  },
  {
    id: "chroma",
    title: "C*",
    width: 50,
    by: (m) => (m.swatches[0] ? chroma(m.swatches[0].lab) : NOT_READ),
    cell: (m) => (
      <span className="text-[14px]">{m.swatches[0] ? signed(chroma(m.swatches[0].lab)) : ""}</span>
    ),
  },
  {
    id: "standing",
    title: "Standing",
    width: 104,
    by: standingOf,
    cell: (m, set) => (
      <Choice
        label={`Standing of ${m.code}`}
        value={standingOf(m)}
        options={["owned", "wished", "not owned"]}
        onChange={(v) => set(standingFacts(v))}
      />
    ),
  },
  {
    id: "state",
    title: "State",
    width: 78,
    by: (m) => STATES.indexOf(m.state),
    cell: (m, set) =>
      m.owned ? (
        <Choice
          label={`State of ${m.code}`}
          value={m.state}
          options={STATES}
          onChange={(v) => set({ state: v as RackFacts["state"] })}
        />
      ) : (
        ""
      ),
  },
  {
    id: "refills",
    title: "Refills",
    width: 64,
    by: (m) => m.refills,
    cell: (m, set) => (
      <Text
        label={`Refills of ${m.code}`}
        value={m.refills ? String(m.refills) : ""}
        onCommit={(t) => /^\d{0,3}$/.test(t) && set({ refills: Number(t) })}
      />
    ),
  },
  {
    id: "name",
    title: "Name",
    width: 120,
    by: (m) => m.name.toLowerCase(),
    cell: (m, set) => <Text label={`Name of ${m.code}`} value={m.name} onCommit={(name) => set({ name })} />,
  },
  {
    id: "nib",
    title: "Nib",
    width: 124,
    by: (m) => m.nib.toLowerCase(),
    cell: (m, set) => (
      <Text label={`Nib of ${m.code}`} value={m.nib} onCommit={(nib) => set({ nib: nib.slice(0, 60) })} />
    ),
  },
  {
    id: "place",
    title: "Kept in",
    width: 128,
    by: (m) => m.place.toLowerCase(),
    cell: (m, set) => (
      <Text label={`Where ${m.code} is kept`} value={m.place} onCommit={(place) => set({ place })} />
    ),
  },
  {
    id: "price",
    title: "Price",
    width: 70,
    by: (m) => Number.parseFloat(m.price) || 0,
    cell: (m, set) => (
      <Text
        label={`Price of ${m.code}`}
        value={m.price}
        onCommit={(price) => set({ price: price.slice(0, 30) })}
      />
    ),
  },
  {
    id: "notes",
    title: "Notes",
    width: 220,
    by: (m) => m.notes.toLowerCase(),
    cell: (m, set) => (
      <Text label={`Notes on ${m.code}`} value={m.notes} onCommit={(notes) => set({ notes })} />
    ),
  },
  {
    id: "range",
    title: "Range",
    width: 150,
    by: (m) => m.range,
    cell: (m) => <span className="truncate text-[14px]">{m.range}</span>,
  },
];

const ROW = 40;
const CHECK = 40;
const template = `${CHECK}px ${columns.map((c) => `${c.width}px`).join(" ")}`;
const total = CHECK + columns.reduce((sum, c) => sum + c.width, 0);

/** The rack as rows: sorted, chosen, edited in place and in bulk. Only the rows in view are drawn. */
export function RackTable({
  markers,
  run,
  onOpen,
}: {
  readonly markers: readonly RackMarker[];
  readonly run: RunEdits;
  readonly onOpen: (code: string) => void;
}) {
  const [sort, setSort] = useState<{ id: string; down: boolean }>();
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [last, setLast] = useState<number>();
  const scroller = useRef<HTMLDivElement>(null);
  const sorted = useMemo(() => {
    const column = columns.find((c) => c.id === sort?.id);
    if (!column) return markers;
    const side = sort!.down ? -1 : 1;
    return [...markers].sort((a, b) => {
      const [p, q] = [column.by(a), column.by(b)];
      return (
        side *
        (typeof p === "number" && typeof q === "number"
          ? p - q
          : String(p).localeCompare(String(q), "en", { numeric: true }))
      );
    });
  }, [markers, sort]);
  // eslint-disable-next-line react-hooks/incompatible-library -- rows are measured by the virtualiser on purpose
  const rows = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const chosen = sorted.filter((m) => picked.has(m.code));
  const pick = (index: number, on: boolean, range: boolean) => {
    const next = new Set(picked);
    const [from, to] =
      range && last !== undefined ? [Math.min(last, index), Math.max(last, index)] : [index, index];
    for (const m of sorted.slice(from, to + 1)) {
      if (on) next.add(m.code);
      else next.delete(m.code);
    }
    setLast(index);
    setPicked(next);
  };
  const all = (facts: Partial<RackFacts>) => run(chosen.map((m) => ({ code: m.code, set: facts })));
  return (
    <div>
      <div
        className="mb-1 flex min-h-10 flex-wrap items-center gap-2 text-[14px]"
        role="group"
        aria-label="Chosen markers"
      >
        {chosen.length === 0 ? (
          <span className="text-soft">
            {counted(sorted.length, "row")}. Edit any cell in place; tick rows to change many at once, Shift
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
      <div
        ref={scroller}
        className="h-[calc(100vh-250px)] min-h-72 overflow-auto border border-line bg-panel"
        role="table"
        aria-label="Rack"
        aria-rowcount={sorted.length + 1}
      >
        <div style={{ width: total }}>
          <div
            role="row"
            className="sticky top-0 z-10 grid items-center border-b border-strong bg-ground"
            style={{ gridTemplateColumns: template, height: ROW }}
          >
            <span role="columnheader" className="flex justify-center">
              <input
                type="checkbox"
                className="size-4 accent-black"
                aria-label="Choose all rows"
                checked={chosen.length > 0 && chosen.length === sorted.length}
                onChange={(e) => setPicked(e.target.checked ? new Set(sorted.map((m) => m.code)) : new Set())}
              />
            </span>
            {columns.map((c) => (
              <span
                key={c.id}
                role="columnheader"
                aria-sort={sort?.id === c.id ? (sort.down ? "descending" : "ascending") : "none"}
              >
                <button
                  className="flex min-h-9 items-center gap-1 px-1 text-[13px] font-semibold"
                  onClick={() =>
                    setSort(
                      sort?.id === c.id && sort.down ? undefined : { id: c.id, down: sort?.id === c.id },
                    )
                  }
                >
                  {c.title}
                  {sort?.id === c.id &&
                    (sort.down ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />)}
                </button>
              </span>
            ))}
          </div>
          <div className="relative" style={{ height: rows.getTotalSize() }}>
            {rows.getVirtualItems().map(({ index, start }) => {
              const m = sorted[index]!;
              const set = (facts: Partial<RackFacts>) => run([{ code: m.code, set: facts }]);
              return (
                <div
                  key={m.code}
                  role="row"
                  aria-rowindex={index + 2}
                  aria-selected={picked.has(m.code)}
                  data-row={m.code}
                  className={`absolute left-0 grid items-center border-b border-line ${picked.has(m.code) ? "bg-ground" : ""}`}
                  style={{ gridTemplateColumns: template, height: ROW, top: start, width: total }}
                  onDoubleClick={() => onOpen(m.code)}
                >
                  <span role="cell" className="flex justify-center">
                    <input
                      type="checkbox"
                      className="size-4 accent-black"
                      aria-label={`Choose ${m.code}`}
                      checked={picked.has(m.code)}
                      onChange={(e) => pick(index, e.target.checked, (e.nativeEvent as MouseEvent).shiftKey)}
                    />
                  </span>
                  {columns.map((c) => (
                    <span key={c.id} role="cell" className="min-w-0 pr-1">
                      {c.cell(m, set)}
                    </span>
                  ))}
                </div>
              );
            })}
          </div>
        </div>
      </div>
    </div>
  );
}

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
