import type { Point } from "@/core/chart/homography";
import { lampDirection } from "@/core/light/light";
import type { LightCommand } from "./lit";
import type { Piece } from "./piece";
import { rounded } from "./placing";

/** What has to be known of a drawing to lay a shadow under its figure. */
interface Drawn {
  readonly width: number;
  readonly height: number;
  readonly areas: readonly { readonly id: string; readonly box: readonly [number, number, number, number] }[];
  readonly regions: readonly { readonly id: number; readonly edge: number }[];
  readonly free: readonly number[];
}

/** Height of the shadow over its width, and how far it lies towards the side away from the light, in shares of its width. */
const [FLATNESS, ASIDE] = [0.16, 0.22] as const;
/** An area wider than this share of the drawing is a ground or a wall, no part of the figure. */
const GROUND = 0.8;
const POINTS = 14;

/**
 * An outline for the ground shadow of what stands in a drawing: a flat oval where the figure ends below, moved away from the light. It is cut
 * out of whatever it lies on, as an area of its own.
 * @returns nothing while no area is placed
 */
export function groundShadowOf(
  piece: Piece,
  { width, height, areas }: Drawn,
  id: string,
): LightCommand | undefined {
  const standing = areas.filter(({ box }) => box[2] - box[0] < GROUND);
  if (!standing.length) return undefined;
  const foot = Math.max(...standing.map((a) => a.box[3]));
  // What reaches down to within a tenth of the lowest stands on the ground.
  const feet = standing.filter((a) => a.box[3] > foot - 0.1);
  const [left, right] = [Math.min(...feet.map((a) => a.box[0])), Math.max(...feet.map((a) => a.box[2]))];
  const [lx] = lampDirection(piece.light.main);
  const wide = right - left;
  const rx = Math.min(0.48, wide * 0.58);
  const ry = Math.min(0.08, ((rx * width) / height) * FLATNESS * 2);
  const cx = Math.min(0.98 - rx, Math.max(0.02 + rx, (left + right) / 2 - lx * ASIDE * wide));
  const cy = Math.min(0.985 - ry, foot);
  const outline = Array.from({ length: POINTS }, (_, i): Point => {
    const a = (2 * Math.PI * i) / POINTS;
    return rounded([cx + rx * Math.cos(a), cy + ry * Math.sin(a)]);
  });
  const taken = new Set(piece.areas.map((a) => a.name));
  let name = "Ground shadow";
  for (let n = 2; taken.has(name); n++) name = `Ground shadow ${n}`;
  // Along its lower rim it is free of the figure.
  const at = [-0.5, 0, 0.5].map((s) => rounded([cx + s * rx, cy + 0.6 * ry]));
  return { type: "add ground shadow", id, name, outline, place: { at, mm2: 0, part: 0, width: 0 } };
}
