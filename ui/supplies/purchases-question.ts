import { priceOf, type WantedColour } from "@/core/stock/wanted-colours";
import type { Rack, RackMarker } from "@/store/rack";

/** What somebody spends, and what a marker costs of which no price is written down. */
export interface Means {
  readonly budget: number;
  readonly usual: number;
}

const inkOf = ({ code, swatches }: RackMarker) => ({
  code,
  coats: swatches.slice(0, 3).map(({ lab }) => ({ lab })),
});

/** The question what to buy: what is wanted, what is owned, and what is known on this paper without being owned. */
export function purchasesQuestion(rack: Rack, wanted: readonly WantedColour[], { budget, usual }: Means) {
  const read = rack.markers.filter((m) => m.swatches.length);
  return {
    wanted: wanted.map(({ lab, weight }) => ({ color: { lab }, weight })),
    // One that is dry gives no colour: it is offered as what is to be bought again.
    owned: read.filter((m) => m.owned && m.state !== "dry").map(inkOf),
    offers: read
      .filter((m) => !m.owned || m.state === "dry")
      .map((m) => ({ inks: [inkOf(m)], price: priceOf(m.price) ?? usual })),
    budget,
  };
}
