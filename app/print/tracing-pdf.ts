import PDFDocument from "pdfkit";
import { wrong } from "@/border/problem";
import type { TracingInput } from "@/border/tracing";
import { SHEET_SIZES } from "@/core/piece/set-up";
import { MARGIN, OVERLAP, pageTiles } from "./page-tiles";

/** Points a millimetre. */
const PT = 72 / 25.4;
/** Length of the line that proves the size of a print, mm, and how far it lies from the sheet's edge. */
const PROOF = 50;
const EDGE = 6;
/** Arms of a mark, mm. */
const MARK = 3;
const SOFT = "#8a8a8a";
/** Pages of one sheet. */
const MOST_PAGES = 60;

/**
 * The line of a drawing on its sheet in true size, straight or mirrored, with a line of known length to check the print by; on one page as large
 * as the sheet, or on several of the printer's paper.
 * @throws BadInput when that takes too many pages
 */
export function tracingPdf(png: Buffer, sheet: TracingInput): Promise<Buffer> {
  const doc = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    info: { Title: `${sheet.name}, to trace` },
  });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("data", (c: Buffer) => chunks.push(c));
    doc.on("end", () => resolve(Buffer.concat(chunks)));
    doc.on("error", reject);
  });
  if (sheet.pages) onPages(doc, png, sheet, SHEET_SIZES[sheet.pages]);
  else {
    doc.addPage({ size: [sheet.sheetWidth * PT, sheet.sheetHeight * PT], margin: 0 });
    drawn(doc, png, sheet);
    proof(doc, sheet, [sheet.sheetWidth, sheet.sheetHeight]);
  }
  doc.end();
  return done;
}

type Doc = InstanceType<typeof PDFDocument>;

/** The drawing where it lies on its sheet. */
function drawn(doc: Doc, png: Buffer, sheet: TracingInput): void {
  doc.save();
  if (sheet.mirrored) doc.translate(sheet.sheetWidth * PT, 0).scale(-1, 1);
  doc.image(png, sheet.left * PT, sheet.top * PT, { width: sheet.width * PT, height: sheet.height * PT });
  doc.restore();
}

/** A line of known length at the foot of a page, to check the print by. */
function proof(
  doc: Doc,
  { mirrored }: TracingInput,
  [width, height]: readonly [number, number],
  says = "",
): void {
  if (width <= PROOF + 2 * EDGE) return;
  const y = (height - EDGE) * PT;
  const [from, to] = [EDGE * PT, (EDGE + PROOF) * PT];
  doc.lineWidth(0.5).strokeColor(SOFT);
  doc.moveTo(from, y).lineTo(to, y);
  for (const x of [from, to]) doc.moveTo(x, y - 4).lineTo(x, y + 4);
  doc.stroke();
  doc
    .fontSize(7)
    .fillColor(SOFT)
    .text(`${PROOF} mm${mirrored ? ", mirrored" : ""}${says}`, to + 4, y - 3, { lineBreak: false });
}

/** A sheet that is larger than the printer's paper, on several pages that overlap, with marks to lay them edge on edge. */
function onPages(doc: Doc, png: Buffer, sheet: TracingInput, page: readonly [number, number]): void {
  const { width, height, rows, columns, tiles } = pageTiles([sheet.sheetWidth, sheet.sheetHeight], page);
  if (tiles.length > MOST_PAGES)
    throw wrong(
      "sheetWidth",
      `expected a sheet of at most ${MOST_PAGES} pages; this one takes ${tiles.length}`,
    );
  for (const { row, column, part, joins } of tiles) {
    const [left, top, wide, high] = part;
    doc.addPage({ size: [width * PT, height * PT], margin: 0 });
    doc.save();
    doc.rect(MARGIN * PT, MARGIN * PT, wide * PT, high * PT).clip();
    doc.translate((MARGIN - left) * PT, (MARGIN - top) * PT);
    drawn(doc, png, sheet);
    doc.restore();
    doc.lineWidth(0.4).strokeColor(SOFT);
    // Where the next page's own part begins: its edge is laid on this line.
    const [right, bottom] = [MARGIN + wide - OVERLAP, MARGIN + high - OVERLAP];
    const mark = (x: number, y: number) => {
      doc.moveTo((x - MARK) * PT, y * PT).lineTo((x + MARK) * PT, y * PT);
      doc.moveTo(x * PT, (y - MARK) * PT).lineTo(x * PT, (y + MARK) * PT);
    };
    const xs = [column ? MARGIN + OVERLAP : undefined, joins.right ? right : undefined];
    const ys = [row ? MARGIN + OVERLAP : undefined, joins.below ? bottom : undefined];
    for (const x of xs) if (x !== undefined) for (const y of [MARGIN, MARGIN + high]) mark(x, y);
    for (const y of ys) if (y !== undefined) for (const x of [MARGIN, MARGIN + wide]) mark(x, y);
    doc.stroke();
    const place = `row ${row + 1} of ${rows}, column ${column + 1} of ${columns}`;
    proof(
      doc,
      sheet,
      [width, height],
      `; ${place}${tiles.length > 1 ? `; lay the marks on each other, they overlap by ${OVERLAP} mm` : ""}`,
    );
  }
}
