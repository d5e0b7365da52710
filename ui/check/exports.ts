import { extentsOf } from "@/core/light/ground";
import { shownQuestion, toneMapQuestion } from "@/compute/piece-questions";
import { sendForFile } from "@/ui/send";
import { sequenceOf } from "@/core/colouring/sequence";
import { tonesIn } from "@/core/piece/area-course";
import type { Area, Piece } from "@/core/piece/piece";
import type { LightOutput } from "@/compute/operations/light";
import type { ToneMapOutput } from "@/compute/operations/tone-map";
import type { Rack } from "@/store/rack";
import { markedLayers } from "@/core/piece/marked";
import { ask, compute } from "@/ui/jobs/client";
import { inGreys, type Pictured } from "@/ui/light/greys";
import { marksInWords } from "@/words/marks";
import { passAmount } from "@/words/pass";
import { pencilName } from "@/words/pencil";
import { openRaster, type LayerGroup, type RasterLayer } from "./open-raster";
import { bytesOf, dataAddress, pngOf, pngOfSvg } from "./png";
import { toneMapSvg } from "./tone-map-svg";

/** What the ways out need to know of a piece. */
export interface Outgoing {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly light: LightOutput;
}

/** Hears how far an export is, 0–1; says when it should stop. */
export interface Watching {
  readonly onProgress: (share: number) => void;
  readonly signal: AbortSignal;
}

const NOTHING = () => 0;

/** The colouring, or the bare sheet with its line. */
async function drawn(
  { piece, rack, light }: Outgoing,
  { signal }: Watching,
  more: object = {},
  upTo?: (area: Area) => number,
) {
  return ask(
    "render",
    rack,
    { field: light.field, ...shownQuestion(piece, rack, upTo), ...more },
    { signal },
  );
}

const toneMapOf = ({ piece, light }: Outgoing, { signal }: Watching): Promise<ToneMapOutput> =>
  compute("toneMap", { field: light.field, ...toneMapQuestion(piece), outlined: true }, { signal });

/** The colouring as PNG, so many pixels wide. */
export async function colouringPng(out: Outgoing, watching: Watching, wide: number): Promise<Blob> {
  watching.onProgress(0.1);
  return pngOf(await drawn(out, watching), wide);
}

/** The piece once so many passes of each area lie, all of them where nothing is said, as PNG. */
export async function momentPng(
  out: Outgoing,
  signal: AbortSignal,
  laid: ReadonlyMap<string, number> | undefined,
  wide: number,
): Promise<Blob> {
  const upTo = laid && ((a: Area) => laid.get(a.id) ?? 0);
  return pngOf(await drawn(out, { signal, onProgress: () => undefined }, {}, upTo), wide);
}

/** Codes of an area's tones, lightest first, with what makes its shadow end. */
function codesOf(area: Area): string[] {
  const { tones, shade, borders } = tonesIn(area);
  const [last, over] = [tones.at(-1)?.code, shade[0]?.code];
  if (last === undefined) return [];
  return borders.slice(1).map((_, i) => tones[i]?.code ?? (over ? `${last} + ${over}` : last));
}

/** The line alone, black on clear, as PNG. */
async function linePng(out: Outgoing, watching: Watching): Promise<Blob> {
  const bare = await drawn(out, watching, { texture: 0 }, NOTHING);
  const { width, height, rgba } = bare;
  const plain = await drawn(out, watching, { texture: 0, lined: false }, NOTHING);
  const ink = new Uint8ClampedArray(rgba.length);
  for (let p = 0; p < rgba.length; p += 4) {
    // How much darker than the bare sheet it is: the line's own coverage.
    const paper = plain.rgba[p + 1]!;
    ink[p + 3] = paper > 40 ? Math.min(255, Math.max(0, ((paper - rgba[p + 1]!) * 255) / (paper - 32))) : 0;
  }
  return pngOf({ width, height, rgba: ink });
}

/** The tone map in black and white as SVG, true size, codes in the margin. */
export async function toneMapDrawing(
  out: Outgoing,
  watching: Watching,
  { legend = true }: { readonly legend?: boolean } = {},
): Promise<string> {
  watching.onProgress(0.1);
  const map = await toneMapOf(out, watching);
  watching.onProgress(0.5);
  const areas = new Map(out.piece.areas.map((a) => [a.id, a]));
  return toneMapSvg({
    title: `${out.piece.name}, tone map`,
    map,
    mmPerPixel: out.light.mmPerPixel,
    ...(legend && {
      legendOf: (id: string) => {
        const area = areas.get(id);
        return {
          name: area?.name ?? id,
          codes: area && !area.white ? codesOf(area) : [],
          ...(area && {
            set: markedLayers(area).map(({ layer }) => `${layer.code}  ${marksInWords(layer.marks)}`),
          }),
        };
      },
    }),
    marks: out.piece.areas.flatMap((a) => markedLayers(a).flatMap(({ layer }) => layer.marks)),
    line: await dataAddress(await linePng(out, watching)),
  });
}

/** Greys for what a tone map is without its patterns: lightest tone palest. */
function tonesInGrey(map: ToneMapOutput): Pictured {
  const { width, height, data } = map.zones;
  const rgba = new Uint8ClampedArray(width * height * 4);
  for (let p = 0; p < data.length; p++) {
    const a = map.owner.data[p]!;
    const zones = a < 0 ? 1 : map.areas[a]!.mm2.length;
    const grey = !data[p] ? 255 : 245 - (150 * (data[p]! - 1)) / Math.max(1, zones - 1);
    rgba.fill(grey, 4 * p, 4 * p + 3);
    rgba[4 * p + 3] = 255;
  }
  return { width, height, rgba };
}

const THUMBNAIL = 256;

/**
 * The piece in layers: paper, light and tone map (hidden), every pass over its area from the underlay up, the finished colouring (hidden) and the
 * line over all. With all passes shown it looks as it will; hide them from above and it goes back to bare paper.
 */
export async function layeredPicture(out: Outgoing, watching: Watching): Promise<Uint8Array> {
  const { piece, rack, light } = out;
  const finished = await drawn(out, watching);
  const { width, height } = finished;
  const layer = async (
    name: string,
    picture: Pictured,
    visible: boolean,
    x = 0,
    y = 0,
  ): Promise<RasterLayer> => ({
    name,
    png: await bytesOf(await pngOf(picture)),
    x,
    y,
    visible,
  });
  const layers: (RasterLayer | LayerGroup)[] = [
    await layer("Paper", await drawn(out, watching, { lined: false }, NOTHING), true),
    await layer(
      "Light",
      inGreys(light.values, (b) => 255 - b),
      false,
    ),
    await layer("Tone map", tonesInGrey(await toneMapOf(out, watching)), false),
  ];
  watching.onProgress(0.15);
  const passes = new Map(finished.areas.map((a) => [a.id, a.passes]));
  const areas = piece.areas.flatMap((a) =>
    passes.get(a.id)?.length ? [{ id: a.id, passes: passes.get(a.id)! }] : [],
  );
  const sequence = sequenceOf(areas);
  const underlay: RasterLayer[] = [];
  const groups = new Map<string, { layers: RasterLayer[]; pencil: RasterLayer[] }>();
  for (const [n, { area, pass, laid }] of sequence.entries()) {
    watching.signal.throwIfAborted();
    const only = area === null ? areas.map((a) => a.id) : [area];
    const upTo = (a: Area) => laid.get(a.id) ?? 0;
    const part = await ask(
      "render",
      rack,
      { field: light.field, ...shownQuestion(piece, rack, upTo), only, masked: true, lined: false },
      { signal: watching.signal },
    );
    const [left, top, right, bottom] = part.box;
    const picture = { width: right - left, height: bottom - top, rgba: part.rgba };
    const made = await layer(`${pencilName(pass.code)}, ${passAmount(pass)}`, picture, true, left, top);
    if (area === null) underlay.push(made);
    else {
      const own = groups.get(area) ?? { layers: [], pencil: [] };
      groups.set(area, own);
      (pass.kind === "draw" ? own.pencil : own.layers).push(made);
    }
    watching.onProgress(0.15 + (0.8 * (n + 1)) / sequence.length);
  }
  if (underlay.length) layers.push({ name: "Underlay of the whole piece", layers: underlay, visible: true });
  for (const [id, own] of groups) {
    const name = piece.areas.find((a) => a.id === id)?.name ?? id;
    layers.push({ name, layers: own.layers, visible: true });
    if (own.pencil.length) layers.push({ name: `${name}, pencil`, layers: own.pencil, visible: true });
  }
  layers.push(await layer("Colouring", await drawn(out, watching, { lined: false }), false));
  layers.push({ name: "Line", png: await bytesOf(await linePng(out, watching)), x: 0, y: 0, visible: true });
  const thumb = await pngOf(finished, Math.round(width >= height ? THUMBNAIL : (THUMBNAIL * width) / height));
  return openRaster({ width, height }, layers, await bytesOf(await pngOf(finished)), await bytesOf(thumb));
}

/** Pixels across in the pictures of a guide. */
const GUIDE = 2200;

/** Where each area lies: left, top, right and bottom in shares of the picture. */
function boxesOf({ owner: { width, height, data }, areas }: ToneMapOutput) {
  const extents = extentsOf({ width, height, own: data, count: areas.length });
  return areas.flatMap(({ id }, a) => {
    const { box, pixels } = extents[a]!;
    const [l, t, r, b] = box;
    return pixels ? [{ id, box: [l / width, t / height, r / width, b / height] }] : [];
  });
}

/** The guide as PDF: the studio's server sets the steps and codes beside the two pictures. */
export async function guidePdf(out: Outgoing, watching: Watching, pieceId: string): Promise<Blob> {
  const colouring = await pngOf(await drawn(out, watching), GUIDE);
  watching.onProgress(0.4);
  const tones = await pngOfSvg(await toneMapDrawing(out, watching, { legend: false }), GUIDE);
  const boxes = boxesOf(await toneMapOf(out, watching));
  watching.onProgress(0.7);
  const form = new FormData();
  form.append("colouring", colouring, "colouring.png");
  form.append("tones", tones, "tones.png");
  form.append("boxes", JSON.stringify({ areas: boxes }));
  return sendForFile("POST", `/api/pieces/${pieceId}/guide`, form, watching.signal);
}
