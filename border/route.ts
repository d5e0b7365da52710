import { Cancelled } from "@/core/progress";
import { StoreUnavailable } from "@/store/database";
import { currentStudio, type Studio } from "@/store/studio";
import { jsonOf, queryOf, TooLong } from "./body";
import { refusedAtGate, type BodyKind } from "./gate";
import { isId, type Document } from "./fields";
import { BadInput } from "./problem";
import { readAs } from "./read-as";

/** Parts of a route's path. */
type Params = Readonly<Record<string, string>>;

/** Where a handler's input comes from: a document in its body or its query, something it reads itself, or nowhere. */
type Input<I> = { readonly query: Document<I & object> } | Document<I & object> | Reader<I> | null;

/** What a handler may give: an answer of its own; true for done; undefined or false for nothing there; else what is sent as JSON. */
type Given = Response | Made | object | boolean | undefined;

/** Something new. */
class Made {
  constructor(readonly value: object) {}
}
export const created = (value: object): Made => new Made(value);

const refusal = (status: number, message: string, more: object = {}) =>
  Response.json({ message, ...more }, { status });

type Reader<I> = ((request: Request) => Promise<I>) & { readonly reads: BodyKind };

/** How a handler reads itself what is no document. */
export const reads = <I>(kind: BodyKind, read: (request: Request) => Promise<I>): Reader<I> =>
  Object.assign(read, { reads: kind });

/** Any JSON: for what says itself what it expects. */
export const anyJson = reads("json", jsonOf);

const bodyOf = <I>(from: Input<I>): BodyKind =>
  !from || "query" in from ? "none" : "reads" in from ? from.reads : "json";

function inputOf<I>(from: Input<I>, request: Request): Promise<I> {
  if (!from) return Promise.resolve(undefined as I);
  if ("query" in from) return Promise.resolve().then(() => readAs(from.query, queryOf(request)) as I);
  if ("reads" in from) return from(request);
  return jsonOf(request).then((body) => readAs(from, body));
}

/**
 * A handler of a route: what comes in is read and refused field by field, the studio is found, and what can go wrong becomes an answer that
 * says what and where.
 * @param noun what is not there when the handler finds nothing, or the path has an id that is nobody's
 */
export function route<I = undefined>(
  from: Input<I>,
  handle: (studio: Studio, input: I, params: Params, request: Request) => Promise<Given>,
  noun = "page",
) {
  const missing = () => refusal(404, `There is no such ${noun}.`);
  const answer = async (request: Request, params: Promise<object>): Promise<Response> => {
    const refused = refusedAtGate(request, bodyOf(from));
    if (refused) return refusal(refused.status, refused.message);
    try {
      const at: Params = ((await params) as Params | undefined) ?? {};
      if (at.id !== undefined && !isId(at.id)) return missing();
      const input = await inputOf(from, request);
      const given = await handle(await currentStudio(), input, at, request);
      if (given === undefined || given === false) return missing();
      if (given === true) return new Response(null, { status: 204 });
      if (given instanceof Response) return given;
      return given instanceof Made ? Response.json(given.value, { status: 201 }) : Response.json(given);
    } catch (error) {
      return answerTo(error);
    }
  };
  return async (request: Request, { params }: { params: Promise<object> }): Promise<Response> =>
    guarded(await answer(request, params));
}

/** What browsers should not do with data. */
const GUARDS = {
  "x-content-type-options": "nosniff",
  "referrer-policy": "same-origin",
  "content-security-policy": "default-src 'none'; frame-ancestors 'none'",
  "cross-origin-resource-policy": "same-origin",
};

function guarded(answer: Response): Response {
  for (const [name, value] of Object.entries(GUARDS)) answer.headers.set(name, value);
  return answer;
}

function answerTo(error: unknown): Response {
  if (error instanceof BadInput) return refusal(422, error.message, { problems: error.problems });
  if (error instanceof TooLong)
    return refusal(413, `That is too long: ${error.message}.`, {
      problems: [{ path: "", expected: error.message }],
    });
  if (error instanceof StoreUnavailable)
    return refusal(503, "The studio's store cannot be reached just now. Nothing that was saved is lost.");
  if (error instanceof Cancelled) return refusal(499, "Cancelled.");
  if (error instanceof Error && error.name === "Busy") return refusal(503, error.message);
  console.error(error);
  return refusal(500, "Something went wrong on the server; it has been noted in its log.");
}
