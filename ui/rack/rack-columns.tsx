"use client";
import { shortName } from "@/border/names";
import { NumberField } from "@/ui/kit/number-field";
import { useState, type ReactNode } from "react";
import { chroma, hue } from "@/core/colour/lab";
import { STATES } from "@/core/stock/kinds";
import type { RackFacts, RackMarker } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";

import type { DataColumn } from "@/ui/kit/data-table";
import { signed } from "@/words/numbers";

type Column = Omit<DataColumn<RackMarker>, "cell"> & {
  readonly by: (m: RackMarker) => string | number;
  readonly cell: (m: RackMarker, set: (facts: Partial<RackFacts>) => void) => ReactNode;
};

const NOT_READ = -1;
const lightness = (m: RackMarker) => m.swatches[0]?.lab[0] ?? NOT_READ;

function Text({
  label,
  value,
  mono,
  onCommit,
}: {
  label: string;
  value: string;
  mono?: boolean;
  onCommit: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const commit = () => {
    if (typed !== undefined && typed.trim() !== value) onCommit(typed.trim());
    setTyped(undefined);
  };
  return (
    <input
      aria-label={label}
      className={`min-h-8 w-full border border-transparent bg-transparent px-1 text-[14px] hover:border-line focus:bg-panel ${mono ? "code" : ""}`}
      value={typed ?? value}
      maxLength={120}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) =>
        e.key === "Enter" ? e.currentTarget.blur() : e.key === "Escape" && setTyped(undefined)
      }
    />
  );
}

export const standingOf = (m: Pick<RackFacts, "owned" | "wished">): "owned" | "wished" | "not owned" =>
  m.owned ? "owned" : m.wished ? "wished" : "not owned";
export const standingFacts = (text: string): Partial<RackFacts> => ({
  owned: text === "owned",
  wished: text === "wished",
});

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly string[];
  onChange: (v: string) => void;
}) {
  return (
    <select
      aria-label={label}
      className="min-h-8 w-full border border-transparent bg-transparent text-[14px] hover:border-line"
      value={value}
      onChange={(e) => onChange(e.target.value)}
    >
      {options.map((o) => (
        <option key={o}>{o}</option>
      ))}
    </select>
  );
}

/** Columns of the rack; what may be changed is changed in place. */
export const rackColumns: readonly Column[] = [
  {
    id: "stroke",
    title: "Stroke",
    width: 84,
    by: (m) => (m.swatches[0] ? hue(m.swatches[0].lab) : NOT_READ),
    cell: (m) =>
      m.swatches.length ? (
        <MarkerChip marker={m} width={72} height={26} />
      ) : (
        <span className="text-[13px] text-soft">not read</span>
      ),
  },
  {
    id: "code",
    title: "Code",
    width: 118,
    by: (m) => m.code,
    cell: (m) => <span className="code">{m.code}</span>,
  },
  {
    id: "family",
    title: "Family",
    width: 96,
    by: (m) => m.family,
    cell: (m) => <span className="text-[14px]">{m.family}</span>,
  },
  {
    id: "lightness",
    title: "Lightness",
    width: 88,
    by: lightness,
    cell: (m) => <span className="text-[14px]">{m.swatches[0] ? signed(m.swatches[0].lab[0]) : ""}</span>,
  },
  {
    id: "chroma",
    title: "Strength",
    width: 82,
    by: (m) => (m.swatches[0] ? chroma(m.swatches[0].lab) : NOT_READ),
    cell: (m) => (
      <span className="text-[14px]">{m.swatches[0] ? signed(chroma(m.swatches[0].lab)) : ""}</span>
    ),
  },
  {
    id: "standing",
    title: "Standing",
    width: 104,
    by: standingOf,
    cell: (m, set) => (
      <Choice
        label={`Standing of ${m.code}`}
        value={standingOf(m)}
        options={["owned", "wished", "not owned"]}
        onChange={(v) => set(standingFacts(v))}
      />
    ),
  },
  {
    id: "state",
    title: "State",
    width: 78,
    by: (m) => STATES.indexOf(m.state),
    cell: (m, set) =>
      m.owned ? (
        <Choice
          label={`State of ${m.code}`}
          value={m.state}
          options={STATES}
          onChange={(v) => set({ state: v as RackFacts["state"] })}
        />
      ) : (
        ""
      ),
  },
  {
    id: "refills",
    title: "Refills",
    width: 64,
    by: (m) => m.refills,
    cell: (m, set) => (
      <NumberField
        label={`Refills of ${m.code}`}
        value={m.refills || null}
        least={0}
        most={999}
        whole
        empty=""
        width="w-full"
        onChange={(refills) => set({ refills: refills ?? 0 })}
      />
    ),
  },
  {
    id: "name",
    title: "Name",
    width: 120,
    by: (m) => m.name.toLowerCase(),
    cell: (m, set) => <Text label={`Name of ${m.code}`} value={m.name} onCommit={(name) => set({ name })} />,
  },
  {
    id: "nib",
    title: "Nib",
    width: 124,
    by: (m) => m.nib.toLowerCase(),
    cell: (m, set) => (
      <Text label={`Nib of ${m.code}`} value={m.nib} onCommit={(nib) => set({ nib: shortName(nib, 60) })} />
    ),
  },
  {
    id: "place",
    title: "Kept in",
    width: 128,
    by: (m) => m.place.toLowerCase(),
    cell: (m, set) => (
      <Text label={`Where ${m.code} is kept`} value={m.place} onCommit={(place) => set({ place })} />
    ),
  },
  {
    id: "price",
    title: "Price",
    width: 70,
    by: (m) => Number.parseFloat(m.price) || 0,
    cell: (m, set) => (
      <Text
        label={`Price of ${m.code}`}
        value={m.price}
        onCommit={(price) => set({ price: shortName(price, 30) })}
      />
    ),
  },
  {
    id: "notes",
    title: "Notes",
    width: 220,
    by: (m) => m.notes.toLowerCase(),
    cell: (m, set) => (
      <Text label={`Notes on ${m.code}`} value={m.notes} onCommit={(notes) => set({ notes })} />
    ),
  },
  {
    id: "range",
    title: "Range",
    width: 150,
    by: (m) => m.range,
    cell: (m) => <span className="truncate text-[14px]">{m.range}</span>,
  },
];
