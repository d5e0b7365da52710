import { personRoute, withCookies } from "@/door/route";
import { wrong } from "@/border/problem";
import { ConfirmInput } from "@/border/studio";
import { isPassword, renewRecovery } from "@/store/people";

/** Fresh recovery codes, told this once; earlier ones do not work any more. */
export const POST = personRoute(ConfirmInput, async (visitor, { password }, _, request) => {
  if (visitor.kind === "local") throw wrong("password", "expected an account; there is none here yet");
  if (!(await isPassword(visitor.id, visitor.name, password)))
    throw wrong("password", "expected your present password");
  return withCookies([], request, { recovery: await renewRecovery(visitor.id) }, 201);
});
