import { Numbers, One, Optional, Whole } from "@/border/fields";
import { IMAGE, ImageInput } from "@/border/image";
import { wrong } from "@/border/problem";
import { findPatches as find, snapToPatches } from "@/core/picture/find-patches";
import { MOST_PATCHES, MOST_SIDE, type At } from "@/core/picture/patch-grid";
import type { Work } from "@/core/progress";
import { operation } from "../operation";
import { rasterOf } from "../pictures";

class PointedInput {
  /** Middles of the first patch, of the last one in its row, and of the very last, in shares of the picture. */
  @Numbers(2, -0.5, 1.5) first!: [number, number];
  @Numbers(2, -0.5, 1.5) rowEnd!: [number, number];
  @Numbers(2, -0.5, 1.5) last!: [number, number];
  @Whole(1, MOST_SIDE) rows!: number;
  @Whole(1, MOST_SIDE) columns!: number;
}

export class FindPatchesQuestion {
  @One(() => ImageInput, IMAGE) image!: ImageInput;
  /** Where somebody pointed: the grid is moved from there onto the patches. Left out, patches are looked for everywhere. */
  @Optional()
  @One(() => PointedInput, 'expected {"first","rowEnd","last","rows","columns"}')
  pointed?: PointedInput;
}

export interface FindPatchesOutput {
  /** Null where nothing lies in rows and columns, or nothing near where somebody pointed. */
  readonly found: {
    readonly rows: number;
    readonly columns: number;
    /** Row by row, in shares of the picture. */
    readonly middles: readonly At[];
    /** Side of the square to be read in each, pixels of the picture. */
    readonly side: number;
    /** How many patches were seen themselves; the others lie where the grid says. */
    readonly seen: number;
    /** Places of bare paper, the lightest first; none where none is sure. */
    readonly bare: readonly At[];
  } | null;
}

function* findPatchesOf({ image, pointed }: FindPatchesQuestion): Work<FindPatchesOutput> {
  const raster = rasterOf(image, "image");
  if (pointed && pointed.rows * pointed.columns > MOST_PATCHES)
    throw wrong(
      "pointed",
      `expected at most ${MOST_PATCHES} patches, found ${pointed.rows * pointed.columns}`,
    );
  const found = pointed ? yield* snapToPatches(raster, pointed) : yield* find(raster);
  if (!found) return { found: null };
  const { rows, columns, grid, seen, bare } = found;
  return { found: { rows, columns, ...grid, seen, bare } };
}

/** Patches of a swatch sheet in a photo, in rows and columns: found by themselves, or from where somebody pointed. */
export const findPatches = operation(FindPatchesQuestion, findPatchesOf);
