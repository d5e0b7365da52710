import { createWriteStream } from "node:fs";
import { open } from "node:fs/promises";
import path from "node:path";
import { PassThrough, type Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { promisify } from "node:util";
import { deflateRaw } from "node:zlib";
import { Zip, ZipPassThrough } from "fflate";
import { newFolder } from "@/border/body";
import { labToHex } from "@/core/colour/display";
import { formatCgats, nameStack } from "@/core/formats/cgats";
import { keptReading } from "@/core/formats/measured";
import { Cancelled } from "@/core/progress";
import { RACK_COLUMNS } from "@/core/stock/rack-file";
import { READINGS_A_FILE, STUDIO_FORMAT } from "@/border/studio-file";
import { blendsOn } from "@/store/blends";
import { atOneMoment, inPieces } from "@/store/database";
import { listCharts, listScans } from "@/store/charts";
import { listGroups } from "@/store/groups";
import { scaleEvents } from "@/store/ink";
import { eyeAnswersOf, sheetScoresOf } from "@/store/practice";
import { listPapers } from "@/store/papers";
import { allPictures, originalOf } from "@/store/pictures";
import { eachPiece } from "@/store/pieces";
import { rackOn, thingsOf } from "@/store/rack";
import { listRanges } from "@/store/rack";
import { readingsOn } from "@/store/readings";
import type { Entered } from "@/store/studio";
import { trialsOn } from "@/store/trials";
import { workEventsOf } from "@/store/work-events";
import { csvOf } from "../api/download";

/** From so many characters on nobody reads it by eye. */
const MOST_READ = 400_000;

function json(value: unknown): string {
  const plain = JSON.stringify(value);
  return `${plain.length > MOST_READ ? plain : JSON.stringify(value, null, 1)}\n`;
}

const deflate = promisify(deflateRaw);

/** A file of a zip that was packed in a thread, so that a large one holds up nobody. */
class Packed extends ZipPassThrough {
  override compression = 8;
  constructor(
    name: string,
    private readonly packed: Buffer<ArrayBuffer>,
  ) {
    super(name);
  }
  protected override process(_: Uint8Array, isLast: boolean): void {
    this.ondata(null, this.packed, isLast);
  }
}

/** A name that every file system takes. */
const fileName = (name: string): string =>
  name
    .normalize("NFC")
    .replace(/[^\p{L}\p{N}.]+/gu, "-")
    .replace(/^[-.]+|[-.]+$/g, "")
    .slice(0, 60) || "file";

const ENDINGS: Readonly<Record<string, string>> = {
  "image/png": "png",
  "image/jpeg": "jpg",
  "image/webp": "webp",
  "image/svg+xml": "svg",
};

interface FileOut {
  readonly name: string;
  readonly content: string | Buffer;
}

/** Files of a studio, one after the other: what comes in again, and beside it what other programs read. */
async function* filesOf(studio: Entered): AsyncGenerator<FileOut> {
  const [papers, ranges, rack, pictures, charts, scans, groups, ink, eye, practised] = await Promise.all([
    listPapers(studio),
    listRanges(studio),
    thingsOf(studio),
    allPictures(studio),
    listCharts(studio),
    listScans(studio),
    listGroups(studio),
    scaleEvents(studio),
    eyeAnswersOf(studio),
    sheetScoresOf(studio),
  ]);
  const pictureFile = (p: (typeof pictures)[number], i: number) =>
    `pictures/${String(i + 1).padStart(4, "0")}-${fileName(p.name.replace(/\.[^.]*$/, ""))}.${ENDINGS[p.type] ?? "bin"}`;
  const trials = (await Promise.all(papers.map((p) => trialsOn(studio, p.id)))).flat();
  const { name, units, sheet, hand, speed, change } = studio;
  yield {
    name: "studio.json",
    content: json({
      format: STUDIO_FORMAT,
      version: 1,
      studio: { name, units, sheet, hand, speed, change },
      papers: papers.map(({ lab, ...p }) => ({ ...p, color: { lab } })),
      ranges,
      rack,
      pictures: pictures.map((p, i) => ({ id: p.id, name: p.name, file: pictureFile(p, i) })),
      charts: charts.map(({ createdAt: _, ...c }) => c),
      trials: trials.map(({ id: _, createdAt: __, ...t }) => t),
      groups: groups.map(({ id: _, ...g }) => g),
      ink,
      eye,
      practised,
    }),
  };
  for (const [i, p] of pictures.entries())
    yield { name: pictureFile(p, i), content: (await originalOf(studio, p.id))! };
  for (const [i, { id, chartId, pictureId, result, decisions, stored, createdAt }] of scans.entries())
    yield {
      name: `scans/${String(i + 1).padStart(4, "0")}.json`,
      content: json({ id, chartId, pictureId, result, decisions, stored, at: createdAt }),
    };
  let piece = 0;
  for await (const { id, document, revision, changedAt } of eachPiece(studio)) {
    const events = await workEventsOf(studio, id);
    yield {
      name: `pieces/${String(++piece).padStart(4, "0")}-${fileName(document.name)}.json`,
      content: json({ revision, document, at: changedAt, ...(events.length && { work: { events } }) }),
    };
  }
  for (const [i, paper] of papers.entries()) {
    const at = `${String(i + 1).padStart(3, "0")}-${fileName(paper.name)}`;
    const [read, long] = await Promise.all([readingsOn(studio, paper.id), blendsOn(studio, paper.id)]);
    const times = [...inPieces(read, READINGS_A_FILE)];
    const lengths = [...inPieces(long, READINGS_A_FILE)];
    for (let k = 0; k < Math.max(times.length, lengths.length); k++)
      yield {
        name: `readings/${at}-${k + 1}.json`,
        content: json({
          paperId: paper.id,
          readings: (times[k] ?? []).map(({ id: _, readAt, ...r }) => ({ ...r, at: readAt })),
          blends: (lengths[k] ?? []).map(({ id: _, readAt, ...b }) => ({ ...b, at: readAt })),
        }),
      };
    const shown = (await rackOn(studio, paper.id))!;
    const rows = [...shown.markers, ...shown.others].map((m) => ({
      ...m,
      owned: m.owned ? "yes" : m.wished ? "wished" : "no",
      colour: m.swatches[0] ? (m.swatches[0].hex ?? labToHex(m.swatches[0].lab)) : "",
    }));
    yield { name: `other programs/rack on ${at}.csv`, content: csvOf(["range", ...RACK_COLUMNS], rows) };
    const plain = read.filter((r) => !r.excluded && !r.lift && r.backing === "paper" && !r.pressure);
    yield {
      name: `other programs/readings on ${at}.txt`,
      content: formatCgats(
        plain.map((r) => ({ name: nameStack(r.stack), ...keptReading(r.lab, r.measured) })),
        `Blendt, ${paper.name}`,
      ),
    };
    yield {
      name: `other programs/readings on ${at}.csv`,
      content: csvOf(
        ["stack", "L", "a", "b", "hex", "source", "excluded", "read"],
        read.map((r) => ({
          stack: nameStack(r.stack),
          L: r.lab[0],
          a: r.lab[1],
          b: r.lab[2],
          hex: r.hex ?? "",
          source: r.source,
          excluded: r.excluded ? "yes" : "no",
          read: r.readAt.toISOString(),
        })),
      ),
    };
  }
}

/** The first day that a zip can tell: the same studio is the same bytes. */
const EARLIEST = new Date(1980, 0, 1);

/** Writes a studio as one zip of open formats, file after file, so that it is never whole in memory. */
function packInto(path: string, studio: Entered, signal?: AbortSignal): Promise<void> {
  const out = new PassThrough();
  const zip = new Zip((error, part, isLast) => {
    if (error) return void out.destroy(error);
    out.write(part);
    if (isLast) out.end();
  });
  const fill = async () => {
    for await (const { name, content } of filesOf(studio)) {
      // Pictures are packed already.
      const isText = typeof content === "string";
      const bytes = isText ? Buffer.from(content) : content;
      const file = isText ? new Packed(name, await deflate(bytes)) : new ZipPassThrough(name);
      file.mtime = EARLIEST;
      zip.add(file);
      file.push(bytes, true);
      // As fast as it is taken.
      if (out.writableNeedDrain) await new Promise((r) => out.once("drain", r).once("close", r));
      if (signal?.aborted) throw new Cancelled();
      if (out.destroyed) return;
    }
    zip.end();
  };
  const written = pipeline(out, createWriteStream(path, { mode: 0o600 }));
  fill().catch((e: unknown) => out.destroy(e as Error));
  return written;
}

/**
 * A studio as one zip, as it is at one moment: it is whole, or there is none. It lies on the disk until it is sent, so that who takes it slowly
 * holds nothing of the database.
 * @param signal ends it
 * @throws Cancelled, and what the disk and the database say
 */
export async function studioZip(studio: Entered, signal?: AbortSignal): Promise<Readable> {
  const { folder, remove } = await newFolder();
  try {
    const at = path.join(folder, "studio.zip");
    await atOneMoment(() => packInto(at, studio, signal));
    return (await open(at)).createReadStream();
  } finally {
    // What is open can still be read.
    await remove();
  }
}
