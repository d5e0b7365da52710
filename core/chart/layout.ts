import type { Pressure } from "@/core/pencil/tooth";
import { encodePage, MODULES } from "./page-code";

/** Printable sheets, in mm. */
export const SHEETS = { A4: { width: 210, height: 297 }, Letter: { width: 215.9, height: 279.4 } } as const;
export type SheetName = keyof typeof SHEETS;

/** A rectangle on the page in mm; x to the right and y down from the upper left corner. */
export interface PrintBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * How two layings meet in the middle of a long cell: the second over the right half while the first is wet; the second first, on the right
 * half, and the first over all of it while that is wet; the second over the right half once the first is dry; the blender over the right
 * half once it is dry.
 */
export const MEETINGS = [
  "dark over wet light",
  "light over wet dark",
  "dark over dry light",
  "lifted",
] as const;
export type Meeting = (typeof MEETINGS)[number];

/** Most coats of either of two layings that meet: more tell nothing of how they run. */
export const MOST_MEETING = 3;

/** What is to be laid into a cell. */
export interface ChartCell {
  /** Codes bottom to top, one entry a coat. */
  readonly stack: readonly string[];
  /** The colourless blender goes over it once, when it is dry. */
  readonly lift?: true;
  /** How hard the pencils in it are pressed; left out where there are none, or at a middling pressure. */
  readonly pressure?: Pressure;
  /** The cell is as long as two, and in its middle something else begins: codes, one entry a coat, none for the blender. */
  readonly meets?: { readonly how: Meeting; readonly over: readonly string[] };
}

/** One line of a chart: a label and up to four cells, of which a long one takes two places. */
export interface ChartLine {
  readonly label: string;
  readonly cells: readonly ChartCell[];
}

/** A swatch chart before it is laid out on pages. `serial` (1–65535) is printed into every page. */
export interface Chart {
  readonly serial: number;
  readonly sheet: SheetName;
  readonly lines: readonly ChartLine[];
}

export interface PlacedCell extends ChartCell {
  /** Line of the chart and place within it, both from 0. */
  readonly line: number;
  readonly place: number;
  readonly box: PrintBox;
}

export interface PageLayout {
  /** From 0. */
  readonly page: number;
  readonly pages: number;
  readonly sheet: SheetName;
  readonly cells: readonly PlacedCell[];
  readonly labels: readonly { readonly text: string; readonly x: number; readonly y: number }[];
  /** Black modules of the page code. */
  readonly code: readonly PrintBox[];
}

/** Registration mark: a ring round a dot, radii in mm, and how far its middle lies from both edges. */
export const MARK = { outer: 5, inner: 3.2, dot: 1.7, inset: 12 } as const;
/** Page code: width of a module, height of the strip and its middle line. */
export const STRIP = { module: 4, height: 5, y: MARK.inset } as const;

export const CELLS_A_LINE = 4;
const CELL = { width: 12.4, height: 9, pitch: 14 } as const;
const WHITE = { width: 4, pitch: 5.2, height: 8 } as const;
const LABEL = 22;
const ROW = 11.4;
const FIRST_ROW = 37;
const FOOT = 24;
const BLOCKS = 2;
/** Width of a block: white, label, two cells, white, two cells. */
const BLOCK = LABEL + CELLS_A_LINE * CELL.pitch + 2 * WHITE.pitch;

/** Middles of the registration marks: upper left, upper right, lower right, lower left. */
export function marksOf(sheet: SheetName): readonly (readonly [number, number])[] {
  const { width, height } = SHEETS[sheet];
  const [l, r, t, b] = [MARK.inset, width - MARK.inset, MARK.inset, height - MARK.inset];
  return [
    [l, t],
    [r, t],
    [r, b],
    [l, b],
  ];
}

/** Boxes of every module of the page code, black or not. */
export function moduleBoxes(sheet: SheetName): PrintBox[] {
  const left = (SHEETS[sheet].width - MODULES * STRIP.module) / 2;
  return Array.from({ length: MODULES }, (_, i) => ({
    x: left + i * STRIP.module,
    y: STRIP.y - STRIP.height / 2,
    width: STRIP.module,
    height: STRIP.height,
  }));
}

const rowsOn = (sheet: SheetName) => Math.floor((SHEETS[sheet].height - FIRST_ROW - FOOT) / ROW);
const leftOf = (sheet: SheetName) => (SHEETS[sheet].width - BLOCKS * BLOCK - WHITE.pitch) / 2;

/** Lines that fit on one page. */
export const linesAPage = (sheet: SheetName): number => BLOCKS * rowsOn(sheet);

/** Cells that stay white on every page: five columns, one cell a row. Light and white are judged by them. */
export function whiteBoxes(sheet: SheetName): PrintBox[] {
  const left = leftOf(sheet);
  const columns = [0, 1]
    .flatMap((b) => [left + b * BLOCK, left + b * BLOCK + WHITE.pitch + LABEL + 2 * CELL.pitch])
    .concat(left + BLOCKS * BLOCK);
  return Array.from({ length: rowsOn(sheet) }, (_, row) =>
    columns.map((x) => ({
      x: x + (WHITE.pitch - WHITE.width) / 2,
      y: FIRST_ROW + row * ROW + (CELL.height - WHITE.height) / 2,
      width: WHITE.width,
      height: WHITE.height,
    })),
  ).flat();
}

/** Places on a line that a cell takes. */
const placesOf = (cell: ChartCell) => (cell.meets ? 2 : 1);

/** Where the cells of a line begin, in places from its left; a long one never lies across the white between the pairs. */
function startsOf(cells: readonly ChartCell[]): number[] {
  let next = 0;
  return cells.map((cell) => {
    const long = placesOf(cell) > 1;
    const start = long ? 2 * Math.ceil(next / 2) : next;
    next = start + placesOf(cell);
    return start;
  });
}

/** Whether cells fit on one line. */
export function fitOnLine(cells: readonly ChartCell[]): boolean {
  const last = startsOf(cells).at(-1);
  return last === undefined || last + placesOf(cells.at(-1)!) <= CELLS_A_LINE;
}

/** Lays a chart out on as many pages as it needs; every line's cells must fit on it ({@link fitOnLine}). */
export function layOutChart(chart: Chart): PageLayout[] {
  const { sheet, lines } = chart;
  const perPage = linesAPage(sheet);
  const pages = Math.max(1, Math.ceil(lines.length / perPage));
  const rows = rowsOn(sheet);
  const left = leftOf(sheet);
  const modules = moduleBoxes(sheet);
  return Array.from({ length: pages }, (_, page) => {
    const cells: PlacedCell[] = [];
    const labels: { text: string; x: number; y: number }[] = [];
    lines.slice(page * perPage, (page + 1) * perPage).forEach(({ label, cells: own }, i) => {
      const x = left + Math.floor(i / rows) * BLOCK + WHITE.pitch;
      const y = FIRST_ROW + (i % rows) * ROW;
      labels.push({ text: label, x: x + 0.8, y: y + CELL.height / 2 });
      const starts = startsOf(own);
      own.forEach((cell, place) => {
        const start = starts[place]!;
        const at = x + LABEL + start * CELL.pitch + (start >= CELLS_A_LINE / 2 ? WHITE.pitch : 0);
        const width = CELL.width + (placesOf(cell) - 1) * CELL.pitch;
        cells.push({
          ...cell,
          line: page * perPage + i,
          place,
          box: { x: at + (CELL.pitch - CELL.width) / 2, y, width, height: CELL.height },
        });
      });
    });
    const bits = encodePage({ serial: chart.serial, page, sheet });
    return { page, pages, sheet, cells, labels, code: modules.filter((_, m) => bits[m]) };
  });
}

/** Line of one ink: one, two and three coats, and two coats lifted by the blender. */
export const inkLine = (code: string): ChartLine => ({
  label: code,
  cells: [
    ...[1, 2, 3].map((n) => ({ stack: Array<string>(n).fill(code) })),
    { stack: [code, code], lift: true },
  ],
});

/** Line of two inks over each other: both orders, and two coats of either beneath one of the other. */
export const overlayLine = (first: string, second: string): ChartLine => ({
  label: `${first}\n+ ${second}`,
  cells: [
    [first, second],
    [second, first],
    [first, first, second],
    [second, second, first],
  ].map((stack) => ({ stack })),
});

/** Two lines of a light and a dark ink: laid wet, either way round; crisp; and the dark lifted by the blender. */
export function blendLines(light: string, dark: string): ChartLine[] {
  const label = `${light}\n| ${dark}`;
  const over = [dark];
  return [
    {
      label,
      cells: [
        { stack: [light], meets: { how: "dark over wet light", over } },
        { stack: [light], meets: { how: "light over wet dark", over } },
      ],
    },
    {
      label,
      cells: [
        { stack: [light], meets: { how: "dark over dry light", over } },
        { stack: [dark, dark], meets: { how: "lifted", over: [] } },
      ],
    },
  ];
}
