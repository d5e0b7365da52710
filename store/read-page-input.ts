import type { ReadPage } from "@/core/chart/read-chart";

const isNumber = (v: unknown): v is number => typeof v === "number" && Number.isFinite(v);
const isNumbers = (v: unknown, count: number): boolean =>
  Array.isArray(v) && v.length === count && v.every(isNumber);
const isPoints = (v: unknown): boolean =>
  Array.isArray(v) && v.length === 4 && v.every((p) => isNumbers(p, 2));
const MOST_CELLS = 1000;

/** Whether something that came in is a page as `readChart` gives it. */
export function isReadPage(v: unknown): v is ReadPage {
  if (typeof v !== "object" || v === null) return false;
  const p = v as Record<string, unknown>;
  if (
    ![p.serial, p.page, p.pages, p.width, p.height, p.references, p.pixelsPerMm, p.lightResidual].every(
      isNumber,
    ) ||
    !isPoints(p.marks)
  )
    return false;
  return Array.isArray(p.cells) && p.cells.length <= MOST_CELLS && p.cells.every(isCell);
}

function isCell(v: unknown): boolean {
  if (typeof v !== "object" || v === null) return false;
  const c = v as Record<string, unknown>;
  const doubts =
    Array.isArray(c.doubts) &&
    c.doubts.every(
      (d: unknown) =>
        typeof d === "object" &&
        d !== null &&
        typeof (d as { kind: unknown }).kind === "string" &&
        typeof (d as { message: unknown }).message === "string",
    );
  return (
    doubts &&
    [c.line, c.place, c.spread, c.streakiness, c.confidence].every(isNumber) &&
    isNumbers(c.lab, 3) &&
    isPoints(c.corners) &&
    Array.isArray(c.stack) &&
    c.stack.every((s) => typeof s === "string")
  );
}
