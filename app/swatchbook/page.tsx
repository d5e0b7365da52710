import { loadRack } from "@/app/studio-view";
import { listCharts, listScans } from "@/store/charts";
import { readCounts } from "@/store/readings";
import { currentStudio } from "@/store/studio";
import { MarkerShell } from "@/ui/marker-shell";
import { PaperList } from "@/ui/swatchbook/paper-list";

export const metadata = { title: "Swatchbook" };

export default async function SwatchbookPage() {
  const studio = await currentStudio();
  const [{ papers, rack }, counts, charts, scans] = await Promise.all([loadRack(null), readCounts(studio), listCharts(studio), listScans(studio)]);
  const rows = papers.map((paper) => {
    const own = charts.filter((c) => c.paperId === paper.id);
    const doubtful = scans.filter((s) => own.some((c) => c.id === s.chartId)).flatMap((s) => (s.decisions.includes("open") ? [{ id: s.id, cells: s.decisions.filter((d) => d === "open").length }] : []));
    return { paper, read: counts.get(paper.id) ?? 0, charts: own.length, doubtful };
  });
  return (
    <MarkerShell markers={rack.markers} paperId={rack.paper.id}>
      <PaperList rows={rows} markers={rack.markers.length} studio={studio.name} />
    </MarkerShell>
  );
}
