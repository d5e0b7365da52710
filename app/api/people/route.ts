import { openRoute, withCookies } from "@/door/route";
import { wrong } from "@/border/problem";
import { NewPersonInput } from "@/border/studio";
import { signUp } from "@/store/people";

const REFUSED = {
  taken: wrong("name", "expected a name of its own; somebody here has this one"),
  closed: wrong("code", "expected an invitation: an owner of a studio here can make one"),
  "no such code": wrong(
    "code",
    "expected an invitation or set-up code that has not been used yet and is not too old",
  ),
};

/** A new account; it is signed in at once, and its recovery codes are told this once. */
export const POST = openRoute(NewPersonInput, async (input, _, request) => {
  const made = await signUp(input, request.headers);
  if (typeof made === "string") throw REFUSED[made];
  const { cookies, recovery, studioId } = made;
  return withCookies(cookies, request, { recovery, studioId: studioId ?? null }, 201);
});
