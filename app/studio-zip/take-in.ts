import { pictures, pieces, workEvents } from "@/store/piece-schema";
import { rowOfEvent } from "@/store/work-events";
import type { WorkEvent } from "@/core/work/record";
import { randomUUID } from "node:crypto";
import path from "node:path";
import { colourOf } from "@/border/colour";
import { readPiece } from "@/border/piece";
import { BadInput, within, wrong } from "@/border/problem";
import { plain, readAs } from "@/border/read-as";
import type { Document } from "@/border/fields";
import { checkNames, PieceFile, ReadingsFile, ScanFile, StudioFile } from "@/border/studio-file";
import { MOST, MOST_PICTURE_BYTES } from "@/border/room";
import { Cancelled } from "@/core/progress";
import type { ReadPage } from "@/core/chart/read-chart";
import type { Piece } from "@/core/piece/piece";
import { decodePicture, MOST_BYTES } from "@/store/decode-picture";
import { studioOf, type TakeIn } from "@/store/new-studio";
import type { Visitor } from "@/store/people";
import {
  blends,
  charts,
  inkEvents,
  inks,
  keptGroups,
  papers,
  ranges,
  readings,
  scans,
  trials,
} from "@/store/schema";
import { eyeAnswers, sheetScores } from "@/store/practice-schema";
import type { Studio, StudioFacts } from "@/store/studio";
import { openZip, type Zip } from "./read-zip";
import { Stage } from "./stage";

/** Longest document of the zip, in bytes: as long as one that is sent. */
const MOST_JSON = 16 * 1024 * 1024;

/** A document of the zip. @throws BadInput naming the file and the field */
async function readFile<T extends object>(zip: Zip, name: string, type: Document<T>): Promise<T> {
  try {
    return plain(readAs(type, await zip.json(name, MOST_JSON))) as T;
  } catch (e) {
    throw e instanceof BadInput && !e.problems.some((p) => p.path === name) ? within(e, name) : e;
  }
}

/** New ids for the old ones of a file. @throws BadInput for one that the file does not have */
class Ids {
  readonly #of = new Map<string, string>();
  add(old: string): string {
    const id = randomUUID();
    this.#of.set(old, id);
    return id;
  }
  get(old: string, path: string, what: string): string {
    const id = this.#of.get(old);
    if (!id) throw wrong(path, `expected the id of a ${what} of this file`);
    return id;
  }
  find(old: string | null | undefined): string | null {
    return (old && this.#of.get(old)) || null;
  }
}

const filesIn = (zip: Zip, folder: string, most: number): string[] => {
  const names = zip.names.filter((n) => n.startsWith(`${folder}/`) && n.endsWith(".json")).sort();
  if (names.length > most) throw wrong(folder, `expected at most ${most} files`);
  return names;
};

/** Rows stand in the order of the file: each is made a moment after the one before. */
const inTurn = (i: number): Date => new Date(Date.now() + i);

/** All ids of what is in the studio, new for old. */
interface Known {
  readonly papers: Ids;
  readonly ranges: Ids;
  readonly pictures: Ids;
  readonly charts: Ids;
  readonly scans: Ids;
}

async function takeFacts(file: StudioFile, take: TakeIn, ids: Known): Promise<void> {
  await take(
    papers,
    file.papers.map(({ id, color, ...p }, position) => ({
      ...p,
      id: ids.papers.add(id),
      lab: [...colourOf(color).lab],
      position,
    })),
  );
  await take(
    ranges,
    file.ranges.map(({ id, ...r }, i) => ({ ...r, id: ids.ranges.add(id), createdAt: inTurn(i) })),
  );
  await take(
    inks,
    file.rack.map(({ rangeId, family, stateAt, ...t }) => ({
      owned: true,
      state: "full",
      ...(stateAt !== undefined && { stateAt: new Date(stateAt) }),
      ...t,
      family: family ?? "other",
      rangeId: ids.ranges.get(rangeId, "rack", "range"),
    })),
  );
  await take(
    inkEvents,
    file.ink.map(({ at, ...e }) => ({ ...e, at: new Date(at) })),
  );
  await take(
    eyeAnswers,
    file.eye.map(({ at, ...e }) => ({ ...e, at: new Date(at) })),
  );
  await take(
    sheetScores,
    file.practised.map(({ at, ...s }) => ({ ...s, at: new Date(at) })),
  );
  await take(
    charts,
    file.charts.map(({ id, paperId, ...c }) => ({
      ...c,
      id: ids.charts.add(id),
      paperId: ids.papers.get(paperId, "charts", "paper"),
    })),
  );
  await take(
    trials,
    file.trials.map(({ paperId, ...t }, i) => ({
      ...t,
      paperId: ids.papers.get(paperId, "trials", "paper"),
      // The newest stands first.
      createdAt: inTurn(-i),
    })),
  );
  await take(
    keptGroups,
    file.groups.map((g, i) => ({
      ...g,
      results: g.results.map((r) => ({ ...r, paperId: ids.papers.get(r.paperId, "groups", "paper") })),
      createdAt: inTurn(i),
    })),
  );
}

/** Pixels of all pictures of one studio: some five hundred photos of a phone. */
const MOST_PIXELS = 6_000_000_000;
/** How long a studio may take to be read, ms. */
const LONGEST = 15 * 60_000;

/** Ends the reading when nobody waits for it any more, or it takes too long. */
class Patience {
  readonly #end = Date.now() + LONGEST;
  constructor(private readonly signal: AbortSignal | undefined) {}
  /** @throws Cancelled, BadInput */
  check(): void {
    if (this.signal?.aborted) throw new Cancelled();
    if (Date.now() > this.#end)
      throw wrong("studio", "expected a studio that can be read in a quarter of an hour");
  }
}

/** Pictures are read anew, as if each had been sent by itself: what is worked with is never taken from a file. */
async function takePictures(
  zip: Zip,
  file: StudioFile,
  take: TakeIn,
  ids: Known,
  patience: Patience,
): Promise<void> {
  let [total, pixels] = [0, 0];
  for (const [i, { id, name, file: at }] of file.pictures.entries()) {
    patience.check();
    const picture = await decodePicture(name, await zip.bytes(at, MOST_BYTES)).catch((e: unknown) => {
      throw e instanceof BadInput ? wrong(at, e.problems[0]?.expected ?? "expected a picture") : e;
    });
    total += picture.original.length + picture.working.length;
    pixels += picture.width * picture.height;
    if (pixels > MOST_PIXELS)
      throw wrong("pictures", `expected at most ${MOST_PIXELS / 1e6} megapixels in all`);
    if (total > MOST_PICTURE_BYTES)
      throw wrong("pictures", `expected at most ${MOST_PICTURE_BYTES / 1e6} MB of pictures in all`);
    await take(pictures, [{ ...picture, id: ids.pictures.add(id), createdAt: inTurn(i) }]);
  }
}

async function takeReadings(zip: Zip, take: TakeIn, ids: Known, patience: Patience): Promise<void> {
  for (const name of filesIn(zip, "scans", MOST.scans)) {
    patience.check();
    const { id, chartId, pictureId, result, decisions, stored, at } = await readFile(zip, name, ScanFile);
    if (decisions.length !== result.cells.length)
      throw wrong(`${name}.decisions`, `expected ${result.cells.length} decisions, one a cell`);
    await take(scans, [
      {
        id: ids.scans.add(id),
        chartId: ids.charts.get(chartId, `${name}.chartId`, "chart"),
        pictureId: ids.pictures.get(pictureId, `${name}.pictureId`, "picture"),
        page: result.page,
        result: result as ReadPage,
        decisions,
        stored,
        createdAt: new Date(at),
      },
    ]);
  }
  let [read, long] = [0, 0];
  for (const name of filesIn(zip, "readings", MOST.readings)) {
    patience.check();
    const file = await readFile(zip, name, ReadingsFile);
    const paperId = ids.papers.get(file.paperId, `${name}.paperId`, "paper");
    read += file.readings.length;
    long += file.blends.length;
    if (read > MOST.readings || long > MOST.blends)
      throw wrong(name, `expected at most ${MOST.readings} readings and ${MOST.blends} long cells in all`);
    await take(
      readings,
      file.readings.map(({ at, scanId, ...r }) => ({
        ...r,
        paperId,
        scanId: ids.scans.find(scanId),
        readAt: new Date(at),
      })),
    );
    await take(
      blends,
      file.blends.map(({ at, scanId, ...b }) => ({
        ...b,
        paperId,
        scanId: ids.scans.find(scanId),
        readAt: new Date(at),
      })),
    );
  }
}

/** The piece with the ids of its new studio; what it names and the file does not have, it has no more. */
function movedPiece(piece: Piece, ids: Known): Piece {
  const references = piece.references.flatMap((r) => {
    const pictureId = ids.pictures.find(r.pictureId);
    return pictureId ? [{ ...r, pictureId }] : [];
  });
  const line = piece.setUp.line && ids.pictures.find(piece.setUp.line.pictureId);
  return {
    ...piece,
    paperId: ids.papers.find(piece.paperId),
    pictureId: ids.pictures.find(piece.pictureId),
    references,
    setUp: { ...piece.setUp, line: line ? { ...piece.setUp.line!, pictureId: line } : null },
  };
}

/** What was done to a piece; photos that the file does not have are left out. */
const movedEvents = (events: readonly WorkEvent[], pieceId: string, ids: Known) => {
  const own = new Set<string>();
  return events.flatMap((event) => {
    if (own.has(event.id)) return [];
    own.add(event.id);
    if (event.kind !== "photographed") return [rowOfEvent(pieceId, event)];
    const pictureId = ids.pictures.find(event.pictureId);
    return pictureId ? [rowOfEvent(pieceId, { ...event, pictureId })] : [];
  });
};

async function takePieces(zip: Zip, take: TakeIn, ids: Known, patience: Patience): Promise<void> {
  for (const name of filesIn(zip, "pieces", MOST.pieces)) {
    patience.check();
    const { document, at, work } = await readFile(zip, name, PieceFile);
    let piece: Piece;
    try {
      piece = readPiece(document);
    } catch (e) {
      throw e instanceof BadInput ? within(e, `${name}.document`) : e;
    }
    const id = randomUUID();
    await take(pieces, [{ id, document: movedPiece(piece, ids), changedAt: new Date(at) }]);
    await take(workEvents, movedEvents(work?.events ?? [], id, ids));
  }
}

/**
 * Makes a studio of a zip that {@link studioZip} wrote: everything is read as strictly as if it were typed in, and all of it comes in or none.
 * It is read to its end before the database hears of it.
 * @param from path of the zip
 * @param folder where rows may lie until then
 * @param signal ends it
 * @returns undefined when the visitor has as many studios as there may be
 * @throws BadInput naming file and field; Cancelled
 */
export async function takeStudioIn(
  visitor: Visitor,
  from: string,
  folder: string,
  signal?: AbortSignal,
): Promise<Studio | undefined> {
  const zip = await openZip(from);
  try {
    const patience = new Patience(signal);
    const file = await readFile(zip, "studio.json", StudioFile);
    checkNames(file);
    const ids = {
      papers: new Ids(),
      ranges: new Ids(),
      pictures: new Ids(),
      charts: new Ids(),
      scans: new Ids(),
    };
    const stage = await Stage.at(path.join(folder, "rows"));
    try {
      await takeFacts(file, stage.put, ids);
      await takePictures(zip, file, stage.put, ids, patience);
      await takeReadings(zip, stage.put, ids, patience);
      await takePieces(zip, stage.put, ids, patience);
      patience.check();
      return await studioOf(visitor, file.studio as StudioFacts, (take) => stage.takeInto(take));
    } finally {
      await stage.close();
    }
  } finally {
    zip.close();
  }
}
