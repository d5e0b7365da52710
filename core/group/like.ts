import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Desk } from "@/core/ink/desk";
import { fitInkSpectrum, spectrumOf } from "@/core/ink/fit-ink";
import { laidLab } from "@/core/ink/laid";
import { placeShares } from "./area-shares";
import type { GroupGoal } from "./goal";
import { bordersOf, laidAt, layingPasses, placesOf, type Laying } from "./lay";
import type { SearchShape } from "./shape";
import { SCORE_WEIGHTS, type ScoreWeights } from "./score";

/** Weights for which every place should be itself, whatever its steps: the group is known to work. */
export const LIKENESS_WEIGHTS: ScoreWeights = {
  ...SCORE_WEIGHTS,
  // Each place counts by itself, whatever of an area shows it.
  places: 0,
  area: 0,
  ends: 0.6,
  place: 0.2,
  hue: 0.28,
  chroma: 0.25,
  evenness: 0.45,
  temper: 0.11,
};

/** The same where it is known how much of an area shows each place: a mistake counts by the share that shows it. */
export const AREA_LIKENESS_WEIGHTS: ScoreWeights = {
  ...LIKENESS_WEIGHTS,
  places: SCORE_WEIGHTS.places,
  area: SCORE_WEIGHTS.area,
};

/**
 * What is wanted of a group that stands in for a known one: at every place the colour that the known tones would give there, were they laid
 * in the same way. Their inks are not at hand, so each is the smoothest one of its colour on this paper.
 * @param tones colours of the known tones alone, light to dark
 * @param steps shares of the area that it is laid on, from its light end to its dark one
 */
export function goalLike(
  desk: Desk,
  tones: readonly Lab[],
  { school, local, capacity }: SearchShape,
  steps?: readonly number[],
): GroupGoal {
  const known: Desk = {
    paper: desk.paper,
    residual: 0,
    inks: tones.map((lab, i) => ({
      code: String(i),
      coats: [{ lab }],
      spectrum: spectrumOf(fitInkSpectrum([{ lab }], desk.paper)),
    })),
  };
  const laying: Laying = { school, coats: tones.map(() => 1), local, under: [], over: [], capacity };
  const passes = layingPasses(laying);
  const inks = { tones: tones.map((_, i) => i), under: [], over: [] };
  const places = placesOf(laying, passes)
    .slice(1, tones.length + 1)
    .map(({ t }) => laidLab(known, laidAt(passes, inks, t)));
  const [light, shadow] = [places[0]!, places.at(-1)!];
  return {
    places,
    ...placeShares(bordersOf(laying), steps),
    localAt: local,
    local: places[local]!,
    light,
    shadow,
    contrast: light[0] - shadow[0],
    lightRead: true,
    shadowRead: true,
  };
}

/** ΔE00 of each tone's own stroke from the one it stands for, and their mean; by the shares of an area that show them, where those are known. */
export function likeness(
  tones: readonly { readonly lab: Lab }[],
  wanted: readonly Lab[],
  shares: readonly number[] = wanted.map(() => 1 / wanted.length),
): { each: number[]; mean: number } {
  const each = tones.map((t, i) => deltaE00(t.lab, wanted[i]!));
  return { each, mean: each.reduce((sum, d, i) => sum + d * shares[i]!, 0) };
}
