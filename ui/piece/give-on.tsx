"use client";
import { useId, useState, type FormEvent } from "react";
import type { Given } from "@/core/piece/give";
import type { Area } from "@/core/piece/piece";
import { Modal } from "@/ui/kit/modal";
import { counted } from "@/words/numbers";
import { usePiece, useRun } from "./piece-context";

/** A name without the number at its end: "petal" of "petal 3". */
const stemOf = (name: string) => name.replace(/\s*\d+$/, "").toLowerCase();

/** Asks to which areas one gives its colours, or its whole plan; those of the same name but for their number are meant at first. */
export function GiveOn({ from, onClose }: { readonly from: Area | undefined; readonly onClose: () => void }) {
  return (
    <Modal open={from !== undefined} title={`Give on what ${from?.name ?? ""} has`} onClose={onClose}>
      {from && <Form key={from.id} from={from} onClose={onClose} />}
    </Modal>
  );
}

function Form({ from, onClose }: { readonly from: Area; readonly onClose: () => void }) {
  const run = useRun();
  const { areas } = usePiece();
  const others = areas.filter((a) => a.id !== from.id && !a.white);
  const alike = others.filter((a) => stemOf(a.name) === stemOf(from.name)).map((a) => a.id);
  const [to, setTo] = useState<ReadonlySet<string>>(new Set(alike));
  const [what, setWhat] = useState<Given>(from.layers.length ? "plan" : "colours");
  const name = useId();
  const submit = (e: FormEvent) => {
    e.preventDefault();
    run({ type: "give", from: from.id, to: [...to], what });
    onClose();
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3 text-[15px]">
      <fieldset className="m-0 flex flex-wrap gap-x-5 gap-y-1 border-0 p-0">
        <legend className="sr-only">What is given</legend>
        {(
          [
            ["colours", "its colours: light, local, shadow"],
            ["plan", "its whole plan: colours, group, shadows, pencil"],
          ] as const
        ).map(([value, says]) => (
          <label key={value} className="flex min-h-9 items-center gap-2">
            <input
              type="radio"
              name={name}
              className="size-4 accent-black"
              checked={what === value}
              onChange={() => setWhat(value)}
            />
            {says}
          </label>
        ))}
      </fieldset>
      <div className="flex gap-2">
        <button type="button" className="button" onClick={() => setTo(new Set(others.map((a) => a.id)))}>
          All
        </button>
        <button type="button" className="button" onClick={() => setTo(new Set())}>
          None
        </button>
      </div>
      <ul className="m-0 grid max-h-72 list-none grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-x-3 overflow-y-auto border-y border-line p-0 py-1">
        {others.map((a) => (
          <li key={a.id}>
            <label className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                className="size-4 shrink-0 accent-black"
                checked={to.has(a.id)}
                onChange={(e) => {
                  const next = new Set(to);
                  if (e.target.checked) next.add(a.id);
                  else next.delete(a.id);
                  setTo(next);
                }}
              />
              <span className="min-w-0 truncate">{a.name}</span>
            </label>
          </li>
        ))}
      </ul>
      <button className="button button-main self-start" disabled={!to.size}>
        Use it in {counted(to.size, "area")}
      </button>
    </form>
  );
}
