import { colourOf, type ColourInput } from "@/border/colour";
import type { DeskInput, InkInput } from "@/border/desk";
import { wrong } from "@/border/problem";
import type { Lab } from "@/core/colour/lab";
import { layingDesk, withOverlays, type Desk } from "@/core/ink/desk";
import type { DeskFit } from "@/core/ink/desk-fit";
import { overlaysOf, withBlending, type BlendReading } from "@/core/ink/fit-blending";
import { fitToOverlays } from "@/core/ink/fit-overlays";
import { readingUnder } from "@/core/ink/reading";
import { underLight } from "@/core/ink/under-light";
import type { Work } from "@/core/progress";

/** A desk as operations use it: validated and fitted once, whatever is asked of it afterwards. */
export interface OpenDesk {
  /** Under the light in which colours are judged. */
  readonly desk: Desk;
  /** What was fitted, or was known: pencils apart, which are fitted once they are asked for. */
  readonly fit: Omit<DeskFit, "pencils">;
  readonly inks: readonly InkInput[];
  readonly input: DeskInput;
  /** What a colour (read under daylight) looks like in that light. */
  readonly labOf: (colour: ColourInput) => Lab;
  /** Overlays, crisp long cells among them, that its paper was fitted to. */
  readonly overlaysRead: number;
  /** Long cells whose inks lie ready, under daylight. */
  readonly blends: readonly BlendReading[];
  /**
   * Place of an ink by its code.
   * @throws BadInput naming the field when there is none
   */
  readonly placeOf: (code: string, path: string) => number;
  /** The same where a code may be missing. */
  readonly find: (code: string) => number | undefined;
}

/** Fields of inks that have a code of their own; the path of one that has not. */
function placesOf(codes: readonly string[], field: string): Map<string, number> {
  const places = new Map<string, number>();
  codes.forEach((code, i) => {
    const first = places.get(code);
    if (first !== undefined)
      throw wrong(`${field}[${i}].code`, `expected a code of its own: "${code}" is also ${field}[${first}]`);
    places.set(code, i);
  });
  return places;
}

/**
 * Opens a desk: fits the paper and every ink, takes in the overlays and long cells that were read. Yields progress 0–1.
 * @throws BadInput when two inks or two pencils have the same code
 */
export function* openingDesk(input: DeskInput): Work<OpenDesk> {
  const { paper, inks, overlays, fit } = input;
  const places = placesOf(
    inks.map((i) => i.code),
    "inks",
  );
  placesOf(
    input.pencils.map((p) => p.code),
    "pencils",
  );
  const measured = inks.map(({ code, coats }) => ({ code, coats: coats.map(colourOf) }));
  const laid = yield* layingDesk(colourOf(paper.color), measured, fit?.paper);
  // Overlays with inks that do not lie ready say nothing here.
  const read = overlays.filter((o) => o.stack.every((code) => places.has(code)));
  const placed = (codes: readonly string[]) => codes.map((code) => places.get(code)!);
  const stacks = read.map((o) => {
    const { lab, reflectance } = colourOf(o.color);
    return { stack: placed(o.stack), lab, ...(reflectance && { reflectance }) };
  });
  const blends = input.blends
    .filter((b) => [...b.stack, ...b.over].every((code) => places.has(code)))
    .map(({ how, stack, over, step, colors }) => ({
      how,
      stack: placed(stack),
      over: placed(over),
      profile: { step, labs: colors.map((c) => colourOf(c).lab) },
    }));
  const overlaid = [...stacks, ...overlaysOf(blends)].filter((o) => new Set(o.stack).size > 1);
  const told = fitToOverlays(laid, overlaid, fit?.overlays);
  const byDay = withOverlays(told, stacks);
  const blended = withBlending(byDay, blends, fit?.blending);
  const { crowding, lifting } = told.paper.fit;
  return {
    desk: underLight(blended, paper.light),
    fit: {
      paper: laid.paper.fit,
      overlays: { crowding, lifting },
      blending: blended.blending ?? {},
    },
    blends,
    overlaysRead: overlaid.length,
    inks,
    input,
    labOf: (colour) => readingUnder(colourOf(colour), paper.light),
    find: (code) => places.get(code),
    placeOf: (code, path) => {
      const place = places.get(code);
      if (place === undefined)
        throw wrong(path, `expected the code of one of the inks; "${code}" is not among them`);
      return place;
    },
  };
}
