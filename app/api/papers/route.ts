import { validate } from "@/compute/validate";
import { addPaper } from "@/store/papers";
import { currentStudio } from "@/store/studio";
import { NewPaperInput } from "@/store/swatchbook-input";
import { answer, jsonBody } from "../answer";
import { paperOf } from "./paper-facts";

const UNKNOWN = { weight: null, openTime: null, bleed: null, grain: null, finish: "", side: "", notes: "" };

export const POST = (request: Request) =>
  answer(async () => {
    const input = validate(NewPaperInput, await jsonBody(request));
    const { name, capacity } = input;
    return Response.json(
      await addPaper(await currentStudio(), {
        ...UNKNOWN,
        name,
        capacity,
        lab: [95, 0, 2],
        ...paperOf(input),
      }),
      { status: 201 },
    );
  });
