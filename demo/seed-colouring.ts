import sharp from "sharp";
import { drawingName, givenDrawing } from "@/compute/drawings";
import { colouringName } from "@/compute/colouring-name";
import { lightName } from "@/compute/looks";
import { givenValues } from "@/compute/operations/light";
import { packedValues } from "@/compute/packed-values";
import { keepPicture } from "@/compute/pictures";
import { deskOfRack } from "@/compute/from-rack";
import { drawingQuestion, lightQuestion, shownQuestion, toneMapQuestion } from "@/compute/piece-questions";
import { runOperation } from "@/compute/run";
import { applyCommand } from "@/core/piece/commands";
import type { Piece } from "@/core/piece/piece";
import { shared } from "@/core/piece/placing";
import { keepColouring } from "@/store/colourings";
import { keepDrawing } from "@/store/drawings";
import { findDrawing, pictureBytes } from "@/store/pictures";
import type { Rack } from "@/store/rack";
import type { Studio } from "@/store/studio";
import { deflated } from "@/compute/packing";
import { build, fileOf, workedFrom } from "./answers";

/** Long side, pixels, and quality at which the picture of a piece is kept; as pages keep it. */
const SIDE = 1600;
const QUALITY = 86;

/** What the light of a piece is asked, and how it is worked out. */
export async function litBy(studio: Studio, piece: Piece) {
  const lineId = piece.setUp.line?.pictureId;
  const drawing = lineId && (await findDrawing(studio, lineId));
  if (!drawing) return undefined;
  const { hints: _, ...drawn } = drawingQuestion(piece, drawing);
  const lit = { ...lightQuestion(piece), drawn: { ...drawn, coarser: 1 } };
  const looking = async (coarser = 1) => {
    const { bytes } = (await pictureBytes(studio, lineId))!;
    const { data, info } = await sharp(bytes)
      .flatten({ background: "#fff" })
      .toColourspace("srgb")
      .raw()
      .toBuffer({ resolveWithObject: true });
    keepPicture(lineId, { width: info.width, height: info.height, rgb: new Uint8Array(data) });
    return (await runOperation("light", { image: { picture: lineId }, ...lit, coarser })).field;
  };
  return {
    lineId,
    lit,
    light: () => looking(),
    /** Looks at the drawing, and hardly at its light. */
    looked: () => looking(8),
  };
}

type Known = NonNullable<Awaited<ReturnType<typeof litBy>>>;

/** The piece with how its areas are divided from light to dark, as its tone map shows them. */
export async function withShares(studio: Studio, piece: Piece): Promise<Piece> {
  const known = await litBy(studio, piece);
  if (!known) return piece;
  const tones = toneMapQuestion(piece);
  const areas = await workedFrom(["shares", known.lit, tones], async () =>
    (await runOperation("toneMap", { field: await known.light(), ...tones })).areas.map(({ id, shares }) => ({
      id,
      shares,
    })),
  );
  const command = shared(
    piece,
    areas.filter((a) => a.shares.some((s) => s > 0)),
  );
  return command ? applyCommand(piece, command) : piece;
}

/** Keeps the drawing of a piece as it is looked at, so that no page needs to look first. `make` may have it from before. */
async function seedDrawing(
  studio: Studio,
  known: Known,
  make: (looking: () => Promise<Buffer>) => Promise<Buffer> = (looking) => looking(),
): Promise<void> {
  const { lineId, lit } = known;
  const { coarser, ...drawn } = lit.drawn;
  const line = { kind: drawn.kind, corners: drawn.corners, aspect: drawn.aspect, coarser };
  const packed = await make(async () => {
    await known.looked();
    return bytesOf(givenDrawing({ handle: lineId, ...line }, drawn)!);
  });
  await keepDrawing(studio, lineId, `${build} ${drawingName(line, drawn)}`, packed);
}

const bytesOf = async (bytes: Uint8Array<ArrayBuffer>): Promise<Buffer> =>
  Buffer.from(await (await deflated(bytes)).arrayBuffer());

/** Keeps what pages look at a piece's drawing for, and its light. */
export async function seedLooks(studio: Studio, piece: Piece): Promise<void> {
  const known = await litBy(studio, piece);
  if (!known) return;
  await seedDrawing(studio, known);
  const { lineId, lit } = known;
  const values = givenValues({ image: { picture: lineId }, ...lit }, await known.light());
  const packed = values && packedValues(values);
  if (packed) await keepDrawing(studio, lineId, `${build} ${lightName(lit)!}`, await bytesOf(packed));
}

/** Keeps the picture of a piece as it will look, so that it is seen before anybody has drawn it, and its drawing as it was looked at. */
export async function seedColouring(
  studio: Studio,
  pieceId: string,
  piece: Piece,
  rack: Rack,
): Promise<void> {
  const known = await litBy(studio, piece);
  if (!known) return;
  const { lineId, lit, light } = known;
  const shown = shownQuestion(piece, rack);
  await seedDrawing(studio, known, (looking) => fileOf(lit, "drawing", looking));
  const webp = await fileOf([lit, shown, deskOfRack(rack)], "webp", async () => {
    const field = await light();
    const { width, height, rgba } = await runOperation("render", { ...deskOfRack(rack), field, ...shown });
    return sharp(Buffer.from(rgba.buffer, rgba.byteOffset, rgba.byteLength), {
      raw: { width, height, channels: 4 },
    })
      .removeAlpha()
      .resize({ width: SIDE, height: SIDE, fit: "inside", withoutEnlargement: true })
      .webp({ quality: QUALITY, effort: 4 })
      .toBuffer();
  });
  const { width, height } = await sharp(webp).metadata();
  const name = `${build} ${colouringName(piece, rack)}`;
  await keepColouring(studio, pieceId, { name, lineId, width, height }, webp);
}
