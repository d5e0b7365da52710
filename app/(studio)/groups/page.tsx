import { currentStudio, loadRack } from "@/app/studio-view";
import { listGroups } from "@/store/groups";
import { listPieces } from "@/store/pieces";
import { groupUses } from "@/core/group/library";
import { GroupsPlace } from "@/ui/groups/groups-view";
import { MarkerShell } from "@/ui/marker-shell";

export const metadata = { title: "Groups" };

interface Props {
  searchParams: Promise<{ paper?: string }>;
}

export default async function GroupsPage({ searchParams }: Props) {
  const studio = await currentStudio();
  const [{ papers, at }, groups, pieces] = await Promise.all([
    loadRack((await searchParams).paper),
    listGroups(studio),
    listPieces(studio),
  ]);
  const uses = Object.fromEntries(groups.map((g) => [g.id, groupUses(g.tones, pieces)]));
  return (
    <MarkerShell at={at}>
      <GroupsPlace groups={groups} papers={papers} uses={uses} studio={studio.name} />
    </MarkerShell>
  );
}
