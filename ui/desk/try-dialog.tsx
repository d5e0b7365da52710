"use client";
import { useState } from "react";
import { deltaE00 } from "@/core/colour/delta-e00";
import { findMarkers } from "@/core/codes/find";
import type { Rack, RackMarker } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { differenceWords } from "@/words/closeness";
import { ColourSquare } from "./colour-square";
import { PlaceChoice, PLACES, usePlace } from "./place-choice";
import type { DeskState, DeskStep } from "./use-desk";

const MOST_SHOWN = 6;

/** What an ink would do over a place, now or once it is dry, before it is laid. */
export function TryInk({
  state,
  step,
  rack,
  onDone,
}: {
  readonly state: DeskState;
  readonly step: DeskStep | undefined;
  readonly rack: Rack;
  readonly onDone: () => void;
}) {
  const place = usePlace(state, step);
  const { chosen } = place;
  const [query, setQuery] = useState("");
  const [marker, setMarker] = useState<RackMarker>();
  const read = rack.markers.filter((m) => m.swatches.length);
  const known = new Set(read.map((m) => m.code));
  const ofKnown = (stack: readonly string[]) => stack.filter((c) => known.has(c));
  const [laid, planned] = [ofKnown(chosen.laid), ofKnown(chosen.planned)];
  const ways = marker
    ? ([
        [1, false],
        [2, false],
        [1, true],
      ] as const)
    : [];
  const job = useAsk(
    "predict",
    rack,
    marker
      ? {
          stacks: [laid, planned],
          over: ways.map(([n, wet]) => ({ stack: laid, add: Array<string>(n).fill(marker.code), wet })),
        }
      : null,
  );
  const [now, aim] = job.output?.stacks ?? [];
  return (
    <div>
      <PlaceChoice {...place} />
      <input
        className="field w-full"
        aria-label="Family or code"
        placeholder="family or code, such as clay or clay3m"
        value={query}
        onChange={(e) => {
          setQuery(e.target.value);
          setMarker(undefined);
        }}
        autoComplete="off"
      />
      {!marker && (
        <ul className="m-0 mt-2 list-none p-0" aria-label="Markers">
          {findMarkers(read, query)
            .slice(0, MOST_SHOWN)
            .map((m) => (
              <li key={m.code}>
                <button
                  className="button-bare flex min-h-11 w-full items-center justify-start gap-3 text-left"
                  onClick={() => {
                    setMarker(m);
                    setQuery(m.code);
                  }}
                >
                  <MarkerChip marker={m} width={72} height={24} /> <span className="code">{m.code}</span>
                </button>
              </li>
            ))}
        </ul>
      )}
      {marker && <Progress work={job} doing="Holding it over the place" />}
      {marker && job.output && now && aim && !job.old && (
        <>
          <div className="mt-3 grid grid-cols-2 gap-3">
            <ColourSquare hex={now.hex}>As it lies</ColourSquare>
            <ColourSquare hex={aim.hex}>As it was planned</ColourSquare>
          </div>
          <div className="mt-3 grid grid-cols-3 gap-3">
            {ways.map(([n, wet], i) => {
              const seen = job.output!.over[i]!;
              return (
                <div key={i} className="grid gap-1">
                  <ColourSquare hex={seen.hex}>
                    {n === 1 ? "One coat" : "Two coats"}, {wet ? "now, into wet ink" : "on dry ink"}:{" "}
                    {differenceWords(deltaE00(seen.lab, aim.lab))} to the plan
                  </ColourSquare>
                  <button
                    className="button"
                    onClick={() => {
                      const { from, to } = PLACES[chosen.place];
                      const codes = Array<string>(n).fill(marker.code);
                      state.add({ kind: "added", area: chosen.area, codes, from, to, wet });
                      state.anew();
                      onDone();
                    }}
                  >
                    Laid
                  </button>
                </div>
              );
            })}
          </div>
        </>
      )}
    </div>
  );
}
