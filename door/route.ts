import { Cancelled } from "@/core/progress";
import { DiskFull, isWantOfRoom, StoreUnavailable, StudioFull } from "@/store/database";
import type { Visitor } from "@/store/people";
import type { Role } from "@/store/schema";
import type { Entered } from "@/store/studio";
import { TooOften } from "@/store/tries";
import { jsonOf, queryOf, TooLong } from "@/border/body";
import { refusedAtGate, type BodyKind } from "@/border/gate";
import { entered, mustBe, NotAllowed, SignInNeeded, StudioNeeded, visitorOf } from "./guard";
import { isId, type Document } from "@/border/fields";
import { noteInLog } from "@/border/log";
import { inspect } from "@/border/inspect";
import { BadInput } from "@/border/problem";
import { readAs } from "@/border/read-as";

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
export const anyJson = reads("json", async (request) => {
  const said = await jsonOf(request);
  inspect(said);
  return said;
});

const bodyOf = <I>(from: Input<I>): BodyKind =>
  !from || "query" in from ? "none" : "reads" in from ? from.reads : "json";

function inputOf<I>(from: Input<I>, request: Request): Promise<I> {
  if (!from) return Promise.resolve(undefined as I);
  if ("query" in from) return Promise.resolve().then(() => readAs(from.query, queryOf(request)) as I);
  if ("reads" in from) return from(request);
  return jsonOf(request).then((body) => readAs(from, body));
}

type Handler = (request: Request, context: { params: Promise<object> }) => Promise<Response>;

/** Who reads may look only; who writes must be a member. */
const READS = new Set(["GET", "HEAD", "OPTIONS"]);
const leastFor = (method: string): Role => (READS.has(method) ? "viewer" : "member");

/** What is the same for all handlers: the gate, what comes in, what goes out, what can go wrong. */
function handler<W, I>(
  from: Input<I>,
  admit: (request: Request) => Promise<W>,
  handle: (who: W, input: I, params: Params, request: Request) => Promise<Given>,
  noun: string,
): Handler {
  const missing = () => refusal(404, `There is no such ${noun}.`);
  const answer = async (request: Request, params: Promise<object>): Promise<Response> => {
    const refused = refusedAtGate(request, bodyOf(from));
    if (refused) return refusal(refused.status, refused.message);
    try {
      // Who may not come in has nothing read that they send.
      const who = await admit(request);
      const at: Params = ((await params) as Params | undefined) ?? {};
      if (at.id !== undefined && !isId(at.id)) return missing();
      const given = await handle(who, await inputOf(from, request), at, request);
      if (given === undefined || given === false) return missing();
      if (given === true) return new Response(null, { status: 204 });
      if (given instanceof Response) return given;
      return given instanceof Made ? Response.json(given.value, { status: 201 }) : Response.json(given);
    } catch (error) {
      return answerTo(error);
    }
  };
  return async (request, { params }) => guarded(await answer(request, params));
}

/**
 * A handler within a studio: who asks is let in or not, what comes in is read and refused field by field, and what can go wrong becomes
 * an answer that says what and where.
 * @param noun what is not there when the handler finds nothing, or the path has an id that is nobody's
 * @param least what somebody must be in the studio; by itself, who reads may look only, and who writes is a member
 */
export const route = <I = undefined>(
  from: Input<I>,
  handle: (studio: Entered, input: I, params: Params, request: Request) => Promise<Given>,
  noun = "page",
  least?: Role,
): Handler =>
  handler(
    from,
    async (request) => {
      const studio = await entered(request.headers);
      mustBe(least ?? leastFor(request.method), studio);
      return studio;
    },
    handle,
    noun,
  );

/** A handler for somebody who is signed in, or at home, whichever studio they are in. */
export const personRoute = <I = undefined>(
  from: Input<I>,
  handle: (visitor: Visitor, input: I, params: Params, request: Request) => Promise<Given>,
  noun = "page",
): Handler => handler(from, (request) => visitorOf(request.headers), handle, noun);

/** A handler for everybody: it must give nothing away. */
export const openRoute = <I = undefined>(
  from: Input<I>,
  handle: (input: I, params: Params, request: Request) => Promise<Given>,
  noun = "page",
): Handler =>
  handler(
    from,
    () => Promise.resolve(undefined),
    (_, input, params, request) => handle(input, params, request),
    noun,
  );

/** An answer with cookies; they go over TLS only where the request came so. */
export function withCookies(
  cookies: readonly string[],
  request: Request,
  value: object,
  status = 200,
): Response {
  const answer = Response.json(value, { status });
  const secure =
    request.headers.get("x-forwarded-proto")?.split(",")[0]!.trim() === "https" ? "; Secure" : "";
  for (const c of cookies) answer.headers.append("set-cookie", c + secure);
  answer.headers.set("cache-control", "no-store");
  return answer;
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

/** What goes wrong in a known way, as an answer. */
const ANSWERS: readonly ((error: unknown) => Response | undefined)[] = [
  (e) => (e instanceof BadInput ? refusal(422, e.message, { problems: e.problems }) : undefined),
  (e) =>
    e instanceof TooLong
      ? refusal(413, `That is too long: ${e.message}.`, { problems: [{ path: "", expected: e.message }] })
      : undefined,
  (e) =>
    e instanceof SignInNeeded
      ? refusal(401, "Sign in first. What you have not saved stays in this browser.")
      : undefined,
  (e) =>
    e instanceof StudioNeeded
      ? refusal(
          404,
          e.isElsewhere ? "You are not in that studio, or not any more." : "There is no studio yet.",
        )
      : undefined,
  (e) =>
    e instanceof NotAllowed
      ? refusal(
          403,
          e.role === "viewer"
            ? "You may look at this studio, not change it. Its owner can make you a member."
            : "Only an owner of this studio may do that.",
        )
      : undefined,
  (e) =>
    e instanceof TooOften
      ? new Response(
          JSON.stringify({ message: `That was tried too often. Try again in ${inWords(e.seconds)}.` }),
          { status: 429, headers: { "content-type": "application/json", "retry-after": String(e.seconds) } },
        )
      : undefined,
  (e) => (e instanceof StudioFull ? refusal(422, e.message) : undefined),
  (e) =>
    e instanceof StoreUnavailable
      ? refusal(503, "The studio's store cannot be reached just now. Nothing that was saved is lost.")
      : undefined,
  (e) =>
    e instanceof DiskFull || isWantOfRoom(e)
      ? refusal(
          507,
          "The server's disk is full, so nothing can be saved just now. What was saved before is safe and can be read; saving goes on by itself once there is room.",
        )
      : undefined,
  (e) => (e instanceof Cancelled ? refusal(499, "Cancelled.") : undefined),
  (e) => (e instanceof Error && e.name === "Busy" ? refusal(503, e.message) : undefined),
];

const inWords = (seconds: number): string =>
  seconds < 90 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`;

function answerTo(error: unknown): Response {
  for (const known of ANSWERS) {
    const answer = known(error);
    if (answer) return answer;
  }
  noteInLog(error);
  return refusal(500, "Something went wrong on the server; it has been noted in its log.");
}
