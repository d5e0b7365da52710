import { currentStudio, loadRack } from "@/app/studio-view";
import { listGroups } from "@/store/groups";
import { listPieces } from "@/store/pieces";
import { groupUses } from "@/core/group/library";
import { GroupsView } from "@/ui/groups/groups-view";
import { MarkerShell } from "@/ui/marker-shell";

export const metadata = { title: "Groups" };

interface Props {
  searchParams: Promise<{ paper?: string }>;
}

export default async function GroupsPage({ searchParams }: Props) {
  const studio = await currentStudio();
  const [{ papers, rack }, groups, pieces] = await Promise.all([
    loadRack((await searchParams).paper),
    listGroups(studio),
    listPieces(studio),
  ]);
  const uses = Object.fromEntries(groups.map((g) => [g.id, groupUses(g.tones, pieces)]));
  return (
    <MarkerShell markers={rack.markers} paperId={rack.paper.id}>
      <GroupsView groups={groups} papers={papers} rack={rack} uses={uses} studio={studio.name} />
    </MarkerShell>
  );
}
