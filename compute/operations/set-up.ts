import type { Point } from "@/core/algebra/point";
import { List, One, Optional, Text } from "@/border/fields";
import { MOST_AREAS } from "@/border/piece";
import { PIXELS, PixelsInput } from "@/border/pixels";
import { DrawnInput, Points } from "@/border/set-up";
import { areaMap, type AreaMap, regionAt } from "@/core/picture/area-map";
import { outlinesOf } from "@/core/picture/contour";
import type { Bytes } from "@/core/picture/plane";
import type { Corners } from "@/core/picture/rectify";
import { stackingOf, type Stacking } from "@/core/picture/stacking";
import type { Work } from "@/core/progress";
import { drawingFor, lineFor, type Drawing } from "../drawings";
import { hashOf } from "../hash";
import { operation } from "../operation";
import { pixelsOf } from "../pictures";
import { countable } from "./areas";
import { CLAIM, ClaimInput } from "./read-areas";

/** Names that a drawing's own file gives to its shapes. */
class HintInput {
  @Text(80, 1) name!: string;
  @Points(1, 60) at!: [number, number][];
}

const MOST_HINTS = 800;

export class SetUpQuestion extends DrawnInput {
  @One(() => PixelsInput, PIXELS) image!: PixelsInput;
  @Optional() @List(() => ClaimInput, 0, MOST_AREAS, CLAIM) claims: ClaimInput[] = [];
  @Optional() @List(() => HintInput, 0, MOST_HINTS, '{"name","at"}') hints: HintInput[] = [];
}

/** A region as it is shown. */
export interface ShownRegion {
  readonly id: number;
  /** Its outlines as an SVG path in pixels of the drawing. */
  readonly path: string;
  readonly mm2: number;
  readonly width: number;
  /** Middle of its widest place, shares of the drawing. */
  readonly middle: Point;
  /** Share of the picture's edge that it lies along. */
  readonly edge: number;
  /** What the drawing's file calls it. */
  readonly name?: string;
}

export interface SetUpOutput extends Omit<AreaMap, "owner"> {
  /** Names the drawing for {@link readAreas}. */
  readonly drawing: string;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
  readonly mmPerPixel: number;
  /** How far each pixel is covered by line. */
  readonly line: Bytes;
  /** Share of the drawing that is line; light of its paper, linear. */
  readonly share: number;
  readonly paper: readonly [number, number, number];
  readonly regions: readonly ShownRegion[];
  readonly gaps: number;
  readonly specks: number;
  readonly stacking: Stacking;
}

/** How far a drawn outline may leave the pixels' edges, pixels. */
const TOLERANCE = 0.8;

const pathOf = (outline: readonly (readonly Point[])[]): string =>
  outline.map((ring) => `M${ring.map(([x, y]) => `${x} ${y}`).join("L")}Z`).join("");

/** What the drawing's file calls each region: the name with most points in it. */
function namesOf({ found }: Drawing, hints: readonly HintInput[]): Map<number, string> {
  const votes = new Map<number, Map<string, number>>();
  for (const { name, at } of hints)
    for (const p of at) {
      const region = regionAt(found, p);
      if (!region) continue;
      const names = votes.get(region) ?? new Map<string, number>();
      votes.set(region, names.set(name, (names.get(name) ?? 0) + 1));
    }
  return new Map([...votes].map(([r, names]) => [r, [...names].sort((a, b) => b[1] - a[1])[0]![0]]));
}

function* setUpOf(question: SetUpQuestion): Work<SetUpOutput> {
  const { image, kind, corners, aspect, width, coarser, hints, claims, gap, speck, cuts } = question;
  yield 0.02;
  // A picture that came along has no handle: its bytes are its name.
  const handle = image.picture ?? hashOf(image.data);
  const picture = () => pixelsOf(image, "image");
  const wish = { handle, kind, corners: corners as Corners | null, aspect, coarser };
  const line = lineFor(wish, picture);
  yield 0.4;
  const drawing = countable(() => drawingFor(wish, { width, gap, speck, cuts }, picture), "image");
  yield 0.8;
  const { found, mmPerPixel } = drawing;
  const { owner, ...map } = areaMap(found, claims, mmPerPixel);
  const names = namesOf(drawing, hints);
  const { width: w, height: h } = found.labels;
  const round = 2 * (w + h) - 4;
  const outlines = outlinesOf(found.labels, found.regions.length, TOLERANCE);
  yield 0.9;
  return {
    drawing: drawing.key,
    width: w,
    height: h,
    mmPerPixel,
    line: line.coverage,
    share: line.share,
    paper: line.paper,
    regions: found.regions.map((r) => ({
      id: r.id,
      path: pathOf(outlines[r.id]!),
      mm2: r.pixels * mmPerPixel ** 2,
      width: 2 * r.reach * mmPerPixel,
      middle: [(r.middle[0] + 0.5) / w, (r.middle[1] + 0.5) / h],
      edge: r.edge / round,
      ...(names.has(r.id) && { name: names.get(r.id)! }),
    })),
    gaps: found.gaps,
    specks: found.specks,
    stacking: stackingOf(found.labels, { owner, ...map }, mmPerPixel),
    ...map,
  };
}

/** The areas of a drawing: its line, its regions with their outlines, and which of them make up which area. */
export const setUp = operation(SetUpQuestion, setUpOf);
