import { BadInput } from "@/compute/problem";
import { Cancelled } from "@/compute/run";
import { PictureRefused } from "@/store/decode-picture";
import { StoreUnavailable } from "@/store/database";

const problem = (status: number, message: string, more: object = {}) =>
  Response.json({ message, ...more }, { status });

export const notFound = (what: string) => problem(404, `There is no such ${what}.`);

/** Runs a route's work and turns what can go wrong into an answer that says what and where. */
export async function answer(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof BadInput) return problem(422, error.message, { problems: error.problems });
    if (error instanceof PictureRefused) return problem(422, error.message);
    if (error instanceof StoreUnavailable)
      return problem(503, "The studio's store cannot be reached just now. Nothing that was saved is lost.");
    if (error instanceof Cancelled) return problem(499, "Cancelled.");
    console.error(error);
    return problem(500, "Something went wrong on the server; it has been noted in its log.");
  }
}

const MOST_JSON = 8 * 1024 * 1024;

/** @throws BadInput when the body is not JSON or too long */
export async function jsonBody(request: Request): Promise<unknown> {
  const text = await request.text();
  if (text.length > MOST_JSON) throw new BadInput([{ path: "", expected: "expected at most 8 MB of JSON" }]);
  try {
    return JSON.parse(text);
  } catch (e) {
    throw new BadInput([{ path: "", expected: `expected JSON: ${(e as Error).message}` }]);
  }
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** Ids that cannot be any row's never reach the store. */
export const isId = (id: string): boolean => UUID.test(id);
