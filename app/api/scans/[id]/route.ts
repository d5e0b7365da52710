import { route } from "@/door/route";
import { wrong } from "@/border/problem";
import { DecideScanInput } from "@/border/swatchbook";
import { decideScan, deleteScan, findScan, storeScan } from "@/store/charts";

/** Decides about cells, and on wish turns the accepted ones into readings. */
export const PATCH = route(
  DecideScanInput,
  async (studio, { decisions, store }, { id }) => {
    const scan = await findScan(studio, id!);
    if (!scan) return undefined;
    const cells = scan.result.cells.length;
    if (decisions.length !== cells) throw wrong("decisions", `expected ${cells} decisions, one a cell`);
    await decideScan(studio, id!, decisions);
    return { decisions, ...(store && { readings: await storeScan(studio, id!) }) };
  },
  "scan",
);

export const DELETE = route(null, (studio, _, { id }) => deleteScan(studio, id!), "scan");
