import type { Point } from "@/core/algebra/point";
import { homographyBetween, project, type Homography } from "@/core/algebra/homography";
import { LINEAR } from "@/core/colour/rgb";
import { marksOf, moduleBoxes, SHEETS, type SheetName } from "./layout";
import { findMarks, type FoundMark } from "./marks";
import { decodePage, type PageName } from "./page-code";
import type { Raster } from "./raster";
import { refuse } from "./refusal";

/** A page found in a picture: what it says of itself, and where its millimetres lie. */
export interface FoundPage extends PageName {
  /** Millimetres of the page to pixels of the picture. */
  readonly toPixels: Homography;
}

/** Marks that are tried in fours when there are more than four. */
const MOST_MARKS = 9;
/** Marks of one sheet seen aslant differ no more than this in size. */
const SIZES_APART = 2.6;

function* fours(marks: readonly FoundMark[]): Generator<readonly FoundMark[]> {
  const n = Math.min(MOST_MARKS, marks.length);
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++)
      for (let c = b + 1; c < n; c++)
        for (let d = c + 1; d < n; d++)
          if (marks[a]!.size < SIZES_APART * marks[d]!.size)
            yield [marks[a]!, marks[b]!, marks[c]!, marks[d]!];
}

/** Points in clockwise order as seen (y down). */
function clockwise(marks: readonly FoundMark[]): Point[] {
  const [cx, cy] = [marks.reduce((s, m) => s + m.x, 0) / 4, marks.reduce((s, m) => s + m.y, 0) / 4];
  return [...marks]
    .sort((p, q) => Math.atan2(p.y - cy, p.x - cx) - Math.atan2(q.y - cy, q.x - cx))
    .map((m) => [m.x, m.y] as const);
}

/** Mean light of a small patch round a point, green channel; NaN outside the picture. */
function lightAt({ width, height, rgb }: Raster, [x, y]: Point, reach: number): number {
  let [sum, count] = [0, 0];
  for (let yy = Math.round(y - reach); yy <= Math.round(y + reach); yy++)
    for (let xx = Math.round(x - reach); xx <= Math.round(x + reach); xx++) {
      if (xx < 0 || yy < 0 || xx >= width || yy >= height) return NaN;
      sum += LINEAR[rgb[3 * (yy * width + xx) + 1]!]!;
      count++;
    }
  return sum / count;
}

/** Reads the strip with the page lying as `toPixels` says. Levels follow a line from the first modules to the last ones. */
function readStrip(picture: Raster, toPixels: Homography, sheet: SheetName): PageName | undefined {
  const boxes = moduleBoxes(sheet);
  const levels = boxes.map(({ x, y, width, height }) => {
    const at = project(toPixels, x + width / 2, y + height / 2);
    const edge = project(toPixels, x + width * 0.7, y + height / 2);
    return lightAt(picture, at, Math.max(0, Math.hypot(edge[0] - at[0], edge[1] - at[1]) - 0.5));
  });
  if (levels.some(Number.isNaN)) return undefined;
  const last = levels.length - 1;
  const head = (levels[0]! + levels[1]!) / 2;
  const tail = (levels[last]! + levels[last - 1]!) / 2;
  return decodePage(levels.map((v, i) => v < head + ((tail - head) * i) / last));
}

/**
 * Finds the printed page in a picture, at any rotation.
 * @throws ChartRefused when no whole page can be found or it does not say what it is
 */
export function findPage(picture: Raster): FoundPage {
  const marks = findMarks(picture);
  for (const four of fours(marks)) {
    const corners = clockwise(four);
    for (let turn = 0; turn < 4; turn++) {
      const turned = corners.map((_, i) => corners[(i + turn) % 4]!);
      for (const sheet of Object.keys(SHEETS) as SheetName[]) {
        const toPixels = homographyBetween(marksOf(sheet), turned);
        const name = readStrip(picture, toPixels, sheet);
        if (name?.sheet === sheet) return { ...name, toPixels };
      }
    }
  }
  if (!marks.length) refuse("no chart");
  if (marks.length < 4)
    refuse("cut off", `${marks.length} of the 4 corner marks ${marks.length === 1 ? "is" : "are"} seen`);
  return refuse("no page code");
}
