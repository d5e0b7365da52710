import { created, route } from "@/door/route";
import { noSuch } from "@/border/problem";
import { plain } from "@/border/read-as";
import { NewChartInput } from "@/border/swatchbook";
import { layOutChart } from "@/core/chart/layout";
import { addChart } from "@/store/charts";
import { findPaper } from "@/store/papers";

export const POST = route(NewChartInput, async (studio, input) => {
  if (!(await findPaper(studio, input.paperId))) throw noSuch("paperId", "paper");
  const chart = await addChart(studio, plain(input));
  return created({ ...chart, pages: layOutChart(chart).length });
});
