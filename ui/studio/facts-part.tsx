"use client";
import { useState } from "react";
import type { StudioFacts } from "@/store/studio";
import { NumberField } from "@/ui/kit/number-field";
import type { LearntPace } from "@/core/work/pace";
import { paceInWords } from "@/words/desk";
import { send } from "@/ui/send";
import { Choice, FormError, Line } from "./fields";
import { Part } from "./part";
import { HAND_NAMES, SHEET_NAMES, UNIT_NAMES } from "./start";
import { useStudio } from "./studio-context";
import { useSubmit } from "./use-submit";

/** Name, units, printer paper, hand and its pace. */
export function FactsPart({ learnt }: { readonly learnt: LearntPace }) {
  const { name, units, sheet, hand, speed, change, role } = useStudio()!;
  const [facts, setFacts] = useState<StudioFacts>({ name, units, sheet, hand, speed, change });
  const set =
    <K extends keyof StudioFacts>(key: K) =>
    (value: StudioFacts[K]) =>
      setFacts((f) => ({ ...f, [key]: value }));
  const { busy, error, submit } = useSubmit(async () => {
    await send("PATCH", "/api/studio", { ...facts, name: facts.name.trim() });
    location.reload();
  });
  const disabled = role !== "owner";
  const was = { name, units, sheet, hand, speed, change };
  const isSame = (Object.keys(was) as (keyof StudioFacts)[]).every((k) => facts[k] === was[k]);
  return (
    <Part title="This studio">
      <form onSubmit={submit} className="grid gap-3">
        <Line
          says="Name"
          value={facts.name}
          maxLength={80}
          disabled={disabled}
          onChange={(e) => set("name")(e.target.value)}
        />
        <div className="grid grid-cols-3 gap-3">
          <Choice
            says="Lengths in"
            value={facts.units}
            options={UNIT_NAMES}
            disabled={disabled}
            onChange={set("units")}
          />
          <Choice
            says="Printer paper"
            value={facts.sheet}
            options={SHEET_NAMES}
            disabled={disabled}
            onChange={set("sheet")}
          />
          <Choice
            says="Colouring hand"
            value={facts.hand}
            options={HAND_NAMES}
            disabled={disabled}
            onChange={set("hand")}
          />
        </div>
        <fieldset disabled={disabled} className="m-0 grid min-w-0 grid-cols-2 gap-3 border-0 p-0 text-[15px]">
          <legend className="sr-only">Pace</legend>
          <div className="grid content-start gap-1">
            Speed, mm² of one coat a second
            <NumberField
              label="Speed, mm² of one coat a second"
              value={facts.speed}
              least={1}
              most={500}
              width="w-full"
              onChange={(v) => set("speed")(v!)}
            />
          </div>
          <div className="grid content-start gap-1">
            Seconds to change markers
            <NumberField
              label="Seconds to change markers"
              value={facts.change}
              least={0}
              most={120}
              width="w-full"
              onChange={(v) => set("change")(v!)}
            />
          </div>
          <p className="col-span-2 m-0 text-[14px] text-soft">
            The order of work goes by both. From your third piece on they follow from your work, unless you
            set them. {paceInWords(learnt)}
          </p>
          {learnt.speed && (
            <button
              type="button"
              className="button col-span-2 justify-self-start"
              onClick={() =>
                setFacts((f) => ({
                  ...f,
                  speed: Math.min(500, Math.max(1, Math.round(learnt.speed!.value))),
                  ...(learnt.change && { change: Math.min(120, Math.round(learnt.change.value)) }),
                }))
              }
            >
              Take what the work says
            </button>
          )}
        </fieldset>
        <FormError error={error} />
        {disabled ? (
          <p className="m-0 text-[14px] text-soft">Its owners can change this.</p>
        ) : (
          <button className="button justify-self-start" disabled={busy || isSame || !facts.name.trim()}>
            Keep
          </button>
        )}
      </form>
    </Part>
  );
}
