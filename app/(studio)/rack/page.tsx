import { currentStudio, loadRack } from "@/app/studio-view";
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
  const { papers, at } = await loadRack(typeof paper === "string" ? paper : null);
  return (
    <RackProvider at={at}>
      <RackPlace papers={papers} studio={studio.name} />
    </RackProvider>
  );
}
