"use client";
import { useState } from "react";
import { stackAt, type StackAt } from "@/core/work/at-desk";
import type { DeskState, DeskStep } from "./use-desk";

/** Places of an area that one can mean: the middle of each, and what is gone over there, from its light end (0) to its dark one (1). */
export const PLACES = {
  light: { name: "In the light", t: 0.08, from: 0, to: 0.3 },
  middle: { name: "In the middle", t: 0.5, from: 0.3, to: 0.7 },
  shadow: { name: "In the shadow", t: 0.92, from: 0.7, to: 1 },
} as const;
export type PlaceName = keyof typeof PLACES;

export interface ChosenPlace extends StackAt {
  readonly area: string;
  readonly place: PlaceName;
}

/** Which place of the piece is meant: the area of the step at hand unless another is chosen. */
export function usePlace(state: DeskState, step: DeskStep | undefined) {
  const inked = state.work.filter((w) => !w.isDry);
  const [area, setArea] = useState(() => {
    const last = state.done.at(-1)?.area ?? step?.area;
    return inked.find((w) => w.id === last)?.id ?? inked[0]?.id ?? "";
  });
  const [place, setPlace] = useState<PlaceName>("middle");
  const own = state.work.filter((w) => w.area.id === area);
  const { t } = PLACES[place];
  const section = state.done.findLast((e) => e.area === area)?.section ?? 0;
  const chosen: ChosenPlace = { area, place, ...stackAt(own, state.record, section, t) };
  const at = state.record.inked.get(area);
  return { chosen, inkedAt: at, areas: inked.map((w) => w.area), setArea, setPlace };
}

/** Asks where. */
export function PlaceChoice({
  chosen,
  areas,
  setArea,
  setPlace,
}: Omit<ReturnType<typeof usePlace>, "inkedAt">) {
  return (
    <div className="mb-3 flex flex-wrap items-end gap-3">
      <label className="grid gap-0.5 text-[14px]">
        Area
        <select className="field" value={chosen.area} onChange={(e) => setArea(e.target.value)}>
          {areas.map((a) => (
            <option key={a.id} value={a.id}>
              {a.name}
            </option>
          ))}
        </select>
      </label>
      <fieldset className="m-0 flex flex-wrap gap-x-4 border-0 p-0">
        <legend className="p-0 text-[14px]">Where</legend>
        {(Object.keys(PLACES) as PlaceName[]).map((key) => (
          <label key={key} className="flex min-h-9 items-center gap-1.5 text-[15px]">
            <input type="radio" name="place" checked={chosen.place === key} onChange={() => setPlace(key)} />
            {PLACES[key].name}
          </label>
        ))}
      </fieldset>
    </div>
  );
}
