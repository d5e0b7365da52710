import { rackOn } from "@/store/rack";
import { currentStudio } from "@/store/studio";
import { answer, isId, notFound } from "../../answer";

/** The rack as read on a paper. */
export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    const rack = isId(id) ? await rackOn(await currentStudio(), id) : undefined;
    return rack ? Response.json(rack) : notFound("paper");
  });
