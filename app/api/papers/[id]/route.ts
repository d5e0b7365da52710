import { route } from "@/door/route";
import { PaperFactsInput, paperFactsOf } from "@/border/paper";
import { wrong } from "@/border/problem";
import { Optional, Text } from "@/border/fields";
import { changeOf } from "@/border/read-as";
import { changePaper } from "@/store/papers";
import { rackAt } from "@/store/rack-cache";

class RackQuery {
  /** Version of the studio's readings that is wanted; what is there is sent. */
  @Optional() @Text(60) version?: string;
}

const YEAR_S = 31_536_000;

/** The rack as read on a paper. Named by its version, a browser keeps it; else it asks each time whether it has changed. */
export const GET = route(
  { query: RackQuery },
  async (studio, { version }, { id }, request) => {
    const tag = `"${studio.id}-${id}-${studio.rackVersion}"`;
    const isNamed = version === studio.rackVersion;
    const headers = {
      etag: tag,
      "cache-control": isNamed ? `private, max-age=${YEAR_S}, immutable` : "private, no-cache",
      // The same address has another answer in another studio, and for somebody else.
      vary: "cookie, x-blendt-studio",
    };
    if (request.headers.get("if-none-match")?.includes(tag))
      return new Response(null, { status: 304, headers });
    const found = await rackAt(studio, id!);
    return found && new Response(found.json, { headers: { ...headers, "content-type": "application/json" } });
  },
  "paper",
);

export const PATCH = route(
  PaperFactsInput,
  async (studio, input, { id }) => {
    const changed = await changePaper(studio, id!, paperFactsOf(changeOf(input)));
    if (changed === "taken")
      throw wrong("name", `expected a name of its own; another paper is called “${input.name}”`);
    return changed;
  },
  "paper",
);
