import { created, personRoute, reads } from "@/door/route";
import { takeStudioIn } from "@/app/studio-zip/take-in";
import { fileOf } from "@/border/body";
import { StudioFull } from "@/store/database";
import { holding } from "@/store/leases";
import { MOST_STUDIOS } from "@/store/studio";

const MOST_BYTES = 1024 * 1024 * 1024;
/** Studios that come in at a time, on the whole server. */
const PLACES = ["import 1", "import 2"];
const WAIT_MS = 20_000;

/** The zip as a file of its own, read only as far as it may go, and only once it is its turn; whoever takes it removes it. */
const zipFile = reads("zip", (request) => Promise.resolve(() => fileOf(request, MOST_BYTES)));

/** A new studio from the zip of another. */
export const POST = personRoute(zipFile, (visitor, arrive, _, request) => {
  const whose = `import of ${visitor.kind === "person" ? visitor.id : "this machine"}`;
  const mine = {
    waitMs: 0,
    busy: "A studio of yours is being taken in already. Wait for it, then try again.",
  };
  const others = {
    waitMs: WAIT_MS,
    busy: "Other studios are being taken in just now. Try again in a minute.",
  };
  return holding([whose], mine, () =>
    holding(PLACES, others, async () => {
      const file = await arrive();
      try {
        const studio = await takeStudioIn(visitor, file.path, file.folder, request.signal);
        if (!studio) throw new StudioFull(MOST_STUDIOS, "studios");
        return created(studio);
      } finally {
        await file.remove();
      }
    }),
  );
});
