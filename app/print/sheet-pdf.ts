import PDFDocument from "pdfkit";
import { SHEETS, type SheetName } from "@/core/chart/layout";
import { labToHex } from "@/core/colour/display";
import type { Rack } from "@/store/rack";
import { fontFile } from "./fonts";

/** Points a millimetre. */
export const PT = 72 / 25.4;
export const MARGIN = 13 * PT;
/** Room between blocks. */
export const GAP = 5 * PT;
export const CAUTION =
  "Alcohol ink is a flammable solvent: air the room, cap markers between passes, keep them from flame, children and skin. The maker's safety data sheet and local rules come first.";

export type Doc = InstanceType<typeof PDFDocument>;

/** An empty document on a printer's paper, with our fonts; what it comes to once it is ended. */
export async function newSheet(
  title: string,
  sheet: SheetName,
): Promise<{ readonly doc: Doc; readonly done: Promise<Buffer> }> {
  const { width, height } = SHEETS[sheet];
  const doc = new PDFDocument({
    autoFirstPage: false,
    size: [width * PT, height * PT],
    margin: 0,
    info: { Title: title, Creator: "Blendt" },
  });
  doc.registerFont("code", await fontFile("mono", 600));
  doc.registerFont("text", await fontFile("sans", 400));
  doc.registerFont("strong", await fontFile("sans", 600));
  const parts: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("data", (part: Buffer) => parts.push(part));
    doc.on("end", () => resolve(Buffer.concat(parts)));
    doc.on("error", reject);
  });
  return { doc, done };
}

/** Strokes of markers by code: hexes of one, two and three coats. */
export const swatchesOf = (rack: Rack) =>
  new Map(
    [...rack.markers, ...rack.others].map((m) => [m.code, m.swatches.map((s) => s.hex ?? labToHex(s.lab))]),
  );

/** A marker's stroke: its one, two and three coats side by side. */
export function stroke(
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

/** Another page of the same sheet. Blocks are put where there is room for them: nothing flows over to another page by itself. */
export function turn(doc: Doc, layout: "portrait" | "landscape" = "portrait"): void {
  doc.addPage({ size: doc.options.size!, margin: 0, layout });
  doc.y = MARGIN;
}

/** What is left of the sheet within its margins. */
export const within = (doc: Doc) => ({
  width: doc.page.width - 2 * MARGIN,
  bottom: doc.page.height - MARGIN,
});
