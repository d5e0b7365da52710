import { findChart } from "@/store/charts";
import { listPapers } from "@/store/papers";
import { currentStudio } from "@/store/studio";
import { chartPdf } from "@/app/print/chart-pdf";
import { answer, isId, notFound } from "../../../answer";
import { download } from "../../../download";

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    const studio = await currentStudio();
    const chart = isId(id) ? await findChart(studio, id) : undefined;
    if (!chart) return notFound("chart");
    const paper = (await listPapers(studio)).find((p) => p.id === chart.paperId);
    return download(
      new Uint8Array(await chartPdf(chart, paper?.name ?? "")),
      "application/pdf",
      `chart-${chart.serial}.pdf`,
    );
  });
