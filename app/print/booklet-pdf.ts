import sharp from "sharp";
import type { BookletInput, BookletStepInput } from "@/border/booklet";
import type { SheetName } from "@/core/chart/layout";
import type { Rack } from "@/store/rack";
import { pencilName } from "@/words/pencil";
import { clockInWords, durationInWords } from "@/words/work";
import { CAUTION, GAP, MARGIN, newSheet, PT, stroke, swatchesOf, turn, within, type Doc } from "./sheet-pdf";

interface Booklet {
  readonly name: string;
  readonly rack: Rack;
  readonly order: BookletInput;
  /** One for each moment of the order. */
  readonly pictures: readonly Buffer[];
  readonly sheet?: SheetName;
}

/** Columns of a step: its box, when, where, and what is done. */
const STEP = { box: 4 * PT, when: 7 * PT, area: 20 * PT, says: 62 * PT } as const;
const LEAST_STEP = 5.6 * PT;
/** Head of a marker that is taken up. */
const HEAD = 9 * PT;
/** A picture on the way is no higher than this, and a line stands under it. */
const PICTURE = 78 * PT;
/** A line of what is to be laid ready. */
const READY = { height: 7 * PT, code: 24 * PT, used: 44 * PT } as const;

/** What is laid with one marker before the next is taken up. */
interface Stretch {
  readonly code: string;
  readonly from: number;
  readonly steps: readonly BookletStepInput[];
}

function stretchesOf(steps: readonly BookletStepInput[]): Stretch[] {
  const out: { code: string; from: number; steps: BookletStepInput[] }[] = [];
  steps.forEach((s, i) => {
    const last = out.at(-1);
    if (last?.code === s.code) last.steps.push(s);
    else out.push({ code: s.code, from: i, steps: [s] });
  });
  return out;
}

/** What to lay ready, in the order in which it is first taken up, with how often it is. */
function ready(doc: Doc, stretches: readonly Stretch[], swatches: ReturnType<typeof swatchesOf>): void {
  const page = within(doc);
  const times = new Map<string, number>();
  for (const { code } of stretches) times.set(code, (times.get(code) ?? 0) + 1);
  const list = [...times];
  // In two columns, or in three where two do not hold it.
  const inTwo = 2 * Math.floor((page.bottom - doc.y - HEAD) / READY.height);
  const columns = list.length > inTwo ? 3 : 2;
  const wide = (page.width - (columns - 1) * GAP) / columns;
  for (let done = 0; done < list.length;) {
    if (doc.y + HEAD + READY.height > page.bottom) turn(doc);
    doc
      .font("strong")
      .fontSize(13)
      .fillColor("black")
      .text("Lay ready, in the order in which they are taken up", MARGIN, doc.y, { width: page.width });
    const top = doc.y + 1 * PT;
    const room = Math.max(1, Math.floor((page.bottom - top) / READY.height));
    const each = Math.min(room, Math.ceil((list.length - done) / columns));
    const shown = list.slice(done, done + each * columns);
    shown.forEach(([code, n], k) => {
      const x = MARGIN + Math.floor(k / each) * (wide + GAP);
      const y = top + (k % each) * READY.height;
      const own = swatches.get(code);
      if (own?.length) stroke(doc, own, x, y, 21 * PT, 5 * PT);
      doc
        .font("code")
        .fontSize(9.5)
        .fillColor("black")
        .text(pencilName(code), x + READY.code, y + 0.4 * PT, {
          width: READY.used - READY.code,
          lineBreak: false,
        });
      doc
        .font("text")
        .fontSize(9)
        .text(n === 1 ? "once" : `${n} times`, x + READY.used, y + 0.4 * PT, {
          width: wide - READY.used,
          lineBreak: false,
        });
    });
    done += shown.length;
    doc.y = top + Math.min(each, shown.length) * READY.height;
    if (done < list.length) turn(doc);
  }
}

const saysOf = ({ how, wetUntil, seconds }: BookletStepInput): string =>
  `${how}; ${durationInWords(Math.max(1, seconds))}${wetUntil === null ? "" : `, wet until ${clockInWords(wetUntil)}`}`;

/** The piece as it lies now, in the middle of the text's width. */
async function moment(doc: Doc, png: Buffer, says: string): Promise<void> {
  const page = within(doc);
  const { data, info } = await sharp(png)
    .jpeg({ quality: 90, chromaSubsampling: "4:4:4" })
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const by = Math.min(page.width / width, PICTURE / height);
  doc.y += GAP / 2;
  if (doc.y + height * by + 6 * PT > page.bottom) turn(doc);
  const left = MARGIN + (page.width - width * by) / 2;
  const top = doc.y;
  doc.image(data, left, top, { width: width * by });
  doc
    .rect(left, top, width * by, height * by)
    .lineWidth(0.3)
    .strokeColor("#777")
    .stroke();
  doc
    .font("text")
    .fontSize(9)
    .fillColor("#333")
    .text(says, MARGIN, top + height * by + 1 * PT, { width: page.width, align: "center" });
  doc.y += GAP / 2;
}

/**
 * The order of work as a booklet on the studio's printer paper: how the piece will look, what to lay ready in the order in which it is taken up,
 * every step with a box to tick under its marker, and the piece as it looks on the way.
 */
export async function bookletPdf({ name, rack, order, pictures, sheet = "A4" }: Booklet): Promise<Buffer> {
  const { doc, done } = await newSheet(`${name}: order of work`, sheet);
  const swatches = swatchesOf(rack);
  turn(doc);
  const page = within(doc);
  doc.font("strong").fontSize(17).fillColor("black").text(name, MARGIN, MARGIN, { width: page.width });
  doc
    .font("text")
    .fontSize(10)
    .fillColor("#333")
    .text(`Order of work on ${rack.paper.name}. ${order.sum}.`, MARGIN, doc.y, { width: page.width });
  const finished = pictures.at(-1);
  if (finished) await moment(doc, finished, "As it will look");
  doc.font("text").fontSize(8.5).fillColor("#333").text(CAUTION, MARGIN, doc.y, { width: page.width });
  doc.y += GAP;
  const stretches = stretchesOf(order.steps);
  ready(doc, stretches, swatches);
  doc.y += GAP;
  // Steps begin a page of their own, unless most of this one is left.
  if (doc.y > (2 * page.bottom) / 3) turn(doc);
  // The finished piece stands in front already.
  const onTheWay = new Map(order.moments.slice(0, -1).map((after, i) => [after, pictures[i]!]));
  const width = page.width - STEP.says;
  for (const { code, from, steps } of stretches) {
    const heightOf = (s: BookletStepInput) =>
      Math.max(LEAST_STEP, doc.font("text").fontSize(9.5).heightOfString(saysOf(s), { width }) + 1.4 * PT);
    doc.y += GAP / 2;
    // A marker's name does not stand alone at the end of a page.
    if (doc.y + HEAD + heightOf(steps[0]!) > page.bottom) turn(doc);
    const head = doc.y;
    const own = swatches.get(code);
    if (own?.length) stroke(doc, own, MARGIN, head, 21 * PT, 5.5 * PT);
    doc
      .font("code")
      .fontSize(12)
      .fillColor("black")
      .text(pencilName(code), MARGIN + READY.code, head + 0.3 * PT, { lineBreak: false });
    doc
      .moveTo(MARGIN, head + 7 * PT)
      .lineTo(MARGIN + page.width, head + 7 * PT)
      .lineWidth(0.8)
      .strokeColor("black")
      .stroke();
    let y = head + HEAD - 0.8 * PT;
    for (const [k, step] of steps.entries()) {
      const high = heightOf(step);
      if (y + high > page.bottom) {
        turn(doc);
        y = MARGIN;
      }
      doc
        .rect(MARGIN, y + 0.3 * PT, 3.2 * PT, 3.2 * PT)
        .lineWidth(0.6)
        .strokeColor("black")
        .stroke();
      doc
        .font("text")
        .fontSize(9.5)
        .fillColor("#333")
        .text(clockInWords(step.start), MARGIN + STEP.when, y, { lineBreak: false });
      doc
        .font("strong")
        .fontSize(9.5)
        .fillColor("black")
        .text(`${step.area}${step.part ? ` ${step.part}` : ""}`, MARGIN + STEP.area, y, {
          width: STEP.says - STEP.area - 2 * PT,
          height: high,
          ellipsis: true,
        });
      doc
        .font("text")
        .fontSize(9.5)
        .text(saysOf(step), MARGIN + STEP.says, y, { width });
      y += high;
      doc.y = y;
      const picture = onTheWay.get(from + k + 1);
      if (picture) {
        await moment(doc, picture, `After step ${from + k + 1}`);
        y = doc.y;
      }
    }
    doc.y = y;
  }
  doc.end();
  return done;
}
