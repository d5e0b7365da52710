import { formOf, zonesOf } from "@/core/piece/lit";
import type { Area } from "@/core/piece/piece";
import type { Tool } from "@/ui/set-up/tool";

type Place = (at: readonly [number, number]) => readonly [number, number];

const pathOf = (line: readonly (readonly [number, number])[], place: Place) =>
  line.map((p, i) => `${i ? "L" : "M"}${place(p).join(" ")}`).join("");

/** A line over the picture that is seen on light and dark. */
function Line({ d, dash, arrow }: { readonly d: string; readonly dash?: string; readonly arrow?: boolean }) {
  return (
    <>
      <path d={d} fill="none" stroke="#fff" strokeWidth="4" strokeLinecap="round" />
      <path
        d={d}
        fill="none"
        stroke="#000"
        strokeWidth="1.6"
        strokeDasharray={dash}
        markerEnd={arrow ? "url(#tip)" : undefined}
      />
    </>
  );
}

/** What was drawn over the chosen areas: growth, partings, creases, touches. */
export function AreaMarks({
  areas,
  tool,
  place,
  pixelsPerMm,
}: {
  readonly areas: readonly Area[];
  readonly tool: Tool;
  readonly place: Place;
  readonly pixelsPerMm: number;
}) {
  const touching = tool === "lighter" || tool === "darker" || tool === "white";
  return (
    <>
      <defs>
        <marker id="tip" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="7" markerHeight="7" orient="auto">
          <path d="M0 0L8 4L0 8Z" fill="#000" stroke="#fff" strokeWidth="0.8" />
        </marker>
      </defs>
      {areas.map((area) => {
        const { growth, creases, kind } = formOf(area);
        const { touches, whites } = zonesOf(area);
        return (
          <g key={area.id}>
            {!touching && growth?.strokes.map((s, i) => <Line key={`s${i}`} d={pathOf(s, place)} arrow />)}
            {!touching &&
              growth?.partings.map((s, i) => <Line key={`p${i}`} d={pathOf(s, place)} dash="2 3" />)}
            {!touching &&
              kind === "folded" &&
              creases.map((s, i) => <Line key={`c${i}`} d={pathOf(s, place)} dash="6 3" />)}
            {!touching &&
              growth?.gathered.map((g, i) => {
                const [x, y] = place(g);
                return <circle key={`g${i}`} cx={x} cy={y} r="5" fill="#000" stroke="#fff" strokeWidth="2" />;
              })}
            {[
              ...touches.map((t) => ({ ...t, sign: t.by > 0 ? "−" : "+" })),
              ...whites.map((w) => ({ ...w, sign: "○" })),
            ].map(({ at, radius, sign }, i) => {
              const [x, y] = place(at);
              return (
                <g key={`t${i}`}>
                  <circle cx={x} cy={y} r={radius * pixelsPerMm} fill="none" stroke="#fff" strokeWidth="3" />
                  <circle
                    cx={x}
                    cy={y}
                    r={radius * pixelsPerMm}
                    fill="none"
                    stroke="#000"
                    strokeWidth="1.2"
                    strokeDasharray="3 3"
                  />
                  <text
                    x={x}
                    y={y}
                    textAnchor="middle"
                    dominantBaseline="central"
                    fontSize="15"
                    fontWeight="700"
                    fill="#000"
                    stroke="#fff"
                    strokeWidth="3"
                    paintOrder="stroke"
                  >
                    {sign}
                  </text>
                </g>
              );
            })}
          </g>
        );
      })}
    </>
  );
}
