import type { Point } from "@/core/algebra/point";
import { finish } from "@/core/media/finish";
import type { FinishLayer } from "@/core/media/layer";
import { MOST_MARKS, type Mark } from "@/core/media/mark";
import { inOrder } from "@/core/media/registry";
import type { Area } from "./piece";

type Marked = FinishLayer & { readonly marks: readonly Mark[] };

/** A mark of an area, by the place of its layer and its place there. */
export interface MarkAt {
  readonly layer: number;
  readonly at: number;
}

/** Layers of an area that set something at its spot, with their places among its layers. */
export const markedLayers = ({
  layers,
}: Pick<Area, "layers">): { readonly at: number; readonly layer: Marked }[] =>
  layers.flatMap((layer, at) =>
    layer.medium === "finish" && layer.marks?.length ? [{ at, layer: layer as Marked }] : [],
  );

/** Why no more of a code can be set in an area; undefined where it can. */
export function noRoom(area: Area, code: string, more = 1): "marks" | "layers" | undefined {
  const finishers = area.layers.filter((l): l is FinishLayer => l.medium === "finish");
  const own = finishers.find((l) => l.code === code);
  if (own) return (own.marks?.length ?? 0) + more > MOST_MARKS ? "marks" : undefined;
  return finishers.length >= finish.most ? "layers" : undefined;
}

/** The area with marks of a code set in it: with those that are there, or where something of that code was to be set somewhere; else in a layer of their own. As it is where there is no room. */
export function withMarks(area: Area, code: string, marks: readonly Mark[]): Area {
  if (!marks.length || noRoom(area, code, marks.length)) return area;
  const at = area.layers.findIndex((l) => l.medium === "finish" && l.code === code);
  const known = area.layers[at] as FinishLayer | undefined;
  const layer: FinishLayer = known
    ? { ...known, marks: [...(known.marks ?? []), ...marks] }
    : { medium: "finish", code, place: "light", marks };
  return {
    ...area,
    layers: known ? area.layers.map((l, i) => (i === at ? layer : l)) : inOrder([...area.layers, layer]),
  };
}

/** The area with the marks of a layer changed; one that keeps none goes. */
export function remarked(area: Area, at: number, change: (marks: readonly Mark[]) => readonly Mark[]): Area {
  const layer = area.layers[at];
  if (layer?.medium !== "finish" || !layer.marks) return area;
  const marks = change(layer.marks);
  return {
    ...area,
    layers: marks.length
      ? area.layers.map((l, i) => (i === at ? { ...layer, marks } : l))
      : area.layers.filter((_, i) => i !== at),
  };
}

const inside = (v: number): number => Math.min(1, Math.max(0, Math.round(v * 1e5) / 1e5));

/** A mark moved by shares of the drawing; it stays on the drawing as a whole. */
export function movedMark(mark: Mark, [dx, dy]: Point): Mark {
  const xs = mark.points.map(([x]) => x);
  const ys = mark.points.map(([, y]) => y);
  const x = Math.min(1 - Math.max(...xs), Math.max(-Math.min(...xs), dx));
  const y = Math.min(1 - Math.max(...ys), Math.max(-Math.min(...ys), dy));
  return { ...mark, points: mark.points.map(([u, v]): Point => [inside(u + x), inside(v + y)]) };
}

/** A mark mirrored left to right about an upright line at a share of the drawing's width. */
export const mirroredMark = (mark: Mark, axis: number): Mark => ({
  ...mark,
  points: mark.points.map(([x, y]): Point => [inside(2 * axis - x), y]),
});

/** The mark of an area nearest to a place, within `reach` mm of its edge. */
export function markNear(
  area: Area,
  [x, y]: Point,
  { width, height, reach }: { readonly width: number; readonly height: number; readonly reach: number },
): MarkAt | undefined {
  let best: MarkAt | undefined;
  let least = reach;
  for (const {
    at: layer,
    layer: { marks },
  } of markedLayers(area))
    marks.forEach((mark, at) => {
      const points = mark.points.map(([u, v]) => [(u - x) * width, (v - y) * height] as const);
      points.forEach(([px, py], i) => {
        const [qx, qy] = points[Math.min(i + 1, points.length - 1)]!;
        const [dx, dy] = [qx - px, qy - py];
        const long = dx * dx + dy * dy;
        const t = long ? Math.min(1, Math.max(0, -(px * dx + py * dy) / long)) : 0;
        const off = Math.hypot(px + t * dx, py + t * dy) - mark.width / 2;
        if (off < least) {
          least = off;
          best = { layer, at };
        }
      });
    });
  return best;
}
