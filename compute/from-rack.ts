import type { Lab } from "@/core/colour/lab";
import type { Pressure } from "@/core/pencil/tooth";
import type { ColourInput } from "./inputs/colour";
import type { MarkerState } from "./inputs/desk";

interface RackMarker {
  readonly code: string;
  readonly owned: boolean;
  readonly state: MarkerState;
  readonly swatches: readonly { readonly lab: Lab; readonly hex?: string }[];
}

interface PencilLike {
  readonly code: string;
  readonly kind: string;
  readonly owned: boolean;
  readonly state: string;
  readonly drawdowns?: { readonly white?: Lab; readonly black?: Lab };
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
    ...(rack.overlays?.length && {
      overlays: rack.overlays.map(({ stack, lab }) => ({ stack: [...stack], color: { lab } as ColourInput })),
    }),
  };
}

interface PencilRackLike extends RackLike {
  readonly paper: { readonly lab: Lab; readonly grain: number | null };
  readonly others: readonly PencilLike[];
  readonly strips: readonly {
    readonly stack: readonly string[];
    readonly pressure: Pressure;
    readonly lab: Lab;
  }[];
}

/** Input of any pencil operation: the markers, the owned pencils that were drawn down twice, and the strips that were read on the paper. */
export function pencilDeskOfRack(rack: PencilRackLike, ownedOnly: boolean) {
  const desk = deskOfRack({ ...rack, overlays: [] }, ownedOnly);
  const pencils = rack.others.flatMap(({ code, kind, owned, state, drawdowns }) =>
    kind === "pencil" && owned && state !== "dry" && drawdowns?.white && drawdowns.black
      ? [
          {
            code,
            white: { lab: drawdowns.white } as ColourInput,
            black: { lab: drawdowns.black } as ColourInput,
          },
        ]
      : [],
  );
  const isPencil = new Set(pencils.map((p) => p.code));
  const isInk = new Set(desk.inks.map((i) => i.code));
  return {
    ...desk,
    pencils,
    ...(rack.paper.grain !== null && { grain: rack.paper.grain }),
    strips: rack.strips.flatMap(({ stack, pressure, lab }) => {
      const from = stack.findIndex((c) => isPencil.has(c));
      const [under, drawn] = [stack.slice(0, from), stack.slice(from)];
      if (from < 0 || !under.every((c) => isInk.has(c)) || !drawn.every((c) => isPencil.has(c))) return [];
      return [
        {
          stack: under,
          layers: runs(drawn).map(([code, layers]) => ({ code, layers, pressure })),
          color: { lab } as ColourInput,
        },
      ];
    }),
  };
}

/** Equal neighbours counted together. */
function runs(codes: readonly string[]): [code: string, count: number][] {
  const out: [string, number][] = [];
  for (const code of codes) {
    const last = out.at(-1);
    if (last?.[0] === code) last[1]++;
    else out.push([code, 1]);
  }
  return out;
}
