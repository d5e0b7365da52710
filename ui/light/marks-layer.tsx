import { isStroke, type Mark } from "@/core/media/mark";
import { markedLayers } from "@/core/piece/marked";
import type { Area } from "@/core/piece/piece";

type Place = (at: readonly [number, number]) => readonly [number, number];

/** One mark, as it will be set or as a sign of where it is. */
function Shape({
  mark,
  place,
  pixelsPerMm,
  colour,
  ring,
}: {
  readonly mark: Mark;
  readonly place: Place;
  readonly pixelsPerMm: number;
  readonly colour?: string;
  /** Drawn around it instead: what is chosen, or proposed. */
  readonly ring?: "chosen" | "proposed";
}) {
  const wide = Math.max(1, mark.width * pixelsPerMm);
  const points = mark.points.map(place);
  const [x, y] = points[0]!;
  const d = points.map((p, i) => `${i ? "L" : "M"}${p.join(" ")}`).join("");
  if (ring) {
    const dash = ring === "proposed" ? "4 3" : undefined;
    const seen = (width: number, stroke: string, dashes?: string) =>
      points.length > 1 ? (
        <path
          d={d}
          fill="none"
          stroke={stroke}
          strokeWidth={width}
          strokeDasharray={dashes}
          strokeLinecap="round"
        />
      ) : (
        <circle
          cx={x}
          cy={y}
          r={wide / 2 + 4}
          fill="none"
          stroke={stroke}
          strokeWidth={width}
          strokeDasharray={dashes}
        />
      );
    return (
      <>
        {seen(4, "#fff")}
        {seen(1.8, "#000", dash)}
      </>
    );
  }
  return isStroke(mark.kind) && points.length > 1 ? (
    <path d={d} fill="none" stroke={colour} strokeWidth={wide} strokeLinecap="round" strokeLinejoin="round" />
  ) : (
    <circle cx={x} cy={y} r={wide / 2} fill={colour} />
  );
}

/** What is set at its spot on the areas of a piece: drawn where the picture does not show it yet, ringed where it is chosen or proposed. */
export function MarksLayer({
  areas,
  drawn,
  chosen,
  proposed,
  colourOf,
  place,
  pixelsPerMm,
}: {
  readonly areas: readonly Area[];
  readonly drawn: boolean;
  readonly chosen: Mark | undefined;
  readonly proposed: readonly Mark[];
  readonly colourOf: (code: string) => string;
  readonly place: Place;
  readonly pixelsPerMm: number;
}) {
  const of = { place, pixelsPerMm };
  return (
    <g data-testid="marks">
      {drawn &&
        areas.flatMap((area) =>
          markedLayers(area).flatMap(({ at, layer }) =>
            layer.marks.map((mark, i) => (
              <Shape key={`${area.id} ${at} ${i}`} mark={mark} colour={colourOf(layer.code)} {...of} />
            )),
          ),
        )}
      {proposed.map((mark, i) => (
        <Shape key={`p${i}`} mark={mark} ring="proposed" {...of} />
      ))}
      {chosen && <Shape mark={chosen} ring="chosen" {...of} />}
    </g>
  );
}
