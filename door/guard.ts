import { whoCalls, type Visitor } from "@/store/people";
import { studiosOf, type Entered } from "@/store/studio";
import { isId } from "@/border/fields";
import type { ROLES } from "@/border/studio";

/** Names the studio that a browser was in last; no secret, and checked each time. */
export const STUDIO_COOKIE = "blendt-studio";
/** Names the studio of a page in what it sends, so that a tab stays in its studio whatever others do. */
export const STUDIO_HEADER = "x-blendt-studio";

/** Nobody is signed in, and somebody must be. */
export class SignInNeeded extends Error {
  override name = "SignInNeeded";
}

/** Somebody is here and has no studio yet, or not the one that was asked for. */
export class StudioNeeded extends Error {
  override name = "StudioNeeded";
  constructor(readonly isElsewhere: boolean) {
    super("no studio");
  }
}

/** What somebody wants to do is more than their part in the studio allows. */
export class NotAllowed extends Error {
  override name = "NotAllowed";
  constructor(readonly role: Role) {
    super(role);
  }
}

type Role = (typeof ROLES)[number];
const RANK: Readonly<Record<Role, number>> = { viewer: 0, member: 1, owner: 2 };

/** @throws SignInNeeded */
export async function visitorOf(headers: Headers): Promise<Visitor> {
  const found = await whoCalls(headers);
  if (!found) throw new SignInNeeded();
  return found;
}

function cookieOf(headers: Headers, name: string): string | undefined {
  for (const part of (headers.get("cookie") ?? "").split(";")) {
    const [key, value] = part.trim().split("=");
    if (key === name) return value;
  }
  return undefined;
}

/** The studio of a request: the one it names, else the one the browser was in last, else the first that is there. */
export function chosenOf(all: readonly Entered[], headers: Headers): Entered {
  const named = headers.get(STUDIO_HEADER);
  if (named !== null) {
    const found = all.find((s) => s.id === named);
    if (!found) throw new StudioNeeded(isId(named));
    return found;
  }
  const last = cookieOf(headers, STUDIO_COOKIE);
  const found = all.find((s) => s.id === last) ?? all[0];
  if (!found) throw new StudioNeeded(false);
  return found;
}

/**
 * The one way into a studio, for pages, handlers and exports alike: without what it gives no query can be asked.
 * @throws SignInNeeded, StudioNeeded, StoreUnavailable
 */
export const entered = async (headers: Headers): Promise<Entered> =>
  chosenOf(await studiosOf(await visitorOf(headers)), headers);

/** @throws NotAllowed */
export function mustBe(least: Role, { role }: Pick<Entered, "role">): void {
  if (RANK[role] < RANK[least]) throw new NotAllowed(role);
}
