"use client";
import { useId, useState, type FormEvent } from "react";
import { readColour } from "@/border/colour";
import { PLACES, type Area, type Place, type PictureReading } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { colourTyped } from "@/ui/swatchbook/typed-colour";
import { placeNames } from "./picture-pane";
import { LIKE_WAYS, readingsLike } from "./like-area";
import { usePiece, useRun } from "./piece-context";

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

/** Colours in one line: as many as there are places, parted by spaces, commas or semicolons; "72 14 24" is one colour, not three. */
const PARTED = /[\s,;]+/;

/**
 * What one line gives: a colour for the place that is chosen, or light, local colour and shadow in this order. Undefined when any of it is no colour.
 */
export function readingsOf(
  text: string,
  place: Place,
  rack: Rack,
): { readonly [P in Place]?: PictureReading } | undefined {
  const one = readingOf(text, rack);
  if (one) return { [place]: one };
  const parts = text.trim().split(PARTED);
  const colours = parts.map((p) => (/^[-\d.]+$/.test(p) ? undefined : readingOf(p, rack)));
  if (parts.length !== PLACES.length || colours.some((c) => !c)) return undefined;
  return Object.fromEntries(PLACES.map((p, i) => [p, colours[i]!]));
}

/** Gives an area its colours without pointing at a picture: one, or all three in one line. */
export function GiveColour({ area, rack }: { readonly area: Area; readonly rack: Rack }) {
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
    </form>
  );
}
