"use client";
import { useState } from "react";
import type { StudioFacts } from "@/store/studio";
import { enterStudio, send } from "@/ui/send";
import { Choice, FormError, Line } from "./fields";
import { useSubmit } from "./use-submit";
import { WhatItDoes } from "./what-it-does";

export const UNIT_NAMES = { mm: "millimetres", in: "inches" } as const;
export const SHEET_NAMES = { A4: "A4", Letter: "Letter" } as const;
export const HAND_NAMES = { right: "right", left: "left" } as const;

/** What a studio is called that nobody gives a name. */
const UNNAMED = "My studio";

/** The first visit: a studio of one's own, or the demo to look around in. */
export function Start({ hasDemo, others }: { readonly hasDemo: boolean; readonly others: boolean }) {
  return (
    <>
      <div className="grid gap-6 md:grid-cols-[3fr_2fr]">
        <NewStudio />
        <section className="border border-line bg-panel p-5">
          <h2 className="mt-0 mb-2 text-[19px]">Look around first</h2>
          {hasDemo ? <IntoDemo /> : <p className="m-0">This server was set up without a demo.</p>}
          {others && (
            <p className="mt-4 mb-0 text-[15px]">
              <a href="/" className="underline">
                Back to the studio
              </a>
            </p>
          )}
        </section>
      </div>
      <WhatItDoes />
    </>
  );
}

function IntoDemo() {
  const { busy, error, submit } = useSubmit(async () => {
    enterStudio((await send<{ id: string }>("POST", "/api/demo")).id);
    location.assign("/");
  });
  return (
    <>
      <p className="mt-0 mb-4 text-[16px]">
        A studio that is in use: three pieces, 288 markers with measured swatches, kept groups. Change what
        you like. It is yours alone, nothing of it gets into your own studio, and it can be put back or
        removed.
      </p>
      <FormError error={error} />
      <button className="button" disabled={busy} onClick={() => submit()}>
        Look around in the demo
      </button>
    </>
  );
}

function NewStudio() {
  const [facts, setFacts] = useState<Omit<StudioFacts, "speed" | "change">>({
    name: "",
    units: "mm",
    sheet: "A4",
    hand: "right",
  });
  const set =
    <K extends keyof typeof facts>(key: K) =>
    (value: (typeof facts)[K]) =>
      setFacts((f) => ({ ...f, [key]: value }));
  const { busy, error, submit } = useSubmit(async () => {
    const { id } = await send<{ id: string }>("POST", "/api/studios", {
      ...facts,
      name: facts.name.trim() || UNNAMED,
    });
    enterStudio(id);
    location.assign("/begin");
  });
  return (
    <form onSubmit={submit} className="grid gap-4 border border-strong bg-panel p-5">
      <h2 className="m-0 text-[19px]">Start your studio</h2>
      <p className="m-0 text-[16px]">
        It begins empty. Three short steps follow: the markers you have, a paper, and how well their colours
        are known.
      </p>
      <Line
        says="What it is called"
        value={facts.name}
        onChange={(e) => set("name")(e.target.value)}
        maxLength={80}
        autoFocus
        placeholder={UNNAMED}
      />
      <div className="grid grid-cols-[repeat(auto-fit,minmax(8.5rem,1fr))] gap-3">
        <Choice says="Lengths in" value={facts.units} options={UNIT_NAMES} onChange={set("units")} />
        <Choice says="Printer paper" value={facts.sheet} options={SHEET_NAMES} onChange={set("sheet")} />
        <Choice says="Colouring hand" value={facts.hand} options={HAND_NAMES} onChange={set("hand")} />
      </div>
      <FormError error={error} />
      <button className="button button-main justify-self-start" disabled={busy}>
        Start your studio
      </button>
    </form>
  );
}
