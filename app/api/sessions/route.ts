import { personRoute, withCookies } from "@/door/route";
import { signOut } from "@/store/people";

/** Signs out everywhere. */
export const DELETE = personRoute(null, async (visitor, _, __, request) => {
  const answer = withCookies(await signOut(visitor, request.headers, true), request, { signedIn: false });
  answer.headers.set("clear-site-data", '"cache"');
  return answer;
});
