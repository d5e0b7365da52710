import { route } from "@/door/route";
import { wrong } from "@/border/problem";
import { ChangeMemberInput } from "@/border/studio";
import { changeMember } from "@/store/studio";

/** What somebody may do in the studio; null takes them out. */
export const PUT = route(
  ChangeMemberInput,
  async (studio, { role }, { id }) => {
    const changed = await changeMember(studio, id!, role);
    if (changed === "last owner")
      throw wrong("role", "expected another owner first: nobody could let people in any more");
    return changed;
  },
  "member",
  "owner",
);
