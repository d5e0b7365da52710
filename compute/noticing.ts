import type { SheetInput } from "@/border/sheet";
import { chroma, hue, hueTurn, type Lab } from "@/core/colour/lab";
import type { SeenArea } from "@/core/colouring/look-over";
import type { ToneMap, ToneWish } from "@/core/colouring/tone-map";
import { inkPasses } from "@/core/course/laid-passes";
import type { GroupTarget } from "@/core/group/goal";
import { fadeOf } from "@/core/ink/fade";
import { reachOn } from "@/core/ink/reach";
import { reads } from "@/core/shadow/monochrome";
import type { OpenDesk } from "./desk";
import type { ShownArea } from "./laid-areas";

/** A border shorter than this is a touch of corners, mm; and the share of one that has to run together to be told. */
const [SHORTEST, MUCH] = [4, 0.4] as const;
/** mm² of a highlight that a nib can hardly lay; of areas larger than so many mm². */
export const SMALL = 3;
const OF_LARGE = 60;
/** L* by which a highlight is covered. */
export const COVERED = 7;

/** Whether two areas run together along so much of a border that it is told. */
export const isMerging = (mm: number, share: number): boolean => mm > SHORTEST && share > MUCH;

/** Whether the lightest tone of an area has hardly any room. @param lightest mm² of it */
export function isCramped(
  { borders, wish }: Pick<ShownArea, "borders"> & { readonly wish: ToneWish },
  map: ToneMap,
  place: number,
  lightest: number,
  mmPerPixel: number,
): boolean {
  const pixels = map.counts.subarray(place * 256, place * 256 + 256).reduce((s, n) => s + n, 0);
  const tones = borders.length - 1;
  return tones > 2 && pixels * mmPerPixel ** 2 > OF_LARGE && lightest < SMALL && wish.whites.length === 0;
}

/** L* by which the light end of an area is darker than the light that was picked; 0 where none was, and where a spot stays white for it. */
export const darkerBy = (
  { light }: GroupTarget,
  { ends }: SeenArea,
  { whites }: Pick<ToneWish, "whites">,
): number => (light && !whites.length ? light[0] - ends[0][0] : 0);

/** How far the hue of a shadow is held by its underlay, degrees; undefined when the cover reads as itself, or there is no underlay. */
export function paleCover(
  open: OpenDesk,
  { passes, laid }: Pick<ShownArea, "passes" | "laid">,
  sheet: SheetInput,
): number | undefined {
  const under = passes.filter((p) => p.role === "underlay" || p.role === "undertone");
  if (!under.length) return undefined;
  const { desk } = open;
  const t = (Math.max(...under.map((p) => p.from)) + 1) / 2;
  const cover = fadeOf(
    desk,
    inkPasses(
      passes.filter((p) => !under.includes(p)),
      open.find,
    ),
    reachOn(desk, sheet),
  ).at(t, 0);
  const seen: Lab = laid.at(t, 0);
  return reads(cover, seen) || chroma(cover) < 4 ? undefined : Math.abs(hueTurn(hue(cover), hue(seen)));
}
