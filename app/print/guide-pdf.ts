import sharp from "sharp";
import type { SheetName } from "@/core/chart/layout";
import type { Pass } from "@/core/media/medium";
import { chaptersOf } from "@/core/piece/chapters";
import { schoolOf, type Piece } from "@/core/piece/piece";
import { suppliesOf } from "@/core/stock/supplies";
import type { Rack } from "@/store/rack";
import { passInWords, underlayWhere } from "@/words/pass";
import { pencilName } from "@/words/pencil";
import { usedIn } from "@/words/supplies";
import { CAUTION, GAP, MARGIN, newSheet, PT, stroke, swatchesOf, turn, within, type Doc } from "./sheet-pdf";

/** Widest and highest picture of an area beside its steps. */
const CROP = { width: 42 * PT, height: 46 * PT } as const;
/** Pixels round an area that belong to its picture, as a share of its larger side. */
const ROUND = 0.06;
/** Pixels a point of a printed picture: 220 an inch. */
const FINE = 220 / 72;
/** Where an area lies in the picture: left, top, right, bottom in shares of it. */
export type AreaBoxes = ReadonlyMap<string, readonly [number, number, number, number]>;

interface Guide {
  readonly piece: Piece;
  readonly rack: Rack;
  /** How it will look, and its tone map; left out of the guide where they are not to be shown. */
  readonly colouring?: Buffer | undefined;
  readonly tones?: Buffer;
  readonly boxes?: AreaBoxes;
  /** Whether its steps are in it, and what is to be laid ready. */
  readonly steps?: boolean;
  readonly ready?: boolean;
  /** What is said of each pass. */
  readonly says?: (pass: Pass) => string;
  /** What the studio's printer takes. */
  readonly sheet?: SheetName;
}

/** A picture that fills a page of its own, which lies as the picture does. */
async function picturePage(doc: Doc, title: string, png: Buffer, says: string, foot = ""): Promise<void> {
  const { width, height } = await sharp(png).metadata();
  turn(doc, width! > height! ? "landscape" : "portrait");
  const page = within(doc);
  doc
    .font("strong")
    .fontSize(15)
    .fillColor("black")
    .text(title, MARGIN, MARGIN, { width: page.width, lineBreak: false });
  doc.font("text").fontSize(9.5).fillColor("#333").text(says, MARGIN, doc.y, { width: page.width });
  doc.fontSize(8.5);
  const room = foot ? doc.heightOfString(foot, { width: page.width }) + GAP : 0;
  const top = doc.y + 2 * PT;
  doc.image(png, MARGIN, top, {
    fit: [page.width, page.bottom - room - top],
    align: "center",
  });
  if (foot) doc.fillColor("#333").text(foot, MARGIN, page.bottom - room + GAP, { width: page.width });
}

/**
 * The guide to a piece on the studio's printer paper: how it will look, its tone map as large as the sheet, every step beside the part of the
 * picture that it colours, and what to lay ready with its strokes.
 */
export async function guidePdf({
  piece,
  rack,
  colouring,
  tones,
  boxes,
  steps = true,
  ready = true,
  says = passInWords,
  sheet = "A4",
}: Guide): Promise<Buffer> {
  const { doc, done } = await newSheet(`${piece.name}: guide`, sheet);
  if (colouring)
    await picturePage(doc, piece.name, colouring, `As it will look on ${rack.paper.name}.`, CAUTION);
  if (tones)
    await picturePage(
      doc,
      "Tone map",
      tones,
      "1 is the lightest tone of each area; lines beside a number show the way of the strokes.",
    );
  if (steps || ready || !colouring) turn(doc);
  if (!colouring) nameAndCaution(doc, piece.name);
  if (steps)
    await stepPages(
      doc,
      guideChapters(piece, rack.paper, says),
      swatchesOf(rack),
      colouring ? await cropsOf(colouring, boxes) : new Map(),
    );
  if (ready) supplies(doc, piece, rack);
  doc.end();
  return done;
}

/** What stands above everything where no picture does. */
function nameAndCaution(doc: Doc, name: string): void {
  const { width } = within(doc);
  doc.font("strong").fontSize(17).fillColor("black").text(name, MARGIN, MARGIN, { width });
  doc.font("text").fontSize(8.5).fillColor("#333").text(CAUTION, MARGIN, doc.y, { width });
  doc.y += GAP;
}

/** Each area's own part of the colouring, at the size at which it is printed. */
async function cropsOf(png: Buffer, boxes: AreaBoxes | undefined) {
  const { width, height } = await sharp(png).metadata();
  const out = new Map<string, { readonly png: Buffer; readonly width: number; readonly height: number }>();
  for (const [id, [l, t, r, b]] of boxes ?? []) {
    const round = ROUND * Math.max((r - l) * width!, (b - t) * height!);
    const left = Math.max(0, Math.floor(l * width! - round));
    const top = Math.max(0, Math.floor(t * height! - round));
    const wide = Math.min(width!, Math.ceil(r * width! + round)) - left;
    const high = Math.min(height!, Math.ceil(b * height! + round)) - top;
    if (wide < 2 || high < 2) continue;
    const by = Math.min(CROP.width / wide, CROP.height / high);
    const size = { width: wide * by, height: high * by };
    out.set(id, {
      ...size,
      png: await sharp(png)
        .extract({ left, top, width: wide, height: high })
        .resize({ width: Math.ceil(size.width * FINE), withoutEnlargement: true })
        .png()
        .toBuffer(),
    });
  }
  return out;
}

/** A step as the guide says it: its number, or a letter in the underlay of the whole. */
export interface GuideStep {
  readonly mark: string;
  readonly code: string;
  readonly says: string;
}

export interface GuideChapter {
  /** The area; none for the underlay of the whole. */
  readonly id?: string;
  readonly title: string;
  readonly note: string;
  readonly steps: readonly GuideStep[];
}

/** All that the guide says of how a piece is laid: the underlay of the whole, then area by area. */
export function guideChapters(
  piece: Piece,
  paper: Rack["paper"],
  says: (pass: Pass) => string = passInWords,
): GuideChapter[] {
  const { underlay } = piece.whole;
  const areas = chaptersOf(piece, paper).map(({ area, passes, before }): GuideChapter => ({
    id: area.id,
    title: `${area.name}, ${schoolOf(area)}`,
    note: area.note,
    steps: passes.map((p, i) => ({
      mark: String(before + i + 1),
      code: p.code,
      says: says(p),
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

/** Columns of a step: its number, stroke and code, and what it says. */
const STEP = { mark: 7 * PT, stroke: 10 * PT, code: 28 * PT, says: 50 * PT } as const;
const LEAST_STEP = 5.6 * PT;

/** Steps of each area beside its own part of the picture. An area's steps stay on one page where a page holds them. */
async function stepPages(
  doc: Doc,
  chapters: readonly GuideChapter[],
  swatches: ReturnType<typeof swatchesOf>,
  crops: Awaited<ReturnType<typeof cropsOf>>,
): Promise<void> {
  const page = within(doc);
  doc.font("strong").fontSize(15).fillColor("black").text("Steps", MARGIN, doc.y);
  const aside = crops.size ? CROP.width + GAP : 0;
  const [left, width] = [MARGIN + aside, page.width - aside];
  const heightOf = (says: string) =>
    Math.max(
      LEAST_STEP,
      doc
        .font("text")
        .fontSize(9.5)
        .heightOfString(says, { width: width - STEP.says }) +
        1.4 * PT,
    );
  for (const { id, title, note, steps } of chapters) {
    const crop = id === undefined ? undefined : crops.get(id);
    const noteHeight = note ? doc.font("text").fontSize(9).heightOfString(note, { width }) : 0;
    const head = 7 * PT + noteHeight;
    const whole = Math.max(head + steps.reduce((sum, s) => sum + heightOf(s.says), 0), crop?.height ?? 0);
    const room = () => page.bottom - doc.y;
    // What a page holds is not parted; what it does not hold begins with two steps at least.
    const least = whole < page.bottom - MARGIN ? whole : head + 3 * LEAST_STEP;
    doc.y += GAP;
    if (room() < least) {
      turn(doc);
    }
    const top = doc.y;
    if (crop)
      doc.image(crop.png, MARGIN + (CROP.width - crop.width) / 2, top, {
        width: crop.width,
        height: crop.height,
      });
    doc.font("strong").fontSize(11.5).fillColor("black").text(title, left, top, { width });
    if (note) doc.font("text").fontSize(9).fillColor("#333").text(note, left, doc.y, { width });
    let y = Math.max(doc.y + 1 * PT, top + head - 1 * PT);
    let bottom = top + (crop?.height ?? 0);
    for (const { mark, code, says } of steps) {
      const high = heightOf(says);
      if (y + high > page.bottom) {
        turn(doc);
        y = MARGIN;
        bottom = MARGIN;
      }
      const own = swatches.get(code);
      doc
        .font("strong")
        .fontSize(9.5)
        .fillColor("black")
        .text(mark, left, y, { width: STEP.mark, align: "right" });
      if (own?.length) stroke(doc, own, left + STEP.stroke, y + 0.3 * PT, 15 * PT, 4 * PT);
      doc
        .font("code")
        .fontSize(9)
        .text(pencilName(code), left + STEP.code, y, { width: STEP.says - STEP.code, lineBreak: false });
      doc
        .font("text")
        .fontSize(9.5)
        .text(says, left + STEP.says, y, { width: width - STEP.says });
      y += high;
    }
    doc.x = MARGIN;
    doc.y = Math.max(y, bottom);
  }
}

/** Height of a line of what is to be laid ready, and its columns. */
const READY = { height: 7 * PT, code: 24 * PT, used: 50 * PT, columns: 2 } as const;

/** What to lay ready, in two columns after the steps; together on a page where one holds it. */
function supplies(doc: Doc, piece: Piece, rack: Rack): void {
  const swatches = swatchesOf(rack);
  const page = within(doc);
  const list = suppliesOf(piece, [...rack.markers, ...rack.others]);
  const head = 9 * PT;
  const rows = Math.ceil(list.length / READY.columns);
  const room = (from: number) => Math.floor((page.bottom - from - head) / READY.height);
  doc.y += 2 * GAP;
  if (room(doc.y) < Math.min(rows, room(MARGIN))) {
    turn(doc);
  }
  const wide = (page.width - GAP) / READY.columns;
  for (let done = 0, first = true; done < list.length; first = false) {
    if (!first) {
      turn(doc);
    }
    doc.font("strong").fontSize(15).fillColor("black").text("Lay ready", MARGIN, doc.y);
    const top = doc.y + 1 * PT;
    const each = Math.min(Math.ceil((list.length - done) / READY.columns), Math.max(1, room(top - head)));
    list.slice(done, done + each * READY.columns).forEach((s, n) => {
      const x = MARGIN + Math.floor(n / each) * (wide + GAP);
      const y = top + (n % each) * READY.height;
      const own = swatches.get(s.code);
      if (own?.length) stroke(doc, own, x, y, 21 * PT, 5 * PT);
      doc
        .font("code")
        .fontSize(9.5)
        .fillColor("black")
        .text(pencilName(s.code), x + READY.code, y + 0.4 * PT, {
          width: READY.used - READY.code,
          lineBreak: false,
        });
      doc
        .font("text")
        .fontSize(9)
        .text(usedIn(s).join(", "), x + READY.used, y + 0.4 * PT, {
          width: wide - READY.used,
          height: READY.height,
          ellipsis: true,
          lineBreak: false,
        });
    });
    done += each * READY.columns;
  }
}
