import { layDesk, withOverlays, type Desk } from "@/core/ink/desk";
import { colourOf } from "./inputs/colour";
import type { DeskInput } from "./inputs/desk";
import { memory } from "./memory";
import { BadInput } from "./problem";

/** Fitting a paper takes most of a second; the last few desks are kept, so that planning an area after another does not fit it again. */
const kept = memory<Desk>(4);

/**
 * The desk of an input, with its inks in the given order.
 * @throws BadInput when two inks have the same code
 */
export function deskOf({ paper, inks, overlays = [] }: DeskInput): Desk {
  const seen = new Map<string, number>();
  inks.forEach(({ code }, i) => {
    if (seen.has(code))
      throw new BadInput([
        {
          path: `inks[${i}].code`,
          expected: `expected a code of its own: "${code}" is also inks[${seen.get(code)}]`,
        },
      ]);
    seen.set(code, i);
  });
  const key = JSON.stringify([paper.color, inks.map((i) => [i.code, i.coats]), overlays]);
  const known = kept.recall(key);
  if (known) return known;
  const laid = layDesk(
    colourOf(paper.color).lab,
    inks.map(({ code, coats }) => ({ code, coats: coats.map(colourOf) })),
  );
  // Overlays with inks that do not lie ready say nothing here.
  const read = overlays.filter((o) => o.stack.every((code) => seen.has(code)));
  return kept.keep(
    key,
    withOverlays(
      laid,
      read.map((o) => ({ stack: o.stack.map((code) => seen.get(code)!), lab: colourOf(o.color).lab })),
    ),
  );
}

/**
 * Place of an ink on the desk by its code.
 * @throws BadInput naming the field when there is none
 */
export function placeOf(desk: Desk, code: string, path: string): number {
  const place = desk.inks.findIndex((i) => i.code === code);
  if (place < 0)
    throw new BadInput([
      { path, expected: `expected the code of one of the inks; "${code}" is not among them` },
    ]);
  return place;
}
