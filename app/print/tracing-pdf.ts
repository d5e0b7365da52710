import PDFDocument from "pdfkit";
import type { TracingInput } from "@/border/tracing";

/** Points a millimetre. */
const PT = 72 / 25.4;
/** Length of the line that proves the size of a print, mm, and how far it lies from the sheet's edge. */
const PROOF = 50;
const EDGE = 6;

/** The line of a drawing on its sheet in true size, straight or mirrored, with a line of known length to check the print by. */
export function tracingPdf(png: Buffer, sheet: TracingInput): Promise<Buffer> {
  const size: [number, number] = [sheet.sheetWidth * PT, sheet.sheetHeight * PT];
  const doc = new PDFDocument({ size, margin: 0, info: { Title: `${sheet.name}, to trace` } });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("data", (c: Buffer) => chunks.push(c));
    doc.on("end", () => resolve(Buffer.concat(chunks)));
    doc.on("error", reject);
  });
  doc.save();
  if (sheet.mirrored) doc.translate(size[0], 0).scale(-1, 1);
  doc.image(png, sheet.left * PT, sheet.top * PT, { width: sheet.width * PT, height: sheet.height * PT });
  doc.restore();
  if (sheet.sheetWidth > PROOF + 2 * EDGE) {
    const y = (sheet.sheetHeight - EDGE) * PT;
    const [from, to] = [EDGE * PT, (EDGE + PROOF) * PT];
    doc.lineWidth(0.5).strokeColor("#8a8a8a");
    doc.moveTo(from, y).lineTo(to, y);
    for (const x of [from, to]) doc.moveTo(x, y - 4).lineTo(x, y + 4);
    doc.stroke();
    doc
      .fontSize(7)
      .fillColor("#8a8a8a")
      .text(`${PROOF} mm${sheet.mirrored ? ", mirrored" : ""}`, to + 4, y - 3, { lineBreak: false });
  }
  doc.end();
  return done;
}
