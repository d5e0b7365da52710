import { created, route } from "@/door/route";
import { InviteInput } from "@/border/studio";
import { StudioFull } from "@/store/database";
import { invite, MOST_INVITATIONS } from "@/store/studio";

/** A link that lets one person in; its code is told this once. */
export const POST = route(
  InviteInput,
  async (studio, { role }) => {
    const code = await invite(studio, role);
    if (!code) throw new StudioFull(MOST_INVITATIONS, "invitations that wait");
    return created({ code });
  },
  "studio",
  "owner",
);
