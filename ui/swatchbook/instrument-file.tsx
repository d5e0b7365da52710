"use client";
import type { MeasuredPatch } from "@/core/chart/measured-patches";
import { labToHex } from "@/core/colour/display";
import type { Illuminant } from "@/core/colour/observer";
import { nameStack, readStack } from "@/core/formats/cgats";
import { needsLight, paperUnder, type MeasuredFile } from "@/core/formats/measured";
import type { StoredChart } from "@/store/charts";
import type { Rack } from "@/store/rack";
import { doubtInWords } from "@/words/measured";
import { counted, labInWords } from "@/words/numbers";
import type { Order } from "./patch-order";

/** A patch as it was read, beside the code that it goes to. */
export function Patch({
  patch: { name, stack, reading, spread, used, misreads, doubts },
  isTaken,
  onTake,
}: {
  readonly patch: MeasuredPatch;
  readonly isTaken: boolean;
  readonly onTake: (take: boolean) => void;
}) {
  const as = stack!.length ? nameStack(stack!) : "bare paper";
  return (
    <li
      className={`flex flex-wrap items-center gap-x-2 border-t border-line py-0.5 ${isTaken ? "" : "text-soft"}`}
    >
      <input
        type="checkbox"
        className="size-4 accent-black"
        aria-label={`Take ${name} as ${as}`}
        checked={isTaken}
        onChange={(e) => onTake(e.target.checked)}
      />
      <span
        className="h-6 w-8 border border-strong"
        style={{ background: labToHex(reading.lab) }}
        aria-hidden
      />
      <span className="code">{as}</span>
      {name !== as && <span className="text-soft">“{name}”</span>}
      {labInWords(reading.lab)}
      <span className="ml-auto text-soft">
        {used > 1 ? `mean of ${used}, ±${spread.toFixed(2)} ΔE00` : "read once"}
        {misreads ? `, ${counted(misreads, "misread")} left out` : ""}
      </span>
      {doubts.map((d) => (
        <strong key={d.kind} className="w-full pl-6">
          {doubtInWords(d)}
        </strong>
      ))}
    </li>
  );
}

/** Under which light the colours of a file are meant, where it does not say: asked, with what each would make of the bare paper. */
export function LightOfFile({
  file,
  rack,
  light,
  onChange,
}: {
  readonly file: MeasuredFile;
  readonly rack: Rack;
  readonly light: Illuminant;
  readonly onChange: (light: Illuminant) => void;
}) {
  if (!needsLight(file) || file.how.otherLight || file.how.observer === 10) return null;
  const bare = file.samples.find((s) => readStack(s.name)?.length === 0);
  const under = bare && paperUnder(bare, file.how, rack.paper.lab);
  return (
    <fieldset className="m-0 flex flex-wrap items-center gap-x-4 gap-y-1 border-0 border-l-4 border-strong p-0 pl-3">
      <legend className="float-left mr-3 p-0">
        The file does not say under which light its colours are meant; instruments mostly write D50.
      </legend>
      {(["D50", "D65", "A"] as const).map((l) => {
        const off = under?.find((u) => u.light === l)?.off;
        return (
          <label key={l} className="flex items-center gap-1.5">
            <input
              type="radio"
              name="light-of-file"
              className="accent-black"
              checked={light === l}
              onChange={() => onChange(l)}
            />
            {l}
            {off !== undefined && (
              <span className="text-soft">bare paper {off.toFixed(1)} ΔE00 from what is known of it</span>
            )}
          </label>
        );
      })}
    </fieldset>
  );
}

/** Whose patches they are: by their names, in the order of a chart, or as listed. */
export function OrderOfFile({
  order,
  charts,
  onChange,
}: {
  readonly order: Order;
  readonly charts: readonly StoredChart[];
  readonly onChange: (order: Order) => void;
}) {
  return (
    <div className="flex flex-wrap items-start gap-2">
      <label className="flex items-center gap-1.5">
        Codes come from
        <select
          className="field min-h-8 py-0"
          value={order.kind === "chart" ? order.id : order.kind}
          onChange={(e) => {
            const { value } = e.target;
            onChange(
              value === "names"
                ? { kind: "names" }
                : value === "list"
                  ? { kind: "list", text: "" }
                  : { kind: "chart", id: value },
            );
          }}
        >
          <option value="names">the names of the patches</option>
          {charts.map((c) => (
            <option key={c.id} value={c.id}>
              the order of “{c.title}”
            </option>
          ))}
          <option value="list">a list</option>
        </select>
      </label>
      {order.kind === "list" && (
        <textarea
          className="field min-h-20 w-64 font-mono"
          aria-label="Codes in the order of the patches, one a line"
          placeholder={"paper\nclay3m\nclay3m ×2"}
          value={order.text}
          onChange={(e) => onChange({ kind: "list", text: e.target.value })}
        />
      )}
    </div>
  );
}
