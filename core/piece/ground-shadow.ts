import type { Point } from "@/core/algebra/point";
import { lampDirection } from "@/core/light/light";
import type { LightCommand } from "./lit";
import type { Piece } from "./piece";
import { rounded } from "./placing";

/** What has to be known of a drawing to lay a shadow under something in it. */
interface Drawn {
  readonly width: number;
  readonly height: number;
  readonly areas: readonly {
    readonly id: string;
    readonly mm2: number;
    readonly box: readonly [number, number, number, number];
  }[];
}

/** Half of its width over that of what stands, its height over its width, and how far it lies away from the light, in widths. */
const [WIDE, FLATNESS, ASIDE] = [0.66, 0.2, 0.2] as const;
/** An area wider than this share of the drawing is a ground or a wall, and stands on nothing. */
const GROUND = 0.8;
/** How far within what stands the outline begins and ends, in shares of its height and width. */
const [WITHIN, APART] = [0.12, 0.06] as const;
const POINTS = 13;

/**
 * An outline for the ground shadow of some areas: it leaves them near the middle of their foot, runs round below, away from the light, and comes
 * back, so that the ground alone is parted and nothing that stands on it.
 * @param chosen ids of what throws it; the largest thing that stands somewhere when there are none
 * @returns nothing while no such area is placed
 */
export function groundShadowOf(
  piece: Piece,
  { width, height, areas }: Drawn,
  chosen: ReadonlySet<string>,
  id: string,
): LightCommand | undefined {
  const standing = areas.filter(({ box }) => box[2] - box[0] < GROUND && box[3] < 0.99);
  const said = areas.filter((a) => chosen.has(a.id));
  const largest = standing.reduce<Drawn["areas"][number] | undefined>(
    (best, a) => (!best || a.mm2 > best.mm2 ? a : best),
    undefined,
  );
  const throwing = said.length ? said : largest ? [largest] : [];
  if (!throwing.length) return undefined;
  const foot = Math.max(...throwing.map((a) => a.box[3]));
  const [left, right] = [
    Math.min(...throwing.map((a) => a.box[0])),
    Math.max(...throwing.map((a) => a.box[2])),
  ];
  const tall = foot - Math.min(...throwing.map((a) => a.box[1]));
  const wide = right - left;
  const middle = (left + right) / 2;
  const [lx] = lampDirection(piece.light.main);
  const rx = wide * WIDE;
  const ry = Math.max(0.012, Math.min(0.09, (rx * width * FLATNESS) / height));
  const clamp = (v: number) => Math.min(0.995, Math.max(0.005, v));
  const cx = middle - lx * ASIDE * wide;
  // Round below from its left end to its right one.
  const round = Array.from({ length: POINTS }, (_, i): Point => {
    const a = Math.PI * (1.08 - (1.16 * i) / (POINTS - 1));
    return [clamp(cx + rx * Math.cos(a)), clamp(foot + ry * Math.sin(a) * 1.4)];
  });
  const begin: Point = [middle - APART * wide, foot - WITHIN * tall];
  const end: Point = [middle + APART * wide, foot - WITHIN * tall];
  const outline = [begin, ...round, end].map(rounded);
  const taken = new Set(piece.areas.map((a) => a.name));
  let name = "Ground shadow";
  for (let n = 2; taken.has(name); n++) name = `Ground shadow ${n}`;
  const at = [rounded([clamp(cx), clamp(foot + ry * 0.7)])];
  return { type: "add ground shadow", id, name, outline, place: { at, mm2: 0, part: 0, width: 0 } };
}
