"use client";
import { useState } from "react";
import type { StudioFacts } from "@/store/studio";
import { send } from "@/ui/send";
import { Choice, FormError, Line } from "./fields";
import { Part } from "./part";
import { HAND_NAMES, SHEET_NAMES, UNIT_NAMES } from "./start";
import { useStudio } from "./studio-context";
import { useSubmit } from "./use-submit";

/** Name, units, printer paper and hand. */
export function FactsPart() {
  const { name, units, sheet, hand, role } = useStudio()!;
  const [facts, setFacts] = useState<StudioFacts>({ name, units, sheet, hand });
  const set =
    <K extends keyof StudioFacts>(key: K) =>
    (value: StudioFacts[K]) =>
      setFacts((f) => ({ ...f, [key]: value }));
  const { busy, error, submit } = useSubmit(async () => {
    await send("PATCH", "/api/studio", { ...facts, name: facts.name.trim() });
    location.reload();
  });
  const disabled = role !== "owner";
  const isSame = facts.name === name && facts.units === units && facts.sheet === sheet && facts.hand === hand;
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
