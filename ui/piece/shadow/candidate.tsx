"use client";
import { differenceWords } from "@/words/closeness";
import { Check } from "lucide-react";
import type { ShadowOutput, ShadowsOutput } from "@/compute/operations/shadow";
import { coatsInWords } from "@/words/numbers";

/** Strata of a shadow: what lies beneath drawn beneath, each bar half alone and half as seen. */
function MiniStrata({ shadow, output }: { shadow: ShadowOutput; output: ShadowsOutput }) {
  const own = {
    name: `${shadow.code}${shadow.coats > 1 ? ` ×${shadow.coats}` : ""}`,
    alone: shadow.bare.hex,
    seen: shadow.order === "under" ? shadow.bare.hex : shadow.covered.hex,
  };
  const cover = {
    name: "local colour",
    alone: output.cover.hex,
    seen: shadow.order === "under" ? shadow.covered.hex : output.cover.hex,
  };
  const layers = shadow.order === "under" ? [cover, own] : [own, cover];
  return (
    <div className="w-32 shrink-0" role="img" aria-label={`${layers[0]!.name} over ${layers[1]!.name}`}>
      {layers.map((l) => (
        <div key={l.name} className="mb-0.5 grid h-8 grid-cols-2 border border-strong">
          <span style={{ background: l.alone }} />
          <span style={{ background: l.seen }} />
        </div>
      ))}
    </div>
  );
}

/** One way to make the shadow: how it will look, what to expect, and a button to lay it. */
export function Candidate({
  shadow: s,
  output,
  kept,
  onKeep,
}: {
  readonly shadow: ShadowOutput;
  readonly output: ShadowsOutput;
  readonly kept: boolean;
  readonly onKeep: (coats: number) => void;
}) {
  const start = s.boldness?.enough ?? s.coats;
  return (
    <li
      className={`flex flex-wrap items-start gap-3 border-l-4 bg-panel p-2 ${kept ? "border-text" : "border-line"}`}
      data-shadow={`${s.kind} ${s.code}`}
    >
      <MiniStrata shadow={s} output={output} />
      <div
        className="flex h-[66px] w-28 shrink-0 border border-strong"
        role="img"
        aria-label="Beside the local colour, as it will look"
      >
        <span className="flex-1" style={{ background: output.cover.hex }} />
        <span className="flex-1" style={{ background: s.covered.hex }} />
        <span className="flex-1" style={{ background: output.cover.hex }} />
      </div>
      <div className="min-w-[220px] flex-1 leading-tight">
        <p className="m-0 text-[15px]">
          <span className="code">
            {s.code}
            {s.coats > 1 ? ` ×${s.coats}` : ""}
          </span>
          {s.unowned && " · not owned"}{" "}
          <span className="text-[13px] text-soft">
            {differenceWords(s.score)} from the wanted shadow ({s.score.toFixed(1)}), {s.knowledge}
          </span>
        </p>
        <p className="mt-1 mb-0 text-[14px]">{s.expectation}</p>
        {s.boldness && (
          <p className="mt-1 mb-0 text-[13px] text-soft">
            {s.boldness.steps
              .map((b) => `${coatsInWords(b.coats)}: ${b.deepening.toFixed(0)} darker`)
              .join(", ")}
            .{" "}
            {s.boldness.enough ? (
              <strong>Start with {coatsInWords(s.boldness.enough)}.</strong>
            ) : (
              <strong>Even three coats fade short of it: take a bolder marker.</strong>
            )}
          </p>
        )}
      </div>
      {kept ? (
        <span className="inline-flex min-h-9 items-center gap-1 text-[14px] font-semibold">
          <Check size={16} aria-hidden /> kept
        </span>
      ) : (
        <button className="button" onClick={() => onKeep(start)} aria-label={`Lay it: ${s.kind} ${s.code}`}>
          Lay it
        </button>
      )}
    </li>
  );
}
