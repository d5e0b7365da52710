import PDFDocument from "pdfkit";
import { chaptersOf } from "@/core/piece/chapters";
import { schoolOf, type Piece } from "@/core/piece/piece";
import { suppliesOf } from "@/core/stock/supplies";
import type { Rack } from "@/store/rack";
import { passInWords, underlayWhere } from "@/words/pass";
import { pencilName } from "@/words/pencil";
import { usedIn } from "@/words/supplies";
import { fontFile } from "./fonts";

/** Points a millimetre; an A4 sheet and its margin. */
const PT = 72 / 25.4;
const SHEET: [number, number] = [210 * PT, 297 * PT];
const MARGIN = 14 * PT;
const WIDTH = SHEET[0] - 2 * MARGIN;
const BOTTOM = SHEET[1] - MARGIN;
/** Most of a page's height that a picture takes. */
const PICTURE = 190 * PT;
const CAUTION =
  "Alcohol ink is a flammable solvent: air the room, cap markers between passes, keep them from flame, children and skin. The maker's safety data sheet and local rules come first.";

type Doc = InstanceType<typeof PDFDocument>;

interface Guide {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly colouring: Buffer;
  readonly tones: Buffer;
}

/** A marker's stroke: its one, two and three coats side by side. */
function stroke(
  doc: Doc,
  hexes: readonly string[],
  x: number,
  y: number,
  width: number,
  height: number,
): void {
  const each = width / hexes.length;
  hexes.forEach((hex, i) => doc.rect(x + i * each, y, each, height).fill(hex));
  doc.rect(x, y, width, height).lineWidth(0.3).strokeColor("#777").stroke();
  doc.fillColor("black");
}

function picturePage(doc: Doc, title: string, png: Buffer, says: string): void {
  doc.addPage();
  doc.font("code").fontSize(16).fillColor("black").text(title, MARGIN, MARGIN);
  doc.font("text").fontSize(9).fillColor("#444").text(says, { width: WIDTH });
  doc.image(png, MARGIN, doc.y + 3 * PT, { fit: [WIDTH, PICTURE] });
}

/** The guide to a piece, A4: how it will look, its tone map, every step, and what to lay ready with its strokes. */
export async function guidePdf({ piece, rack, colouring, tones }: Guide): Promise<Buffer> {
  const doc = new PDFDocument({
    autoFirstPage: false,
    size: SHEET,
    margin: MARGIN,
    info: { Title: `${piece.name}: guide`, Creator: "Blendt" },
  });
  doc.registerFont("code", await fontFile(600));
  doc.registerFont("text", await fontFile(400));
  const parts: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("data", (part: Buffer) => parts.push(part));
    doc.on("end", () => resolve(Buffer.concat(parts)));
    doc.on("error", reject);
  });
  picturePage(doc, piece.name, colouring, `As it will look on ${rack.paper.name}.`);
  doc
    .font("text")
    .fontSize(8)
    .fillColor("#444")
    .text(CAUTION, MARGIN, BOTTOM - 12 * PT, { width: WIDTH });
  picturePage(
    doc,
    "Tone map",
    tones,
    "1 is the lightest tone of each area; lines beside a number show the way of the strokes.",
  );
  stepPages(doc, piece, rack);
  supplyPages(doc, piece, rack);
  doc.end();
  return done;
}

const swatchesOf = (rack: Rack) =>
  new Map(rack.markers.map((m) => [m.code, m.swatches.flatMap((s) => (s.hex ? [s.hex] : []))]));

/** A step as the guide says it: its number, or a letter in the underlay of the whole. */
export interface GuideStep {
  readonly mark: string;
  readonly code: string;
  readonly says: string;
}

export interface GuideChapter {
  readonly title: string;
  readonly note: string;
  readonly steps: readonly GuideStep[];
}

/** All that the guide says of how a piece is laid: the underlay of the whole, then area by area. */
export function guideChapters(piece: Piece, paper: Rack["paper"]): GuideChapter[] {
  const { underlay } = piece.whole;
  const areas = chaptersOf(piece, paper).map(({ area, passes, before }): GuideChapter => ({
    title: `${area.name}  (${schoolOf(area)})`,
    note: area.note,
    steps: passes.map((p, i) => ({
      mark: String(before + i + 1),
      code: p.code,
      says: passInWords(p),
    })),
  }));
  if (!underlay.length || !areas.length) return areas;
  const whole: GuideChapter = {
    title: "Underlay of the whole piece",
    note: "All shadows first, light to dark; let it dry before any local colour.",
    steps: underlay.map((code, i) => ({
      mark: String.fromCharCode(97 + i),
      code,
      says: underlayWhere(i, underlay.length),
    })),
  };
  return [whole, ...areas];
}

function stepPages(doc: Doc, piece: Piece, rack: Rack): void {
  const swatches = swatchesOf(rack);
  doc.addPage();
  doc.font("code").fontSize(16).fillColor("black").text("Steps", MARGIN, MARGIN);
  for (const { title, note, steps } of guideChapters(piece, rack.paper)) {
    if (doc.y > BOTTOM - 26 * PT) doc.addPage();
    doc
      .moveDown(0.6)
      .font("code")
      .fontSize(11)
      .fillColor("black")
      .text(title, MARGIN, doc.y, { width: WIDTH });
    if (note) doc.font("text").fontSize(8.5).fillColor("#444").text(note, { width: WIDTH });
    for (const { mark, code, says } of steps) {
      if (doc.y > BOTTOM - 9 * PT) doc.addPage();
      const y = doc.y + 1.2 * PT;
      const own = swatches.get(code);
      doc
        .font("code")
        .fontSize(9)
        .fillColor("black")
        .text(mark, MARGIN, y, { width: 8 * PT, align: "right" });
      if (own?.length) stroke(doc, own, MARGIN + 10 * PT, y, 16 * PT, 4 * PT);
      doc.text(pencilName(code), MARGIN + 28 * PT, y, { width: 24 * PT, lineBreak: false });
      doc
        .font("text")
        .fontSize(9)
        .text(says, MARGIN + 54 * PT, y, { width: WIDTH - 54 * PT });
      doc.y = Math.max(doc.y, y + 5 * PT);
    }
  }
}

function supplyPages(doc: Doc, piece: Piece, rack: Rack): void {
  const swatches = swatchesOf(rack);
  doc.addPage();
  doc.font("code").fontSize(16).fillColor("black").text("Lay ready", MARGIN, MARGIN);
  for (const s of suppliesOf(piece, [...rack.markers, ...rack.others])) {
    if (doc.y > BOTTOM - 8 * PT) doc.addPage();
    const y = doc.y + 1.2 * PT;
    const own = swatches.get(s.code);
    if (own?.length) stroke(doc, own, MARGIN, y, 22 * PT, 5 * PT);
    doc
      .font("code")
      .fontSize(10)
      .fillColor("black")
      .text(pencilName(s.code), MARGIN + 25 * PT, y, { width: 30 * PT, lineBreak: false });
    doc
      .font("text")
      .fontSize(9)
      .text(usedIn(s).join(", "), MARGIN + 58 * PT, y, { width: WIDTH - 58 * PT });
    doc.y = Math.max(doc.y, y + 6 * PT);
  }
}
