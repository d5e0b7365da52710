"use client";
import { useState } from "react";
import type { RackMarker } from "@/store/rack";
import { useSending } from "@/ui/jobs/use-sending";
import { send } from "@/ui/send";
import { useMayChange } from "@/ui/studio/studio-context";

/** Puts a marker on the list of wishes, or takes it off. */
export function Wish({ marker }: { readonly marker: RackMarker }) {
  const [isWished, setWished] = useState(marker.wished);
  const sending = useSending();
  if (!useMayChange()) return isWished ? <span className="block text-[13px]">wished for</span> : null;
  if (sending.trouble)
    return (
      <span role="alert" className="block max-w-40 text-[13px]">
        {sending.trouble}{" "}
        <button className="button" onClick={sending.dismiss}>
          Try again
        </button>
      </span>
    );
  return (
    <button
      className="button mt-1"
      aria-label={`Wish for ${marker.code}`}
      aria-pressed={isWished}
      disabled={sending.busy}
      onClick={() =>
        void sending.run(async () => {
          await send("PATCH", "/api/rack", {
            changes: [{ code: marker.code, set: { wished: !isWished } }],
          });
          setWished(!isWished);
        })
      }
    >
      {isWished ? "Wished for" : "Wish for it"}
    </button>
  );
}
