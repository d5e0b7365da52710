"use client";
import type { Invitation, Member } from "@/store/studio";
import type { LearntPace } from "@/core/work/pace";
import { AccountPart, FirstAccount, type Me } from "./account-part";
import { FactsPart } from "./facts-part";
import { KeepPart } from "./keep-part";
import { PeoplePart } from "./people-part";
import { RemovePart } from "./remove-part";
import { useStudio } from "./studio-context";

/** What a studio is called, who may come in, one's account, and how everything is taken along or removed. */
export function StudioSettings({
  members,
  invitations,
  me,
  learnt,
}: {
  readonly members: readonly Member[];
  readonly invitations: readonly Invitation[];
  readonly me: Me | null;
  readonly learnt: LearntPace;
}) {
  const { name, demo, role } = useStudio()!;
  return (
    <main id="main" className="mx-auto max-w-[1100px] px-4 py-5">
      <h1 className="mt-0 mb-4 text-[26px]">
        Studio <span className="ml-2 text-[16px] font-normal text-soft">{name}</span>
      </h1>
      <div className="grid items-start gap-x-10 gap-y-6 md:grid-cols-2">
        <div className="grid gap-6">
          <FactsPart learnt={learnt} />
          <KeepPart />
          {role === "owner" && <RemovePart demo={demo} />}
        </div>
        <div className="grid gap-6">
          {me ? (
            <>
              <PeoplePart members={members} invitations={invitations} me={me} />
              <AccountPart me={me} />
            </>
          ) : (
            <FirstAccount />
          )}
        </div>
      </div>
    </main>
  );
}
