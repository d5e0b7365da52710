import { currentStudio, loadRack } from "@/app/studio-view";
import { listCharts, listScans } from "@/store/charts";
import { rackAt } from "@/store/rack-cache";
import { coatsInHex } from "@/ui/ink/stroke-chip";
import { MarkerShell } from "@/ui/marker-shell";
import { PaperList } from "@/ui/swatchbook/paper-list";

export const metadata = { title: "Swatchbook" };

export default async function SwatchbookPage() {
  const studio = await currentStudio();
  const [{ papers, at }, charts, scans] = await Promise.all([
    loadRack(null),
    listCharts(studio),
    listScans(studio),
  ]);
  const racks = await Promise.all(papers.map(async (p) => (await rackAt(studio, p.id))!.rack));
  const rows = papers.map((paper, i) => {
    const own = charts.filter((c) => c.paperId === paper.id);
    const doubtful = scans
      .filter((s) => own.some((c) => c.id === s.chartId))
      .flatMap((s) =>
        s.decisions.includes("open")
          ? [{ id: s.id, cells: s.decisions.filter((d) => d === "open").length }]
          : [],
      );
    const read = racks[i]!.markers.filter((m) => m.swatches.length);
    const strokes = racks[i]!.families.flatMap((f) => {
      const family = read.filter((m) => m.family === f);
      const middle = family[family.length >> 1];
      return middle ? [coatsInHex(middle.swatches)] : [];
    });
    return { paper, read: read.length, charts: own.length, doubtful, strokes };
  });
  return (
    <MarkerShell at={at}>
      <PaperList rows={rows} markers={racks[0]?.markers.length ?? 0} studio={studio.name} />
    </MarkerShell>
  );
}
