import { Suspense } from "react";
import { loadRack } from "@/app/studio-view";
import { currentStudio } from "@/store/studio";
import { RackView } from "@/ui/rack/rack-view";

export const metadata = { title: "Rack" };

export default async function RackPage({ searchParams }: { searchParams: Promise<{ paper?: string | string[] }> }) {
  const { paper } = await searchParams;
  const [{ papers, rack }, studio] = await Promise.all([loadRack(typeof paper === "string" ? paper : null), currentStudio()]);
  return (
    <Suspense>
      <RackView papers={papers} rack={rack} studio={studio.name} />
    </Suspense>
  );
}
