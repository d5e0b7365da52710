"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { LIGHTS } from "@/border/colour";
import type { Illuminant } from "@/core/colour/observer";
import type { PaperSheet } from "@/store/papers";
import type { Learnt } from "@/core/work/pace";
import { NotesField } from "@/ui/kit/notes-field";
import { NumberField } from "@/ui/kit/number-field";
import { messageOf, send } from "@/ui/send";
import { useMayChange } from "@/ui/studio/studio-context";
import { openTimeInWords } from "@/words/desk";
import { labInWords } from "@/words/numbers";
import { colourTyped } from "./typed-colour";

type Field = "weight" | "openTime" | "dryTime" | "bleed" | "grain" | "capacity";
interface NumberFact {
  readonly key: Field;
  readonly label: string;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
}
/** The same limits as the studio's border has. */
const numbers: readonly NumberFact[] = [
  { key: "capacity", label: "Coats it holds", least: 1, most: 20, whole: true },
  { key: "weight", label: "Weight, g/m²", least: 20, most: 2000, whole: true },
  { key: "openTime", label: "Stays wet, s", least: 1, most: 3600, whole: true },
  { key: "dryTime", label: "Dry after, s", least: 1, most: 86_400, whole: true },
  { key: "bleed", label: "Bleeds past the line, mm", least: 0, most: 20 },
  { key: "grain", label: "Grain, 0 to 1", least: 0, most: 1 },
];
const lightInWords: Readonly<Record<Illuminant, string>> = {
  D65: "daylight (D65)",
  D50: "warm daylight, as for prints (D50)",
  A: "a warm lamp (A)",
};

/** What the user knows of a paper; every field is stored when one leaves it. */
export function PaperFacts({
  paper,
  openTime,
}: {
  readonly paper: PaperSheet;
  /** How long its ink stays wet by the work at the desk. */
  readonly openTime?: Learnt | undefined;
}) {
  const router = useRouter();
  const mayChange = useMayChange();
  const [trouble, setTrouble] = useState<string>();
  const [said, setSaid] = useState<string>();
  const save = async (facts: object) => {
    try {
      await send("PATCH", `/api/papers/${paper.id}`, facts);
      setTrouble(undefined);
      setSaid("Saved");
      router.refresh();
      return true;
    } catch (e) {
      setTrouble(messageOf(e));
      return false;
    }
  };
  const text = (key: "name" | "finish" | "side", label: string) => (
    <label className="block text-[14px]">
      {label}
      <input
        className="field mt-0.5 w-full"
        defaultValue={paper[key]}
        maxLength={80}
        onBlur={(e) =>
          e.target.value.trim() !== paper[key] &&
          (e.target.value.trim() || key !== "name") &&
          void save({ [key]: e.target.value.trim() })
        }
      />
    </label>
  );
  return (
    <section aria-label="Facts" className="grid content-start gap-2.5">
      <h2 className="m-0 flex justify-between text-[17px]">
        The paper{" "}
        {said && !trouble && (
          <span role="status" className="text-[14px] font-normal text-soft">
            {said}
          </span>
        )}
      </h2>
      {text("name", "Name")}
      <label className="block text-[14px]">
        Bare colour, hex or L* a* b*
        <input
          className="field mt-0.5 w-full font-mono"
          defaultValue={paper.lab.map((v) => v.toFixed(1)).join(" ")}
          onBlur={(e) => {
            const typed = e.target.value.trim();
            if (typed === paper.lab.map((v) => v.toFixed(1)).join(" ")) return;
            const color = colourTyped(typed);
            if (color) void save({ color });
            else
              setTrouble(
                `“${typed}” is no colour: type a hex colour such as #f4f3ee, or L* a* b* such as 96 0 2.`,
              );
          }}
        />
        <span className="text-[13px] text-soft">now {labInWords(paper.lab)}</span>
      </label>
      <div className="grid grid-cols-2 gap-2.5">
        {numbers.map(({ key, label, least, most, whole = false }) => (
          <label key={key} className="block text-[14px]">
            {label}
            <span className="mt-0.5 block">
              <NumberField
                label={label}
                value={paper[key]}
                least={least}
                most={most}
                whole={whole}
                width="w-full"
                {...(key !== "capacity" && { empty: "" })}
                onChange={(value) => void save({ [key]: value })}
              />
            </span>
          </label>
        ))}
      </div>
      {openTime && (
        <p className="m-0 text-[14px] text-soft">
          {openTimeInWords(openTime, paper.openTime)}{" "}
          {mayChange && Math.round(openTime.value) !== paper.openTime && (
            <button
              className="button min-h-8 py-0"
              onClick={() => void save({ openTime: Math.min(3600, Math.max(1, Math.round(openTime.value))) })}
            >
              Use {Math.round(openTime.value)} s
            </button>
          )}
        </p>
      )}
      <label className="block text-[14px]">
        Judged under
        <select
          className="field mt-0.5 w-full"
          value={paper.light}
          onChange={(e) => void save({ light: e.target.value })}
        >
          {LIGHTS.map((l) => (
            <option key={l} value={l}>
              {lightInWords[l]}
            </option>
          ))}
        </select>
        {paper.light !== "D65" && (
          <span className="text-[13px] text-soft">
            Readings stay those of daylight; plans and ramps show what this light makes of them.
          </span>
        )}
      </label>
      {text("finish", "Finish")}
      {text("side", "Side that is coloured")}
      <NotesField
        key={paper.id}
        field={`notes on paper ${paper.id}`}
        stored={paper.notes}
        rows={4}
        onStore={(notes) => save({ notes })}
      />
      {trouble && (
        <p role="alert" className="m-0 border-l-4 border-strong pl-3 text-[14px]">
          {trouble}
        </p>
      )}
    </section>
  );
}
