import { currentStudio, loadRack } from "@/app/studio-view";
import { usesByCode } from "@/core/stock/losses";
import { listPieces } from "@/store/pieces";
import { RackView } from "@/ui/rack/rack-view";

export const metadata = { title: "Rack" };

export default async function RackPage({
  searchParams,
}: {
  searchParams: Promise<{ paper?: string | string[] }>;
}) {
  const { paper } = await searchParams;
  const studio = await currentStudio();
  const [{ papers, rack }, pieces] = await Promise.all([
    loadRack(typeof paper === "string" ? paper : null),
    listPieces(studio),
  ]);
  const uses = Object.fromEntries(usesByCode(pieces));
  return <RackView papers={papers} rack={rack} studio={studio.name} uses={uses} />;
}
