"use client";
import { ArrowLeft, ArrowRight, Check, Play, Undo2 } from "lucide-react";

/** The large buttons of a step: done, back and forth. */
export function StepButtons({
  may,
  going,
  begun,
  back,
  forth,
  onMove,
  onBegin,
  onDone,
  onTakeBack,
  onFirst,
}: {
  /** Whether this visitor may change anything. */
  readonly may: boolean;
  readonly going: boolean;
  readonly begun: boolean;
  readonly back: boolean;
  readonly forth: boolean;
  readonly onMove: (by: number) => void;
  readonly onBegin: () => void;
  readonly onDone: () => void;
  /** Of a step that lies. */
  readonly onTakeBack?: () => void;
  /** Of a step that is still to come. */
  readonly onFirst?: () => void;
}) {
  const wide = "button min-h-14 flex-1";
  return (
    <div className="flex flex-wrap items-stretch gap-2">
      <button
        className="button min-h-14 px-4"
        onClick={() => onMove(-1)}
        disabled={!back}
        aria-label="The step before"
      >
        <ArrowLeft size={22} aria-hidden />
      </button>
      {onTakeBack ? (
        <button className={`${wide} text-[18px]`} disabled={!may} onClick={onTakeBack}>
          <Undo2 size={20} aria-hidden /> Take this step back
        </button>
      ) : onFirst ? (
        <button className={`${wide} text-[18px]`} disabled={!may} onClick={onFirst}>
          Do this one now
        </button>
      ) : going ? (
        <button className={`${wide} button-main text-[22px]`} onClick={onDone} disabled={!may}>
          <Check size={24} aria-hidden /> Done
        </button>
      ) : (
        <button className={`${wide} button-main text-[22px]`} onClick={onBegin} disabled={!may}>
          <Play size={22} aria-hidden /> {begun ? "Go on" : "Begin"}
        </button>
      )}
      <button
        className="button min-h-14 px-4"
        onClick={() => onMove(1)}
        disabled={!forth}
        aria-label="The step after"
      >
        <ArrowRight size={22} aria-hidden />
      </button>
    </div>
  );
}
