import { openTimeOn } from "@/app/learn-pace";
import { currentStudio, loadRack } from "@/app/studio-view";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { isId } from "@/border/fields";
import { blendsOn } from "@/store/blends";
import { listCharts, listScans } from "@/store/charts";
import { findPaper, listPapers } from "@/store/papers";
import { loosePictures } from "@/store/pictures";
import { pieceNames } from "@/store/pieces";
import { readingsOn } from "@/store/readings";
import { trialsOn } from "@/store/trials";
import { MarkerShell } from "@/ui/marker-shell";
import { PaperPlace } from "@/ui/swatchbook/paper-view";

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id } = await params;
  const paper = (await listPapers(await currentStudio())).find((p) => p.id === id);
  return { title: paper?.name ?? "Swatchbook" };
}

export default async function PaperPage({ params }: Props) {
  const { id } = await params;
  const studio = await currentStudio();
  const paper = isId(id) ? await findPaper(studio, id) : undefined;
  if (!paper) notFound();
  const [{ at }, readings, blends, charts, scans, trials, pictures, pieces, openTime] = await Promise.all([
    loadRack(id),
    readingsOn(studio, id),
    blendsOn(studio, id),
    listCharts(studio),
    listScans(studio),
    trialsOn(studio, id),
    loosePictures(studio),
    pieceNames(studio),
    openTimeOn(studio, paper),
  ]);
  return (
    <MarkerShell at={at}>
      <PaperPlace
        readings={readings}
        blends={blends}
        charts={charts}
        scans={scans.map(({ result, ...s }) => ({ ...s, pages: result.pages }))}
        trials={trials}
        pictures={pictures}
        pieces={pieces}
        openTime={openTime}
      />
    </MarkerShell>
  );
}
