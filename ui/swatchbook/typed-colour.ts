import { readColour, type ColourInput } from "@/border/colour";

/** A colour typed by hand: "#c8a27a", "c8a27a", or three numbers L* a* b*; undefined when it is none. */
export function colourTyped(text: string): ColourInput | undefined {
  const t = text.trim();
  const hex = /^#?([0-9a-f]{6})$/i.exec(t);
  if (hex) return `#${hex[1]!.toLowerCase()}`;
  const numbers = t.split(/[\s,;]+/).map((n) => Number(n.replace("−", "-")));
  if (numbers.length !== 3 || numbers.some((n) => !Number.isFinite(n))) return undefined;
  const colour: ColourInput = { lab: [numbers[0]!, numbers[1]!, numbers[2]!] };
  return readColour(colour) ? colour : undefined;
}
