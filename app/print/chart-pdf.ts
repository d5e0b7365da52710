import PDFDocument from "pdfkit";
import {
  layOutChart,
  MARK,
  marksOf,
  SHEETS,
  whiteBoxes,
  type Chart,
  type ChartCell,
  type PageLayout,
  type PrintBox,
} from "@/core/chart/layout";
import { layingNotes } from "@/words/meeting";
import { fontFile } from "./fonts";

/** Points a millimetre. */
const PT = 72 / 25.4;
const MONO = "code";
const TEXT = "text";

const TICK = 1.6;
const GREY = "#8a8a8a";

type Doc = InstanceType<typeof PDFDocument>;

/** Corner ticks outside a cell: they show where to stop and are never coloured over. */
function ticks(doc: Doc, { x, y, width, height }: PrintBox): void {
  doc.lineWidth(0.4).strokeColor(GREY);
  for (const [cx, dx] of [
    [x, -1],
    [x + width, 1],
  ] as const)
    for (const [cy, dy] of [
      [y, -1],
      [y + height, 1],
    ] as const) {
      doc
        .moveTo((cx + dx * 0.15) * PT, cy * PT)
        .lineTo((cx + dx * 0.15) * PT, (cy - dy * TICK) * PT)
        .stroke();
      doc
        .moveTo(cx * PT, (cy + dy * 0.15) * PT)
        .lineTo((cx - dx * TICK) * PT, (cy + dy * 0.15) * PT)
        .stroke();
    }
}

/** Ticks in the middle of a long cell, where the second ink begins. */
function middleTicks(doc: Doc, { x, y, width, height }: PrintBox): void {
  for (const [from, to] of [
    [y - TICK, y],
    [y + height, y + height + TICK],
  ] as const)
    doc
      .moveTo((x + width / 2) * PT, from * PT)
      .lineTo((x + width / 2) * PT, to * PT)
      .lineWidth(0.6)
      .strokeColor("black")
      .stroke();
}

const cellNote = ({ stack, lift, pressure }: ChartCell): string => {
  if (pressure) return pressure;
  if (lift) return `${stack.length}, lift`;
  return new Set(stack).size === 1 ? String(stack.length) : stack.map((c) => c.slice(0, 8)).join(">");
};

/** Writes a note over a cell or half of it, as large as there is room for. */
function writeNote(doc: Doc, note: string, { x, y, width }: PrintBox): void {
  doc
    .font(TEXT)
    .fontSize(Math.min(4.6, (width * PT) / (note.length * 0.62)))
    .fillColor(GREY)
    .text(note, x * PT, (y - 0.1) * PT - 5, { lineBreak: false });
}

const SHORT_CELLS =
  "Short cells: one, two, three coats, each dry before the next; the last: two coats, dry, then one pass of the colourless blender.";
const STRIPS =
  "Strips of pencil: the marker that is named first, dry; over it so many layers of each pencil as stands beside it, all as hard as it says, the way you draw. Both cells alike.";
const LONG_CELLS =
  "Long cells: what is named on the left goes over all of it, what is named on the right over its right half, in the order of the numbers; wet: at once; dry: let it dry before.";

function drawPage(
  doc: Doc,
  layout: PageLayout,
  chart: Chart & { readonly title: string },
  paper: string,
): void {
  const { width, height } = SHEETS[layout.sheet];
  for (const [x, y] of marksOf(layout.sheet)) {
    doc
      .circle(x * PT, y * PT, ((MARK.outer + MARK.inner) / 2) * PT)
      .lineWidth((MARK.outer - MARK.inner) * PT)
      .strokeColor("black")
      .stroke();
    doc.circle(x * PT, y * PT, MARK.dot * PT).fill("black");
  }
  for (const b of layout.code) doc.rect(b.x * PT, b.y * PT, b.width * PT, b.height * PT).fill("black");
  doc
    .fillColor("black")
    .font(MONO)
    .fontSize(10)
    .text(
      `Chart ${chart.serial}, page ${layout.page + 1} of ${layout.pages}: ${chart.title}`,
      20 * PT,
      18.5 * PT,
      { lineBreak: false, width: (width - 40) * PT, ellipsis: true, height: 12 },
    );
  doc
    .font(TEXT)
    .fontSize(6.4)
    .text(
      [
        `For ${paper}.`,
        ...(layout.cells.some((c) => !c.meets && !c.pressure) ? [SHORT_CELLS] : []),
        ...(layout.cells.some((c) => c.pressure) ? [STRIPS] : []),
        ...(layout.cells.some((c) => c.meets) ? [LONG_CELLS] : []),
        "Fill to the ticks. Keep the narrow cells white. Dry overnight, then scan, or photograph the whole page in even light.",
      ].join(" "),
      20 * PT,
      23 * PT,
      { width: (width - 40) * PT },
    );
  for (const { text, x, y } of layout.labels) {
    const lines = text.split("\n");
    const longest = Math.max(...lines.map((l) => l.length));
    const size = Math.min(8, 20.5 / (longest * 0.6 * (1 / PT)));
    lines.forEach((line, i) =>
      doc
        .font(MONO)
        .fontSize(size)
        .fillColor("black")
        .text(line, x * PT, y * PT - (lines.length * size) / 2 + i * size - 1, { lineBreak: false }),
    );
  }
  for (const cell of layout.cells) {
    ticks(doc, cell.box);
    if (!cell.meets) {
      writeNote(doc, cellNote(cell), cell.box);
      continue;
    }
    middleTicks(doc, cell.box);
    const width = cell.box.width / 2;
    layingNotes({ stack: cell.stack, ...cell.meets }).forEach((note, i) =>
      writeNote(doc, note, { ...cell.box, x: cell.box.x + i * (width + 0.6), width: width - 0.6 }),
    );
  }
  for (const box of whiteBoxes(layout.sheet))
    doc
      .rect((box.x - 0.3) * PT, (box.y - 0.3) * PT, (box.width + 0.6) * PT, (box.height + 0.6) * PT)
      .dash(0.6, { space: 1.6 })
      .lineWidth(0.3)
      .strokeColor(GREY)
      .stroke()
      .undash();
  doc
    .font(TEXT)
    .fontSize(6.5)
    .fillColor(GREY)
    .text(
      "Alcohol ink is a flammable solvent: air the room, cap the markers, keep from flame and skin; the maker's data sheet and local rules decide.",
      20 * PT,
      (height - MARK.inset - 2) * PT,
      { width: (width - 40) * PT, align: "center" },
    );
}

/** A chart as PDF, one page a sheet, in true size. */
export async function chartPdf(chart: Chart & { readonly title: string }, paper: string): Promise<Buffer> {
  const { width, height } = SHEETS[chart.sheet];
  const doc = new PDFDocument({
    autoFirstPage: false,
    size: [width * PT, height * PT],
    margin: 0,
    info: { Title: `Chart ${chart.serial}: ${chart.title}`, Creator: "Blendt" },
  });
  doc.registerFont(MONO, await fontFile("mono", 600));
  doc.registerFont(TEXT, await fontFile("sans", 400));
  const parts: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("data", (part: Buffer) => parts.push(part));
    doc.on("end", () => resolve(Buffer.concat(parts)));
    doc.on("error", reject);
  });
  for (const page of layOutChart(chart)) {
    doc.addPage({ size: [width * PT, height * PT], margin: 0 });
    drawPage(doc, page, chart, paper);
  }
  doc.end();
  return done;
}
