import { validate } from "@/compute/validate";
import { changeRange } from "@/store/rack";
import { RangeInput } from "@/store/rack-input";
import { currentStudio } from "@/store/studio";
import { answer, isId, jsonBody, notFound } from "../../answer";

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    const range = { ...validate(RangeInput, await jsonBody(request)) };
    const changed = isId(id) ? await changeRange(await currentStudio(), id, range) : undefined;
    return changed ? Response.json(changed) : notFound("range");
  });
