import type { Lab } from "@/core/colour/lab";
import type { ColourInput } from "./inputs/colour";
import type { MarkerState } from "./inputs/desk";

interface RackMarker {
  readonly code: string;
  readonly owned: boolean;
  readonly state: MarkerState;
  readonly swatches: readonly { readonly lab: Lab; readonly hex?: string }[];
}

interface RackLike {
  readonly paper: { readonly lab: Lab };
  readonly markers: readonly RackMarker[];
  readonly overlays?: readonly { readonly stack: readonly string[]; readonly lab: Lab }[];
}

/** ΔE00 that a marker must save to be worth buying. */
const NOT_OWNED = 1.5;

/** Input of any operation for what lies in a rack, as read on its paper; markers not read there cannot be planned with. */
export function deskOfRack(rack: RackLike, ownedOnly: boolean) {
  const read = rack.markers.filter((m) => m.swatches.length && (m.owned || !ownedOnly));
  return {
    paper: { color: { lab: rack.paper.lab } as ColourInput },
    inks: read.map((m) => ({
      code: m.code,
      coats: m.swatches.map((s): ColourInput => s.hex ?? { lab: s.lab }),
      state: m.state,
      ...(!m.owned && { cost: NOT_OWNED }),
    })),
    ...(rack.overlays?.length && { overlays: rack.overlays.map(({ stack, lab }) => ({ stack: [...stack], color: { lab } as ColourInput })) }),
  };
}
