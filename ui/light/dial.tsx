"use client";
import { useId, useRef, useState, type KeyboardEvent } from "react";
import type { Lamp } from "@/core/light/light";
import { useHold } from "@/ui/kit/use-hold";
import { lampInWords } from "@/words/light";

const SIZE = 168;
const MIDDLE = SIZE / 2;
const RADIUS = 66;
/** Degrees that an arrow key moves the light. */
const [TURN, RISE] = [5, 5] as const;
/** And Page up or down. */
const FAR = 20;

/** Where a lamp stands on the dial: in the middle straight before the picture (or behind it), at the rim raking along it. */
const placeOf = ({ from, height }: Pick<Lamp, "from" | "height">): readonly [number, number] => {
  const away = RADIUS * (1 - height / 90);
  const turn = (from * Math.PI) / 180;
  return [MIDDLE + away * Math.sin(turn), MIDDLE - away * Math.cos(turn)];
};

/** A lamp's place as a dial that is dragged, or moved by arrow keys: left and right go round, up and down raise and lower it. */
export function Dial({
  label,
  lamp,
  onChange,
  onMove,
}: {
  readonly label: string;
  readonly lamp: Lamp;
  readonly onChange: (lamp: Lamp) => void;
  /** Hears of every place that is passed; nothing when it is let go. */
  readonly onMove: (lamp: Lamp | undefined) => void;
}) {
  const id = useId();
  const svg = useRef<SVGSVGElement>(null);
  const [passing, setPassing] = useState<Lamp>();
  const last = useRef<Lamp>(undefined);
  const now = passing ?? lamp;
  const at = (e: { readonly clientX: number; readonly clientY: number }): Lamp => {
    const box = svg.current!.getBoundingClientRect();
    const x = ((e.clientX - box.left) / box.width) * SIZE - MIDDLE;
    const y = ((e.clientY - box.top) / box.height) * SIZE - MIDDLE;
    const away = Math.min(RADIUS, Math.hypot(x, y));
    const from = away < 2 ? lamp.from : (Math.round((Math.atan2(x, -y) * 180) / Math.PI) + 360) % 360;
    return { ...lamp, from, height: Math.round(90 * (1 - away / RADIUS)) };
  };
  const move = (next: Lamp | undefined) => {
    last.current = next;
    setPassing(next);
    onMove(next);
  };
  const hold = useHold(svg, {
    onMove: (e) => move(at(e)),
    onDone: () => {
      if (last.current) onChange(last.current);
      move(undefined);
    },
    onCancel: () => move(undefined),
  });
  const onKeyDown = (e: KeyboardEvent) => {
    const clamp = (v: number) => Math.min(90, Math.max(0, v));
    const by = {
      ArrowLeft: [-TURN, 0],
      ArrowRight: [TURN, 0],
      ArrowUp: [0, RISE],
      ArrowDown: [0, -RISE],
      PageUp: [0, FAR],
      PageDown: [0, -FAR],
      // From above, and from below.
      Home: [-lamp.from, 0],
      End: [180 - lamp.from, 0],
    }[e.key];
    if (!by) return;
    e.preventDefault();
    onChange({ ...lamp, from: (lamp.from + by[0]! + 360) % 360, height: clamp(lamp.height + by[1]!) });
  };
  const [x, y] = placeOf(now);
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      width={SIZE}
      height={SIZE}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={Math.round(now.from)}
      aria-valuetext={`${lampInWords(now)}, ${Math.round(now.from)}° round, ${now.height}° high`}
      className="select-none"
      onKeyDown={onKeyDown}
      {...hold}
    >
      <defs>
        {/* A ball under this very light. */}
        <radialGradient
          id={id}
          cx={now.behind ? 0.5 : 0.5 + (0.38 * (x - MIDDLE)) / RADIUS}
          cy={now.behind ? 0.5 : 0.5 + (0.38 * (y - MIDDLE)) / RADIUS}
          r={0.78}
        >
          <stop offset="0" stopColor={now.behind ? "#4a4a4a" : "#fff"} />
          <stop offset="0.62" stopColor={now.behind ? "#6a6a6a" : "#9a9a9a"} />
          <stop offset="1" stopColor={now.behind ? "#fff" : "#3c3c3c"} />
        </radialGradient>
      </defs>
      <circle cx={MIDDLE} cy={MIDDLE} r={RADIUS + 10} fill="none" stroke="var(--strong)" />
      {Array.from({ length: 12 }, (_, i) => {
        const a = (i * Math.PI) / 6;
        const [c, s] = [Math.cos(a), Math.sin(a)];
        return (
          <line
            key={i}
            x1={MIDDLE + (RADIUS + 6) * c}
            y1={MIDDLE + (RADIUS + 6) * s}
            x2={MIDDLE + (RADIUS + 10) * c}
            y2={MIDDLE + (RADIUS + 10) * s}
            stroke="var(--strong)"
          />
        );
      })}
      <circle cx={MIDDLE} cy={MIDDLE} r={40} fill={`url(#${id})`} stroke="var(--strong)" />
      <line
        x1={MIDDLE}
        y1={MIDDLE}
        x2={x}
        y2={y}
        stroke="var(--text)"
        strokeDasharray={now.behind ? "3 3" : undefined}
      />
      <circle
        cx={x}
        cy={y}
        r={12}
        fill={now.behind ? "var(--panel)" : "var(--text)"}
        stroke="#fff"
        strokeWidth={3}
      />
      <circle cx={x} cy={y} r={12} fill="none" stroke="var(--text)" strokeWidth={1.5} />
    </svg>
  );
}
