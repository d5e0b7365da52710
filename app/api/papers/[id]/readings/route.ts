import { created, route } from "@/door/route";
import { colourOf } from "@/border/colour";
import { AddReadingsInput } from "@/border/swatchbook";
import { findPaper } from "@/store/papers";
import { addReadings, readingsOn } from "@/store/readings";

/** Every reading on a paper, newest first. */
export const GET = route(
  null,
  async (studio, _, { id }) => (await findPaper(studio, id!)) && readingsOn(studio, id!),
  "paper",
);

export const POST = route(
  AddReadingsInput,
  async (studio, { readings }, { id }) => {
    if (!(await findPaper(studio, id!))) return undefined;
    const read = readings.map(({ color, ...r }) => ({
      ...r,
      lab: colourOf(color).lab,
      hex: typeof color === "string" ? color : null,
    }));
    return created({ added: await addReadings(studio, id!, read) });
  },
  "paper",
);
