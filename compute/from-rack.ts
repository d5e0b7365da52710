import type { ColourInput } from "@/border/colour";
import type { MarkerState } from "@/core/stock/kinds";
import { MOST_MEETING, type Meeting } from "@/core/chart/layout";
import type { Profile } from "@/core/chart/profile";
import type { Illuminant } from "@/core/colour/observer";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { InstrumentReading } from "@/core/formats/measured";
import type { Pressure } from "@/core/pencil/tooth";

/** A colour as it was read: 8 bits of a picture, a colour by day, or what an instrument told. */
interface ReadSwatch {
  readonly lab: Lab;
  readonly hex?: string;
  readonly measured?: InstrumentReading;
}

interface ReadMarker {
  readonly code: string;
  readonly owned: boolean;
  readonly state: MarkerState;
  readonly swatches: readonly ReadSwatch[];
}

interface ReadPencil {
  readonly code: string;
  readonly kind: string;
  readonly owned: boolean;
  readonly state: MarkerState;
  readonly drawdowns?: { readonly white?: Lab; readonly black?: Lab };
  readonly swatches?: readonly ReadSwatch[];
}

/** What is known of a rack on one of its papers. */
export interface ReadRack {
  readonly paper: { readonly lab: Lab; readonly grain: number | null; readonly light: Illuminant };
  readonly markers: readonly ReadMarker[];
  readonly overlays: readonly (ReadSwatch & { readonly stack: readonly string[] })[];
  readonly bare?: ReadSwatch;
  readonly others: readonly ReadPencil[];
  readonly strips: readonly {
    readonly stack: readonly string[];
    readonly pressure: Pressure;
    readonly lab: Lab;
  }[];
  readonly blends: readonly {
    readonly how: Meeting;
    readonly stack: readonly string[];
    readonly over: readonly string[];
    readonly profile: Profile;
  }[];
}

/** How the rack's paper behaves while it is coloured, as far as that is known. */
export const sheetOf = ({
  paper: { openTime, bleed, capacity },
}: {
  readonly paper: {
    readonly capacity: number;
    readonly openTime: number | null;
    readonly bleed: number | null;
  };
}) => ({
  capacity,
  ...(openTime && { openTime }),
  ...(bleed !== null && { bleed }),
});

/** ΔE00 that a marker must save to be worth buying. */
const NOT_OWNED = 1.5;

const asRead = (lab: Lab): ColourInput => ({ lab });

/** All that is known of a colour; a spectrum says more than the colour it has, and a colour most under the light it was told in. */
export const asSwatch = ({ lab, hex, measured }: ReadSwatch): ColourInput =>
  measured?.reflectance
    ? { reflectance: measured.reflectance }
    : measured?.told
      ? measured.told
      : (hex ?? asRead(lab));

/** A pencil's colour over white: as it was drawn down there, else as it was told or read on the paper; none where nobody knows it. */
const overWhite = ({ drawdowns, swatches }: ReadPencil): ColourInput | undefined => {
  if (drawdowns?.white) return asRead(drawdowns.white);
  const told = swatches?.[0];
  return told && asSwatch(told);
};

/** ΔE00 within which the sheet that an instrument read is the paper as it is known. */
const SAME_SHEET = 1.5;

/**
 * The one desk of a rack on a paper: every marker that was read there, with a cost for those that are not owned; the owned pencils of
 * which a colour is known; the overlays and strips. Operations are told apart from it what they may use.
 */
export function deskOfRack({ paper, markers, overlays, bare, others, strips, blends }: ReadRack) {
  const inks = markers.flatMap(({ code, owned, state, swatches }) =>
    swatches.length
      ? [
          {
            code,
            coats: swatches.map(asSwatch),
            state,
            ...(!owned && { cost: NOT_OWNED }),
          },
        ]
      : [],
  );
  const pencils = others.flatMap((o) => {
    const white = o.kind === "pencil" && o.owned && o.state !== "dry" && overWhite(o);
    return white
      ? [{ code: o.code, white, ...(o.drawdowns?.black && { black: asRead(o.drawdowns.black) }) }]
      : [];
  });
  const isInk = new Set(inks.map((i) => i.code));
  const isPencil = new Set(pencils.map((p) => p.code));
  return {
    paper: {
      color: bare && deltaE00(bare.lab, paper.lab) < SAME_SHEET ? asSwatch(bare) : asRead(paper.lab),
      light: paper.light,
    },
    inks,
    pencils,
    overlays: overlays.map(({ stack, ...read }) => ({ stack, color: asSwatch(read) })),
    grain: paper.grain,
    strips: strips.flatMap(({ stack, pressure, lab }) => {
      const from = stack.findIndex((c) => isPencil.has(c));
      const [under, drawn] = [stack.slice(0, from), stack.slice(from)];
      if (from < 0 || !under.every((c) => isInk.has(c)) || !drawn.every((c) => isPencil.has(c))) return [];
      const layers = runs(drawn).map(([code, layers]) => ({ code, layers, pressure }));
      return [{ stack: under, layers, color: asRead(lab) }];
    }),
    ...(blends.length && {
      blends: blends
        .filter((b) => b.stack.length <= MOST_MEETING)
        .map(({ how, stack, over, profile: { step, labs } }) => ({
          how,
          stack,
          over,
          step,
          colors: labs.map(asRead),
        })),
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

const keys = new WeakMap<ReadRack, string>();

/** Names what a rack says to the planners: readings, what is owned, how full it is, and the light; by two sums, so that no two meet by accident. */
export function rackKey(rack: ReadRack): string {
  const known = keys.get(rack);
  if (known) return known;
  const said = JSON.stringify(deskOfRack(rack));
  let [a, b] = [0, 0];
  for (let i = 0; i < said.length; i++) {
    a = (Math.imul(a, 31) + said.charCodeAt(i)) | 0;
    b = (Math.imul(b ^ said.charCodeAt(i), 0x85ebca6b) + i) | 0;
  }
  const key = `${said.length}-${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}`;
  keys.set(rack, key);
  return key;
}
