import { labToHex } from "@/core/colour/display";
import type { Swatch } from "@/store/swatches";

export interface StrokeChipProps {
  /** Colours of one, two and three coats on the current paper, as hex. */
  readonly coats: readonly string[];
  /** False draws the stroke hollow. */
  readonly owned?: boolean;
  /** False draws a broken outline: predicted, not yet measured. */
  readonly measured?: boolean;
  /** Cuts a notch into the stroke. */
  readonly low?: boolean;
  /** Crosses the stroke out. */
  readonly dry?: boolean;
  readonly width?: number;
  readonly height?: number;
}

/** Outline of one stroke of a slanted nib from x0 to x1 (0–100) in a field of 100 × 40, a little uneven as a hand is. */
const strokePath = (x0: number, x1: number, lift: number) =>
  `M${x0 + 5} ${7 + lift}C${x0 + 26} ${4 + lift} ${x1 - 24} ${9 + lift} ${x1} ${5 + lift}L${x1 - 6} ${33 - lift}C${x1 - 30} ${36 - lift} ${x0 + 24} ${31 - lift} ${x0} ${35 - lift}Z`;

/** An ink as the marker leaves it: one stroke, gone over a second and a third time towards the right. */
export function StrokeChip({
  coats,
  owned = true,
  measured = true,
  low = false,
  dry = false,
  width = 88,
  height = 32,
}: StrokeChipProps) {
  const starts = coats.length === 1 ? [0] : coats.length === 2 ? [0, 46] : [0, 33, 66];
  const last = coats.at(-1) ?? "#808080";
  return (
    <svg
      viewBox="0 0 100 40"
      width={width}
      height={height}
      preserveAspectRatio="none"
      aria-hidden="true"
      className="shrink-0"
      data-owned={owned}
      data-measured={measured}
    >
      {coats.map((hex, i) => (
        <path
          key={i}
          d={strokePath(starts[i]!, 100, i * 0.8)}
          fill={owned ? hex : "none"}
          stroke={owned ? "none" : hex}
          strokeWidth={owned ? 0 : 4}
        />
      ))}
      {!measured && (
        <path
          d={strokePath(0, 100, 0)}
          fill="none"
          stroke="var(--text)"
          strokeWidth="1.2"
          strokeDasharray="4 3"
          vectorEffect="non-scaling-stroke"
        />
      )}
      {low && <path d="M38 0L50 17L62 0Z" fill="var(--panel)" stroke={last} strokeWidth="1" />}
      {dry && (
        <path
          d="M8 4L92 36M92 4L8 36"
          fill="none"
          stroke="var(--text)"
          strokeWidth="1.5"
          vectorEffect="non-scaling-stroke"
        />
      )}
    </svg>
  );
}

/** Hex of a marker's read coats. */
export const coatsInHex = (swatches: readonly Swatch[]): string[] =>
  swatches.map((s) => s.hex ?? labToHex(s.lab));
