import { headers } from "next/headers";
import { findInvitation, whoCalls } from "@/store/people";
import { Outside } from "@/ui/studio/fields";
import { Join } from "@/ui/studio/join";

export const metadata = { title: "Invitation" };

const MAY = {
  owner: "You will own it with them: change everything, and let others in.",
  member: "You will work in it: plan pieces, read swatches, keep groups.",
  viewer: "You will look at everything and change nothing.",
} as const;

export default async function JoinPage({ params }: { params: Promise<{ code: string }> }) {
  const { code } = await params;
  const [found, visitor] = await Promise.all([findInvitation(code), whoCalls(await headers())]);
  if (!found)
    return (
      <Outside title="This invitation does not work any more">
        <p className="mt-0 text-[16px]">
          It has been used, is older than a week, or its address is not complete. Ask for another.
        </p>
      </Outside>
    );
  return (
    <Outside title={`Come into ${found.studio}`}>
      <p className="mt-0 text-[16px]">{MAY[found.role]}</p>
      <Join code={code} person={visitor?.kind === "person" ? visitor.name : null} />
    </Outside>
  );
}
