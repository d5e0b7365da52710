import { readColour } from "@/border/colour";
import { PLACES, type PictureReading, type Place } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { colourTyped } from "@/ui/swatchbook/typed-colour";

/**
 * A colour that comes from no picture: hex, the L* a* b* that an instrument shows, or a marker as it was read on the rack's paper.
 * Undefined when it is none of these.
 */
export function readingOf(text: string, rack: Rack): PictureReading | undefined {
  const code = text.trim();
  const marker = rack.markers.find((m) => m.code.toLowerCase() === code.toLowerCase());
  const swatch = marker?.swatches[0];
  if (swatch) return { lab: swatch.lab, spread: 0, from: marker.code };
  const typed = colourTyped(text);
  if (!typed) return undefined;
  return { lab: readColour(typed)!.lab, spread: 0, from: typeof typed === "string" ? typed : "typed" };
}

/** Colours in one line: as many as there are places, parted by spaces, commas or semicolons; "72 14 24" is one colour, not three. */
const PARTED = /[\s,;]+/;

/**
 * What one line gives: a colour for the place that is chosen, or light, local colour and shadow in this order. Undefined when any of it is no colour.
 */
export function readingsOf(
  text: string,
  place: Place,
  rack: Rack,
): { readonly [P in Place]?: PictureReading } | undefined {
  const one = readingOf(text, rack);
  if (one) return { [place]: one };
  const parts = text.trim().split(PARTED);
  const colours = parts.map((p) => (/^[-\d.]+$/.test(p) ? undefined : readingOf(p, rack)));
  if (parts.length !== PLACES.length || colours.some((c) => !c)) return undefined;
  return Object.fromEntries(PLACES.map((p, i) => [p, colours[i]!]));
}
