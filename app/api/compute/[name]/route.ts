import { runOperation } from "@/compute/run";
import { answer, jsonBody } from "../../answer";

/** Any operation of the compute table; stops when the caller goes away. */
export const POST = (request: Request, { params }: { params: Promise<{ name: string }> }) =>
  answer(async () =>
    Response.json(
      await runOperation((await params).name, await jsonBody(request), { signal: request.signal }),
    ),
  );
