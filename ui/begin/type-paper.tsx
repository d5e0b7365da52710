"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PaperSheet } from "@/store/papers";
import { colourTyped } from "@/ui/swatchbook/typed-colour";
import { Choice, FormError, Line } from "@/ui/studio/fields";
import { useSubmit } from "@/ui/studio/use-submit";
import { send } from "@/ui/send";

/** Usual bare sheets, until the own one is measured. */
const SHEETS = {
  "#f5f5f0": "white",
  "#f3eee0": "cream",
  "#d9c9ae": "warm toned",
  "#b9b9b6": "grey toned",
} as const;
const CAPACITIES = {
  "3": "thin: about 3 coats",
  "4": "card: about 4 coats",
  "6": "heavy: about 6 coats",
} as const;

/** A paper by name, bare colour and how much it holds. */
export function TypePaper({ papers }: { readonly papers: readonly PaperSheet[] }) {
  const router = useRouter();
  const [name, setName] = useState("");
  const [bare, setBare] = useState<keyof typeof SHEETS>("#f5f5f0");
  const [typed, setTyped] = useState("");
  const [capacity, setCapacity] = useState<keyof typeof CAPACITIES>("4");
  const colour = typed.trim() ? colourTyped(typed) : bare;
  const { busy, error, submit } = useSubmit(async () => {
    await send("POST", "/api/papers", { name: name.trim(), color: colour, capacity: Number(capacity) });
    setName("");
    setTyped("");
    router.refresh();
  });
  return (
    <form onSubmit={submit} className="grid gap-3">
      <div className="grid grid-cols-1 gap-3 sm:grid-cols-4">
        <Line
          says={papers.length ? "Another paper" : "Name"}
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
          placeholder="smooth white card"
        />
        <Choice says="Bare sheet" value={bare} options={SHEETS} onChange={setBare} />
        <Line
          says="or its colour"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          placeholder="#f5f5f0 or L* a* b*"
        />
        <Choice says="Holds" value={capacity} options={CAPACITIES} onChange={setCapacity} />
      </div>
      {typed.trim() && !colour && (
        <p role="alert" className="m-0 text-[15px]">
          A colour is typed as #f5f5f0, or as L* a* b*.
        </p>
      )}
      <FormError error={error} />
      <button className="button button-main justify-self-start" disabled={busy || !name.trim() || !colour}>
        Add the paper
      </button>
    </form>
  );
}
