import { validate } from "@/compute/validate";
import { excludeReading } from "@/store/readings";
import { currentStudio } from "@/store/studio";
import { ExcludeInput } from "@/store/swatchbook-input";
import { answer, isId, jsonBody, notFound } from "../../answer";

/** Leaves a reading out, or takes it in again. */
export const PATCH = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    const { excluded } = validate(ExcludeInput, await jsonBody(request));
    return isId(id) && (await excludeReading(await currentStudio(), id, excluded))
      ? Response.json({ excluded })
      : notFound("reading");
  });
