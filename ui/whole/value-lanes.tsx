import { labToHex } from "@/core/colour/display";
import type { SeenArea } from "@/core/piece/overview";
import { signed } from "@/words/numbers";

const HEIGHT = 250;
const TOP = 12;
const LEFT = 34;
/** Share of a lane that its strokes take. */
const STROKE = 0.62;

/** Everything that is seen of a group: its tones, and its shadow end where that is another. */
const seenTones = (a: SeenArea) => [...a.tones, ...a.shade];

/** All groups of a piece on one value ruler: a lane an area, a stroke a tone. */
export function ValueLanes({
  areas,
  width = 420,
}: {
  readonly areas: readonly SeenArea[];
  readonly width?: number;
}) {
  const y = (L: number) => TOP + ((100 - L) / 100) * (HEIGHT - TOP - 60);
  const lane = (width - LEFT) / Math.max(1, areas.length);
  return (
    <figure className="m-0">
      <figcaption className="small-title mb-1">
        All groups on one value ruler: lightness, 100 is white
      </figcaption>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="block w-full text-[12px]"
        role="img"
        aria-label={`Lightness of all groups: ${areas
          .map(
            (a) =>
              `${a.area.name} ${seenTones(a)
                .map((t) => signed(t.lab[0]))
                .join(", ")}`,
          )
          .join("; ")}`}
      >
        {[0, 20, 40, 60, 80, 100].map((L) => (
          <g key={L}>
            <line x1={LEFT - 4} x2={width} y1={y(L)} y2={y(L)} stroke="var(--line)" strokeWidth="0.7" />
            <text x={LEFT - 8} y={y(L) + 4} textAnchor="end" fill="var(--soft)">
              {L}
            </text>
          </g>
        ))}
        {areas.map((a, i) => {
          const tones = seenTones(a);
          const x = LEFT + i * lane + (lane * (1 - STROKE)) / 2;
          const w = lane * STROKE;
          return (
            <g key={a.area.id}>
              {tones.length > 1 && (
                <line
                  x1={x + w / 2}
                  x2={x + w / 2}
                  y1={y(tones[0]!.lab[0])}
                  y2={y(tones.at(-1)!.lab[0])}
                  stroke="var(--text)"
                  strokeWidth="1.2"
                />
              )}
              {tones.map((t) => (
                <path
                  key={t.code}
                  d={`M${x + 3} ${y(t.lab[0]) - 5}L${x + w} ${y(t.lab[0]) - 6}L${x + w - 3} ${y(t.lab[0]) + 5}L${x} ${y(t.lab[0]) + 5}Z`}
                  fill={labToHex(t.lab)}
                  stroke="var(--text)"
                  strokeWidth="0.8"
                >
                  <title>{`${t.code}, lightness ${signed(t.lab[0])}`}</title>
                </path>
              ))}
              <text
                x={x + w / 2}
                y={HEIGHT - 48}
                textAnchor="end"
                fill="var(--text)"
                transform={`rotate(-40 ${x + w / 2} ${HEIGHT - 48})`}
                dy="8"
              >
                {a.area.name.length > 12 ? `${a.area.name.slice(0, 11)}…` : a.area.name}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
