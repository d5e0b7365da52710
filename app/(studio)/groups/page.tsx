import { currentStudio, loadRack } from "@/app/studio-view";
import { listGroups } from "@/store/groups";
import { usesOfGroups } from "@/store/uses";
import { GroupsPlace } from "@/ui/groups/groups-view";
import { MarkerShell } from "@/ui/marker-shell";

export const metadata = { title: "Groups" };

interface Props {
  searchParams: Promise<{ paper?: string }>;
}

export default async function GroupsPage({ searchParams }: Props) {
  const studio = await currentStudio();
  const [{ papers, at }, groups] = await Promise.all([
    loadRack((await searchParams).paper),
    listGroups(studio),
  ]);
  const uses = await usesOfGroups(studio, groups);
  return (
    <MarkerShell at={at}>
      <GroupsPlace groups={groups} papers={papers} uses={uses} studio={studio.name} />
    </MarkerShell>
  );
}
