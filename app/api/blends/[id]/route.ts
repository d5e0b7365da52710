import { route } from "@/door/route";
import { ExcludeInput } from "@/border/swatchbook";
import { excludeBlend } from "@/store/blends";

/** Leaves a long cell out, or takes it in again. */
export const PATCH = route(
  ExcludeInput,
  async (studio, { excluded }, { id }) => (await excludeBlend(studio, id!, excluded)) && { excluded },
  "long cell",
);
