import { created, personRoute } from "@/border/route";
import { DemoInput } from "@/border/studio";
import { copyDemo } from "@/store/copy-studio";

/** A demo studio of one's own, as it was made; on wish in place of the one that is there. */
export const POST = personRoute(
  DemoInput,
  async (visitor, { reset }) => {
    const studio = await copyDemo(visitor, reset ?? false);
    return studio && created(studio);
  },
  "demo on this server",
);
