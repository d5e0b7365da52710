import { route } from "@/door/route";
import { chartPdf } from "@/app/print/chart-pdf";
import { findChart } from "@/store/charts";
import { findPaper } from "@/store/papers";
import { download } from "../../../download";

export const GET = route(
  null,
  async (studio, _, { id }) => {
    const chart = await findChart(studio, id!);
    if (!chart) return undefined;
    const paper = await findPaper(studio, chart.paperId);
    const pdf = new Uint8Array(await chartPdf(chart, paper?.name ?? ""));
    return download(pdf, "application/pdf", `chart-${chart.serial}.pdf`);
  },
  "chart",
);
