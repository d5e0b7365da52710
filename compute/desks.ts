import { memory } from "@/core/memory";
import { DESK_FIELDS, DeskInput } from "@/border/desk";
import { BadInput, wrong } from "@/border/problem";
import { readAs } from "@/border/read-as";
import type { Work } from "@/core/progress";
import { openingDesk, type OpenDesk } from "./desk";
import { hashOf } from "./hash";

/** Desks that stay open at once; the one that was longest not asked for goes first. */
const MOST_OPEN = 6;
const open = memory<OpenDesk>(MOST_OPEN);

/** A handle that names no open desk: the desk must be opened (again). */
export class UnknownDesk extends BadInput {
  constructor() {
    super([
      { path: "desk", expected: "expected the handle of an open desk; open it (again) and ask once more" },
    ]);
    this.name = "UnknownDesk";
  }
}

/** Opens a desk, or finds it open, and gives its handle: the same desk has the same handle. */
export function* openDesk(plain: unknown, handle = hashOf(plain)): Work<string> {
  if (!open.recall(handle)) open.keep(handle, yield* openingDesk(readAs(DeskInput, plain)));
  return handle;
}

/** A desk by its handle, while it is open. */
export const openDeskOf = (handle: string): OpenDesk | undefined => open.recall(handle);

type Fields = Readonly<Record<string, unknown>>;
const isFields = (v: unknown): v is Fields => typeof v === "object" && v !== null && !Array.isArray(v);
const isDeskField = (name: string) => (DESK_FIELDS as readonly string[]).includes(name);

/** What is asked, apart from the desk that it is asked of. */
export function questionOf(plain: unknown): unknown {
  if (!isFields(plain)) return plain;
  return Object.fromEntries(Object.entries(plain).filter(([name]) => name !== "desk" && !isDeskField(name)));
}

/**
 * The desk that a question names by its handle, or brings along in its own fields.
 * @throws BadInput naming what is wrong with it; UnknownDesk for a handle of no open desk
 */
export function* deskFor(plain: unknown): Work<OpenDesk> {
  if (!isFields(plain)) throw wrong("", "expected a JSON object");
  if (plain.desk !== undefined) {
    if (typeof plain.desk !== "string") throw wrong("desk", "expected the handle of an open desk");
    const twice = Object.keys(plain).find(isDeskField);
    if (twice) throw wrong(twice, "expected nothing here beside the handle of an open desk");
    const known = open.recall(plain.desk);
    if (!known) throw new UnknownDesk();
    return known;
  }
  const handle = yield* openDesk(
    Object.fromEntries(Object.entries(plain).filter(([name]) => isDeskField(name))),
  );
  return open.recall(handle)!;
}
