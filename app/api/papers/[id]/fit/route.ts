import { nameHere, refusedAsOlder } from "@/app/kept-colouring";
import { KeepFitInput } from "@/border/desk-fit";
import { rackKey } from "@/compute/from-rack";
import { route } from "@/door/route";
import { keepFit } from "@/store/desk-fits";
import { rackAt } from "@/store/rack-cache";

/** Keeps what a page has fitted to the rack on a paper, so that nobody who comes next fits it again. */
export const PUT = route(
  KeepFitInput,
  async (studio, { name, fit }, { id }, { headers }) => {
    const older = await refusedAsOlder(headers);
    if (older) return older;
    const there = await rackAt(studio, id!);
    if (!there) return undefined;
    if (rackKey(there.rack) !== name)
      return Response.json({ message: "What was read on this paper has changed since." }, { status: 409 });
    await keepFit(studio, await nameHere(name), fit);
    return new Response(null, { status: 204 });
  },
  "paper",
);
