import { BANDS, type Illuminant } from "@/core/colour/observer";
import type { InstrumentReading } from "@/core/formats/measured";
import { hexReading, labReading, spectralReading, type Reading } from "@/core/ink/reading";

/** Lights under which colours may be told and judged. */
export const LIGHTS: readonly Illuminant[] = ["D65", "D50", "A"];

/** A colour as it comes in: sRGB hex; Lab (2°) with its light, D65 where nothing is said; or reflectance, 36 bands, 380–730 nm, 0–1. */
export type ColourInput =
  | string
  | { readonly lab: readonly [number, number, number]; readonly light?: Illuminant }
  | { readonly reflectance: readonly number[] };

/** Most that a sheet sends back in a band: one that glows sends back more than comes in. */
const MOST_REFLECTED = 1.5;

const isNumbers = (value: unknown, length: number): value is number[] =>
  Array.isArray(value) &&
  value.length === length &&
  value.every((v) => typeof v === "number" && Number.isFinite(v));

/** Reading of a colour that came in; undefined when it is not one. */
export function readColour(value: unknown): Reading | undefined {
  if (typeof value === "string") return hexReading(value);
  if (typeof value !== "object" || value === null) return undefined;
  const { lab, light, reflectance, ...rest } = value as Record<string, unknown>;
  if (Object.keys(rest).length) return undefined;
  if (reflectance !== undefined) {
    if (lab !== undefined || light !== undefined || !isNumbers(reflectance, BANDS)) return undefined;
    return reflectance.every((r) => r >= 0 && r <= MOST_REFLECTED)
      ? spectralReading(Float64Array.from(reflectance))
      : undefined;
  }
  if (!isNumbers(lab, 3) || (light !== undefined && !LIGHTS.includes(light as Illuminant))) return undefined;
  const [L, a, b] = lab as [number, number, number];
  return L >= 0 && L <= 100 && Math.abs(a) <= 160 && Math.abs(b) <= 160
    ? labReading([L, a, b], light as Illuminant | undefined)
    : undefined;
}

/** The colour of a field that has been read. */
export const colourOf = (value: ColourInput): Reading => readColour(value)!;

/** What is kept of a colour beside how it looks by day, and of how an instrument read it; null where there is nothing. */
export function measuredOf(
  color: ColourInput,
  how: Omit<InstrumentReading, "reflectance" | "told"> = {},
): InstrumentReading | null {
  const { told, reflectance } =
    typeof color === "string" ? { told: undefined, reflectance: undefined } : colourOf(color);
  const kept: InstrumentReading = {
    ...Object.fromEntries(Object.entries(how).filter(([, v]) => v !== undefined)),
    ...(told && { told }),
    ...(reflectance && { reflectance: Array.from(reflectance) }),
  };
  return Object.keys(kept).length ? kept : null;
}
