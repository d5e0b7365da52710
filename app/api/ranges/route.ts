import { validate } from "@/compute/validate";
import { addRange } from "@/store/rack";
import { RangeInput } from "@/store/rack-input";
import { currentStudio } from "@/store/studio";
import { answer, jsonBody } from "../answer";

export const POST = (request: Request) =>
  answer(async () =>
    Response.json(
      await addRange(await currentStudio(), { ...validate(RangeInput, await jsonBody(request)) }),
      { status: 201 },
    ),
  );
