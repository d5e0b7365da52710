import { personRoute, withCookies } from "@/door/route";
import { wrong } from "@/border/problem";
import { ChangePasswordInput } from "@/border/studio";
import { changePassword } from "@/store/people";

/** Changes one's password; every other browser is signed out. */
export const PUT = personRoute(ChangePasswordInput, async (visitor, input, _, request) => {
  if (visitor.kind === "local") throw wrong("current", "expected an account; there is none here yet");
  const cookies = await changePassword(visitor, input, request.headers);
  if (!cookies) throw wrong("current", "expected your present password");
  return withCookies(cookies, request, { changed: true });
});
