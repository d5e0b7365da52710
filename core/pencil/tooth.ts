import type { Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { BANDS, type Illuminant, type Spectrum } from "@/core/colour/observer";
import { overlaid, type PencilFilm } from "./film";

/** How hard a pencil is pressed. */
export const PRESSURES = ["light", "medium", "firm"] as const;
export type Pressure = (typeof PRESSURES)[number];

/** Pressure as a multiple of medium. */
export const PRESSURE: Readonly<Record<Pressure, number>> = { light: 0.5, medium: 1, firm: 2 };

/** What a paper does with pencil; fitted from trial strips, else guessed from its grain. */
export interface ToothFit {
  /** Thickness of wax, in drawdowns, that one layer of medium pressure leaves where the point fully touches. */
  readonly build: number;
  /** How even the tooth is: shape of a Weibull spread of heights; 1 has many deep valleys, 4 hardly any. */
  readonly evenness: number;
  /** How much of it medium pressure touches, against half of a middling place. */
  readonly reach: number;
  /** Power by which reach grows with pressure. */
  readonly press: number;
  /** Thickness, in drawdowns, over which wax takes hold of less further wax. */
  readonly fill: number;
  /** Power by which the wax that is left grows with pressure. */
  readonly carry: number;
  /** How far light wanders sideways between covered and bare places: the exponent n of Yule and Nielsen, 1 not at all. */
  readonly mix: number;
}

/**
 * Before any strip was read. A rough sheet keeps bare valleys longer.
 * @param roughness a paper's grain as the user knows it, 0 smooth to 1 rough
 */
export const usualTooth = (roughness: number | null): ToothFit => ({
  build: 0.4,
  evenness: 2 - 1.2 * (roughness ?? 0.35),
  reach: 1,
  press: 1.7,
  fill: 1.5,
  carry: 0.9,
  mix: 1.3,
});

/** Layers of one pencil, laid one after the other at one pressure. */
export interface PencilLayer {
  readonly film: PencilFilm;
  readonly layers: number;
  readonly pressure: Pressure;
}

/**
 * A drawn surface: places from the deepest valley to the highest peak of the tooth, each with the wax that lies there (in drawdowns) and its
 * reflectance (36 bands). All pencils find the same peaks, so their coverage is not independent.
 */
export interface Drawn {
  readonly wax: readonly number[];
  readonly reflectance: readonly Spectrum[];
}

/** Places of equal area that stand for the tooth. */
const PLACES = 7;

/** The undrawn surface. */
export const undrawn = (under: Spectrum): Drawn => ({
  wax: Array<number>(PLACES).fill(0),
  reflectance: Array<Spectrum>(PLACES).fill(under),
});

const exposures = new Map<string, readonly number[]>();
const MOST_KEPT = 500;

/** How far the point touches each place (0–1) at a pressure: quantiles of a Weibull spread, saturating as x / (1 + x). */
export function exposure({ evenness, reach, press }: ToothFit, pressure: Pressure): readonly number[] {
  const key = `${evenness} ${reach} ${press} ${pressure}`;
  const known = exposures.get(key);
  if (known) return known;
  if (exposures.size > MOST_KEPT) exposures.clear();
  const out = Array.from({ length: PLACES }, (_, j) => {
    const x = reach * PRESSURE[pressure] ** press * (-Math.log(1 - (j + 0.5) / PLACES)) ** (1 / evenness);
    return x / (1 + x);
  });
  exposures.set(key, out);
  return out;
}

/** The surface after pencil. Wax that is there already lets less take hold: dw/dn = build·p^carry·e·exp(−w/fill), solved for n layers. */
export function draw(
  { wax, reflectance }: Drawn,
  { film, layers, pressure }: PencilLayer,
  fit: ToothFit,
): Drawn {
  const p = PRESSURE[pressure] ** fit.carry;
  const e = exposure(fit, pressure);
  const after = wax.map(
    (w, j) => fit.fill * Math.log(Math.exp(w / fit.fill) + (layers * fit.build * p * e[j]!) / fit.fill),
  );
  return {
    wax: after,
    reflectance: reflectance.map((under, j) => overlaid(film, after[j]! - wax[j]!, under)),
  };
}

/** Share of the tooth that wax hides at least by half a drawdown's tenth. */
export const covered = ({ wax }: Drawn): number => wax.filter((w) => w > 0.05).length / PLACES;

/**
 * Reflectance (36 bands) of a drawn surface as the eye mixes its places. Light that wanders between covered and bare places darkens their
 * mean: J. A. C. Yule & W. J. Nielsen, Proc. TAGA 3 (1951) 65–76, with the exponent n = `fit.mix`.
 */
export function seenReflectance({ reflectance }: Drawn, { mix }: Pick<ToothFit, "mix">): Spectrum {
  const out = new Float64Array(BANDS);
  const power = 1 / mix;
  for (const r of reflectance)
    for (let i = 0; i < BANDS; i++) out[i]! += (mix === 1 ? r[i]! : r[i]! ** power) / PLACES;
  return mix === 1 ? out : out.map((v) => v ** mix);
}

/** Surface after pencil layers one over the other, first laid first. */
export const drawAll = (under: Spectrum, layers: readonly PencilLayer[], fit: ToothFit): Drawn =>
  layers.reduce((d, l) => draw(d, l, fit), undrawn(under));

/** Lab of pencil layers over a reflectance. */
export const drawnLab = (
  under: Spectrum,
  layers: readonly PencilLayer[],
  fit: ToothFit,
  illuminant: Illuminant = "D65",
): Lab => labOf(seenReflectance(drawAll(under, layers, fit), fit), illuminant);
