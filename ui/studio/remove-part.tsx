"use client";
import { useState } from "react";
import { send } from "@/ui/send";
import { FormError, Line } from "./fields";
import { Part } from "./part";
import { useStudio } from "./studio-context";
import { useSubmit } from "./use-submit";

/** Puts the demo back, or removes a studio by its name. */
export function RemovePart({ demo }: { readonly demo: boolean }) {
  const { name } = useStudio()!;
  const [typed, setTyped] = useState("");
  const reset = useSubmit(async () => {
    await send("PUT", "/api/demo");
    location.assign("/");
  });
  const remove = useSubmit(async () => {
    await send("DELETE", "/api/studio", { name: typed.trim() });
    location.assign("/");
  });
  return (
    <>
      {demo && (
        <Part title="Put the demo back">
          <p className="m-0 text-[15px]">
            What you changed or added in the demo is dropped, and it is as it was. Your own studios are not
            touched.
          </p>
          <FormError error={reset.error} />
          <button className="button justify-self-start" disabled={reset.busy} onClick={() => reset.submit()}>
            Put it back
          </button>
        </Part>
      )}
      <Part title={demo ? "Remove the demo" : "Remove this studio"}>
        <details>
          <summary className="text-[15px]">
            {demo ? "It can be fetched again from “Another studio”." : "With all that is in it, for ever."}
          </summary>
          <form onSubmit={remove.submit} className="mt-2 grid gap-3">
            {!demo && (
              <p className="m-0 text-[15px]">
                Rack, readings, pictures, pieces and groups go. Take everything along first if you may want it
                again.
              </p>
            )}
            <Line says={`Its name, “${name}”`} value={typed} onChange={(e) => setTyped(e.target.value)} />
            <FormError error={remove.error} />
            <button className="button justify-self-start" disabled={remove.busy || typed.trim() !== name}>
              Remove it
            </button>
          </form>
        </details>
      </Part>
    </>
  );
}
