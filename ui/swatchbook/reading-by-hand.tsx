"use client";
import { useState } from "react";
import { colourOf } from "@/border/colour";
import { labToHex } from "@/core/colour/display";
import { nameStack, readStack } from "@/core/formats/cgats";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";
import type { Rack } from "@/store/rack";
import { messageOf, send } from "@/ui/send";
import { colourTyped } from "./typed-colour";

/** A reading that is typed: a stack, a drawdown or a pencil strip. */
export function ReadingByHand({ rack, onDone }: { rack: Rack; onDone: () => void }) {
  const [stack, setStack] = useState("");
  const [colour, setColour] = useState("");
  const [backing, setBacking] = useState("paper");
  const [said, setSaid] = useState<string>();
  const parsed = readStack(stack);
  const [pressure, setPressure] = useState<Pressure>("medium");
  const isPencil = (code: string) => rack.others.some((o) => o.kind === "pencil" && o.code === code);
  const pencil = parsed?.length === 1 && isPencil(parsed[0]!);
  const strip = parsed?.some(isPencil) && (!pencil || backing === "paper");
  const keep = async (e: React.FormEvent) => {
    e.preventDefault();
    const color = colourTyped(colour);
    const codes = new Set([...rack.markers, ...rack.others].map((m) => m.code));
    const unknown = parsed?.filter((c) => !codes.has(c));
    if (!parsed?.length) return setSaid("Say which layers were read, bottom to top: clay3m ×2 + dusk2c.");
    if (unknown?.length) return setSaid(`Not on the rack: ${[...new Set(unknown)].join(", ")}.`);
    if (!color) return setSaid("Type the colour as hex, #c8a27a, or as L* a* b*, 70 12 30.");
    try {
      await send("POST", `/api/papers/${rack.paper.id}/readings`, {
        readings: [
          { stack: parsed, color, source: "hand", ...(pencil && { backing }), ...(strip && { pressure }) },
        ],
      });
      setSaid(`Kept: ${nameStack(parsed)}.`);
      setColour("");
      onDone();
    } catch (error) {
      setSaid(messageOf(error));
    }
  };
  const color = colourTyped(colour);
  return (
    <section aria-label="By hand">
      <h2 className="m-0 text-[17px]">By hand</h2>
      <form className="mt-1 flex flex-wrap items-end gap-2" onSubmit={(e) => void keep(e)}>
        <label className="flex-1 text-[14px]">
          Stack, bottom to top
          <input
            className="field mt-0.5 w-full font-mono"
            placeholder="clay3m ×2 + dusk2c"
            value={stack}
            onChange={(e) => setStack(e.target.value)}
          />
        </label>
        {pencil && (
          <label className="text-[14px]">
            drawn over
            <br />
            <select className="field mt-0.5" value={backing} onChange={(e) => setBacking(e.target.value)}>
              {["paper", "white", "black"].map((b) => (
                <option key={b}>{b}</option>
              ))}
            </select>
          </label>
        )}
        {strip && (
          <label className="text-[14px]">
            pressed
            <br />
            <select
              className="field mt-0.5"
              value={pressure}
              onChange={(e) => setPressure(e.target.value as Pressure)}
            >
              {PRESSURES.map((p) => (
                <option key={p}>{p}</option>
              ))}
            </select>
          </label>
        )}
        <label className="w-40 text-[14px]">
          Hex or L* a* b*
          <input
            className="field mt-0.5 w-full font-mono"
            placeholder="70 12 30"
            value={colour}
            onChange={(e) => setColour(e.target.value)}
          />
        </label>
        <span
          className="size-9 border border-strong"
          style={{
            background: color ? labToHex(colourOf(color).lab) : "transparent",
          }}
          aria-hidden
        />
        <button className="button">Keep</button>
      </form>
      {strip && (
        <p className="mt-1 mb-0 text-[14px] text-soft">
          A pencil strip: ×n counts its layers. Strips teach the pencil plan how this paper takes wax.
        </p>
      )}
      {said && (
        <p role="status" className="mt-1 mb-0 text-[14px]">
          {said}
        </p>
      )}
    </section>
  );
}
