import { hexReading, type Reading } from "@/core/ink/reading";

/** A colour as it comes in: sRGB hex, or Lab (D65, 2°). */
export type ColourInput = string | { readonly lab: readonly [number, number, number] };

/** Reading of a colour that came in; undefined when it is not one. */
export function readColour(value: unknown): Reading | undefined {
  if (typeof value === "string") return hexReading(value);
  if (typeof value !== "object" || value === null || Object.keys(value).some((k) => k !== "lab"))
    return undefined;
  const lab = (value as { lab?: unknown }).lab;
  if (
    !Array.isArray(lab) ||
    lab.length !== 3 ||
    !lab.every((v) => typeof v === "number" && Number.isFinite(v))
  )
    return undefined;
  const [L, a, b] = lab as [number, number, number];
  return L >= 0 && L <= 100 && Math.abs(a) <= 160 && Math.abs(b) <= 160 ? { lab: [L, a, b] } : undefined;
}

/** The colour of a field that has been read. */
export const colourOf = (value: ColourInput): Reading => readColour(value)!;
