import { BadInput } from "@/compute/problem";
import { validate } from "@/compute/validate";
import { decideScan, deleteScan, findScan, storeScan } from "@/store/charts";
import { currentStudio } from "@/store/studio";
import { DecideScanInput } from "@/store/swatchbook-input";
import { answer, isId, jsonBody, notFound } from "../../answer";

interface Context {
  params: Promise<{ id: string }>;
}

/** Decides about cells, and on wish turns the accepted ones into readings. */
export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    const studio = await currentStudio();
    const { decisions, store } = validate(DecideScanInput, await jsonBody(request));
    const scan = isId(id) ? await findScan(studio, id) : undefined;
    if (!scan) return notFound("scan");
    if (decisions.length !== scan.result.cells.length)
      throw new BadInput([
        { path: "decisions", expected: `expected ${scan.result.cells.length} decisions, one a cell` },
      ]);
    await decideScan(studio, id, decisions);
    return Response.json({ decisions, ...(store && { readings: await storeScan(studio, id) }) });
  });

export const DELETE = (_: Request, { params }: Context) =>
  answer(async () => {
    const { id } = await params;
    return isId(id) && (await deleteScan(await currentStudio(), id))
      ? Response.json({ deleted: true })
      : notFound("scan");
  });
