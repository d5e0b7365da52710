import { validate } from "@/compute/validate";
import { changePaper } from "@/store/papers";
import { rackOn } from "@/store/rack";
import { currentStudio } from "@/store/studio";
import { PaperFactsInput } from "@/store/swatchbook-input";
import { answer, isId, jsonBody, notFound } from "../../answer";
import { paperOf } from "../paper-facts";

interface Context {
  params: Promise<{ id: string }>;
}

/** The rack as read on a paper. */
export const GET = (_: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    const rack = isId(id) ? await rackOn(await currentStudio(), id) : undefined;
    return rack ? Response.json(rack) : notFound("paper");
  });

export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    const facts = paperOf(validate(PaperFactsInput, await jsonBody(request)));
    const changed =
      isId(id) && Object.keys(facts).length ? await changePaper(await currentStudio(), id, facts) : undefined;
    return changed ? Response.json(changed) : notFound("paper");
  });
