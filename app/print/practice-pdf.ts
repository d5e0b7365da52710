import PDFDocument from "pdfkit";
import { SHEETS, type SheetName } from "@/core/chart/layout";
import { exerciseOf, LINE_MM, SHEET_HEIGHT, SHEET_WIDTH } from "@/core/practice/exercise";
import { type ExerciseId } from "@/core/practice/shapes";
import { exerciseInWords } from "@/words/practice";
import { fontFile } from "./fonts";

/** Points a millimetre. */
const PT = 72 / 25.4;
const TOP = 46;
/** Length of the line that proves the size of a print, mm. */
const PROOF = 50;

/** A sheet to practise on in true size: what is done on it, with which markers, and marks by which its photo is found. */
export async function practicePdf(
  id: ExerciseId,
  sheet: SheetName,
  codes: readonly string[],
): Promise<Buffer> {
  const { width, height } = SHEETS[sheet];
  const { name, does } = exerciseInWords[id];
  const doc = new PDFDocument({ size: [width * PT, height * PT], margin: 0, info: { Title: name } });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("data", (c: Buffer) => chunks.push(c));
    doc.on("end", () => resolve(Buffer.concat(chunks)));
    doc.on("error", reject);
  });
  const [sans, bold, mono] = await Promise.all([
    fontFile("sans", 400),
    fontFile("sans", 600),
    fontFile("mono", 400),
  ]);
  const left = (width - SHEET_WIDTH) / 2;
  const wide = SHEET_WIDTH * PT;
  doc.registerFont("sans", sans).registerFont("bold", bold).registerFont("mono", mono);
  doc.font("bold").fontSize(17).fillColor("#111");
  doc.text(name, left * PT, 16 * PT, { width: wide });
  doc.font("sans").fontSize(11).text(does, { width: wide });
  if (codes.length) {
    doc.font("mono").fontSize(11).text(codes.join("   "), { width: wide });
  }
  doc
    .save()
    .translate(left * PT, TOP * PT)
    .scale(PT);
  doc.lineWidth(LINE_MM).strokeColor("#111").lineJoin("round").lineCap("butt");
  const exercise = exerciseOf(id);
  for (const path of exercise.lines) {
    path.forEach(([x, y], i) => (i ? doc.lineTo(x, y) : doc.moveTo(x, y)));
    doc.stroke();
  }
  doc.fillColor("#111");
  for (const { black, square } of exercise.code) {
    const [x, y, side] = square;
    if (black) doc.rect(x, y, side, side).fill();
  }
  doc.restore();
  const foot = TOP + SHEET_HEIGHT + 8;
  doc.font("sans").fontSize(10).fillColor("#333");
  doc.text(
    "Print at 100 %. Then take a photo of the whole frame, in even light, and give it to Blendt under Practice. Air the room; the data sheet of your ink and local rules come first.",
    left * PT,
    foot * PT,
    { width: wide },
  );
  const y = (foot + 18) * PT;
  const [from, to] = [left * PT, (left + PROOF) * PT];
  doc.lineWidth(0.5).strokeColor("#8a8a8a").moveTo(from, y).lineTo(to, y);
  for (const x of [from, to]) doc.moveTo(x, y - 4).lineTo(x, y + 4);
  doc.stroke();
  doc
    .fontSize(8)
    .fillColor("#666")
    .text(`${PROOF} mm`, to + 4, y - 5, { lineBreak: false });
  doc.end();
  return done;
}
