import { personRoute } from "@/door/route";
import { wrong } from "@/border/problem";
import { JoinInput } from "@/border/studio";
import { acceptInvitation } from "@/store/people";

/** Lets somebody who has an account into a studio. */
export const POST = personRoute(JoinInput, async (visitor, { code }) => {
  if (visitor.kind === "local") throw wrong("code", "expected an account first; there is none here yet");
  const studioId = await acceptInvitation(visitor.id, code);
  if (!studioId) throw wrong("code", "expected an invitation that has not been used yet and is not too old");
  return { studioId };
});
