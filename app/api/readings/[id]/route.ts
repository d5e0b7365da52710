import { route } from "@/door/route";
import { ExcludeInput } from "@/border/swatchbook";
import { excludeReading } from "@/store/readings";

/** Leaves a reading out, or takes it in again. */
export const PATCH = route(
  ExcludeInput,
  async (studio, { excluded }, { id }) => (await excludeReading(studio, id!, excluded)) && { excluded },
  "reading",
);
