import { execFile } from "node:child_process";
import path from "node:path";
import sharp from "sharp";
import { BadInput } from "@/border/problem";
import { numberOf, safeSvg, type SafeSvg } from "@/border/svg";
import { IMAGE } from "@/border/svg-tree";
import { placesOf } from "@/core/picture/places";
import type { NamedPlace, NewPicture } from "./pictures";

export const MOST_BYTES = 30 * 1024 * 1024;
export const MOST_PIXELS = 60_000_000;
/** Long side of the working copy: enough to pick from, quick to show. */
const WORKING_SIDE = 2400;
/** Longest drawing in SVG. */
const MOST_SVG_BYTES = 8 * 1024 * 1024;
/** A drawing in SVG is drawn this long, unless BLENDT_DRAWN_SIDE says otherwise: on a small machine, or where there is little time. */
const drawnSide = (): number => {
  const said = Number(process.env.BLENDT_DRAWN_SIDE);
  return Number.isInteger(said) && said >= 400 && said <= 4000 ? said : 2000;
};
/** And this long to see where its named shapes lie. */
const NAMED_SIDE = 480;
const FORMATS: Record<string, string> = {
  png: "image/png",
  jpeg: "image/jpeg",
  webp: "image/webp",
  tiff: "image/tiff",
  gif: "image/gif",
  heif: "image/avif",
};
/** Formats whose working copy loses nothing. */
const LOSSLESS = new Set(["png", "gif", "tiff"]);

/** Whether a file is a phone's HEIC, which nothing here decodes: its brand stands behind the first box's name. */
const isHeic = (bytes: Buffer): boolean =>
  bytes.toString("latin1", 4, 8) === "ftyp" &&
  /heic|heix|hevc|heim|heis|mif1|msf1/.test(bytes.toString("latin1", 8, 32)) &&
  !/avif|avis/.test(bytes.toString("latin1", 8, 32));

/** A picture that cannot be taken in: what is wrong and what to do, for people. */
export class PictureRefused extends BadInput {
  constructor(message: string) {
    super([{ path: "", expected: message }]);
    this.name = "PictureRefused";
  }
}

const megapixels = (n: number) => `${(n / 1e6).toFixed(0)} megapixels`;

/** Text of a drawing in the encoding that it begins with. */
function textOf(bytes: Buffer): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  const said = /^<\?xml[^>]{0,200}encoding=["'](iso-8859-1|latin-?1|windows-1252|us-ascii)["']/i.test(
    bytes.subarray(0, 300).toString("latin1"),
  );
  return said ? new TextDecoder("windows-1252").decode(bytes) : bytes.toString("utf8");
}

/** Whether a file starts as SVG does, whatever it is called. */
const looksLikeSvg = (bytes: Buffer): boolean => {
  const head = textOf(bytes.subarray(0, 2000))
    .replace(/^\uFEFF/, "")
    .trimStart();
  return head.startsWith("<") && /<svg[\s>]|<\?xml|<!doctype svg|<!--/i.test(head);
};

/** Longest that the drawing of an SVG may take: by the clock, ms, and of the processor, s; and most memory of its process, MB. */
const DRAWING_TIME = 15_000;
const DRAWING_SECONDS = 2;
const DRAWING_MEMORY = 450;
/** Drawings that wait for the one being drawn. */
const MOST_WAITING = 20;

let waiting = 0;
let turn: Promise<unknown> = Promise.resolve();
/** One drawing at a time: each takes a processor and hundreds of megabytes. */
async function inTurn<T>(draw: () => Promise<T>): Promise<T> {
  if (waiting >= MOST_WAITING) throw new Error("too many drawings wait");
  waiting++;
  const drawing = turn.then(draw);
  turn = drawing.catch(() => undefined);
  try {
    return await drawing;
  } finally {
    waiting--;
  }
}

/**
 * Draws SVG at a size, as PNG, in a process of its own that is ended when it takes too long.
 * @throws when it cannot be drawn in time
 */
function drawn(
  svg: string,
  size: { width: number; height: number },
  side: number,
  ground?: string,
): Promise<Buffer> {
  const scale = side / Math.max(size.width, size.height);
  const width = Math.max(1, Math.round(size.width * scale));
  const height = Math.max(1, Math.round(size.height * scale));
  const asked = { svg, width, height, ground, mostPixels: MOST_PIXELS };
  const limits = { memory: DRAWING_MEMORY, seconds: DRAWING_SECONDS };
  const draw = () =>
    new Promise<Buffer>((resolve, reject) => {
      const child = execFile(
        process.execPath,
        [path.join(/* turbopackIgnore: true */ process.cwd(), "store", "draw-svg.mjs")],
        { encoding: "buffer", timeout: DRAWING_TIME, killSignal: "SIGKILL", maxBuffer: MOST_BYTES },
        (error, png) => (error ? reject(error) : resolve(png)),
      );
      // A process that has ended already takes nothing more.
      child.stdin!.on("error", () => undefined);
      child.stdin!.end(JSON.stringify({ ...asked, ...limits }));
    });
  return inTurn(draw);
}

/** Pixels of all pictures within a drawing. */
const MOST_EMBEDDED = 40_000_000;

/**
 * A drawing made safe, with the pictures in it looked at as any other and written anew; one that cannot be read is left out, and told.
 * @throws BadInput
 */
export async function inlined(source: string): Promise<SafeSvg> {
  const safe = safeSvg(source);
  let { svg } = safe;
  let left = MOST_EMBEDDED;
  const leftOut = new Set(safe.leftOut);
  for (const [n, base64] of safe.images.entries()) {
    const png = await embedded(Buffer.from(base64, "base64"), left);
    if (png) left -= png.pixels;
    else leftOut.add("a picture that lies elsewhere");
    svg = svg.replace(
      `href="${IMAGE}${n}"`,
      png ? `href="data:image/png;base64,${png.bytes.toString("base64")}"` : "",
    );
  }
  return { ...safe, svg, leftOut: [...leftOut] };
}

/** A picture within a drawing as PNG; undefined when it is none, or has more pixels than may be. */
async function embedded(bytes: Buffer, most: number) {
  try {
    const open = () => sharp(bytes, { limitInputPixels: Math.max(1, most), pages: 1 });
    const { format, width, height } = await open().metadata();
    if (!["png", "jpeg", "webp", "gif"].includes(format ?? "")) return undefined;
    const sized = open().rotate().resize({
      width: WORKING_SIDE,
      height: WORKING_SIDE,
      fit: "inside",
      withoutEnlargement: true,
    });
    return { bytes: await sized.png({ compressionLevel: 3 }).toBuffer(), pixels: width * height };
  } catch {
    return undefined;
  }
}

/** A drawing in SVG, made safe and drawn on white. */
async function decodeSvg(name: string, original: Buffer): Promise<NewPicture> {
  if (original.length > MOST_SVG_BYTES)
    throw new PictureRefused(
      `"${name}" has ${(original.length / 1024 / 1024).toFixed(0)} MB; a drawing in SVG may have 8. Simplify it, or save it as PNG.`,
    );
  const { svg, named, names, width, height, mm, leftOut } = await inlined(textOf(original));
  const refused = () =>
    new PictureRefused(
      `"${name}" cannot be drawn, or not in reasonable time. Save it again as plain SVG, or as PNG, and try again.`,
    );
  const size = { width, height };
  const working = await drawn(svg, size, drawnSide(), "#ffffff").catch(() => {
    throw refused();
  });
  const info = await sharp(working).metadata();
  const points = named
    ? await drawn(named, size, NAMED_SIDE).then(
        (png) => namesIn(png, names),
        () => [],
      )
    : [];
  return {
    name,
    type: "image/svg+xml",
    width: info.width,
    height: info.height,
    original,
    working,
    workingType: "image/png",
    workingWidth: info.width,
    workingHeight: info.height,
    names: points,
    ...(mm !== undefined && { mm }),
    leftOut,
  };
}

/** Where each named shape lies, by its colour. */
async function namesIn(png: Buffer, names: readonly string[]): Promise<NamedPlace[]> {
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const numbers = new Uint16Array(info.width * info.height);
  for (let p = 0, q = 0; p < numbers.length; p++, q += 4) {
    const n = data[q + 3] === 255 ? numberOf(data[q]!, data[q + 1]!, data[q + 2]!) : 0;
    numbers[p] = n <= names.length ? n : 0;
  }
  const places = placesOf({ width: info.width, height: info.height, data: numbers }, names.length);
  return names.flatMap((name, i) => (places[i + 1]!.length ? [{ name, at: places[i + 1]! }] : []));
}

/**
 * Decodes an uploaded picture and makes its upright sRGB working copy. What the bytes are decides, not the name.
 * @throws PictureRefused, BadInput for anything but a whole picture of a known format within the limits
 */
export async function decodePicture(name: string, original: Buffer): Promise<NewPicture> {
  if (!original.length)
    throw new PictureRefused(`"${name}" is empty. Choose a PNG, JPEG, WebP, AVIF, GIF, TIFF or SVG picture.`);
  if (original.length > MOST_BYTES)
    throw new PictureRefused(
      `"${name}" has ${(original.length / 1024 / 1024).toFixed(0)} MB; at most 30 MB can be taken. Save it smaller and try again.`,
    );
  if (isHeic(original))
    throw new PictureRefused(
      `"${name}" is a HEIC photo, which cannot be opened here. Have the phone give a JPEG: share it by mail or “most compatible”, or set its camera to JPEG and take it again.`,
    );
  if (looksLikeSvg(original)) return decodeSvg(name, original);
  const open = () => sharp(original, { limitInputPixels: false, failOn: "error", pages: 1 });
  const meta = await open()
    .metadata()
    .catch(() => undefined);
  const type = meta && FORMATS[meta.format ?? ""];
  if (!meta?.width || !meta.height || !type)
    throw new PictureRefused(
      `"${name}" is not a PNG, JPEG, WebP, AVIF, GIF, TIFF or SVG picture. Open it in an image program, export it as one of these, and try again.`,
    );
  if (meta.width * meta.height > MOST_PIXELS)
    throw new PictureRefused(
      `"${name}" has ${megapixels(meta.width * meta.height)}; at most 60 can be taken. Make it smaller and try again.`,
    );
  try {
    const upright = open().rotate().toColourspace("srgb").flatten({ background: "#ffffff" });
    const sized = upright.resize({
      width: WORKING_SIDE,
      height: WORKING_SIDE,
      fit: "inside",
      withoutEnlargement: true,
    });
    const lossless = LOSSLESS.has(meta.format ?? "");
    const { data, info } = await (
      lossless ? sized.png({ compressionLevel: 8 }) : sized.jpeg({ quality: 94, chromaSubsampling: "4:4:4" })
    ).toBuffer({ resolveWithObject: true });
    const turned = (meta.orientation ?? 1) >= 5;
    return {
      name,
      type,
      width: turned ? meta.height : meta.width,
      height: turned ? meta.width : meta.height,
      original,
      working: data,
      workingType: lossless ? "image/png" : "image/jpeg",
      workingWidth: info.width,
      workingHeight: info.height,
      names: [],
      ...((meta.pages ?? 1) > 1 && { leftOut: [`its pages 2 to ${meta.pages}`] }),
    };
  } catch {
    throw new PictureRefused(
      `"${name}" breaks off or is damaged, so it cannot be read to the end. Copy it again from where it came and try again.`,
    );
  }
}
