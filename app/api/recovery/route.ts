import { openRoute, withCookies } from "@/door/route";
import { RecoverInput } from "@/border/studio";
import { recover } from "@/store/people";

/** A new password by a recovery code, which is used up. */
export const POST = openRoute(RecoverInput, async (input, _, request) => {
  const cookies = await recover(input, request.headers);
  return cookies
    ? withCookies(cookies, request, { signedIn: true })
    : Response.json(
        { message: "Name and recovery code do not belong together, or the code has been used." },
        { status: 403 },
      );
});
