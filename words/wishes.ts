import { counted } from "./numbers";

const LEANS = { "-1": "cooler", "0": undefined, "1": "warmer" } as const;
type Lean = -1 | 0 | 1;

/** What is set of an area's group, in one line. */
export function wishesInWords({
  tones,
  contrast,
  drift,
  ownedOnly,
  excluded,
}: {
  readonly tones: number | null;
  readonly contrast: number | null;
  readonly drift: { readonly light: Lean; readonly shadow: Lean };
  readonly ownedOnly: boolean;
  readonly excluded: readonly string[];
}): string {
  const [light, shadow] = [LEANS[`${drift.light}`], LEANS[`${drift.shadow}`]];
  return [
    tones === null ? "as many tones as needed" : counted(tones, "tone"),
    contrast === null ? "natural contrast" : `contrast ${contrast}`,
    light && light === shadow
      ? `both ends ${light}`
      : [light && `light end ${light}`, shadow && `shadow end ${shadow}`].filter((s) => s).join(", "),
    ownedOnly ? "owned markers only" : "any marker of the rack",
    excluded.length ? `without ${excluded.join(", ")}` : "",
  ]
    .filter((s) => s)
    .join(" · ");
}
