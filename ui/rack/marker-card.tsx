"use client";
import { differenceWords } from "@/words/closeness";
import { Link } from "@/ui/kit/link";
import { useMemo } from "react";
import { labToHex } from "@/core/colour/display";
import type { Use } from "@/core/stock/losses";
import { twinsOf } from "@/core/ink/twins";
import type { Rack, RackMarker } from "@/store/rack";
import { useAsk } from "@/ui/jobs/use-job";
import { MarkerChip } from "@/ui/ink/marker-chip";

import { coatsInWords, labInWords } from "@/words/numbers";
import { usesInWords } from "@/words/supplies";
import { standingFacts, standingOf } from "./rack-columns";
import type { RunEdits } from "./use-rack-edits";

interface MarkerCardProps {
  readonly marker: RackMarker;
  readonly rack: Rack;
  /** Where pieces use it; undefined while that is not known. */
  readonly uses: readonly Use[] | undefined;
  readonly onChoose: (code: string) => void;
  readonly run: RunEdits;
}

/** All that is known of one marker: its coats, what it is worth to the studio, and who could stand in for it. */
export function MarkerCard({ marker, rack, uses, onChoose, run }: MarkerCardProps) {
  const set = (facts: Parameters<RunEdits>[0][number]["set"]) => run([{ code: marker.code, set: facts }]);
  return (
    <div>
      <h2 className="m-0 font-mono text-[24px] break-words">{marker.code}</h2>
      <p className="mt-0 mb-2 text-[14px] text-soft">
        {[marker.name, marker.range, marker.place].filter(Boolean).join(" · ")}
      </p>
      {marker.swatches.length > 0 && <MarkerChip marker={marker} width={230} height={74} />}
      <div className="mt-2 flex gap-2">
        <select
          aria-label="Standing"
          className="field flex-1"
          value={standingOf(marker)}
          onChange={(e) => set(standingFacts(e.target.value))}
        >
          {["owned", "wished", "not owned"].map((o) => (
            <option key={o}>{o}</option>
          ))}
        </select>
        <select
          aria-label="State"
          className="field flex-1"
          disabled={!marker.owned}
          value={marker.state}
          onChange={(e) => set({ state: e.target.value as RackMarker["state"] })}
        >
          {["full", "fine", "low", "dry"].map((o) => (
            <option key={o}>{o}</option>
          ))}
        </select>
      </div>
      <dl className="mt-2 mb-2 text-[14px]">
        {marker.swatches.map((s, i) => (
          <div key={i} className="flex justify-between gap-3 border-b border-line py-1">
            <dt>{coatsInWords(i + 1)}</dt>
            <dd className="m-0">{labInWords(s.lab)}</dd>
          </div>
        ))}
        {marker.drawdowns &&
          Object.entries(marker.drawdowns).map(([backing, lab]) => (
            <div key={backing} className="flex items-center justify-between gap-3 border-b border-line py-1">
              <dt className="flex items-center gap-2">
                <span
                  className="size-5 border border-strong"
                  style={{ background: labToHex(lab) }}
                  aria-hidden
                />
                over {backing}
              </dt>
              <dd className="m-0">{labInWords(lab)}</dd>
            </div>
          ))}
      </dl>
      {marker.kind === "liner" && (
        <p className="my-1 text-[14px]">
          {marker.proof
            ? "Alcohol-proof: ink may go over it."
            : "Not alcohol-proof: it smears under marker, so it goes on last."}
        </p>
      )}
      {marker.kind === "water pen" && (
        <p className="my-1 text-[14px]">
          Water-based: it does not dissolve in alcohol, and is never part of a blend group.
        </p>
      )}
      {marker.swatches.length === 0 && !marker.drawdowns && marker.kind === "marker" && (
        <p className="my-1 text-[14px]">
          Not read on {rack.paper.name} yet.{" "}
          <Link className="underline" href={`/swatchbook/${rack.paper.id}?tab=chart`}>
            Print a chart
          </Link>
        </p>
      )}
      {marker.kind === "marker" && marker.swatches.length > 0 && (
        <Standing marker={marker} rack={rack} uses={uses} onChoose={onChoose} />
      )}
    </div>
  );
}

function Standing({ marker, rack, uses, onChoose }: Omit<MarkerCardProps, "run">) {
  const oneCoat = useMemo(
    () => rack.markers.flatMap((m) => (m.swatches[0] ? [{ code: m.code, lab: m.swatches[0].lab }] : [])),
    [rack],
  );
  const twins = twinsOf(marker.code, oneCoat);
  const ready = rack.markers
    .filter((m) => m.owned && m.state !== "dry" && m.swatches.length && m.code !== marker.code)
    .map((m) => m.code);
  const coats = Math.max(1, ...(uses ?? []).map((u) => u.coats));
  const work = useAsk(
    "substitute",
    rack,
    ready.length ? { tones: [Array<string>(coats).fill(marker.code)], among: ready, top: 3 } : null,
  );
  const best = work.output?.tones[0]?.substitutes ?? [];
  const row = (code: string, figure: string) => (
    <li key={code}>
      <button className="button-bare w-full justify-between" onClick={() => onChoose(code)}>
        <span className="code">{code}</span>
        <span className="text-right text-[14px]">{figure}</span>
      </button>
    </li>
  );
  return (
    <>
      <h3 className="small-title m-0 mt-2">Without it</h3>
      <p className="my-1 text-[14px]">
        {!uses
          ? "Looking through your pieces…"
          : uses.length === 0
            ? "Nothing in your pieces uses it."
            : `Used in ${usesInWords(uses)}.`}{" "}
        {best[0] && `Best stand-in you own:`}
      </p>
      <ul className="m-0 list-none p-0" aria-label="Stand-ins">
        {best.map((s) =>
          row(
            s.code,
            `${coatsInWords(s.coats)}: ${differenceWords(s.deltaE00)}, ${s.deltaE00.toFixed(1)} ΔE00`,
          ),
        )}
      </ul>
      <h3 className="small-title m-0 mt-2">Twins on {rack.paper.name}</h3>
      {twins.length === 0 && <p className="my-1 text-[14px]">None looks nearly the same.</p>}
      <ul className="m-0 list-none p-0" aria-label="Twins">
        {twins.map((t) => row(t.code, `${differenceWords(t.deltaE00)}, ${t.deltaE00.toFixed(1)} ΔE00`))}
      </ul>
      {marker.owned && twins.some((t) => rack.markers.find((m) => m.code === t.code)?.owned) && (
        <p className="my-1 text-[14px]">You own both: one is enough on this paper.</p>
      )}
    </>
  );
}
