"use client";
import { useMemo, useState } from "react";
import { sheetOf } from "@/compute/from-rack";
import { assumed } from "@/core/repair/assume";
import { SYMPTOMS, type Symptom } from "@/core/repair/symptom";
import type { Rack } from "@/store/rack";
import { useAsk } from "@/ui/jobs/use-job";
import { Progress } from "@/ui/jobs/progress";
import { differenceWords } from "@/words/closeness";
import { symptomInWords } from "@/words/repair";
import { ColourSquare } from "./colour-square";
import { opaqueOnRack } from "./opaque-on-rack";
import { PlaceChoice, PLACES, usePlace } from "./place-choice";
import type { DeskState, DeskStep } from "./use-desk";

/** Asks what one sees and where, and shows what mends it with these inks on what lies there. */
export function Repair({
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
  const { chosen, inkedAt } = place;
  const [symptom, setSymptom] = useState<Symptom>();
  const known = useMemo(
    () => new Set(rack.markers.filter((m) => m.swatches.length).map((m) => m.code)),
    [rack],
  );
  // While an area is not whole, what should lie by now is what counts: what is still to come belongs over it.
  const isWhole = chosen.laid.length >= chosen.planned.length;
  const byNow = isWhole ? chosen : { ...chosen, planned: chosen.laid };
  const likely = symptom && assumed(symptom, byNow);
  const [typed, setTyped] = useState<string>();
  const lies =
    typed === undefined
      ? (likely?.stack ?? chosen.laid)
      : typed
          .trim()
          .split(/[\s,]+/)
          .filter(Boolean);
  const unknown = lies.find((c) => !known.has(c));
  const wantedStack = (likely?.wanted ?? byNow.planned).filter((c) => known.has(c));
  const wanted = useAsk("predict", rack, { stacks: [wantedStack] }).output?.stacks[0];
  const [openedAt] = useState(() => Date.now());
  const wet = inkedAt !== undefined && (openedAt - inkedAt) / 1000 < state.desk.openTime;
  const blender = rack.others.find((o) => o.kind === "blender" && o.owned && o.state !== "dry");
  const work = useAsk(
    "repair",
    rack,
    wanted && symptom && !unknown && lies.length <= 12
      ? {
          stack: lies,
          wanted: { lab: { lab: wanted.lab } },
          symptom,
          wet,
          coatsLeft: Math.max(0, Math.min(12, sheetOf(rack).capacity - lies.length)),
          dryTime: state.desk.dryTime,
          ownedOnly: true,
          finishers: opaqueOnRack(rack),
          ...(blender && { blender: { code: blender.code } }),
        }
      : null,
    { about: chosen.area },
  );
  const answer = symptom && !unknown ? work.output : undefined;
  const lay = (add: readonly string[], onWet: boolean) => {
    const { from, to } = PLACES[chosen.place];
    state.add({
      kind: "added",
      area: chosen.area,
      codes: add,
      from,
      to,
      wet: onWet,
      ...(symptom && { symptom }),
    });
    state.anew();
    onDone();
  };
  return (
    <div>
      <PlaceChoice {...place} />
      <div role="group" aria-label="What you see" className="mb-3 flex flex-wrap gap-1.5">
        {SYMPTOMS.filter((s) => s !== "dry marker").map((s) => (
          <button
            key={s}
            className={`button ${symptom === s ? "button-main" : ""}`}
            aria-pressed={symptom === s}
            onClick={() => {
              setSymptom(s);
              setTyped(undefined);
            }}
          >
            {symptomInWords[s]}
          </button>
        ))}
      </div>
      {symptom && (
        <label className="mb-3 grid gap-0.5 text-[14px]">
          What lies there, as far as one can tell; change it where it is otherwise
          <input
            className="field w-full"
            value={typed ?? lies.join(" ")}
            placeholder="bare paper"
            maxLength={500}
            onChange={(e) => setTyped(e.target.value)}
          />
          {unknown && <span role="alert">{unknown} is no marker that was read on this paper.</span>}
        </label>
      )}
      {symptom && !unknown && <Progress work={work} doing="Looking for what mends it" />}
      {answer && wanted && (
        <>
          <div className="mb-3 grid grid-cols-2 gap-3">
            <ColourSquare hex={answer.now.hex}>
              As it lies: {differenceWords(answer.now.deltaE00)}
            </ColourSquare>
            <ColourSquare hex={wanted.hex}>
              {isWhole ? "As it was planned" : "As it should be by now"}
            </ColourSquare>
          </div>
          {answer.says && <p className="mt-0 border-l-4 border-strong pl-3 text-[15px]">{answer.says}</p>}
          <ol className="m-0 grid list-none gap-2 p-0" aria-label="What mends it">
            {answer.remedies.map((r, i) => (
              <li
                key={i}
                className="grid grid-cols-[72px_minmax(0,1fr)_auto] items-center gap-3 border-b border-line pb-2"
              >
                <span className="block h-12 border border-line" style={{ background: r.hex }} aria-hidden />
                <span className="text-[15px] leading-snug">{r.says}</span>
                {r.with === "ink" ? (
                  <button className="button" onClick={() => lay(r.add, r.onWet)}>
                    Laid
                  </button>
                ) : (
                  <button
                    className="button"
                    onClick={() => {
                      state.add({
                        kind: "noted",
                        note: `Mended: ${r.says}`.slice(0, 2000),
                        area: chosen.area,
                      });
                      onDone();
                    }}
                  >
                    Noted
                  </button>
                )}
              </li>
            ))}
          </ol>
        </>
      )}
    </div>
  );
}
