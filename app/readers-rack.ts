import { headers } from "next/headers";
import { chosenOf, SignInNeeded, StudioNeeded, visitorOf } from "@/door/guard";
import { inOtherRack, type InOtherRack, type KnownMarker } from "@/core/stock/in-other-rack";
import { listPapers } from "@/store/papers";
import { rackAt } from "@/store/rack-cache";
import type { Rack, RackMarker } from "@/store/rack";
import { studiosOf, type Entered, type Studio } from "@/store/studio";

/** What somebody who looks at a shared piece has of what it uses. */
export interface ReadersRack {
  readonly studio: string;
  readonly things: readonly InOtherRack[];
}

/** The studio of whoever looks, if they have one here. */
async function readersStudio(): Promise<Entered | undefined> {
  const asked = await headers();
  try {
    return chosenOf(await studiosOf(await visitorOf(asked)), asked);
  } catch (e) {
    if (e instanceof SignInNeeded || e instanceof StudioNeeded) return undefined;
    throw e;
  }
}

const known = ({ code, swatches, drawdowns }: RackMarker): KnownMarker => ({
  code,
  lab: drawdowns?.white ?? swatches[0]?.lab,
});

/** What the reader of a link owns of a piece's markers, and the nearest they own for the others; undefined where they have no studio of their own here. */
export async function readersRack(shownBy: Studio, used: Rack): Promise<ReadersRack | undefined> {
  const studio = await readersStudio();
  if (!studio || studio.id === shownBy.id) return undefined;
  const [paper] = await listPapers(studio);
  const own = paper && (await rackAt(studio, paper.id))?.rack;
  if (!own) return undefined;
  const owned = (all: readonly RackMarker[]) => all.filter((m) => m.owned && m.state !== "dry").map(known);
  return {
    studio: studio.name,
    things: [
      ...inOtherRack(used.markers.map(known), owned(own.markers)),
      ...inOtherRack(used.others.map(known), owned(own.others)),
    ],
  };
}
