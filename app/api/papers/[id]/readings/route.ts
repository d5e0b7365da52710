import { created, route } from "@/door/route";
import { colourOf, measuredOf } from "@/border/colour";
import { AddReadingsInput, TakeBackInput } from "@/border/swatchbook";
import { findPaper } from "@/store/papers";
import { addReadings, readingsOn, takeBackReadings } from "@/store/readings";

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
    const read = readings.map(({ color, how, ...r }) => ({
      ...r,
      lab: colourOf(color).lab,
      hex: typeof color === "string" ? color : null,
      measured: measuredOf(color, how),
    }));
    const at = new Date();
    return created({ added: await addReadings(studio, id!, read, at), at: at.toISOString() });
  },
  "paper",
);

/** Takes back what came in at one moment. */
export const DELETE = route(
  TakeBackInput,
  async (studio, { at }, { id }) =>
    (await findPaper(studio, id!)) && { removed: await takeBackReadings(studio, id!, new Date(at)) },
  "paper",
);
