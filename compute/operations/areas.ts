import { List, One, Optional, Within } from "@/border/fields";
import { PLANE, PlaneInput } from "@/border/pixels";
import { wrong } from "@/border/problem";
import { CUT, CutInput } from "@/border/set-up";
import type { Labels } from "@/core/picture/plane";
import { TooManyRegions, type Region, type Regions } from "@/core/picture/regions";
import { MOST_CUTS } from "@/core/piece/set-up";
import { regionsFor } from "../drawings";
import { operation } from "../operation";
import { planeBytes } from "../pictures";

export class AreasQuestion {
  @One(() => PlaneInput, PLANE) line!: PlaneInput;
  /** Size of a pixel on the sheet. */
  @Within(0.001, 50, "mm") mmPerPixel!: number;
  /** Widest gap in the line that is closed. */
  @Optional() @Within(0, 20, "mm") gap = 0.8;
  /** Smallest region that does not go to a neighbour. */
  @Optional() @Within(0, 1000, "mm²") speck = 1;
  @Optional() @List(() => CutInput, 0, MOST_CUTS, CUT) cuts: CutInput[] = [];
}

export interface FoundRegion {
  readonly id: number;
  readonly mm2: number;
  /** Left, top, and first column and row beyond it, pixels. */
  readonly box: readonly [number, number, number, number];
  readonly touches: readonly { readonly id: number; readonly mm: number }[];
  /** Width where it is widest, mm. */
  readonly width: number;
  /** It goes on to the picture's edge. */
  readonly outside: boolean;
  /** A pixel in its widest place. */
  readonly middle: readonly [number, number];
}

export interface AreasOutput {
  readonly labels: Labels;
  readonly areas: readonly FoundRegion[];
  readonly gaps: number;
  readonly specks: number;
}

/** Regions with their sizes on the sheet. */
export function measuredRegions({ regions, borders }: Regions, mmPerPixel: number): FoundRegion[] {
  const touches = new Map<number, { id: number; mm: number }[]>(regions.map((r) => [r.id, []]));
  for (const { a, b, length } of borders) {
    touches.get(a)!.push({ id: b, mm: length * mmPerPixel });
    touches.get(b)!.push({ id: a, mm: length * mmPerPixel });
  }
  return regions.map(({ id, pixels, box, reach, edge, middle }: Region) => ({
    id,
    mm2: pixels * mmPerPixel ** 2,
    box,
    touches: touches.get(id)!,
    width: 2 * reach * mmPerPixel,
    outside: edge > 0,
    middle,
  }));
}

/** Runs what finds regions, and says in words when there are too many. */
export function countable<T>(find: () => T, path: string): T {
  try {
    return find();
  } catch (e) {
    if (!(e instanceof TooManyRegions)) throw e;
    throw wrong(
      path,
      `expected line art: ${e.found} separate regions were found, more than can be told apart. Close wider gaps, merge larger specks, or take a cleaner picture`,
    );
  }
}

/** The areas between lines. */
export const areas = operation(AreasQuestion, ({ line, mmPerPixel, ...wish }): AreasOutput => {
  const { width, height } = line;
  const data = planeBytes(line.data, width * height, "line.data");
  const found = countable(() => regionsFor({ width, height, data }, { mmPerPixel, ...wish }), "line");
  return {
    labels: found.labels,
    areas: measuredRegions(found, mmPerPixel),
    gaps: found.gaps,
    specks: found.specks,
  };
});
