import { chroma, hue, hueTurn, type Lab } from "@/core/colour/lab";
import type { Spectrum } from "@/core/colour/observer";
import type { PencilFilm } from "./film";
import { drawnLab, type ToothFit } from "./tooth";

/** A pencil with its colour in a firm layer on the paper, by which it is chosen. */
export interface Pencil {
  readonly film: PencilFilm;
  readonly own: Lab;
}

/** Pencils as they look firmly drawn on a paper of this reflectance. */
export const pencilsOn = (films: readonly PencilFilm[], paper: Spectrum, fit: ToothFit): Pencil[] =>
  films.map((film) => ({ film, own: drawnLab(paper, [{ film, layers: 4, pressure: "firm" }], fit) }));

/** Pencils by what they do in a plan. */
export interface PencilRoles {
  /** Sets of three neighbours that could make the middle, most promising first. */
  readonly trios: readonly (readonly Pencil[])[];
  /** Up to three cool or neutral darks that go beneath for shade. */
  readonly darks: readonly Pencil[];
  /** The lightest, that goes beneath for tint; none when nothing owned is light and pale. */
  readonly white: Pencil | undefined;
}

const DARKEST_DARK = 46;
const WHITE = { lightness: 84, chroma: 14 } as const;
/** Colours of less chroma have no hue to be neighbours by. */
const NEUTRAL = 9;
/** Neighbours in hue of the middle stand within this many degrees. */
const NEIGHBOUR = 75;
const TRIOS = 3;

const isCool = (lab: Lab) => chroma(lab) < 12 || (hue(lab) > 190 && hue(lab) < 345);

/** Chooses pencils for a middle colour: three neighbours, three cool darks, white. */
export function chooseRoles(pencils: readonly Pencil[], middle: Lab): PencilRoles {
  const white = [...pencils]
    .filter((p) => p.own[0] > WHITE.lightness && chroma(p.own) < WHITE.chroma)
    .sort((a, b) => chroma(a.own) - b.own[0] / 10 - chroma(b.own) + a.own[0] / 10)[0];
  const darks = pencils
    .filter((p) => p.own[0] < DARKEST_DARK && isCool(p.own) && p !== white)
    .sort((a, b) => darkCost(a, middle) - darkCost(b, middle))
    .slice(0, 3);
  const neutral = chroma(middle) < NEUTRAL;
  const ranked = pencils
    .filter(
      (p) =>
        p !== white &&
        (neutral ? true : chroma(p.own) > NEUTRAL && Math.abs(hueTurn(hue(middle), hue(p.own))) < NEIGHBOUR),
    )
    .sort((a, b) => neighbourCost(a, middle) - neighbourCost(b, middle))
    .slice(0, 6);
  const trios: Pencil[][] = [];
  for (let i = 0; i < ranked.length; i++)
    for (let j = i + 1; j < ranked.length; j++)
      for (let k = j + 1; k < ranked.length; k++) trios.push([ranked[i]!, ranked[j]!, ranked[k]!]);
  const chosen = trios.length
    ? trios.sort((a, b) => trioCost(a, middle) - trioCost(b, middle)).slice(0, TRIOS)
    : ranked.length
      ? [ranked]
      : [];
  // The lightest of the three first: darker ones go over it.
  return { trios: chosen.map((t) => [...t].sort((a, b) => b.own[0] - a.own[0])), darks, white };
}

const darkCost = ({ own }: Pencil, middle: Lab) =>
  own[0] / 12 + Math.abs(hueTurn(hue(middle), hue(own))) / 90 + (chroma(own) > 40 ? 1 : 0);
const neighbourCost = ({ own }: Pencil, middle: Lab) =>
  Math.hypot((own[0] - middle[0]) / 2.5, own[1] - middle[1], own[2] - middle[2]);

/** Three that surround the middle serve better than three that stand to one side of it. */
function trioCost(trio: readonly Pencil[], middle: Lab): number {
  const mean = [0, 1, 2].map((c) => trio.reduce((sum, p) => sum + p.own[c]!, 0) / trio.length);
  return (
    Math.hypot((mean[0]! - middle[0]) / 2, mean[1]! - middle[1], mean[2]! - middle[2]) +
    trio.reduce((sum, p) => sum + neighbourCost(p, middle), 0) / 9
  );
}
