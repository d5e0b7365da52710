import { BadInput } from "@/compute/problem";
import { validate } from "@/compute/validate";
import { layOutChart } from "@/core/chart/layout";
import { addScan, findChart } from "@/store/charts";
import { findPicture } from "@/store/pictures";
import { isReadPage } from "@/store/read-page-input";
import { currentStudio } from "@/store/studio";
import { NewScanInput } from "@/store/swatchbook-input";
import { answer, jsonBody, notFound } from "../answer";

/** A page as it was read; cells without doubts are accepted, the others wait. */
export const POST = (request: Request) =>
  answer(async () => {
    const studio = await currentStudio();
    const body = (await jsonBody(request)) as { result?: unknown };
    // The page has nested shapes of its own that are checked against its chart.
    const { chartId, pictureId } = validate(NewScanInput, { ...body, result: {} });
    const [chart, picture] = await Promise.all([findChart(studio, chartId), findPicture(studio, pictureId)]);
    if (!chart) return notFound("chart");
    if (!picture) return notFound("picture");
    const { result } = body;
    const layout = isReadPage(result) ? layOutChart(chart)[result.page] : undefined;
    const fits =
      layout &&
      isReadPage(result) &&
      result.serial === chart.serial &&
      result.cells.length === layout.cells.length &&
      result.cells.every((c, i) => c.stack.join("\n") === layout.cells[i]!.stack.join("\n"));
    if (!fits || !isReadPage(result))
      throw new BadInput([
        { path: "result", expected: `expected a page of chart ${chart.serial} as readChart gives it` },
      ]);
    const decisions = result.cells.map((c) => (c.doubts.length ? ("open" as const) : ("accepted" as const)));
    return Response.json(
      await addScan(studio, { chartId, pictureId, page: result.page, result, decisions }),
      { status: 201 },
    );
  });
