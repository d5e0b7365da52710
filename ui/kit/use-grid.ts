import { useEffect, useState, type FocusEvent, type KeyboardEvent, type RefObject } from "react";

interface Place {
  readonly row: number;
  readonly column: number;
}

/** Rows of a step with Page up and Page down. */
const PAGE = 10;
const CONTROLS = "input, select, textarea, button, a[href]";

/** How far each key goes, as rows and columns. */
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  PageUp: [-PAGE, 0],
  PageDown: [PAGE, 0],
};

/**
 * Walking a grid by keys, as the ARIA patterns have it: one place of it is reached by Tab, arrows go from cell to cell, Enter goes into what
 * is in a cell (or opens the row where there is nothing), Escape and Enter come back out.
 */
export function useGrid({
  scroller,
  rows,
  columns,
  show,
  onOpen,
}: {
  readonly scroller: RefObject<HTMLElement | null>;
  readonly rows: number;
  readonly columns: number;
  /** Scrolls a row into view, so that it is drawn. */
  readonly show: (row: number) => void;
  readonly onOpen: ((row: number) => void) | undefined;
}) {
  const [wanted, setWanted] = useState<Place>({ row: 0, column: 0 });
  const at = {
    row: Math.max(0, Math.min(rows - 1, wanted.row)),
    column: Math.min(columns - 1, wanted.column),
  };
  const cellAt = ({ row, column }: Place) =>
    scroller.current?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`);

  useEffect(() => {
    // What is in the cells is no place of its own on the way of the Tab key.
    for (const control of scroller.current?.querySelectorAll<HTMLElement>(
      `[role="gridcell"] :is(${CONTROLS})`,
    ) ?? [])
      control.tabIndex = -1;
  });

  const go = (to: Place) => {
    setWanted(to);
    show(to.row);
    // It may have to be drawn first.
    requestAnimationFrame(() => requestAnimationFrame(() => cellAt(to)?.focus()));
  };
  const onKeyDown = (e: KeyboardEvent<HTMLElement>) => {
    const target = e.target as HTMLElement;
    const cell = target.closest<HTMLElement>('[role="gridcell"]');
    if (!cell) return;
    const [row, column] = cell.dataset.cell!.split(" ").map(Number) as [number, number];
    if (target !== cell) {
      const isDone = e.key === "Enter" && target instanceof HTMLInputElement && target.type !== "checkbox";
      if (e.key !== "Escape" && !isDone) return;
      // By then it has said whether it can take what was typed; what it cannot take is not left.
      setTimeout(() => {
        if (isDone && target.getAttribute("aria-invalid") === "true") return;
        cellAt({ row, column })?.focus();
      });
      return;
    }
    const step = STEPS[e.key];
    const within = (v: number, most: number) => Math.min(most, Math.max(0, v));
    if (step) {
      e.preventDefault();
      go({ row: within(row + step[0], rows - 1), column: within(column + step[1], columns - 1) });
    } else if (e.key === "Home" || e.key === "End") {
      e.preventDefault();
      const last = e.key === "End";
      go({ row: e.ctrlKey ? (last ? rows - 1 : 0) : row, column: last ? columns - 1 : 0 });
    } else if (e.key === "Enter" || e.key === "F2" || e.key === " ") {
      e.preventDefault();
      const control = cell.querySelector<HTMLElement>(CONTROLS);
      if (!control) return onOpen?.(row);
      if (control instanceof HTMLInputElement && control.type === "checkbox") control.click();
      else if (control instanceof HTMLButtonElement) control.click();
      else {
        control.focus();
        if (control instanceof HTMLInputElement) control.select();
      }
    }
  };
  const onFocus = (e: FocusEvent<HTMLElement>) => {
    const place = (e.target as HTMLElement).closest<HTMLElement>('[role="gridcell"]')?.dataset.cell;
    if (!place) return;
    const [row, column] = place.split(" ").map(Number) as [number, number];
    if (row !== at.row || column !== at.column) setWanted({ row, column });
  };
  return { at, grid: { onKeyDown, onFocus } };
}
