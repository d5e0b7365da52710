"use client";
import { useId, useMemo, useState } from "react";
import type { Rack } from "@/store/rack";
import { Link } from "@/ui/kit/link";
import { useTyped } from "@/ui/kit/use-typed";
import { counted } from "@/words/numbers";
import { readAreaList } from "./area-list";
import { usePiece, usePieceHandles, useRun } from "./piece-context";
import { readingsOf } from "./typed-readings";

/** Problems that are told one by one. */
const MOST_TOLD = 3;

/** Names and colours of all areas in one list, typed or pasted. */
export function GiveList({ rack }: { readonly rack: Rack }) {
  const run = useRun();
  const { areas } = usePiece();
  const { id } = usePieceHandles();
  const { text, type, done } = useTyped(`areas of ${id}`);
  const [taken, setTaken] = useState<number>();
  const help = useId();
  const list = useMemo(
    () => readAreaList(text, areas, (colours) => readingsOf(colours, "local", rack)),
    [text, areas, rack],
  );
  const told = list.problems.slice(0, MOST_TOLD).map((p) => `line ${p.line}: ${p.why}`);
  return (
    <form
      aria-label="Areas in a list"
      className="grid gap-2 border-t border-line pt-2 text-[15px]"
      onSubmit={(e) => {
        e.preventDefault();
        if (!list.areas.length) return;
        run({ type: "describe areas", areas: list.areas });
        setTaken(list.areas.length);
        done();
      }}
    >
      <label className="grid gap-1">
        Names and colours, a line each
        <textarea
          className="field min-h-36 font-mono"
          spellCheck={false}
          aria-describedby={help}
          value={text}
          onChange={(e) => {
            type(e.target.value);
            setTaken(undefined);
          }}
          placeholder={"1 wall: #cfd8dc\n2-5 petal: #f6d860 #e3a51f #9a4a14\n6 leaf: like petal 1 but cooler"}
        />
      </label>
      <p id={help} className="m-0 text-[14px] text-soft">
        The number of an area in the drawing, or several; what it is called, where you like; then a colon and
        its colour, or light, local and shadow.
      </p>
      <p className="m-0" role="status">
        {taken !== undefined && !text
          ? `${counted(taken, "area")} taken. `
          : text.trim()
            ? `${counted(list.areas.length, "area")} understood${told.length ? `; ${told.join("; ")}${list.problems.length > MOST_TOLD ? ` and ${list.problems.length - MOST_TOLD} more` : ""}` : ""}. `
            : ""}
        {taken !== undefined && !text && (
          <Link className="underline" href={`/pieces/${id}/whole?plan`}>
            Plan them together
          </Link>
        )}
      </p>
      <button className="button justify-self-start" disabled={!list.areas.length}>
        Take the list
      </button>
    </form>
  );
}
