import { labToHex } from "@/core/colour/display";
import type { SheetName } from "@/core/chart/layout";
import type { Rack, RackMarker } from "@/store/rack";
import { pencilName } from "@/words/pencil";
import { GAP, MARGIN, newSheet, PT, stroke, turn, within, type Doc } from "./sheet-pdf";

/** A marker on the chart: its stroke, and its code under it. */
const CELL = { width: 23 * PT, height: 14 * PT, stroke: 7.5 * PT, gap: 1.6 * PT } as const;
/** A label to cut out. */
const LABEL = { width: 46 * PT, height: 15 * PT } as const;
const FAMILY = 8 * PT;

const hexesOf = (m: RackMarker): string[] => m.swatches.map((s) => s.hex ?? labToHex(s.lab));

/** What is known by its families, in their order; families without markers are left out. */
function byFamily({ families, markers }: Rack): [string, RackMarker[]][] {
  const own = new Map(families.map((f) => [f, [] as RackMarker[]]));
  for (const m of markers) {
    const list = own.get(m.family);
    if (list) list.push(m);
    else own.set(m.family, [m]);
  }
  return [...own].filter(([, list]) => list.length);
}

function cell(doc: Doc, m: RackMarker, x: number, y: number): void {
  const hexes = hexesOf(m);
  const width = CELL.width - CELL.gap;
  if (hexes.length) stroke(doc, hexes, x, y, width, CELL.stroke);
  else
    doc
      .rect(x, y, width, CELL.stroke)
      .dash(1.2, { space: 1.2 })
      .lineWidth(0.4)
      .strokeColor("#777")
      .stroke()
      .undash();
  // What is owned has its box filled: it can be ticked off, and read without colour.
  const box = 2.1 * PT;
  const under = y + CELL.stroke + 1.1 * PT;
  doc.rect(x, under, box, box).lineWidth(0.5).strokeColor("black");
  if (m.owned) doc.fillAndStroke("black", "black");
  else doc.stroke();
  doc
    .font("code")
    .fontSize(8)
    .fillColor(m.owned ? "black" : "#666")
    .text(pencilName(m.code), x + box + 1 * PT, under - 0.5 * PT, {
      width: width - box - 1 * PT,
      height: 4 * PT,
      ellipsis: true,
      lineBreak: false,
    });
}

/** The rack to pin up: families with their strokes in one, two and three coats on this paper, and what of them is owned. */
export async function rackChartPdf(rack: Rack, sheet: SheetName): Promise<Buffer> {
  const { doc, done } = await newSheet(`Rack on ${rack.paper.name}`, sheet);
  turn(doc);
  const page = within(doc);
  const owned = rack.markers.filter((m) => m.owned).length;
  doc.font("strong").fontSize(16).fillColor("black").text("Rack", MARGIN, MARGIN, { width: page.width });
  doc
    .font("text")
    .fontSize(9.5)
    .fillColor("#333")
    .text(
      `One, two and three coats on ${rack.paper.name}. ${owned} of ${rack.markers.length} markers owned: their boxes are filled. Colours as far as the printer gives them.`,
      MARGIN,
      doc.y,
      { width: page.width },
    );
  const columns = Math.max(1, Math.floor((page.width + CELL.gap) / CELL.width));
  for (const [family, list] of byFamily(rack)) {
    doc.y += GAP / 2;
    if (doc.y + FAMILY + CELL.height > page.bottom) turn(doc);
    doc
      .font("strong")
      .fontSize(11)
      .fillColor("black")
      .text(family, MARGIN, doc.y, { width: page.width, lineBreak: false, ellipsis: true });
    let y = doc.y + 0.8 * PT;
    for (let at = 0; at < list.length; at += columns) {
      if (y + CELL.height > page.bottom) {
        turn(doc);
        y = MARGIN;
      }
      list.slice(at, at + columns).forEach((m, i) => cell(doc, m, MARGIN + i * CELL.width, y));
      y += CELL.height;
    }
    doc.y = y;
  }
  doc.end();
  return done;
}

/** Labels for a shelf: a stroke, the code and the name of each marker that is owned, with lines to cut along. */
export async function shelfLabelsPdf(rack: Rack, sheet: SheetName): Promise<Buffer> {
  const { doc, done } = await newSheet(`Labels on ${rack.paper.name}`, sheet);
  turn(doc);
  const page = within(doc);
  const owned = byFamily(rack).flatMap(([, list]) => list.filter((m) => m.owned));
  if (!owned.length)
    doc.font("text").fontSize(11).fillColor("black").text("No marker is owned yet.", MARGIN, MARGIN);
  const columns = Math.max(1, Math.floor(page.width / LABEL.width));
  const rows = Math.max(1, Math.floor((page.bottom - MARGIN) / LABEL.height));
  for (const [i, m] of owned.entries()) {
    const at = i % (rows * columns);
    if (i && !at) turn(doc);
    const [x, y] = [MARGIN + (at % columns) * LABEL.width, MARGIN + Math.floor(at / columns) * LABEL.height];
    doc.rect(x, y, LABEL.width, LABEL.height).lineWidth(0.3).strokeColor("#999").stroke();
    const hexes = hexesOf(m);
    if (hexes.length) stroke(doc, hexes, x + 1.5 * PT, y + 1.5 * PT, 13 * PT, LABEL.height - 3 * PT);
    const room = { width: LABEL.width - 17 * PT, height: 6 * PT, ellipsis: true, lineBreak: false };
    doc.font("code").fontSize(11).fillColor("black");
    doc.text(pencilName(m.code), x + 16 * PT, y + 2.4 * PT, room);
    doc.font("text").fontSize(8.5).fillColor("#333");
    doc.text(m.name || m.family, x + 16 * PT, y + 8.4 * PT, room);
  }
  doc.end();
  return done;
}
