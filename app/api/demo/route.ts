import { created, personRoute, route } from "@/door/route";
import { demoFor, resetDemo } from "@/store/copy-studio";

/** A demo studio of one's own: the one that is there, or a new one. */
export const POST = personRoute(
  null,
  async (visitor) => {
    const studio = await demoFor(visitor);
    return studio && created(studio);
  },
  "demo on this server",
);

/** Puts the demo one is in back as it was made. */
export const PUT = route(null, (studio) => resetDemo(studio), "demo", "owner");
