import { route } from "@/door/route";
import { UsesInput } from "@/border/rack";
import { usesOfCode } from "@/store/uses";

/** Layers of the studio's pieces that use a thing on the rack. */
export const GET = route({ query: UsesInput }, (studio, { code }) => usesOfCode(studio, code));
