"use client";
import { useMemo, useState } from "react";
import { useStore } from "zustand";
import type { ComparedZone } from "@/compute/operations/compare-sheet";
import { sheetOf } from "@/compute/from-rack";
import { recordOf } from "@/core/work/record";
import type { Rack } from "@/store/rack";
import { opaqueOnRack } from "@/ui/desk/opaque-on-rack";
import type { WorkLog } from "@/ui/desk/work-log";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { useMayChange } from "@/ui/studio/studio-context";

/** Inks that are told to lie at one place, at most. */
const MOST_STACK = 12;

/** What mends a place of the sheet that came out otherwise, with what lies at hand; taken, it waits at the desk. */
export function Mend({
  zone,
  tone,
  rack,
  log,
}: {
  readonly zone: ComparedZone;
  /** Where on its area that is; empty where it is all of it. */
  readonly tone: string;
  readonly rack: Rack;
  readonly log: WorkLog;
}) {
  const may = useMayChange();
  const [others, setOthers] = useState(false);
  const events = useStore(log.log, (s) => s.events);
  const { id, from, to, drawnOver, likely, stack } = zone;
  const waiting = useMemo(
    () => recordOf(events).toMend.filter((m) => m.area === id && m.from < to && m.to > from),
    [events, id, from, to],
  );
  const lies = likely.length ? likely : stack;
  const blender = rack.others.find((o) => o.kind === "blender" && o.owned && o.state !== "dry");
  // A place that is nearer to the picked colour than to the plan is no fault.
  const { picked } = zone;
  const isBetter = picked !== undefined && picked.deltaE00 < zone.deltaE00 / 2;
  const work = useAsk(
    "repair",
    rack,
    waiting.length || isBetter || lies.length > MOST_STACK
      ? null
      : {
          stack: lies,
          wanted: { lab: { lab: zone.planned.lab } },
          lies: { lab: { lab: zone.lies.lab } },
          coatsLeft: drawnOver ? 0 : Math.max(0, Math.min(12, sheetOf(rack).capacity - lies.length)),
          ownedOnly: true,
          finishers: opaqueOnRack(rack),
          ...(blender && !drawnOver && { blender: { code: blender.code } }),
        },
  );
  if (waiting.length)
    return (
      <p className="m-0 border-l-4 border-strong pl-3 text-[15px]" role="status">
        Waits at the desk: {waiting[0]!.says}{" "}
        {may && (
          <button
            className="underline"
            onClick={() => waiting.forEach((m) => log.add({ kind: "undone", undoes: m.id }))}
          >
            Take back
          </button>
        )}
      </p>
    );
  if (isBetter)
    return (
      <p className="m-0 text-[15px]">
        It is nearer to the colour that was picked here than the plan was: leave it.
      </p>
    );
  const answer = work.progress === undefined ? work.output : undefined;
  return (
    <div>
      <Progress work={work} doing="Looking for what mends it" />
      {answer?.remedies.length === 0 && <p className="m-0 text-[15px]">{answer.says}</p>}
      {answer && answer.remedies.length > 0 && (
        <ul className="m-0 grid list-none gap-1 p-0" aria-label="What mends it">
          {answer.remedies.slice(0, others ? undefined : 1).map((r) => (
            <li key={r.says} className="grid grid-cols-[28px_minmax(0,1fr)_auto] items-center gap-2">
              <span className="block h-6 border border-line" style={{ background: r.hex }} aria-hidden />
              <span className="text-[15px] leading-snug">{r.says}</span>
              {may && (
                <button
                  className="button"
                  onClick={() =>
                    log.add({
                      kind: "mend",
                      area: id,
                      with: r.with,
                      codes: [...r.add],
                      from,
                      to,
                      says: tone ? `${tone[0]!.toUpperCase()}${tone.slice(1)}: ${r.says}` : r.says,
                    })
                  }
                >
                  Mend it so
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {answer && answer.remedies.length > 1 && !others && (
        <button className="mt-1 underline" onClick={() => setOthers(true)}>
          {answer.remedies.length === 2 ? "Another way" : "Other ways"}
        </button>
      )}
    </div>
  );
}
