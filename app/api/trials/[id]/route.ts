import { validate } from "@/compute/validate";
import { currentStudio } from "@/store/studio";
import { ChangeTrialInput } from "@/store/swatchbook-input";
import { changeTrial, deleteTrial } from "@/store/trials";
import { answer, isId, jsonBody, notFound } from "../../answer";

interface Context {
  params: Promise<{ id: string }>;
}

export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    const { verdict, note } = validate(ChangeTrialInput, await jsonBody(request));
    const changed = isId(id)
      ? await changeTrial(await currentStudio(), id, {
          ...(verdict && { verdict }),
          ...(note !== undefined && { note }),
        })
      : undefined;
    return changed ? Response.json(changed) : notFound("trial");
  });

export const DELETE = (_: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    return isId(id) && (await deleteTrial(await currentStudio(), id))
      ? Response.json({ deleted: true })
      : notFound("trial");
  });
