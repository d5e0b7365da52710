import { registerDecorator, type ValidationOptions } from "class-validator";
import { hexReading, type Reading } from "@/core/ink/reading";

/** A colour as it comes in: sRGB hex, or Lab (D65, 2°). */
export type ColourInput = string | { readonly lab: readonly [number, number, number] };

export const COLOUR_EXPECTED =
  'expected a colour: "#rrggbb" or {"lab":[L,a,b]} with L 0–100, a and b −160…160';

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

/** The colour of a field that has been validated. */
export const colourOf = (value: ColourInput): Reading => readColour(value)!;

/** A decorator from a test of the value; the message says what was expected. */
export function check(name: string, expected: string, holds: (value: unknown) => boolean) {
  return (options?: ValidationOptions) => (target: object, propertyName: string) =>
    registerDecorator({
      name,
      target: target.constructor,
      propertyName,
      options: { message: expected, ...options },
      validator: { validate: holds },
    });
}

/** The field is one colour. */
export const IsColour = check("isColour", COLOUR_EXPECTED, (v) => readColour(v) !== undefined);

/** The field is one to three colours: readings of one, two and three coats. */
export const AreCoats = check(
  "areCoats",
  `expected one to three colours, of one, two and three coats, each "#rrggbb" or {"lab":[L,a,b]}`,
  (v) => Array.isArray(v) && v.length >= 1 && v.length <= 3 && v.every((c) => readColour(c) !== undefined),
);

/** The field is one colour, or readings of light, local colour and shadow. */
export const IsGroupTarget = check(
  "isGroupTarget",
  `expected a colour, or {"light":C,"local":C,"shadow":C} with at least "local", C being "#rrggbb" or {"lab":[L,a,b]}`,
  (v) => {
    if (readColour(v)) return true;
    if (typeof v !== "object" || v === null) return false;
    const { light, local, shadow, ...rest } = v as Record<string, unknown>;
    return (
      !Object.keys(rest).length &&
      [light, shadow].every((c) => c === undefined || readColour(c)) &&
      readColour(local) !== undefined
    );
  },
);

/** The field is a list of stacks: lists of ink codes, bottom to top, one entry a coat. */
export const AreStacks = check(
  "areStacks",
  "expected a list of stacks, each a list of at most 12 ink codes, bottom to top, one entry a coat",
  (v) =>
    Array.isArray(v) &&
    v.every((s) => Array.isArray(s) && s.length <= 12 && s.every((c) => typeof c === "string")),
);
