"use client";
import { useEffect, useRef } from "react";
import { tonesFor } from "@/core/group/material";
import type { PlacedArea } from "@/core/picture/area-map";
import { labToHex } from "@/core/colour/display";
import { partOf, PLACES, tonesOf, type Area } from "@/core/piece/piece";
import { squareIn, useLengthUnit } from "@/ui/kit/length-field";
import { useRun } from "@/ui/piece/piece-context";
import { counted } from "@/words/numbers";
import { bleedInWords, sizeInWords } from "@/words/place";

/** How far the area's plan has come. */
function planOf(area: Area): string {
  const tones = tonesOf(area).length;
  if (tones) return `${counted(tones, "tone")} planned`;
  if (area.layers.length) return "planned";
  if (area.white) return "";
  return Object.keys(area.readings).length ? "read, not planned yet" : "no colour yet";
}

/** An area in the list: chosen, renamed, and what is known of its place. */
export function AreaRow({
  area,
  number,
  placed,
  touches,
  bleed,
  chosen,
  onChoose,
}: {
  readonly area: Area;
  readonly number: number;
  readonly placed: PlacedArea | undefined;
  readonly touches: number;
  readonly bleed: number | null;
  readonly chosen: boolean;
  readonly onChoose: (more: boolean) => void;
}) {
  const run = useRun();
  const row = useRef<HTMLLIElement>(null);
  // What is chosen in the drawing is shown in the list.
  useEffect(() => {
    if (chosen) row.current?.scrollIntoView({ block: "nearest" });
  }, [chosen]);
  const unit = useLengthUnit();
  const risk = placed && bleedInWords(placed.width, bleed);
  const marks = [
    area.white && "stays white",
    area.past && "past the line",
    area.joints && `${area.joints} joints`,
    placed && placed.regions.length > 1 && `${placed.regions.length} parts`,
    planOf(area),
  ].filter(Boolean);
  const picked = PLACES.flatMap((p) => (area.readings[p] ? [labToHex(area.readings[p].lab)] : []));
  return (
    <li
      ref={row}
      className={`grid grid-cols-[44px_auto_minmax(0,1fr)_auto] items-center gap-x-2 border-b border-line ${chosen ? "bg-panel" : ""}`}
    >
      <button
        className={`min-h-11 text-[15px] font-semibold ${chosen ? "bg-invert text-invert-text" : ""}`}
        aria-pressed={chosen}
        aria-label={`${number}, choose ${area.name}`}
        onClick={(e) => onChoose(e.shiftKey || e.ctrlKey || e.metaKey)}
        data-area={area.id}
      >
        {number}
      </button>
      <span
        className="flex h-9 w-6 flex-col border border-line"
        aria-hidden
        title="As picked: light, local, shadow"
      >
        {picked.map((hex, i) => (
          <span key={i} className="flex-1" style={{ background: hex }} />
        ))}
      </span>
      <span className="min-w-0">
        <input
          className="w-full min-w-0 border border-transparent bg-transparent px-1 text-[15px] font-medium hover:border-line"
          aria-label={`Name of area ${number}`}
          key={area.name}
          defaultValue={area.name}
          maxLength={80}
          onBlur={(e) => {
            const name = e.target.value.trim();
            if (name && name !== area.name) run({ type: "rename area", id: area.id, name });
            else e.target.value = area.name;
          }}
          onKeyDown={(e) => {
            if (e.key === "Enter") e.currentTarget.blur();
          }}
        />
        {(risk || marks.length > 0) && (
          <span className="block px-1 text-[13px] text-soft">
            {[...marks, risk].filter(Boolean).join("; ")}
          </span>
        )}
      </span>
      <span className="pr-1 text-right text-[14px]">
        {placed ? (
          <>
            <span
              title={`${placed.width.toFixed(1)} mm wide at its widest; touches ${counted(touches, "area")}`}
            >
              {sizeInWords(placed.mm2)}, {squareIn(unit, placed.mm2)}
            </span>
            <span className="block text-[13px] text-soft">
              {counted(tonesFor(area.material, partOf(area)), "tone")} suit it; touches {touches}
            </span>
          </>
        ) : (
          <span className="text-soft">no place yet</span>
        )}
      </span>
    </li>
  );
}
