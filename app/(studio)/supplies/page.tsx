import { currentStudio, loadRack } from "@/app/studio-view";
import { pickedColours } from "@/store/picked-colours";
import { MarkerShell } from "@/ui/marker-shell";
import { SuppliesPlace } from "@/ui/supplies/supplies-view";

export const metadata = { title: "Supplies" };

interface Props {
  searchParams: Promise<{ paper?: string }>;
}

export default async function SuppliesPage({ searchParams }: Props) {
  const studio = await currentStudio();
  const [{ papers, at }, wanted] = await Promise.all([
    loadRack((await searchParams).paper),
    pickedColours(studio),
  ]);
  return (
    <MarkerShell at={at}>
      <SuppliesPlace papers={papers} wanted={wanted} />
    </MarkerShell>
  );
}
