"use client";
import { useState } from "react";
import { enterStudio, send } from "@/ui/send";
import { FormError } from "./fields";
import { SignIn } from "./sign-in";
import { SignUp } from "./sign-up";
import { useSubmit } from "./use-submit";

const accept = async (code: string) => {
  const { studioId } = await send<{ studioId: string }>("POST", "/api/join", { code });
  enterStudio(studioId);
};

/** Lets somebody into a studio by an invitation: with the account they have, or a new one. */
export function Join({ code, person }: { readonly code: string; readonly person: string | null }) {
  const [has, setHas] = useState<"new" | "there">("new");
  const { busy, error, submit } = useSubmit(async () => {
    await accept(code);
    location.assign("/");
  });
  if (person)
    return (
      <div className="grid gap-3">
        <FormError error={error} />
        <button className="button button-main justify-self-start" disabled={busy} onClick={() => submit()}>
          Come in as {person}
        </button>
      </div>
    );
  return (
    <div className="grid gap-4">
      <div className="flex gap-2" role="group" aria-label="Your account">
        <button className="button" aria-pressed={has === "new"} onClick={() => setHas("new")}>
          I am new here
        </button>
        <button className="button" aria-pressed={has === "there"} onClick={() => setHas("there")}>
          I have an account
        </button>
      </div>
      {has === "new" ? (
        <SignUp code={code} says="Make the account and come in" />
      ) : (
        <SignIn onIn={() => accept(code)} />
      )}
    </div>
  );
}
