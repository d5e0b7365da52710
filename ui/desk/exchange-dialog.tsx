"use client";
import { useState } from "react";
import { deltaE00 } from "@/core/colour/delta-e00";
import { stackAt } from "@/core/work/at-desk";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { messageOf, send } from "@/ui/send";
import { differenceWords } from "@/words/closeness";
import type { DeskState, DeskStep } from "./use-desk";

const BEST = 3;

/** What gives the nearest colour here instead of a marker that is dry: not the nearest cap, the nearest of what is seen in the end. */
export function Exchange({
  state,
  step,
  rack,
  nameOf,
  onDone,
}: {
  readonly state: DeskState;
  readonly step: DeskStep;
  readonly rack: Rack;
  readonly nameOf: (area: string) => string;
  readonly onDone: () => void;
}) {
  const { code } = step;
  const [trouble, setTrouble] = useState<string>();
  const [tell, setTell] = useState(true);
  const ready = rack.markers.filter(
    (m) => m.owned && m.state !== "dry" && m.code !== code && m.swatches.length,
  );
  const part = state.parts.get(step.area)!;
  const pass = part.passes[step.pass]!;
  const t = (pass.from + pass.to) / 2;
  const { planned } = stackAt(
    state.work.filter((w) => w.area.id === part.area.id),
    state.record,
    step.section,
    t,
  );
  const known = new Set(rack.markers.filter((m) => m.swatches.length).map((m) => m.code));
  const whole = planned.filter((c) => known.has(c));
  const job = useAsk(
    "predict",
    rack,
    known.has(code)
      ? { stacks: [whole, ...ready.map((m) => whole.map((c) => (c === code ? m.code : c)))] }
      : null,
  );
  const [aim, ...others] = job.output?.stacks ?? [];
  const found = aim
    ? ready
        .map((marker, i) => ({ marker, off: deltaE00(others[i]!.lab, aim.lab), hex: others[i]!.hex }))
        .sort((a, b) => a.off - b.off)
        .slice(0, BEST)
    : [];
  const [taken, setTaken] = useState<string>();
  const take = async (by: string) => {
    setTaken(by);
    state.add({ kind: "exchanged", code, by });
    state.anew();
    if (tell)
      try {
        await send("PATCH", "/api/rack", { changes: [{ code, set: { state: "dry" } }] });
      } catch (e) {
        return setTrouble(messageOf(e));
      }
    onDone();
  };
  return (
    <div>
      <p className="mt-0 text-[15px]">
        Instead of <span className="code">{code}</span> on {nameOf(step.area)}, and wherever it was still to
        come:
      </p>
      <Progress work={job} doing="Looking for what stands in" />
      {!known.has(code) && <p>{code} was not read on this paper: nobody can say what comes near it.</p>}
      {trouble && (
        <p role="alert">
          {taken} is taken from here on. The rack could not be told that {code} is dry: {trouble}
        </p>
      )}
      <ol className="m-0 grid list-none gap-2 p-0">
        {found.map(({ marker, off, hex }) => (
          <li
            key={marker.code}
            className="grid grid-cols-[72px_90px_48px_minmax(0,1fr)_auto] items-center gap-3 border-b border-line pb-2"
          >
            <MarkerChip marker={marker} width={72} height={26} />
            <span className="code">{marker.code}</span>
            <span className="block h-8 border border-line" style={{ background: hex }} aria-hidden />
            <span className="text-[15px]">{differenceWords(off)} in the end</span>
            <button className="button" disabled={taken !== undefined} onClick={() => void take(marker.code)}>
              Take it
            </button>
          </li>
        ))}
      </ol>
      <label className="mt-3 flex items-center gap-2 text-[15px]">
        <input type="checkbox" checked={tell} onChange={(e) => setTell(e.target.checked)} />
        Note in the rack that {code} is dry
      </label>
    </div>
  );
}
