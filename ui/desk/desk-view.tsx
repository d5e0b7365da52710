"use client";
import { withRack } from "@/ui/rack-here";
import { ArrowLeft, Bell, BellOff, Pause, Undo2 } from "lucide-react";
import { useCallback, useDeferredValue, useMemo, useState } from "react";
import { useStore } from "zustand";
import { clockOf, openEnds } from "@/core/work/at-desk";
import { stepKey, type WorkEvent } from "@/core/work/record";
import type { Rack } from "@/store/rack";
import { Link } from "@/ui/kit/link";
import { Progress } from "@/ui/jobs/progress";
import { canBeShown } from "@/ui/light/piece-picture";
import { useToneShares } from "@/ui/light/use-tone-shares";
import { usePiece, usePieceHandles } from "@/ui/piece/piece-context";
import { useRack } from "@/ui/piece/use-rack";
import { useMayChange } from "@/ui/studio/studio-context";
import { useKey, useUndoKeys } from "@/ui/use-keys";
import { AN_HOUR, clockSays, openEndInWords, VENTILATION } from "@/words/desk";
import { counted } from "@/words/numbers";
import { durationInWords } from "@/words/work";
import { DeskTools } from "./desk-tools";
import { JudgeAgain } from "./judge-again";
import { LitPicture, type Look } from "./lit-picture";
import { LogNotice } from "./log-notice";
import { StepButtons } from "./step-buttons";
import { StepCard } from "./step-card";
import { Timers } from "./timers";
import { ToMend } from "./to-mend";
import { useAwake, useClock } from "./use-clock";
import { useDesk } from "./use-desk";
import { useRings } from "./use-rings";
import { useWorkLog } from "./use-work-log";
import type { WorkLog } from "./work-log";

const HOUR_S = 3600;
/** A step that takes so many times as long as planned, and an open time more, is late. */
const LATE = 3;

/** The desk of the piece at hand: one step at a time. */
export function DeskView({
  events,
  rack: first,
}: {
  readonly events: readonly WorkEvent[];
  readonly rack: Rack;
}) {
  const { id } = usePieceHandles();
  const log = useWorkLog(id, events);
  const piece = usePiece();
  const { rack } = useRack(piece.paperId ?? first.paper.id, first);
  return <Desk log={log} rack={rack} />;
}

const LOOKS: readonly (readonly [Look, string])[] = [
  ["zone", "This step"],
  ["whole", "Now"],
  ["end", "In the end"],
];

function Desk({ log, rack }: { readonly log: WorkLog; readonly rack: Rack }) {
  const planned = usePiece();
  const { id } = usePieceHandles();
  const may = useMayChange();
  const mm2Of = useToneShares(planned);
  const state = useDesk(id, planned, rack, log, mm2Of);
  const { piece, work, parts, record, desk, current, rest, done, sections, looking } = state;
  const events = useStore(log.log, (s) => s.events);
  const now = useClock(events.at(-1)?.at ?? 0);
  const [look, setLook] = useState<Look>("zone");
  // Steps back (below 0) or ahead of the one that is next.
  const [offset, setOffset] = useState(0);
  const nameOf = useCallback((area: string) => parts.get(area)?.area.name ?? area, [parts]);
  const { going } = record;
  useAwake(going);

  const ahead = current ? [current, ...rest] : [];
  const looked = offset < 0 ? done[done.length + offset] : undefined;
  const step = offset < 0 ? undefined : ahead[offset];
  const shown = looked ? { ...looked, start: 0, seconds: (looked.mm2 * looked.coats) / desk.speed } : step;
  const clock = step && clockOf(work, record, step, desk, desk.speed, now);
  const said = clock && clockSays(clock, nameOf);
  const rings = useRings(going && said?.wait ? said.says.split(":")[0] : undefined);

  const finish = () => {
    if (!may || !step || !going) return;
    const part = parts.get(step.area)!;
    const pass = part.passes[step.pass]!;
    log.add({
      kind: "done",
      area: step.area,
      section: step.section,
      of: sections[step.area] ?? 1,
      pass: step.pass,
      code: step.code,
      coats: pass.coats,
      mm2: step.mm2,
    });
    setOffset(0);
    // Far behind the plan, what was still to blend is dry by now: the rest is ordered anew.
    const last = done.at(-1);
    if (last && now - last.at > 1000 * (LATE * step.seconds + desk.openTime)) state.anew();
  };
  const begin = () => {
    if (!may || !current) return;
    log.add({ kind: "begun" });
    if (done.length) state.anew();
  };
  const pause = () => may && log.add({ kind: "paused" });
  const undo = () => {
    const last = record.events.findLast(
      (e) => !["begun", "paused", "mend", "noted", "photographed", "compared"].includes(e.kind),
    );
    if (!may || !last) return;
    log.add({ kind: "undone", undoes: last.id });
    setOffset(0);
  };
  const move = (by: number) =>
    setOffset((o) => Math.max(-done.length, Math.min(Math.max(0, ahead.length - 1), o + by)));
  useKey("space", () => (going ? finish() : begin()), { preventDefault: true });
  useKey("right", () => move(1));
  useKey("left", () => move(-1));
  useKey("p", () => (going ? pause() : begin()));
  useUndoKeys(undo, () => undefined);

  // What is to be done next is told at once, its picture as soon as there is time.
  const [area, section, pass] = [shown?.area, shown?.section, shown?.pass];
  const lookNow: Look = shown ? look : look === "end" ? "end" : "whole";
  const label = shown ? `Where ${shown.code} goes on ${nameOf(shown.area)}` : `${piece.name} as it lies`;
  const { hand } = desk;
  const pictured = useDeferredValue(
    useMemo(
      () => ({ work, record, sections, parts, hand, area, section, pass, look: lookNow, label }),
      [work, record, sections, parts, hand, area, section, pass, lookNow, label],
    ),
  );

  const ends = useMemo(() => openEnds(work, record), [work, record]);
  const hour = useMemo(() => {
    // Time at work since the last pause.
    const from = record.events.findLast((e) => e.kind === "begun");
    return from && going ? (now - from.at) / 1000 : 0;
  }, [record, going, now]);
  const total = done.length + ahead.length;
  const seconds = ahead.reduce((sum, s) => sum + s.seconds, 0);

  return (
    <div className="grid h-dvh grid-rows-[auto_minmax(0,1fr)_auto] overflow-hidden max-[820px]:h-auto max-[820px]:min-h-dvh max-[820px]:overflow-visible">
      <header className="flex min-h-12 flex-wrap items-center gap-x-3 gap-y-1 border-b border-line px-3">
        <Link
          href={`/pieces/${id}/steps?order=changes`}
          className="button-bare inline-flex items-center gap-1"
        >
          <ArrowLeft size={18} aria-hidden /> Steps
        </Link>
        <h1 className="m-0 min-w-0 truncate text-[17px] font-semibold">{piece.name}</h1>
        <span className="text-[15px] text-soft" data-testid="desk-progress">
          {total > 0 && `${done.length} of ${total} laid`}
          {ahead.length > 0 && going && `, about ${durationInWords(seconds)} of laying left`}
        </span>
        <span className="ml-auto flex flex-wrap items-center gap-1">
          <LogNotice log={log} />
          <button
            className="button-bare"
            onClick={rings.toggle}
            aria-pressed={rings.on}
            aria-label="Sound when a wait is over"
            title="Sound when a wait is over"
          >
            {rings.on ? <Bell size={18} aria-hidden /> : <BellOff size={18} aria-hidden />}
          </button>
          {may && (
            <>
              <button
                className="button"
                onClick={undo}
                disabled={!done.length && !record.added.length && !record.skipped.size}
              >
                <Undo2 size={17} aria-hidden /> Take back
              </button>
              {going && (
                <button className="button" onClick={pause}>
                  <Pause size={17} aria-hidden /> Pause
                </button>
              )}
            </>
          )}
        </span>
      </header>
      <main
        id="main"
        className="grid min-h-0 gap-4 px-4 py-3 min-[821px]:grid-cols-[minmax(0,11fr)_minmax(0,9fr)]"
      >
        <section
          aria-label="This step"
          className="flex min-h-0 min-w-0 flex-col gap-3 min-[821px]:overflow-y-auto"
        >
          {state.error && <p role="alert">{state.error}</p>}
          {!shown && looking && !record.finished && work.length > 0 && (
            <Progress
              work={{ output: undefined, progress: 0.5, error: undefined } as never}
              doing="Looking for the order of work"
            />
          )}
          {work.length === 0 && (
            <p className="text-[17px]">There is nothing to lay yet: plan the colours of an area first.</p>
          )}
          {shown && (
            <StepCard
              key={stepKey(shown)}
              step={shown}
              part={parts.get(shown.area)}
              sections={sections[shown.area] ?? 1}
              rack={rack}
              before={looked ? undefined : done.at(-1)?.code}
              laid={looked !== undefined}
              hand={desk.hand}
            />
          )}
          {said && going && (
            <p
              role={said.closed ? "alert" : "status"}
              className={`m-0 border-l-4 pl-3 text-[18px] ${said.closed || said.wait ? "border-text font-semibold" : "border-strong"}`}
            >
              {said.says}
            </p>
          )}
          {!shown && !looking && work.length > 0 && (
            <div>
              <p className="m-0 text-[26px] font-semibold">
                {record.finished ? "Finished." : "Every step is laid."}
              </p>
              {ends.length > 0 && (
                <ul className="m-0 mt-2 pl-5 text-[17px]">
                  {ends.map((e) => (
                    <li key={e.area}>{openEndInWords(e, nameOf(e.area))}.</li>
                  ))}
                </ul>
              )}
              {may && !record.finished && (
                <button className="button button-main mt-3" onClick={() => log.add({ kind: "finished" })}>
                  {ends.length ? "Finished all the same" : "Finish the piece"}
                </button>
              )}
            </div>
          )}
          {shown && (
            <StepButtons
              may={may}
              going={going}
              begun={done.length > 0}
              back={-offset < done.length}
              forth={offset < ahead.length - 1}
              onMove={move}
              onBegin={begin}
              onDone={finish}
              {...(looked && {
                onTakeBack: () => {
                  log.add({ kind: "undone", undoes: looked.id });
                  setOffset(0);
                },
              })}
              {...(offset > 0 &&
                step && {
                  onFirst: () => {
                    state.hold(step);
                    setOffset(0);
                  },
                })}
            />
          )}
          {!going && done.length === 0 && shown && (
            <p className="m-0 border-l-4 border-strong pl-3 text-[15px]">{VENTILATION}</p>
          )}
          {going && hour > HOUR_S && (
            <p className="m-0 border-l-4 border-strong pl-3 text-[15px]">{AN_HOUR}</p>
          )}
          {may && <DeskTools state={state} step={looked ? undefined : step} rack={rack} nameOf={nameOf} />}
          {record.toMend.length > 0 && <ToMend state={state} may={may} nameOf={nameOf} />}
          <JudgeAgain state={state} rack={rack} may={may && going} nameOf={nameOf} />
          {ahead.length > 1 && offset >= 0 && (
            <section aria-label="After that" className="mt-auto">
              <h2 className="m-0 text-[15px] font-normal text-soft">After that</h2>
              <ol className="m-0 list-none p-0">
                {ahead.slice(offset + 1, offset + 3).map((s) => (
                  <li
                    key={stepKey(s)}
                    className="flex items-baseline gap-3 border-b border-line py-1 text-[17px]"
                  >
                    <span className="code min-w-20">{s.code}</span>
                    <span>{nameOf(s.area)}</span>
                    {(sections[s.area] ?? 1) > 1 && (
                      <span className="text-[14px] text-soft">
                        part {s.section + 1} of {sections[s.area]}
                      </span>
                    )}
                  </li>
                ))}
              </ol>
            </section>
          )}
        </section>
        <section aria-label="Picture" className="flex min-h-0 min-w-0 flex-col gap-2 max-[820px]:h-[70vw]">
          {canBeShown(piece) && (
            <>
              <div role="group" aria-label="What the picture shows" className="flex gap-1">
                {LOOKS.map(([key, name]) => (
                  <button
                    key={key}
                    className={`button ${look === key ? "button-main" : ""}`}
                    aria-pressed={look === key}
                    onClick={() => setLook(key)}
                  >
                    {name}
                  </button>
                ))}
              </div>
              <div className="min-h-0 flex-1">
                <LitPicture piece={piece} rack={rack} {...pictured} />
              </div>
            </>
          )}
        </section>
      </main>
      <Timers
        work={work}
        record={record}
        wetness={desk}
        now={now}
        nameOf={nameOf}
        ends={ends}
        total={counted(ends.length, "area")}
      />
    </div>
  );
}

/** The same where the rack comes with the page. */
export const DeskPlace = withRack(DeskView);
