import { anyJson, route } from "@/door/route";
import { wrong } from "@/border/problem";
import { asJson } from "@/compute/as-json";
import { compute } from "@/workers/through-primary";

/** Inks with which every stack may be tried over HTTP; the command line has no such bound. */
const MOST_TO_EXHAUST = 24;

/** What would keep the server at work for minutes is left to the command line. */
function refuseEndless(input: unknown): void {
  const { search, inks } = (input ?? {}) as { search?: unknown; inks?: unknown };
  if (search === "exhaustive" && !(Array.isArray(inks) && inks.length <= MOST_TO_EXHAUST))
    throw wrong(
      "search",
      `expected "pruned", which gives the same stacks: trying all of them is for at most ${MOST_TO_EXHAUST} inks here, and for the command line`,
    );
}

/** Any operation of the compute table, in a thread beside the server; it is stopped when the caller goes away. */
export const POST = route(
  anyJson,
  async (_, input, { name }, { signal }) => {
    refuseEndless(input);
    const answer = asJson(await compute(name!, input, signal));
    return new Response(answer, { headers: { "content-type": "application/json" } });
  },
  "operation",
  "viewer",
);
