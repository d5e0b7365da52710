"use client";
import { useRef, useState } from "react";

/**
 * A slider whose value counts when it is let go: one change, and one step of undo, however far it was dragged. A finger that scrolls on from it
 * takes back what it had begun: what is shown is what is kept.
 */
export function Slider({
  label,
  value,
  least,
  most,
  step = 1,
  onChange,
  onMove,
  says,
  className = "w-28",
}: {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly step?: number;
  readonly onChange: (value: number) => void;
  /** Hears of every place that is passed. */
  readonly onMove?: (value: number) => void;
  /** What a place is called, where a number says too little. */
  readonly says?: string;
  readonly className?: string;
}) {
  const [passing, setPassing] = useState<number>();
  /** A touch that became something else: what the browser still tells of it counts for nothing. */
  const left = useRef(false);
  const letGo = () => {
    if (passing === undefined) return;
    setPassing(undefined);
    if (passing !== value) onChange(passing);
  };
  const takeBack = () => {
    left.current = true;
    setPassing(undefined);
    if (passing !== undefined) onMove?.(value);
  };
  return (
    <input
      type="range"
      aria-label={label}
      className={`touch-pan-y accent-current ${className}`}
      min={least}
      max={most}
      step={step}
      value={passing ?? value}
      onChange={(e) => {
        const at = Number(e.target.value);
        if (left.current) return;
        setPassing(at);
        onMove?.(at);
      }}
      aria-valuetext={says}
      onPointerDown={() => (left.current = false)}
      onKeyDown={() => (left.current = false)}
      onPointerUp={letGo}
      onPointerCancel={takeBack}
      onKeyUp={letGo}
      onBlur={letGo}
    />
  );
}
