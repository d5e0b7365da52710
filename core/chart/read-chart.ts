import { project } from "@/core/algebra/homography";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { ALONG, evenness, levelsOf, middleOf, type BoxLevels } from "./cell";
import { deviceColour, type Reference } from "./device";
import { doubtsOf, confidenceOf, type Doubt } from "./doubts";
import { findPage, type FoundPage } from "./find-page";
import { stretchAt } from "@/core/algebra/homography";
import {
  layOutChart,
  MARK,
  marksOf,
  SHEETS,
  whiteBoxes,
  type Chart,
  type PageLayout,
  type PlacedCell,
  type PrintBox,
} from "./layout";
import { fitLight, type LightField } from "./light";
import { plateauOf, profileOf, type Profile } from "./profile";
import type { Raster } from "./raster";
import { refuse } from "./refusal";

/** A chart that a page may belong to. */
export interface KnownChart extends Chart {
  /** Bare paper it is coloured on, Lab (D65). */
  readonly paper: Lab;
  /** Colours on that paper that are known otherwise, as by a colorimeter; what the device's colour is fitted to. */
  readonly known: readonly { readonly stack: readonly string[]; readonly lab: Lab }[];
}

/** One cell as read. */
export interface CellReading extends Pick<
  PlacedCell,
  "line" | "place" | "stack" | "lift" | "meets" | "pressure"
> {
  /** Of a long cell, that of its right end. */
  readonly lab: Lab;
  /** Of a long cell: the colours along it. */
  readonly profile?: Profile;
  /** Mean ΔE00 within the cell. */
  readonly spread: number;
  /** Standard deviation of lightness within the cell, L*. */
  readonly streakiness: number;
  /** 0–1. */
  readonly confidence: number;
  readonly doubts: readonly Doubt[];
  /** Corners in pixels of the picture: upper left, upper right, lower right, lower left on the page. */
  readonly corners: readonly (readonly [number, number])[];
}

export interface ReadPage {
  readonly serial: number;
  readonly page: number;
  readonly pages: number;
  /** Size in pixels of the picture that was read. */
  readonly width: number;
  readonly height: number;
  readonly cells: readonly CellReading[];
  /** Known colours the device was fitted to; 0 when only white was set. */
  readonly references: number;
  /** Median ΔE00 to be expected of colours that are not among them; undefined when only white was set. */
  readonly expectedError?: number | null | undefined;
  /** Corner marks in pixels of the picture, in the order of the page. */
  readonly marks: readonly (readonly [number, number])[];
  /** Pixels of the picture a millimetre where the page is furthest. */
  readonly pixelsPerMm: number;
  /** Root mean square of what the light field leaves over on white cells (ratio − 1). */
  readonly lightResidual: number;
}

const FEWEST_PIXELS_PER_MM = 2.2;
/** How far the dot, gap and ring of a mark must still differ: 1 when sharp, 0 when all is one grey. */
const LEAST_MODULATION = 0.5;
const WHITE_OVER = 0.3;
const [MOST_OVER, MOST_GLARING] = [0.6, 0.22];
/** Linear level of white below which noise and the steps of 8 bits spoil dark colours. */
const DARKEST_WHITE = 0.1;
const [MOST_LIGHT_RESIDUAL, MOST_STRAYS] = [0.02, 0.3];
/** How far, in mm, glare on a white cell throws doubt on its neighbours. */
const GLARE_REACH = 16;
const MOST_DOUBTFUL_BY_GLARE = 0.25;

/**
 * Reads one page of a chart from a picture; yields its progress (0–1).
 * @param asked serial of the chart the page must belong to, if only one will do
 * @throws ChartRefused when the picture cannot be trusted; nothing is read then
 */
export function* readChart(
  picture: Raster,
  charts: readonly KnownChart[],
  asked?: number,
): Generator<number, ReadPage> {
  yield 0.02;
  const found = findPage(picture);
  yield 0.5;
  const chart = charts.find((c) => c.serial === found.serial);
  if (asked !== undefined && found.serial !== asked)
    refuse(
      "wrong page",
      `it says chart ${found.serial}, page ${found.page + 1}; asked for was chart ${asked}`,
    );
  if (!chart) return refuse("unknown chart", `it says chart ${found.serial}, page ${found.page + 1}`);
  const layout = chart.sheet === found.sheet ? layOutChart(chart)[found.page] : undefined;
  if (!layout)
    return refuse("unknown chart", `chart ${found.serial} has no page ${found.page + 1} on ${found.sheet}`);
  const pixelsPerMm = resolutionOf(found);
  if (pixelsPerMm < FEWEST_PIXELS_PER_MM)
    refuse(
      "too small",
      `${pixelsPerMm.toFixed(1)} pixels a millimetre where it is furthest; ${FEWEST_PIXELS_PER_MM} are needed`,
    );
  checkSharp(picture, found);
  const { field, glaring } = lightOver(picture, found);
  yield 0.6;
  const read = layout.cells.map((cell) => ({
    cell,
    levels: levelsOf(picture, found.toPixels, cell.box, cell.meets && ALONG),
  }));
  yield 0.8;
  const cells = judge(read, layout, chart, field, glaring, found);
  return {
    serial: found.serial,
    page: found.page,
    pages: layout.pages,
    width: picture.width,
    height: picture.height,
    ...cells,
    marks: marksOf(found.sheet).map(([x, y]) => project(found.toPixels, x, y)),
    pixelsPerMm,
    lightResidual: field.residual,
  };
}

const resolutionOf = ({ toPixels, sheet }: FoundPage) =>
  Math.min(...marksOf(sheet).map(([x, y]) => stretchAt(toPixels, x, y).least));

/** Mean green level on a circle round a point of the page, radius in mm. */
function circle(
  picture: Raster,
  { toPixels }: FoundPage,
  [x, y]: readonly [number, number],
  radius: number,
): number {
  let [sum, count] = [0, 0];
  for (let i = 0; i < 24; i++) {
    const [px, py] = project(
      toPixels,
      x + radius * Math.cos((i * Math.PI) / 12),
      y + radius * Math.sin((i * Math.PI) / 12),
    );
    const at = 3 * (Math.round(py) * picture.width + Math.round(px)) + 1;
    const v = picture.rgb[at];
    if (v === undefined) continue;
    sum += v;
    count++;
  }
  return sum / Math.max(1, count);
}

function checkSharp(picture: Raster, found: FoundPage): void {
  const modulation = marksOf(found.sheet).map((mark) => {
    const [gap, ring, paper] = [
      (MARK.dot + MARK.inner) / 2,
      (MARK.inner + MARK.outer) / 2,
      MARK.outer + 2,
    ].map((r) => circle(picture, found, mark, r));
    return (gap! - ring!) / Math.max(1, paper! - ring!);
  });
  const worst = Math.min(...modulation);
  if (worst < LEAST_MODULATION)
    refuse(
      "blurred",
      `the ring marks keep ${Math.round(100 * Math.max(0, worst))} % of their contrast; ${Math.round(100 * LEAST_MODULATION)} % are needed`,
    );
}

/** Place on the page from −1 to 1 each way. */
const placeOn = ({ sheet }: FoundPage, x: number, y: number) => ({
  x: (2 * x) / SHEETS[sheet].width - 1,
  y: (2 * y) / SHEETS[sheet].height - 1,
});
const middle = (b: PrintBox) => [b.x + b.width / 2, b.y + b.height / 2] as const;

function lightOver(picture: Raster, found: FoundPage): { field: LightField; glaring: readonly PrintBox[] } {
  const boxes = whiteBoxes(found.sheet);
  const seen = boxes.flatMap((box) => {
    const levels = levelsOf(picture, found.toPixels, box);
    return levels ? [{ box, levels }] : [];
  });
  const over = seen.filter((w) => w.levels.over > WHITE_OVER);
  if (over.length > MOST_OVER * seen.length)
    refuse("too bright", `${over.length} of ${seen.length} white cells are at the end of the scale`);
  if (over.length > MOST_GLARING * seen.length)
    refuse("glare", `${over.length} of ${seen.length} white cells are at the end of the scale`);
  const good = seen.filter((w) => w.levels.over <= WHITE_OVER);
  const samples = good.map(({ box, levels }) => ({
    ...placeOn(found, ...middle(box)),
    rgb: middleOf(levels.blocks).map((v) => Math.max(1e-4, v)) as unknown as Xyz,
  }));
  const white = samples.map((s) => s.rgb[1]).sort((a, b) => a - b)[samples.length >> 1] ?? 0;
  if (white < DARKEST_WHITE)
    refuse(
      "too dark",
      `white stands at ${Math.round(100 * white)} % of the scale; ${100 * DARKEST_WHITE} % are needed`,
    );
  const field = fitLight(samples);
  if (field.residual > MOST_LIGHT_RESIDUAL || field.strays.length > MOST_STRAYS * seen.length)
    refuse(
      "uneven light",
      `white cells differ by ${(100 * field.residual).toFixed(1)} % from an even fall of light, ${field.strays.length} of ${seen.length} by much more`,
    );
  return {
    field,
    glaring: [
      ...over.map((w) => w.box),
      ...field.strays.filter((s) => s.by > 0).map((s) => good[s.cell]!.box),
    ],
  };
}

type Levels = { readonly cell: PlacedCell; readonly levels: BoxLevels | undefined };

/** Levels relative to bare paper under the same light. */
function relative(levels: BoxLevels, field: LightField, found: FoundPage): Xyz[] {
  return levels.blocks.map((rgb, i) => {
    const { x, y } = placeOn(found, ...levels.places[i]!);
    const white = field.at(x, y);
    return [rgb[0] / white[0], rgb[1] / white[1], rgb[2] / white[2]];
  });
}

const keyOf = (stack: readonly string[]) => stack.join("\n");

function judge(
  read: readonly Levels[],
  layout: PageLayout,
  chart: KnownChart,
  field: LightField,
  glaring: readonly PrintBox[],
  found: FoundPage,
): Pick<ReadPage, "cells" | "references" | "expectedError"> {
  const known = new Map(chart.known.map((k) => [keyOf(k.stack), k.lab]));
  const seen = read.flatMap(({ cell, levels }) =>
    levels ? [{ cell, levels, blocks: relative(levels, field, found) }] : [],
  );
  if (seen.length < layout.cells.length)
    refuse("cut off", `${layout.cells.length - seen.length} cells lie outside the picture`);
  const knownAs = ({ lift, meets, pressure, stack }: PlacedCell) =>
    lift || meets || pressure ? undefined : known.get(keyOf(stack));
  const glares = ({ x, y }: PrintBox) => glaring.some((g) => Math.hypot(g.x - x, g.y - y) < GLARE_REACH);
  const references = seen.flatMap(({ cell, levels, blocks }): Reference[] => {
    const lab = knownAs(cell);
    return lab && !levels.over && !glares(cell.box) ? [{ rgb: middleOf(blocks), lab }] : [];
  });
  const device = deviceColour(chart.paper, references);
  const plain = seen.map(({ cell, levels, blocks }) => {
    if (cell.meets) {
      const [left, right] = (["left", "right"] as const).map((end) => plateauOf(blocks, end, device.toLab));
      const streakiness = Math.max(left!.streakiness, right!.streakiness);
      return {
        cell,
        levels,
        ...right!,
        streakiness,
        bare: left!.lab,
        profile: profileOf(blocks, cell.box, device.toLab),
      };
    }
    const lab = device.toLab(middleOf(blocks));
    return {
      cell,
      levels,
      lab,
      bare: lab,
      profile: undefined,
      ...evenness(blocks.map(device.toLab), lab),
    };
  });
  const cells = plain.map((own): CellReading => {
    const fewer = plain.find(
      (p) =>
        p.cell.line === own.cell.line &&
        !p.cell.lift &&
        !p.cell.meets &&
        !p.cell.pressure &&
        p.cell.stack.length === own.cell.stack.length - 1 &&
        p.cell.stack.every((c) => c === own.cell.stack[0]),
    );
    const doubts = doubtsOf({
      ...own,
      over: own.levels.over,
      glare: glares(own.cell.box),
      lift: own.cell.lift ?? false,
      fromPaper: deltaE00(own.bare, chart.paper),
      oneCoatLess: !own.cell.meets && new Set(own.cell.stack).size === 1 ? fewer?.lab : undefined,
      known: knownAs(own.cell),
    });
    const { x, y, width, height } = own.cell.box;
    const corners = (
      [
        [x, y],
        [x + width, y],
        [x + width, y + height],
        [x, y + height],
      ] as const
    ).map(([cx, cy]) => project(found.toPixels, cx, cy));
    const { line, place, stack, lift, meets, pressure } = own.cell;
    return {
      line,
      place,
      stack,
      ...(lift && { lift }),
      ...(pressure && { pressure }),
      ...(meets && { meets, profile: own.profile }),
      lab: own.lab,
      spread: own.spread,
      streakiness: own.streakiness,
      confidence: confidenceOf(own, doubts),
      doubts,
      corners,
    };
  });
  const glared = cells.filter((c) => c.doubts.some((d) => d.kind === "glare")).length;
  if (glared > MOST_DOUBTFUL_BY_GLARE * cells.length) refuse("glare", `${glared} of ${cells.length} cells`);
  return { cells, references: device.references, expectedError: device.expectedError };
}
