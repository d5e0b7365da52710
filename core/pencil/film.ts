import type { Lab } from "@/core/colour/lab";
import { BANDS, type Illuminant, type Spectrum } from "@/core/colour/observer";
import { median } from "@/core/algebra/median";
import { reconstructReflectance } from "@/core/ink/reconstruct";

/** What a drawdown lies on: the white and the black field of a contrast card, as reflectances of every band. */
export const WHITE_BACKING = 0.84;
export const BLACK_BACKING = 0.04;

/**
 * An even, firm drawdown of a pencil: a film that scatters and absorbs. In each band its reflectance over a perfect black and the square of
 * its transmittance; a thinner or thicker layer follows from scattering S and absorption K, both times the drawdown's thickness.
 */
export interface PencilFilm {
  readonly code: string;
  /** S·X and K·X of the drawdown, 36 bands, 380–730 nm. */
  readonly scatter: Spectrum;
  readonly absorb: Spectrum;
  /** How much it covers is a guess: only its colour over white is known. */
  readonly guessed?: true;
}

/** Least scattering and absorption that a film is given, so that it stays a film. */
const LEAST = 1e-4;

/**
 * Reflectance R0 over black and transmittance T of a layer from what it shows over two backings: R = R0 + T²·g / (1 − R0·g), twice.
 * Source: P. Kubelka, J. Opt. Soc. Am. 38 (1948) 448–457, eq. 29, solved for R0 and T².
 */
export function layerFrom(
  overWhite: number,
  overBlack: number,
  white = WHITE_BACKING,
  black = BLACK_BACKING,
): [over: number, through2: number] {
  const [w, b] = [overWhite, Math.min(overBlack, overWhite - 1e-4)];
  // gb·(Rw − R0)(1 − R0·gw) = gw·(Rb − R0)(1 − R0·gb): both sides hold gw·gb·R0², so what is left is linear in R0.
  const numerator = b * white - w * black;
  const denominator = white - black - white * black * (w - b);
  const over = Math.min(0.98, Math.max(LEAST, numerator / denominator));
  const through2 = Math.min((1 - over) ** 2, Math.max(0, ((w - over) * (1 - over * white)) / white));
  return [over, through2];
}

/**
 * A pencil's film from its drawdowns over white and over black.
 * @throws RangeError when a lightness is not within 0–100
 * Source: S and K of a film from R0 and T: P. Kubelka, J. Opt. Soc. Am. 38 (1948), eqs. 24–26.
 */
export function pencilFilm(
  code: string,
  overWhite: Lab,
  overBlack: Lab,
  illuminant: Illuminant = "D65",
): PencilFilm {
  const full = new Float64Array(BANDS).fill(1);
  const seen = [overWhite, overBlack].map((lab) => reconstructReflectance(lab, full, illuminant).reflectance);
  const scatter = new Float64Array(BANDS);
  const absorb = new Float64Array(BANDS);
  for (let i = 0; i < BANDS; i++) {
    const [over, through2] = layerFrom(seen[0]![i]!, seen[1]![i]!);
    const a = Math.max(1 + 1e-6, (1 + over * over - through2) / (2 * over));
    const b = Math.sqrt(a * a - 1);
    const y = (1 - a * over) / (b * over);
    // arcoth y; a layer that hides its backing has y = 1 and no end to its thickness.
    const bSX = Math.min(4, y > 1 ? 0.5 * Math.log((y + 1) / (y - 1)) : 4);
    scatter[i] = Math.max(LEAST, bSX / b);
    absorb[i] = Math.max(0, (a - 1) * scatter[i]!);
  }
  return { code, scatter, absorb };
}

/**
 * S·X of a firm drawdown of which nobody knows more than its colour: the middle of the pencils of four simulated sets that differ by law
 * (0.33–0.66 in the median); most lie between a quarter of it and four times as much.
 */
export const USUAL_SCATTER = 0.5;
/** Halvings after which an absorption is known to a millionth. */
const HALVINGS = 40;
/** Absorption beyond which a film is black, and scattering beyond which it is white. */
const [MOST_ABSORB, MOST_SCATTER] = [400, 40] as const;

/** Reflectance of a film over the white field. */
function overWhiteField(scatter: number, absorb: number): number {
  const a = 1 + absorb / scatter;
  const b = Math.sqrt(Math.max(1e-12, a * a - 1));
  const coth = 1 / Math.tanh(b * scatter);
  return (1 - WHITE_BACKING * (a - b * coth)) / (a - WHITE_BACKING + b * coth);
}

/** Where a function that rises crosses zero, by halving. */
function crossing(of: (x: number) => number, low: number, high: number): number {
  for (let n = 0; n < HALVINGS; n++) {
    const mid = (low + high) / 2;
    if (of(mid) < 0) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/**
 * A pencil's film from its colour over white alone: it is supposed to scatter as other pencils do, and absorbs what its colour then asks for. What
 * is lighter than the field scatters as much as that takes.
 * @param usual S·X of the drawdown, as long as the colour asks for no more
 */
export function guessedFilm(code: string, overWhite: Lab, usual = USUAL_SCATTER): PencilFilm {
  const wanted = reconstructReflectance(overWhite, new Float64Array(BANDS).fill(1), "D65").reflectance;
  const scatter = new Float64Array(BANDS).fill(usual);
  const absorb = new Float64Array(BANDS);
  for (let i = 0; i < BANDS; i++) {
    const r = wanted[i]!;
    if (overWhiteField(usual, LEAST) <= r)
      scatter[i] = crossing((s) => overWhiteField(s, LEAST) - r, usual, MOST_SCATTER);
    else absorb[i] = crossing((k) => r - overWhiteField(usual, k), LEAST, MOST_ABSORB);
  }
  return { code, scatter, absorb, guessed: true };
}

/** S·X in the middle of a film's bands. */
export const scatterOf = ({ scatter }: PencilFilm): number => median([...scatter]);

/** What the hyperbolic solution takes of a film in each band, whatever its thickness: a = 1 + K/S, b = √(a² − 1), and b·S·X. */
interface Hyperbolic {
  readonly a: Spectrum;
  readonly b: Spectrum;
  readonly bs: Spectrum;
}
const hyperbolics = new WeakMap<PencilFilm, Hyperbolic>();

function hyperbolic(film: PencilFilm): Hyperbolic {
  const known = hyperbolics.get(film);
  if (known) return known;
  const a = film.scatter.map((s, i) => 1 + film.absorb[i]! / s);
  const b = a.map((v) => Math.sqrt(v * v - 1));
  const made = { a, b, bs: b.map((v, i) => v * film.scatter[i]!) };
  hyperbolics.set(film, made);
  return made;
}

/**
 * Reflectance of a surface beneath a layer of a film, `thickness` times its drawdown. It is the innermost loop of every pencil plan: each band
 * costs one exponential. Source: the hyperbolic solution, Kubelka 1948, eqs. 12, 24 and 29.
 */
export function overlaid(film: PencilFilm, thickness: number, under: Spectrum): Spectrum {
  const { a, b, bs } = hyperbolic(film);
  const out = new Float64Array(BANDS);
  for (let i = 0; i < BANDS; i++) {
    const bi = b[i]!;
    let over: number;
    let through: number;
    if (bi < 1e-6) {
      const s = film.scatter[i]! * thickness;
      over = s / (1 + s);
      through = 1 / (1 + s);
    } else {
      // sinh and cosh from one exponential, both divided by eˣ/2.
      const x = Math.exp(-bs[i]! * thickness);
      const fade = x * x;
      const below = a[i]! * (1 - fade) + bi * (1 + fade);
      over = (1 - fade) / below;
      through = (2 * bi * x) / below;
    }
    out[i] = over + (through * through * under[i]!) / (1 - over * under[i]!);
  }
  return out;
}
