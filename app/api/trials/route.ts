import { colourOf } from "@/compute/inputs/colour";
import { validate } from "@/compute/validate";
import { listPapers } from "@/store/papers";
import { currentStudio } from "@/store/studio";
import { NewTrialInput } from "@/store/swatchbook-input";
import { addTrial } from "@/store/trials";
import { answer, jsonBody, notFound } from "../answer";

export const POST = (request: Request) =>
  answer(async () => {
    const studio = await currentStudio();
    const { paperId, stack, predicted } = validate(NewTrialInput, await jsonBody(request));
    if (!(await listPapers(studio)).some((p) => p.id === paperId)) return notFound("paper");
    return Response.json(await addTrial(studio, { paperId, stack, predicted: colourOf(predicted).lab }), {
      status: 201,
    });
  });
