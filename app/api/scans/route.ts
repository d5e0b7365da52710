import { created, route } from "@/door/route";
import { noSuch, wrong } from "@/border/problem";
import { plain } from "@/border/read-as";
import { NewScanInput } from "@/border/swatchbook";
import { layOutChart } from "@/core/chart/layout";
import type { ReadPage } from "@/core/chart/read-chart";
import { addScan, findChart, type StoredChart } from "@/store/charts";
import { findPicture } from "@/store/pictures";

/** Whether a page is one of a chart, cell by cell. */
function isOf(chart: StoredChart, { serial, page, cells }: ReadPage): boolean {
  const layout = layOutChart(chart)[page];
  return (
    serial === chart.serial &&
    layout?.cells.length === cells.length &&
    cells.every((c, i) => {
      const asked = layout.cells[i]!;
      return c.stack.join("\n") === asked.stack.join("\n") && c.pressure === asked.pressure;
    })
  );
}

/** A page as it was read; cells without doubts are accepted, the others wait. */
export const POST = route(NewScanInput, async (studio, input) => {
  const { chartId, pictureId } = input;
  const [chart, picture] = await Promise.all([findChart(studio, chartId), findPicture(studio, pictureId)]);
  if (!chart) throw noSuch("chartId", "chart");
  if (!picture) throw noSuch("pictureId", "picture");
  const result: ReadPage = plain(input.result);
  if (!isOf(chart, result))
    throw wrong("result", `expected a page of chart ${chart.serial} as readChart gives it`);
  const decisions = result.cells.map((c) => (c.doubts.length ? ("open" as const) : ("accepted" as const)));
  return created(await addScan(studio, { chartId, pictureId, page: result.page, result, decisions }));
});
