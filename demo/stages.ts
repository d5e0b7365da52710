import { randomUUID } from "node:crypto";
import sharp from "sharp";
import { toneMapQuestion } from "@/compute/piece-questions";
import { runOperation } from "@/compute/run";
import type { Pass } from "@/core/media/medium";
import { areaCourse } from "@/core/piece/area-course";
import type { Area, Piece } from "@/core/piece/piece";
import { coatsAt, laidBy } from "@/core/work/at-desk";
import { workOf } from "@/core/work/of-piece";
import { recordOf, type WorkEvent } from "@/core/work/record";
import { demoRange } from "@/sim/demo-range";
import { colourSheet } from "@/sim/sheet";
import { decodePicture } from "@/store/decode-picture";
import { addPicture } from "@/store/pictures";
import type { Rack } from "@/store/rack";
import type { Studio } from "@/store/studio";
import { fileOf } from "./answers";
import { demoPapers } from "./markers";
import type { DemoPiece } from "./pieces";
import { litBy } from "./seed-colouring";
import { stampedPhoto, type LaidColours } from "./seed-set-up";

/** Quality at which photos are kept. */
const QUALITY = 84;
const MINUTE = 60_000;

/** What went wrong in the simulated hand: the note of the photo says it. */
const MISTAKES = {
  short: "Rail",
  other: "Keel",
  note: "As it lies now. The rail is a coat short, and the keel’s darkest tone came from the marker beside.",
} as const;

const range = demoRange();
/** The marker beside one in the box: of its family and clarity, the next darker or else lighter. */
function beside(code: string): string {
  const own = range.find((i) => i.code === code)!;
  const box = range
    .filter((i) => i.family === own.family && i.clarity === own.clarity)
    .sort((a, b) => a.depth - b.depth);
  const at = box.indexOf(own);
  return (box[at + 1] ?? box[at - 1] ?? own).code;
}

/** Ink that truly lies at a place of an area: as the passes so far lay it, but for what went wrong. */
function laidAt({ name }: Area, passes: readonly Pass[], t: number): string[] {
  const coats = coatsAt(passes, t);
  if (name === MISTAKES.short) return coats.slice(0, -1);
  const tones = new Set(passes.map((p) => p.code)).size;
  const last = coats.at(-1);
  return name === MISTAKES.other && last && new Set(coats).size === tones
    ? coats.map((c) => (c === last ? beside(c) : c))
    : coats;
}

/** What lies on the sheet where each tone of each area goes. */
async function coloursOf(
  studio: Studio,
  demo: DemoPiece,
  piece: Piece,
  laid: (area: Area, t: number) => string[],
): Promise<LaidColours> {
  const known = (await litBy(studio, piece))!;
  const question = toneMapQuestion(piece);
  const { zones, owner, areas } = await runOperation("toneMap", { field: await known.light(), ...question });
  const { stock } = demoPapers[demo.paper]!;
  const reflectances: Float64Array[] = [];
  const numbers = areas.map(({ id, mm2 }) => {
    const area = piece.areas.find((a) => a.id === id)!;
    const borders = question.areas.find((a) => a.id === id)?.borders ?? [0, 1];
    return mm2.map((_, zone) => {
      const coats = laid(area, (borders[zone]! + borders[zone + 1]!) / 2);
      if (!coats.length) return 0;
      return reflectances.push(
        colourSheet(
          stock,
          coats.map((code) => range.find((i) => i.code === code)!.recipe),
        ),
      );
    });
  });
  const { width, height } = zones;
  return {
    reflectances,
    at: (x, y) => {
      const p = Math.floor(y * height) * width + Math.floor(x * width);
      const own = owner.data[p] ?? -1;
      return own < 0 ? 0 : (numbers[own]![zones.data[p]! - 1] ?? 0);
    },
  };
}

/** Photos of a piece at work: its line before the first coat, and as it lies when the work was paused. */
export async function stagesOf(
  studio: Studio,
  demo: DemoPiece,
  piece: Piece,
  { paper }: Pick<Rack, "paper">,
  events: readonly WorkEvent[],
): Promise<WorkEvent[]> {
  const passes = laidBy(
    workOf(piece, paper, () => 1),
    recordOf(events),
  );
  const laid = (area: Area, t: number) =>
    laidAt(area, areaCourse(area, paper, piece.whole).passes.slice(0, passes.get(area.id) ?? 0), t);
  const { stock } = demoPapers[demo.paper]!;
  const taken = async (name: string, seed: number, colours?: () => Promise<LaidColours>) => {
    const question = [
      "stage",
      name,
      demo.art,
      seed,
      colours && [toneMapQuestion(piece), [...passes], piece.areas],
    ];
    const webp = await fileOf(question, "webp", async () =>
      sharp(await stampedPhoto(demo.art, demo.sheet, demo.width, stock, seed, await colours?.()))
        .resize({ width: 1800 })
        .webp({ quality: QUALITY })
        .toBuffer(),
    );
    const { id } = await addPicture(studio, await decodePicture(name, webp));
    return id;
  };
  const [first, last] = [events[0]!.at, events.at(-1)!.at];
  const photo = (pictureId: string, at: number, note: string): WorkEvent => ({
    id: randomUUID(),
    kind: "photographed",
    at,
    pictureId,
    note,
  });
  return [
    photo(
      await taken(`${demo.art} before the first coat.webp`, 7),
      first - 5 * MINUTE,
      "Stamped and dry, before the first coat.",
    ),
    photo(
      await taken(`${demo.art} half done.webp`, 12, () => coloursOf(studio, demo, piece, laid)),
      last + 3 * MINUTE,
      MISTAKES.note,
    ),
  ];
}
