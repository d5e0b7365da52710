import { groupLaid } from "@/core/log/group-laid";
import { currentStudio, loadRack } from "@/app/studio-view";
import { listGroups } from "@/store/groups";
import { usesOfGroups } from "@/store/uses";
import { layingsOf } from "@/store/work-events";
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
  const work = await layingsOf(studio, [
    ...new Set(Object.values(uses).flatMap((u) => u.map((p) => p.pieceId))),
  ]);
  const laid = Object.fromEntries(
    groups.map(({ id, tones }) => {
      const areas = (uses[id] ?? []).flatMap(({ pieceId, areaId, share }) => {
        const own = work.get(pieceId);
        return own ? [{ ...own, areaId, share }] : [];
      });
      return [id, groupLaid([...new Set(tones.map((t) => t.code))], areas)];
    }),
  );
  return (
    <MarkerShell at={at}>
      <GroupsPlace groups={groups} papers={papers} uses={uses} laid={laid} studio={studio.name} />
    </MarkerShell>
  );
}
