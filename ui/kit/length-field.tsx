"use client";
import { useState, useSyncExternalStore } from "react";
import { typedNumber } from "./number-field";

const KEY = "blendt-length-unit";
export type LengthUnit = "mm" | "in";
const MM_PER_INCH = 25.4;
const listeners = new Set<() => void>();

/** The unit of the studio, for as long as none is chosen in this browser. */
let suggested: LengthUnit = "mm";

const unitNow = (): LengthUnit => {
  try {
    return (localStorage.getItem(KEY) as LengthUnit | null) ?? suggested;
  } catch {
    return suggested;
  }
};

/** The unit that lengths are shown in, in this browser. */
export const useLengthUnit = (): LengthUnit =>
  useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    unitNow,
    () => "mm",
  );

function chooseUnit(unit: LengthUnit): void {
  try {
    localStorage.setItem(KEY, unit);
  } catch {
    // A browser without storage goes on in mm.
  }
  listeners.forEach((l) => l());
}

export function suggestUnit(unit: LengthUnit): void {
  suggested = unit;
  listeners.forEach((l) => l());
}

/** A length of millimetres as people write it. */
export const lengthIn = (unit: LengthUnit, mm: number): string =>
  unit === "in" ? (mm / MM_PER_INCH).toFixed(2).replace(/\.?0+$/, "") : mm.toFixed(1).replace(/\.0$/, "");

/** An area of mm² in the unit's square. */
export const squareIn = (unit: LengthUnit, mm2: number): string =>
  unit === "in"
    ? `${(mm2 / MM_PER_INCH ** 2).toFixed(2)} in²`
    : mm2 < 10
      ? `${mm2.toFixed(1)} mm²`
      : `${Math.round(mm2)} mm²`;

/** Millimetres of a typed length such as "120", "12 cm", "4.5in", '4 1/2"'; a bare number is in `unit`. */
export function typedLength(text: string, unit: LengthUnit): number | undefined {
  const [, number, said] = /^\s*([\d.,\s/−-]+?)\s*(mm|cm|in|inch|inches|"|″)?\s*$/i.exec(text) ?? [];
  if (number === undefined) return undefined;
  const [, whole, over, under] = /^(\d+)?\s*(?:(\d+)\/(\d+))?$/.exec(number.trim()) ?? [];
  const value =
    over && Number(under) ? Number(whole ?? 0) + Number(over) / Number(under) : typedNumber(number);
  if (value === undefined) return undefined;
  const of = said?.toLowerCase() ?? unit;
  return of === "mm" ? value : of === "cm" ? 10 * value : MM_PER_INCH * value;
}

/** A field for a length: what is typed counts when one leaves it or presses Enter; Escape takes it back. */
export function LengthField({
  label,
  mm,
  least,
  most,
  empty,
  onChange,
}: {
  readonly label: string;
  readonly mm: number | null;
  readonly least: number;
  readonly most: number;
  readonly empty?: string;
  readonly onChange: (mm: number | null) => void;
}) {
  const unit = useLengthUnit();
  const [typed, setTyped] = useState<string>();
  const take = () => {
    if (typed === undefined) return;
    setTyped(undefined);
    if (typed.trim() === "" && empty !== undefined) return mm !== null && onChange(null);
    const read = typedLength(typed, unit);
    if (read !== undefined) onChange(Math.min(most, Math.max(least, read)));
  };
  return (
    <input
      className="field w-20"
      inputMode="decimal"
      aria-label={`${label}, ${unit}`}
      placeholder={empty}
      title={`from ${lengthIn(unit, least)} to ${lengthIn(unit, most)} ${unit}; “12 cm” and “4 1/2 in” are understood`}
      value={typed ?? (mm === null ? "" : lengthIn(unit, mm))}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => {
        if (e.key === "Enter") take();
        if (e.key === "Escape") setTyped(undefined);
      }}
    />
  );
}

/** Millimetres or inches. */
export function UnitSwitch() {
  const unit = useLengthUnit();
  return (
    <label className="flex items-center gap-1.5 text-[14px]">
      Lengths in
      <select className="field" value={unit} onChange={(e) => chooseUnit(e.target.value as LengthUnit)}>
        <option value="mm">mm</option>
        <option value="in">inches</option>
      </select>
    </label>
  );
}
