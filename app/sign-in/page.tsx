import { headers } from "next/headers";
import { redirect } from "next/navigation";
import { hasPeople, whoCalls } from "@/store/people";
import { Outside } from "@/ui/studio/fields";
import { SignIn } from "@/ui/studio/sign-in";
import { SignUp } from "@/ui/studio/sign-up";

export const metadata = { title: "Sign in" };

/** Tells a stranger nothing but that this is Blendt, and whether anybody has an account yet. */
export default async function SignInPage() {
  if (await whoCalls(await headers())) redirect("/");
  if (!(await hasPeople()))
    return (
      <Outside title="The first account of this server">
        <p className="mt-0 text-[16px]">
          Whoever started the server has seen a set-up code in its terminal. The account that is made with it
          owns the studios that are here.
        </p>
        <SignUp asksForCode />
      </Outside>
    );
  return (
    <Outside title="Sign in">
      <SignIn />
      {process.env.BLENDT_SIGN_UP === "open" && (
        <details className="mt-8">
          <summary className="text-[15px]">Make an account</summary>
          <div className="mt-3">
            <SignUp />
          </div>
        </details>
      )}
    </Outside>
  );
}
