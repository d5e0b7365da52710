"use client";
import { ChevronRight, X } from "lucide-react";
import { useId, useState, type ReactNode } from "react";
import { labToHex } from "@/core/colour/display";
import { areaSizeOf, MATERIALS, tonesFor, type Material } from "@/core/group/material";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { PLACES, partOf, type Area } from "@/core/piece/piece";
import { NumberField } from "@/ui/kit/number-field";
import { counted, signed } from "@/words/numbers";
import { spreadInWords } from "@/words/patch";
import { wishesInWords } from "@/words/wishes";
import { placeNames } from "./picture-pane";
import { useRun } from "./piece-context";

/** Areas that were added a moment ago: their name is typed at once. */
const fresh = new Set<string>();

/** Marks a new area so that its name has the focus when it is first shown. */
export const nameAtOnce = (id: string): void => void fresh.add(id);

function AreaName({ area }: { readonly area: Area }) {
  const run = useRun();
  const [name, setName] = useState<string>();
  const focus = (field: HTMLInputElement | null) => {
    if (!field || !fresh.delete(area.id)) return;
    field.focus();
    field.select();
  };
  const commit = () => {
    const next = name?.trim();
    if (next && next !== area.name) run({ type: "rename area", id: area.id, name: next });
    setName(undefined);
  };
  return (
    <h2 className="m-0 mr-auto min-w-36 flex-1 text-[20px]">
      <input
        ref={focus}
        className="w-full min-w-32 border border-transparent bg-transparent px-1 font-semibold hover:border-line"
        aria-label="Name of this area"
        maxLength={80}
        value={name ?? area.name}
        onChange={(e) => setName(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === "Enter") e.currentTarget.blur();
          if (e.key === "Escape") setName(undefined);
        }}
      />
    </h2>
  );
}

/** What an area is: name, material, size; they shape everything that is planned for it. */
export function AreaFacts({ area }: { readonly area: Area }) {
  const run = useRun();
  const known = partOf(area);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <AreaName key={area.id} area={area} />
      <label className="flex items-center gap-1.5 text-[14px]">
        Material
        <select
          className="field"
          value={area.material}
          onChange={(e) => run({ type: "set material", id: area.id, material: e.target.value as Material })}
        >
          {MATERIALS.map((m) => (
            <option key={m}>{m}</option>
          ))}
        </select>
      </label>
      <span className="flex items-center gap-1.5 text-[14px]">
        Size, mm²
        <NumberField
          key={area.id}
          label="Size, mm²"
          value={area.size}
          least={1}
          most={1e6}
          empty={area.place ? String(Math.round(area.place.mm2)) : "?"}
          onChange={(size) => run({ type: "set size", id: area.id, size })}
        />
        {known !== null && <span className="text-soft">{areaSizeOf(known)}</span>}
      </span>
    </div>
  );
}

const DRIFTS = [
  ["-1", "cooler"],
  ["0", "as is"],
  ["1", "warmer"],
] as const;

/** As many tones as it takes. */
const AS_NEEDED = "as needed";

/** Whether the settings are open: as they were left, from area to area. */
let isUnfolded = false;

/** What is wished of the group: one line that says it, and opens to change it. */
export function GroupWishes({ area, children }: { readonly area: Area; readonly children?: ReactNode }) {
  const [open, setOpen] = useState(isUnfolded);
  const id = useId();
  return (
    <div>
      <div className="flex items-center gap-1">
        <button
          className="flex min-h-9 min-w-0 flex-1 items-center gap-1.5 text-left text-[14px]"
          aria-expanded={open}
          aria-controls={id}
          onClick={() => setOpen((isUnfolded = !open))}
        >
          <ChevronRight size={16} aria-hidden className={`shrink-0 ${open ? "rotate-90" : ""}`} />
          <span className="min-w-0 truncate">
            <span className="sr-only">Settings of the group: </span>
            {wishesInWords(area)}
          </span>
        </button>
        {children}
      </div>
      <div id={id}>{open && <Settings area={area} />}</div>
    </div>
  );
}

function Settings({ area }: { readonly area: Area }) {
  const run = useRun();
  const size = partOf(area);
  const suits = tonesFor(area.material, size);
  const drift = (end: "light" | "shadow", name: string) => (
    <label className="flex items-center gap-1.5 text-[14px]">
      {name}
      <select
        className="field"
        value={String(area.drift[end])}
        onChange={(e) =>
          run({
            type: "set drift",
            id: area.id,
            drift: { ...area.drift, [end]: Number(e.target.value) as -1 | 0 | 1 },
          })
        }
      >
        {DRIFTS.map(([v, says]) => (
          <option key={v} value={v}>
            {says}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <label className="flex items-center gap-1.5 text-[14px]">
        Tones
        <select
          className="field"
          value={area.tones ?? AS_NEEDED}
          onChange={(e) =>
            run({
              type: "set tones",
              id: area.id,
              tones: e.target.value === AS_NEEDED ? null : Number(e.target.value),
            })
          }
        >
          <option value={AS_NEEDED}>as needed</option>
          {Array.from({ length: MOST_TONES - FEWEST_TONES + 1 }, (_, i) => (
            <option key={i}>{i + FEWEST_TONES}</option>
          ))}
        </select>
      </label>
      {area.tones !== null && suits !== area.tones && (
        <button
          className="button-bare px-0 text-[14px] underline"
          onClick={() => run({ type: "set tones", id: area.id, tones: suits })}
          title={`${counted(suits, "tone")} suit ${area.material}${size === null ? "" : ` of ${Math.round(size)} mm²`}`}
        >
          {suits} suit it
        </button>
      )}
      <span className="flex items-center gap-1.5 text-[14px]">
        Contrast
        <NumberField
          key={area.id}
          label="Contrast"
          value={area.contrast}
          least={4}
          most={90}
          empty="auto"
          width="w-14"
          onChange={(contrast) => run({ type: "set contrast", id: area.id, contrast })}
        />
      </span>
      {drift("light", "Light end")}
      {drift("shadow", "Shadow end")}
      <label className="flex items-center gap-1.5 text-[14px]">
        <input
          type="checkbox"
          className="size-4 accent-black"
          checked={area.ownedOnly}
          onChange={(e) => run({ type: "set owned only", id: area.id, ownedOnly: e.target.checked })}
        />
        Owned only
      </label>
      {area.excluded.length > 0 && (
        <span
          className="flex flex-wrap items-center gap-1 text-[14px]"
          role="group"
          aria-label="Not to be used here"
        >
          Not here:
          {area.excluded.map((code) => (
            <button
              key={code}
              className="button min-h-7 px-1.5 py-0"
              onClick={() => run({ type: "exclude ink", id: area.id, code, excluded: false })}
              aria-label={`Allow ${code} again`}
            >
              <span className="code text-[13px]">{code}</span>
              <X size={13} aria-hidden />
            </button>
          ))}
        </span>
      )}
    </div>
  );
}

/** Colours that were picked in the picture for the area. */
export function Readings({ area }: { readonly area: Area }) {
  const run = useRun();
  if (!PLACES.some((p) => area.readings[p])) return null;
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2" role="group" aria-label="Readings">
      {PLACES.map((p) => {
        const r = area.readings[p];
        if (!r) return null;
        return (
          <div key={p} className="flex items-center gap-2" data-reading={p}>
            <span
              className="h-10 w-9 border border-strong"
              style={{ background: labToHex(r.lab) }}
              aria-hidden
            />
            <span className="text-[13px] leading-tight">
              <span className="block font-semibold">{placeNames[p]}</span>
              <span
                className="block text-soft"
                title={r.from ? "given, not picked" : `spread ${r.spread.toFixed(1)} ΔE00`}
              >
                lightness {signed(r.lab[0])}, {r.from ?? spreadInWords(r.spread)}
              </span>
            </span>
            <button
              className="button-bare min-w-7 px-0"
              onClick={() => run({ type: "clear reading", id: area.id, place: p })}
              aria-label={`Clear ${placeNames[p].toLowerCase()}`}
            >
              <X size={15} aria-hidden />
            </button>
          </div>
        );
      })}
    </div>
  );
}
