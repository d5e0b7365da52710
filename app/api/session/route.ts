import { openRoute, personRoute, withCookies } from "@/door/route";
import { SignInInput } from "@/border/studio";
import { signIn, signOut } from "@/store/people";

/** Signs in. Whether the name or the password is wrong is not told. */
export const POST = openRoute(SignInInput, async (input, _, request) => {
  const cookies = await signIn(input, request.headers);
  return cookies
    ? withCookies(cookies, request, { signedIn: true })
    : Response.json({ message: "Name and password do not belong together." }, { status: 403 });
});

/** Signs out in this browser, which forgets the pictures it kept. */
export const DELETE = personRoute(null, async (visitor, _, __, request) => {
  const answer = withCookies(await signOut(visitor, request.headers, false), request, { signedIn: false });
  answer.headers.set("clear-site-data", '"cache"');
  return answer;
});
