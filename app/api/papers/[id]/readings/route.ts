import { colourOf } from "@/compute/inputs/colour";
import { validate } from "@/compute/validate";
import { listPapers } from "@/store/papers";
import { addReadings, readingsOn } from "@/store/readings";
import { currentStudio } from "@/store/studio";
import { AddReadingsInput } from "@/store/swatchbook-input";
import { answer, isId, jsonBody, notFound } from "../../../answer";

interface Context {
  params: Promise<{ id: string }>;
}

/** Every reading on a paper, newest first. */
export const GET = (_: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    return isId(id) ? Response.json(await readingsOn(await currentStudio(), id)) : notFound("paper");
  });

export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    const studio = await currentStudio();
    if (!isId(id) || !(await listPapers(studio)).some((p) => p.id === id)) return notFound("paper");
    const { readings } = validate(AddReadingsInput, await jsonBody(request));
    const added = await addReadings(
      studio,
      id,
      readings.map(({ color, ...r }) => ({
        ...r,
        lab: colourOf(color).lab,
        hex: typeof color === "string" ? color : null,
      })),
    );
    return Response.json({ added }, { status: 201 });
  });
