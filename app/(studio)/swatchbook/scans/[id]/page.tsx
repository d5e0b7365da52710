import { currentStudio, loadRack } from "@/app/studio-view";
import { notFound } from "next/navigation";
import { isId } from "@/border/fields";
import { findChart, findScan } from "@/store/charts";
import { findPaper } from "@/store/papers";
import { readingsOn } from "@/store/readings";
import { MarkerShell } from "@/ui/marker-shell";
import { ScanReview } from "@/ui/swatchbook/scan-review";

export const metadata = { title: "Chart page" };

export default async function ScanPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const studio = await currentStudio();
  const scan = isId(id) ? await findScan(studio, id) : undefined;
  const chart = scan && (await findChart(studio, scan.chartId));
  const paper = chart && (await findPaper(studio, chart.paperId));
  if (!scan || !chart || !paper) notFound();
  const earlier = (await readingsOn(studio, chart.paperId)).filter(
    (r) => r.scanId !== scan.id && !r.excluded,
  );
  return (
    <MarkerShell at={(await loadRack(paper.id)).at}>
      <ScanReview
        scan={scan}
        chart={chart}
        paper={paper}
        earlier={earlier.map(({ stack, lift, lab, source }) => ({ stack, lift: lift ?? false, lab, source }))}
      />
    </MarkerShell>
  );
}
