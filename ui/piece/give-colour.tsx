"use client";
import { useId, useState, type FormEvent } from "react";
import { readColour } from "@/border/colour";
import { PLACES, type Area, type Place, type PictureReading } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { colourTyped } from "@/ui/swatchbook/typed-colour";
import { placeNames } from "./picture-pane";
import { useRun } from "./piece-context";

/**
 * A colour that comes from no picture: hex, the L* a* b* that an instrument shows, or a marker as it was read on the rack's paper.
 * Undefined when it is none of these.
 */
export function readingOf(text: string, rack: Rack): PictureReading | undefined {
  const code = text.trim();
  const marker = rack.markers.find((m) => m.code.toLowerCase() === code.toLowerCase());
  const swatch = marker?.swatches[0];
  if (swatch) return { lab: swatch.lab, spread: 0, from: marker.code };
  const typed = colourTyped(text);
  if (!typed) return undefined;
  return { lab: readColour(typed)!.lab, spread: 0, from: typeof typed === "string" ? typed : "typed" };
}

/** Gives an area a colour without pointing at a picture. */
export function GiveColour({ area, rack }: { readonly area: Area; readonly rack: Rack }) {
  const run = useRun();
  const [place, setPlace] = useState<Place>("local");
  const [text, setText] = useState("");
  const [trouble, setTrouble] = useState(false);
  const id = useId();
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const reading = readingOf(text, rack);
    setTrouble(!reading);
    if (!reading) return;
    run({ type: "place reading", id: area.id, place, reading });
    setText("");
  };
  return (
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
        placeholder="#c8a27a, 72 14 24 or clay3m"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setTrouble(false);
        }}
      />
      <button className="button" disabled={!text.trim()}>
        Give it
      </button>
      {trouble && (
        <span id={id} role="alert" className="basis-full">
          “{text.trim().slice(0, 40)}” is no colour here: write a hex colour, three numbers L* a* b*, or the
          code of a marker that was read on {rack.paper.name}.
        </span>
      )}
    </form>
  );
}
