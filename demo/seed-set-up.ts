import sharp from "sharp";
import type { Point } from "@/core/algebra/point";
import { runOperation } from "@/compute/run";
import type { SetUpOutput } from "@/compute/operations/set-up";
import { applyCommand } from "@/core/piece/commands";
import type { Piece } from "@/core/piece/piece";
import { measured } from "@/core/piece/placing";
import { DEFAULT_SET_UP } from "@/core/piece/set-up";
import { harshShot, photograph } from "@/sim/camera";
import { colourSheet } from "@/sim/sheet";
import { whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { decodePicture } from "@/store/decode-picture";
import { addPicture, type NewPicture } from "@/store/pictures";
import type { Studio } from "@/store/studio";
import { lineArt, lineSvg } from "./art";
import { DRAWING, type DemoPiece } from "./pieces";

/** Reflectance of a stamp pad's black ink, as a share of the paper's. */
const STAMP = 0.06;
/** The table in the studio stands under one lamp; photos are taken by hand. */
const TABLE = {
  turn: 4,
  tilt: 13,
  lean: 200,
  fill: 0.86,
  lamp: 4300,
  uneven: 0.3,
  vignette: 0.16,
  noise: 1.6,
  blur: 0.6,
};

/** What lies on a sheet: of any point of it (shares of its sides) which of several colours, from 1; 0 none. */
export interface LaidColours {
  readonly at: (x: number, y: number) => number;
  readonly reflectances: readonly Float64Array[];
}

/** How uneven flat ink lies. */
const STREAKS = 0.02;

/** The line of a demo drawing stamped on a sheet that lies on a table, as it is or coloured, photographed. */
export async function stampedPhoto(
  art: string,
  sheet: DemoPiece["sheet"],
  width: number,
  stock: PaperStock,
  seed: number,
  laid?: LaidColours,
): Promise<Buffer> {
  const { data, info } = await sharp(await lineArt(art))
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const line = Float32Array.from(
    { length: info.width * info.height },
    (_, p) => 1 - data[p * info.channels]! / 255,
  );
  const paper = colourSheet(stock, []);
  const random = seeded(seed);
  const pxPerMm = info.width / width;
  const [x, y] = [(sheet.width - width) / 2, (sheet.height - info.height / pxPerMm) / 2];
  const areas =
    laid &&
    Uint16Array.from(line, (_, p) =>
      laid.at(
        (x + ((p % info.width) + 0.5) / pxPerMm) / sheet.width,
        (y + (Math.floor(p / info.width) + 0.5) / pxPerMm) / sheet.height,
      ),
    );
  const photo = await photograph(
    {
      ...sheet,
      paper,
      discs: [],
      bars: [],
      patches: [],
      art: {
        x,
        y,
        pxPerMm,
        width: info.width,
        height: info.height,
        line,
        ink: paper.map((v) => v * STAMP),
        ...(laid && areas && { coloured: { areas, reflectances: laid.reflectances, streaks: STREAKS } }),
      },
    },
    {
      ...harshShot(random, 2400, 1800),
      ...TABLE,
      turn: TABLE.turn * (seed % 2 ? 1 : -1),
      shift: [0.01, -0.01],
      quality: 88,
    },
    random,
  );
  return photo.jpeg;
}

/** What a working copy is as operations take it. */
async function imageOf({ working }: NewPicture) {
  const { data, info } = await sharp(working).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, channels: info.channels, data: data.toString("base64") };
}

/** A demo piece with its line brought in, its sheet, and every area in its place and measured. */
export async function setUpWhole(studio: Studio, demo: DemoPiece, piece: Piece): Promise<Piece> {
  const { sheet, width } = demo;
  const picture = demo.photo
    ? await decodePicture(`${demo.art} stamped.jpg`, await stampedPhoto(demo.art, sheet, width, whiteCard, 5))
    : await decodePicture(`${demo.art}.svg`, lineSvg(demo.art));
  const { id: pictureId } = await addPicture(studio, picture);
  const image = await imageOf(picture);
  const found = demo.photo ? await runOperation("findSheet", { image }) : undefined;
  const corners = found?.corners ?? null;
  const height = (width * DRAWING.height) / DRAWING.width;
  // Where the drawing lies in what the labels are of: in itself, or in the sheet of a photo.
  const frame = corners
    ? { ...sheet, left: (sheet.width - width) / 2, top: (sheet.height - height) / 2 }
    : { width, height, left: 0, top: 0 };
  const share = (v: number) => Math.round(v * 1e4) / 1e4;
  const inFrame = ([x, y]: Point): Point => [
    share((frame.left + (x * width) / DRAWING.width) / frame.width),
    share((frame.top + (y * height) / DRAWING.height) / frame.height),
  ];
  // The painted picture has no margins; the sheet of a photo has.
  const ends = ([0, 1] as const).map((v) => ({
    line: inFrame([v * DRAWING.width, v * DRAWING.height]),
    reference: [v, v] as const,
  }));
  const placed: Piece = {
    ...piece,
    references: piece.references.map((r) => ({ ...r, pairs: corners ? ends : [] })),
    setUp: {
      ...DEFAULT_SET_UP,
      line: {
        pictureId,
        kind: demo.photo ? "stamped" : "drawn",
        proof: true,
        corners,
        width: corners ? null : width,
      },
      sheet: { ...DEFAULT_SET_UP.sheet, ...sheet },
    },
    areas: piece.areas.map((a) => {
      const { at } = demo.areas.find((d) => d.name === a.name)!;
      return { ...a, place: { at: at.map(inFrame), mm2: 0, part: 0, width: 0 } };
    }),
  };
  const output: SetUpOutput = await runOperation("setUp", {
    image,
    kind: placed.setUp.line!.kind,
    corners,
    aspect: corners && sheet.width / sheet.height,
    width: frame.width,
    gap: placed.setUp.gap,
    speck: placed.setUp.speck,
    claims: placed.areas.map((a) => ({ id: a.id, at: a.place!.at })),
  });
  const command = measured(placed, output);
  return command ? applyCommand(placed, command) : placed;
}
