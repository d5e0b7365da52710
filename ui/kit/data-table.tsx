"use client";
import {
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type SortingState,
} from "@tanstack/react-table";
import { useVirtualizer } from "@tanstack/react-virtual";
import { ArrowDown, ArrowUp } from "lucide-react";
import { useMemo, useRef, useState, type ReactNode } from "react";
import { useGrid } from "./use-grid";

export interface DataColumn<Row> {
  readonly id: string;
  readonly title: string;
  /** Pixels. */
  readonly width: number;
  /** What rows are sorted by; none where sorting makes no sense. */
  readonly by?: (row: Row) => string | number;
  readonly cell: (row: Row) => ReactNode;
}

export interface Picking {
  readonly picked: ReadonlySet<string>;
  readonly onPick: (picked: ReadonlySet<string>) => void;
}

interface Props<Row> {
  readonly label: string;
  readonly rows: readonly Row[];
  readonly columns: readonly DataColumn<Row>[];
  readonly idOf: (row: Row) => string;
  /** Lets rows be ticked, with Shift a stretch of them. */
  readonly picking?: Picking;
  readonly onOpen?: (row: Row) => void;
  readonly rowClass?: (row: Row) => string;
  readonly className: string;
}

const ROW = 40;
const CHECK = 40;
const OVERSCAN = 12;

const compare = (p: string | number, q: string | number): number =>
  typeof p === "number" && typeof q === "number"
    ? p - q
    : String(p).localeCompare(String(q), "en", { numeric: true });

/** Rows in columns: sorted by a click on a heading, ticked, edited in place. Only the rows in view are drawn. */
export function DataTable<Row>({
  label,
  rows,
  columns,
  idOf,
  picking,
  onOpen,
  rowClass,
  className,
}: Props<Row>) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const last = useRef<number>(undefined);
  const scroller = useRef<HTMLDivElement>(null);
  const defs = useMemo(
    () =>
      columns.map((c): ColumnDef<Row, string | number> => ({
        id: c.id,
        accessorFn: c.by ?? (() => 0),
        enableSorting: !!c.by,
        sortDescFirst: false,
        sortingFn: (a, b, id) => compare(a.getValue(id), b.getValue(id)),
      })),
    [columns],
  );
  // eslint-disable-next-line react-hooks/incompatible-library -- its row models change with its state, by design
  const table = useReactTable({
    data: rows as Row[],
    columns: defs,
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: idOf,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const sorted = table.getRowModel().rows;
  const virtual = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: OVERSCAN,
  });
  const { at, grid } = useGrid({
    scroller,
    rows: sorted.length,
    columns: columns.length + (picking ? 1 : 0),
    show: (row) => virtual.scrollToIndex(row),
    onOpen: onOpen && ((row) => onOpen(sorted[row]!.original)),
  });
  const check = picking ? CHECK : 0;
  const template = [...(picking ? [`${CHECK}px`] : []), ...columns.map((c) => `${c.width}px`)].join(" ");
  const width = check + columns.reduce((sum, c) => sum + c.width, 0);
  const pick = (index: number, on: boolean, stretch: boolean) => {
    const from = stretch ? (last.current ?? index) : index;
    const next = new Set(picking!.picked);
    for (const row of sorted.slice(Math.min(from, index), Math.max(from, index) + 1)) {
      if (on) next.add(row.id);
      else next.delete(row.id);
    }
    last.current = index;
    picking!.onPick(next);
  };
  const chosen = picking ? sorted.filter((r) => picking.picked.has(r.id)).length : 0;
  return (
    <div
      ref={scroller}
      className={`scroll-pt-10 overflow-auto border border-line bg-panel ${className}`}
      role="grid"
      aria-label={label}
      aria-rowcount={sorted.length + 1}
      {...grid}
    >
      <div style={{ width }}>
        <div
          role="row"
          className="sticky top-0 z-10 grid items-center border-b border-strong bg-ground"
          style={{ gridTemplateColumns: template, height: ROW }}
        >
          {picking && (
            <span role="columnheader" className="flex justify-center">
              <input
                type="checkbox"
                className="size-4 accent-black"
                aria-label="Choose all rows"
                checked={chosen > 0 && chosen === sorted.length}
                onChange={(e) =>
                  picking.onPick(e.target.checked ? new Set(sorted.map((r) => r.id)) : new Set())
                }
              />
            </span>
          )}
          {columns.map((c) => {
            const way = table.getColumn(c.id)!.getIsSorted();
            return (
              <span
                key={c.id}
                role="columnheader"
                aria-sort={way === "desc" ? "descending" : way ? "ascending" : "none"}
              >
                <button
                  className="flex min-h-9 items-center gap-1 px-1 text-[13px] font-semibold"
                  disabled={!c.by}
                  onClick={() => table.getColumn(c.id)!.toggleSorting()}
                >
                  {c.title}
                  {way === "desc" && <ArrowDown size={13} aria-hidden />}
                  {way === "asc" && <ArrowUp size={13} aria-hidden />}
                </button>
              </span>
            );
          })}
        </div>
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const row = sorted[index]!;
            const cell = (column: number) => ({
              role: "gridcell",
              "data-cell": `${index} ${column}`,
              "aria-colindex": column + 1,
              tabIndex: at.row === index && at.column === column ? 0 : -1,
            });
            const isPicked = picking?.picked.has(row.id) ?? false;
            return (
              <div
                key={row.id}
                role="row"
                aria-rowindex={index + 2}
                aria-selected={picking ? isPicked : undefined}
                data-row={row.id}
                className={`absolute left-0 grid items-center border-b border-line ${isPicked ? "bg-ground" : ""} ${rowClass?.(row.original) ?? ""}`}
                style={{ gridTemplateColumns: template, height: ROW, top: start, width }}
                onDoubleClick={onOpen && (() => onOpen(row.original))}
              >
                {picking && (
                  <span {...cell(0)} className="flex h-full items-center justify-center">
                    <input
                      type="checkbox"
                      tabIndex={-1}
                      className="size-4 accent-black"
                      aria-label={`Choose ${row.id}`}
                      checked={isPicked}
                      onChange={(e) => pick(index, e.target.checked, (e.nativeEvent as MouseEvent).shiftKey)}
                    />
                  </span>
                )}
                {columns.map((c, i) => (
                  <span
                    key={c.id}
                    {...cell(i + (picking ? 1 : 0))}
                    className="flex h-full min-w-0 items-center pr-1 pl-1 [&>*]:min-w-0 [&>*]:flex-1"
                  >
                    {c.cell(row.original)}
                  </span>
                ))}
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}
