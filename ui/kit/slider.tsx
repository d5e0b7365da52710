"use client";
import { useState } from "react";

/** A slider whose value counts when it is let go: one change, and one step of undo, however far it was dragged. */
export function Slider({
  label,
  value,
  least,
  most,
  step = 1,
  onChange,
  onMove,
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
  readonly className?: string;
}) {
  const [passing, setPassing] = useState<number>();
  const letGo = () => {
    if (passing === undefined) return;
    setPassing(undefined);
    if (passing !== value) onChange(passing);
  };
  return (
    <input
      type="range"
      aria-label={label}
      className={`accent-current ${className}`}
      min={least}
      max={most}
      step={step}
      value={passing ?? value}
      onChange={(e) => {
        const at = Number(e.target.value);
        setPassing(at);
        onMove?.(at);
      }}
      onPointerUp={letGo}
      onKeyUp={letGo}
      onBlur={letGo}
    />
  );
}
