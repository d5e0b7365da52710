"use client";
import type { ReactNode } from "react";
import { counted } from "@/words/numbers";
import type { LightStage } from "./use-light-stage";

/** The areas that a tab is about: what is chosen in the picture, or picked from a list. */
export function ChosenArea({ own, children }: { readonly own: LightStage; readonly children: ReactNode }) {
  const { piece, areas, area, setChosen } = own;
  const placed = piece.areas.filter((a) => a.place);
  return (
    <div className="flex flex-col gap-4">
      <label className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px]">
        Area
        <select
          aria-label="Area"
          className="field min-w-52"
          value={areas.length === 1 ? area!.id : ""}
          onChange={(e) => setChosen(new Set(e.target.value ? [e.target.value] : []))}
        >
          <option value="">
            {areas.length > 1 ? counted(areas.length, "area") : "Choose one, or click it"}
          </option>
          {placed.map((a) => (
            <option key={a.id} value={a.id}>
              {a.name}
            </option>
          ))}
        </select>
        {areas.length > 1 && (
          <span className="text-[14px] text-soft">{areas.map((a) => a.name).join(", ")}</span>
        )}
      </label>
      {area ? (
        children
      ) : (
        <p className="m-0 max-w-[48ch] text-[16px] text-soft">
          Click an area in the picture; with Shift, several at once.
        </p>
      )}
    </div>
  );
}
