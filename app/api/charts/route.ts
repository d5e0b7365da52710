import { validate } from "@/compute/validate";
import { layOutChart } from "@/core/chart/layout";
import { addChart } from "@/store/charts";
import { listPapers } from "@/store/papers";
import { currentStudio } from "@/store/studio";
import { NewChartInput } from "@/store/swatchbook-input";
import { answer, jsonBody, notFound } from "../answer";

export const POST = (request: Request) =>
  answer(async () => {
    const studio = await currentStudio();
    const input = JSON.parse(
      JSON.stringify(validate(NewChartInput, await jsonBody(request))),
    ) as NewChartInput;
    if (!(await listPapers(studio)).some((p) => p.id === input.paperId)) return notFound("paper");
    const chart = await addChart(studio, input);
    return Response.json({ ...chart, pages: layOutChart(chart).length }, { status: 201 });
  });
