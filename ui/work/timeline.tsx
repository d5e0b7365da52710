"use client";
import type { WorkOrderOutput } from "@/compute/operations/work-order";
import { partName, type PieceWork } from "@/core/work/of-piece";
import { pencilName } from "@/words/pencil";
import { clockInWords } from "@/words/work";

/** Of a lane and of the scale, px. */
const [LANE, SCALE] = [20, 18];
/** Units of the picture from its beginning to its end. */
const WIDE = 1000;

/** Steps of the scale that are easily read, s. */
const STEPS = [30, 60, 120, 300, 600, 900, 1800, 3600];

/** What has a lane of its own. */
export type Lanes = "areas" | "markers";

interface Lane {
  readonly id: string;
  readonly name: string;
  readonly more: string;
}

/** A lane for each area that is laid, or for each marker in the order in which they are first taken up. */
function lanesOf(by: Lanes, order: WorkOrderOutput, work: readonly PieceWork[]): Lane[] {
  if (by === "markers")
    return [...new Set(order.steps.map((s) => s.code))].map((code) => ({
      id: code,
      name: pencilName(code),
      more: "",
    }));
  return work
    .filter((w) => order.steps.some((s) => s.area === w.id))
    .map((w) => ({
      id: w.id,
      name: partName(w),
      more: w.isDry ? ", dry media" : "",
    }));
}

/** When each area is laid, and how long it stays wet; or when each marker is in the hand. */
export function Timeline({
  order,
  work,
  by,
  openTime,
  colourOf,
  nameOf,
  at,
  onAt,
}: {
  readonly order: WorkOrderOutput;
  readonly work: readonly PieceWork[];
  readonly by: Lanes;
  readonly openTime: number;
  readonly colourOf: (code: string) => string;
  readonly nameOf: (area: string | number) => string;
  /** Steps that are laid. */
  readonly at: number;
  readonly onAt: (steps: number) => void;
}) {
  const first = order.steps[0]?.start ?? 0;
  const whole = Math.max(1, order.seconds - first);
  const x = (t: number) => ((t - first) / whole) * WIDE;
  const each = STEPS.find((s) => whole / s <= 12) ?? 7200;
  const lanes = lanesOf(by, order, work);
  const laneOf = new Map(lanes.map((w, i) => [w.id, i]));
  const dry = new Set(work.filter((w) => w.isDry).map((w) => w.id));
  const height = lanes.length * LANE + SCALE;
  const last = order.steps[at - 1];
  const now = last ? last.start + last.seconds : first;
  return (
    <div className="grid grid-cols-[minmax(72px,150px)_minmax(0,1fr)]" data-testid="timeline">
      <ul className="m-0 list-none p-0" aria-hidden>
        {lanes.map((w) => (
          <li
            key={w.id}
            className="truncate pr-2 text-[13px]"
            style={{ height: LANE, lineHeight: `${LANE}px` }}
          >
            <span className={by === "markers" ? "code" : undefined}>{w.name}</span>
            {w.more && <span className="text-soft">{w.more}</span>}
          </li>
        ))}
      </ul>
      <svg
        viewBox={`0 0 ${WIDE} ${height}`}
        preserveAspectRatio="none"
        className="block w-full border-l border-strong"
        style={{ height }}
        role="img"
        aria-label={
          by === "areas"
            ? `When each of ${lanes.length} areas is laid, and wet, over ${clockInWords(whole)}`
            : `When each of ${lanes.length} markers is in the hand, over ${clockInWords(whole)}`
        }
      >
        {lanes.map((w, i) => (
          <line
            key={w.id}
            x1={0}
            x2={WIDE}
            y1={(i + 1) * LANE - 0.5}
            y2={(i + 1) * LANE - 0.5}
            stroke="var(--line)"
            vectorEffect="non-scaling-stroke"
          />
        ))}
        {order.steps.map((s, k) => {
          const lane = laneOf.get(by === "areas" ? String(s.area) : s.code)!;
          const [from, to] = [x(s.start), x(s.start + s.seconds)];
          const stays = by === "markers" || dry.has(String(s.area)) ? 0 : openTime;
          const wet = Math.min(WIDE, x(s.start + s.seconds + stays));
          const y = lane * LANE + 3;
          return (
            <g key={k} opacity={k < at ? 1 : 0.35} className="cursor-pointer" onClick={() => onAt(k + 1)}>
              <rect
                x={to}
                y={y + LANE - 10}
                width={Math.max(0, wet - to)}
                height={3}
                fill={colourOf(s.code)}
              />
              <rect
                x={from}
                y={y}
                width={Math.max(3, to - from)}
                height={LANE - 7}
                fill={colourOf(s.code)}
                stroke="var(--text)"
                strokeWidth={0.5}
                vectorEffect="non-scaling-stroke"
              >
                <title>{`${s.code} on ${nameOf(s.area)}, ${clockInWords(s.start - first)}`}</title>
              </rect>
            </g>
          );
        })}
        <line
          x1={x(now)}
          x2={x(now)}
          y1={0}
          y2={height}
          stroke="var(--text)"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <span />
      <ol className="relative m-0 h-5 list-none p-0 text-[12px] text-soft" aria-hidden>
        {Array.from({ length: Math.floor(whole / each) + 1 }, (_, i) => (
          <li
            key={i}
            className="absolute -translate-x-1/2 first:translate-x-0 max-[639px]:not-[:nth-child(3n+1)]:hidden"
            style={{ left: `${(100 * i * each) / whole}%` }}
          >
            {clockInWords(i * each)}
          </li>
        ))}
      </ol>
    </div>
  );
}
