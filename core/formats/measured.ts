import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { tristimulusWeights, type Illuminant, type Spectrum, type Xyz } from "@/core/colour/observer";
import { labReading, spectralReading, type Reading } from "@/core/ink/reading";
import { FormatError } from "./format-error";

/** Light in an instrument while it reads (ISO 13655): M0 a lamp, M1 daylight, M2 without ultraviolet, M3 polarised as well. */
export const MEASUREMENT_CONDITIONS = ["M0", "M1", "M2", "M3"] as const;
export type MeasurementCondition = (typeof MEASUREMENT_CONDITIONS)[number];

/** How a file says that it was measured; what it does not say is left out. */
export interface MeasuredHow {
  /** Light that its colours are meant under. */
  readonly light?: Illuminant;
  /** The same where it is none that the core knows, in the file's own words. */
  readonly otherLight?: string;
  /** Degrees of the observer that its colours are meant for. */
  readonly observer?: 2 | 10;
  readonly condition?: MeasurementCondition;
  readonly filter?: string;
  readonly geometry?: string;
  readonly backing?: string;
  readonly device?: string;
}

/** What an instrument told of a reading beside its colour by day, as it is kept. */
export interface InstrumentReading extends Pick<
  MeasuredHow,
  "condition" | "filter" | "geometry" | "backing" | "device"
> {
  /** 36 bands, 380–730 nm, 0–1. */
  readonly reflectance?: readonly number[];
  /** The colour as it was told under another light than daylight. */
  readonly told?: { readonly lab: Lab; readonly light: Illuminant };
}

/** A reading as it comes in again from what is kept of it. */
export function keptReading(lab: Lab, measured: InstrumentReading | null | undefined): Reading {
  const { reflectance, told } = measured ?? {};
  return {
    lab,
    ...(reflectance && { reflectance: Float64Array.from(reflectance) }),
    ...(told && { told }),
  };
}

/** One reading of a file. */
export interface MeasuredSample {
  readonly name: string;
  /** Line of the file, from 1. */
  readonly line: number;
  /** 36 bands, 380–730 nm, 0–1: where there is one it is what counts. */
  readonly reflectance?: Spectrum;
  /** A colour under the file's own light, whichever that is. */
  readonly lab?: Lab;
  /** White Y = 100. */
  readonly xyz?: Xyz;
}

/** Readings of a file, and what it says of them. */
export interface MeasuredFile {
  readonly samples: readonly MeasuredSample[];
  readonly how: MeasuredHow;
  /** Range and step of its spectra, nm, and bands that it does not reach, which hold its last value. */
  readonly bands?: {
    readonly from: number;
    readonly to: number;
    readonly step: number;
    readonly held: readonly [number, number];
  };
}

export const MOST_SAMPLES = 20_000;

/** The light in words of a file: "D50", "ILLUMINANT, D50", "D50, 2 degree". */
export function lightIn(text: string): Pick<MeasuredHow, "light" | "otherLight"> {
  const found = /\b(?:(D\s?\d\d)|(?:ILLUMINANT[ ,_-]+)?(A)|(F\d{1,2}|LED-?[A-Z]\d|C|E))\b/i.exec(
    text.toUpperCase(),
  );
  if (!found) return {};
  const name = (found[1] ?? found[2] ?? found[3])!.replace(/\s/, "");
  return name === "D65" || name === "D50" || name === "A" ? { light: name } : { otherLight: name };
}

/** The observer in words of a file: "2", "10 degree", "1931", "2_Degree". */
export function observerIn(text: string): 2 | 10 | undefined {
  if (/\b(10|1964)\b|\b10[ _]?(DEG|°)/i.test(text)) return 10;
  return /\b(2|1931)\b|\b2[ _]?(DEG|°)/i.test(text) ? 2 : undefined;
}

export const conditionIn = (text: string): MeasurementCondition | undefined =>
  MEASUREMENT_CONDITIONS.find((m) => new RegExp(`(^|[^A-Z0-9])${m}($|[^0-9])`, "i").test(text));

/** Whether the colours of a file need a light that it does not tell. */
export const needsLight = ({ samples, how }: MeasuredFile): boolean =>
  how.light === undefined && samples.some((s) => !s.reflectance);

/**
 * What a sample shows. Its spectrum counts before its colour.
 * @param light that its colours are meant under, where the file does not say
 * @throws FormatError for a colour under a light or for an observer that nothing here can carry over
 */
export function readingOf(sample: MeasuredSample, how: MeasuredHow, light: Illuminant): Reading {
  const { reflectance, lab, xyz, line } = sample;
  if (reflectance) return spectralReading(reflectance);
  if (how.observer === 10)
    throw new FormatError(
      line,
      "expected colours for the 2° observer; these are for the 10° one: have the instrument's program save spectra",
    );
  if (how.otherLight)
    throw new FormatError(
      line,
      `expected colours under D50, D65 or A; these are under ${how.otherLight}: have the instrument's program save spectra`,
    );
  const own = how.light ?? light;
  const { white } = tristimulusWeights(own);
  const [X, Y, Z] = xyz ?? [0, 0, 0];
  return labReading(checked(lab ?? xyzToLab([X / 100, Y / 100, Z / 100], white), line), own);
}

/** @throws FormatError when it is no colour */
export function checked(lab: Lab, line: number): Lab {
  if (!(lab[0] >= -0.5 && lab[0] <= 101 && Math.abs(lab[1]) <= 160 && Math.abs(lab[2]) <= 160))
    throw new FormatError(
      line,
      `expected a colour with L* 0–100, a* and b* −160…160; found ${lab.map((v) => v.toFixed(1)).join(" ")}`,
    );
  return [Math.min(100, Math.max(0, lab[0])), lab[1], lab[2]];
}

/** Reflectances in percent are those of which one is more than any sheet sends back. */
const PERCENT = 2;

/** Brings spectra to 0–1 that were told in percent: decided once for all of a file, in which a black patch may stand alone. */
export function inShares(samples: readonly MeasuredSample[]): MeasuredSample[] {
  let most = 0;
  for (const { reflectance } of samples) if (reflectance) for (const r of reflectance) if (r > most) most = r;
  const scale = most > PERCENT ? 0.01 : 1;
  if (most * scale > 1.5)
    throw new FormatError(0, `expected reflectances of 0 to 1, or 0 to 100 percent; there is one of ${most}`);
  return scale === 1
    ? [...samples]
    : samples.map((s) => (s.reflectance ? { ...s, reflectance: s.reflectance.map((r) => r * scale) } : s));
}

/** Share by which a sheet must send back more about 440 nm than about 490 and 400 to be said to glow. */
const GLOW = 0.035;

/** Whether a bare sheet glows under the light of an instrument: a brightener turns ultraviolet into blue about 440 nm. */
export function glows(reflectance: Spectrum): boolean {
  const at = (nm: number) => reflectance[(nm - 380) / 10]!;
  const peak = Math.max(at(430), at(440), at(450));
  return peak - at(500) > GLOW && peak > at(410);
}

/** ΔE00 between what a file says of bare paper and what is known of it, under each light that it may mean. */
export const paperUnder = (
  sample: MeasuredSample,
  how: MeasuredHow,
  known: Lab,
): { readonly light: Illuminant; readonly off: number }[] =>
  (["D50", "D65"] as const).map((light) => ({
    light,
    off: deltaE00(readingOf(sample, { ...how, light }, light).lab, known),
  }));
