import { currentStudio, currentVisitor } from "@/app/studio-view";
import { recoveryLeft } from "@/store/people";
import { invitationsOf, membersOf } from "@/store/studio";
import { paceOf } from "@/core/work/pace";
import { recordOf } from "@/core/work/record";
import { workOfStudio } from "@/store/work-events";
import { Shell } from "@/ui/shell";
import { StudioSettings } from "@/ui/studio/studio-settings";

export const metadata = { title: "Studio" };

export default async function StudioPage() {
  const [studio, visitor] = await Promise.all([currentStudio(), currentVisitor()]);
  const isPerson = visitor.kind === "person";
  const [work, members, invitations, codes] = await Promise.all([
    workOfStudio(studio),
    isPerson ? membersOf(studio) : [],
    isPerson && studio.role === "owner" ? invitationsOf(studio) : [],
    isPerson ? recoveryLeft(visitor.id) : 0,
  ]);
  return (
    <Shell>
      <StudioSettings
        learnt={paceOf(work.map((w) => recordOf(w.events)))}
        members={members}
        invitations={invitations}
        me={isPerson ? { id: visitor.id, name: visitor.name, codes } : null}
      />
    </Shell>
  );
}
