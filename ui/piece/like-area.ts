import { shortName } from "@/border/names";
import type { Lab } from "@/core/colour/lab";
import { PLACES, type Area, type PictureReading, type Place } from "@/core/piece/piece";

/** What may be said of a colour beside another one, and how far it goes where nobody says: L*, b* with a third of it in a*, or C*. */
const WAYS: Readonly<
  Record<string, { readonly usual: number; readonly apply: (lab: Lab, by: number) => Lab }>
> = {
  darker: { usual: 8, apply: ([L, a, b], by) => [Math.max(0, L - by), a, b] },
  lighter: { usual: 8, apply: ([L, a, b], by) => [Math.min(100, L + by), a, b] },
  warmer: { usual: 6, apply: ([L, a, b], by) => [L, a + by / 3, b + by] },
  cooler: { usual: 6, apply: ([L, a, b], by) => [L, a - by / 3, b - by] },
  greyer: { usual: 8, apply: (lab, by) => withChroma(lab, -by) },
  stronger: { usual: 8, apply: (lab, by) => withChroma(lab, by) },
};
export const LIKE_WAYS = Object.keys(WAYS);

/** The same hue with so much more chroma; a grey has none to be more of. */
function withChroma([L, a, b]: Lab, by: number): Lab {
  const C = Math.hypot(a, b);
  const share = C > 1e-6 ? Math.max(0, C + by) / C : 1;
  return [L, a * share, b * share];
}

const LIKE = /^like\s+(.+?)(?:,?\s+but\s+(.+))?$/i;
const CHANGE = /^(?:(\d{1,2}(?:\.\d+)?)\s+)?([a-z]+)$/i;

/**
 * Colours of an area told by another one: "like petal 1 but warmer and 8 darker". Undefined when the text says something else, names no area that
 * has colours, or a way that there is not.
 * @param areas of the piece; one is named by its name, or its number from 1
 */
export function readingsLike(
  text: string,
  areas: readonly Area[],
): { readonly [P in Place]?: PictureReading } | undefined {
  const said = LIKE.exec(text.trim().replace(/\s+/g, " "));
  if (!said) return undefined;
  const name = said[1]!.toLowerCase();
  const named =
    areas.find((a) => a.name.toLowerCase() === name) ??
    (/^\d+$/.test(name) ? areas[Number(name) - 1] : undefined);
  if (!named) return undefined;
  const changes = (said[2] ?? "")
    .split(/\s*,\s*|\s+and\s+/)
    .filter((s) => s)
    .map((s) => {
      const change = CHANGE.exec(s);
      const way = change && Object.hasOwn(WAYS, change[2]!.toLowerCase()) && WAYS[change[2]!.toLowerCase()];
      return way ? (lab: Lab) => way.apply(lab, change[1] ? Number(change[1]) : way.usual) : undefined;
    });
  if (changes.some((c) => !c)) return undefined;
  const from = shortName(`like ${named.name}`, 60);
  const readings = PLACES.flatMap((p) => {
    const own = named.readings[p];
    if (!own) return [];
    return [[p, { lab: changes.reduce((lab, change) => change!(lab), own.lab), spread: 0, from }] as const];
  });
  return readings.length ? Object.fromEntries(readings) : undefined;
}
