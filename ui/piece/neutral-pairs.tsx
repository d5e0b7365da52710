"use client";
import { useState } from "react";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { signed } from "@/words/numbers";

/** Opposites that neutralise each other, computed as they would be laid; worked out when it is opened. */
export function NeutralPairs({
  rack,
  of,
  lightness,
  base = [],
}: {
  readonly rack: Rack;
  readonly of: "inks" | "pencils";
  readonly lightness?: number;
  readonly base?: readonly string[];
}) {
  const [open, setOpen] = useState(false);
  const wish = { of, top: 6, base, ownedOnly: true };
  const work = useAsk(
    "neutralPairs",
    rack,
    open ? { ...wish, ...(lightness !== undefined && { lightness: Math.round(lightness) }) } : null,
  );
  const unit = of === "inks" ? "×" : " layers";
  return (
    <details
      onToggle={(e) => setOpen(e.currentTarget.open)}
      className="border-t border-line pt-2 text-[14px]"
    >
      <summary className="cursor-pointer text-[15px] font-semibold">
        Opposites that make grey{base.length ? ` over ${base[0]}` : ""}
      </summary>
      {open && <Progress work={work} doing="Laying opposites" />}
      {work.output?.pairs.length === 0 && (
        <p className="m-0">No two {of} at hand are opposite and colourful enough.</p>
      )}
      <ul
        className="m-0 mt-1 grid list-none gap-1 p-0 min-[1180px]:grid-cols-2"
        aria-label={`Neutral pairs of ${of}`}
      >
        {work.output?.pairs.map((p) => (
          <li key={p.codes.join()} className="flex items-center gap-2">
            <span className="flex h-7 w-20 shrink-0 border border-strong" aria-hidden>
              <span className="flex-1" style={{ background: p.alone[0].hex }} />
              <span className="flex-[1.6]" style={{ background: p.hex }} />
              <span className="flex-1" style={{ background: p.alone[1].hex }} />
            </span>
            <span className="min-w-0 leading-tight">
              <span className="code text-[13px]">
                {p.codes[0]} {p.amounts[0]}
                {unit} + {p.codes[1]} {p.amounts[1]}
                {unit}
              </span>
              <span className="block text-[13px] text-soft">
                colour strength {p.chroma.toFixed(1)}, lightness {signed(p.lab[0])}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
