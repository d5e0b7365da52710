import { currentStudio, loadRack } from "@/app/studio-view";
import { usesByCode } from "@/core/stock/losses";
import { listPieces } from "@/store/pieces";
import { RackProvider } from "@/ui/rack-here";
import { RackPlace } from "@/ui/rack/rack-view";

export const metadata = { title: "Rack" };

export default async function RackPage({
  searchParams,
}: {
  searchParams: Promise<{ paper?: string | string[] }>;
}) {
  const { paper } = await searchParams;
  const studio = await currentStudio();
  const [{ papers, at }, pieces] = await Promise.all([
    loadRack(typeof paper === "string" ? paper : null),
    listPieces(studio),
  ]);
  const uses = Object.fromEntries(usesByCode(pieces));
  return (
    <RackProvider at={at}>
      <RackPlace papers={papers} studio={studio.name} uses={uses} />
    </RackProvider>
  );
}
