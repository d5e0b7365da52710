"use client";
import { useId, useState, type FormEvent } from "react";
import { PLACES, type Area, type Place } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { GiveList } from "./give-list";
import { placeNames } from "./picture-pane";
import { LIKE_WAYS, readingsLike } from "./like-area";
import { usePiece, useRun } from "./piece-context";
import { readingsOf } from "./typed-readings";

/** Gives an area its colours without pointing at a picture: one, or all three in one line. */
export function GiveColour({
  area,
  rack,
  listed,
  onListed,
}: {
  readonly area: Area;
  readonly rack: Rack;
  /** Whether all areas are given theirs in a list. */
  readonly listed: boolean;
  readonly onListed: (listed: boolean) => void;
}) {
  const run = useRun();
  const { areas } = usePiece();
  const [place, setPlace] = useState<Place>("local");
  const [text, setText] = useState("");
  const [trouble, setTrouble] = useState(false);
  const id = useId();
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const given = readingsLike(text, areas) ?? readingsOf(text, place, rack);
    setTrouble(!given);
    if (!given) return;
    run({ type: "take colours", id: area.id, readings: { ...area.readings, ...given } });
    setText("");
  };
  return (
    <div className="grid min-w-0 flex-1 gap-2">
      <form
        className="flex min-w-0 flex-1 flex-wrap items-center gap-x-2 gap-y-1 text-[14px]"
        onSubmit={submit}
      >
        <label className="flex items-center gap-1.5">
          Or give the
          <select className="field" value={place} onChange={(e) => setPlace(e.target.value as Place)}>
            {PLACES.map((p) => (
              <option key={p} value={p}>
                {placeNames[p].toLowerCase()}
              </option>
            ))}
          </select>
        </label>
        <input
          className="field min-w-44 flex-1"
          aria-label="Colour or marker"
          aria-invalid={trouble}
          aria-describedby={trouble ? id : undefined}
          placeholder="#c8a27a, 72 14 24, clay3m; or three; or: like Skin but warmer"
          maxLength={200}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setTrouble(false);
          }}
        />
        <button className="button" disabled={!text.trim()}>
          Use this colour
        </button>
        {trouble && (
          <span id={id} role="alert" className="basis-full">
            “{text.trim().slice(0, 40)}” is no colour here: write a hex colour, three numbers L* a* b*, or the
            code of a marker that was read on {rack.paper.name}; three colours, light, local and shadow; or
            another area, as in “like Skin but warmer and 8 darker” ({LIKE_WAYS.join(", ")}).
          </span>
        )}
        {areas.length > 1 && (
          <button
            type="button"
            className="button-bare"
            aria-expanded={listed}
            onClick={() => onListed(!listed)}
          >
            All areas in a list
          </button>
        )}
      </form>
      {listed && <GiveList rack={rack} />}
    </div>
  );
}
