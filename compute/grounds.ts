import { memory } from "@/core/memory";
import { List, One, Optional, Rule, Whole, Within } from "@/border/fields";
import { MOST_AREAS } from "@/border/piece";
import { LabelsInput, PIXELS, PixelsInput, PLANE, PlaneInput } from "@/border/pixels";
import { wrong } from "@/border/problem";
import { DrawnInput } from "@/border/set-up";
import type { Ground } from "@/core/light/ground";
import { groundOf } from "@/core/light/ground";
import type { Relieved } from "@/core/light/value-field";
import type { ToneMap } from "@/core/colouring/tone-map";
import { areaMap } from "@/core/picture/area-map";
import type { Labels } from "@/core/picture/plane";
import type { Corners } from "@/core/picture/rectify";
import { stacked, stackingOf } from "@/core/picture/stacking";
import { drawingFor } from "./drawings";
import { hashOf } from "./hash";
import { countable } from "./operations/areas";
import { CLAIM, ClaimInput } from "./operations/read-areas";
import { pixelsOf, planeBytes } from "./pictures";

/** An area by its id, or by the number of its label. */
export const AreaId = (): PropertyDecorator =>
  Rule(
    "expected the id of an area, 1 to 60 characters, or the number of its label",
    (v) =>
      (typeof v === "string" && v.length > 0 && v.length <= 60) ||
      (Number.isInteger(v) && (v as number) > 0 && (v as number) < 65536),
  );
export type AreaIdInput = string | number;

/** A drawing with its areas: labels of two bytes a pixel; or a picture of line art, how it is read, and which points make up which area. */
export class GroundQuestion {
  @Optional() @One(() => LabelsInput, PLANE) labels?: LabelsInput;
  /** Size of a pixel of the labels on the sheet. */
  @Optional() @Within(0.001, 50, "mm") mmPerPixel = 0.1;
  @Optional() @One(() => PixelsInput, PIXELS) image?: PixelsInput;
  @Optional() @One(() => DrawnInput, 'expected {"kind","width",…}') drawn?: DrawnInput;
  @Optional() @List(() => ClaimInput, 0, MOST_AREAS, CLAIM) claims: ClaimInput[] = [];
  /** Areas from the foremost to the hindmost; of a drawing, what is left out goes by how its lines meet. */
  @Optional()
  @Rule(
    `expected a list of at most ${MOST_AREAS} area ids`,
    (v) =>
      Array.isArray(v) &&
      v.length <= MOST_AREAS &&
      v.every((id) => (typeof id === "string" && id.length <= 60) || Number.isInteger(id)),
  )
  order?: AreaIdInput[];
  /** Makes the picture smaller by this factor: a quick look. */
  @Optional() @Whole(1, 16) coarser = 1;
}

/** A ground with the names of its areas, and its line where that is known. */
export interface NamedGround {
  readonly key: string;
  readonly ground: Ground;
  readonly ids: readonly string[];
  readonly line: Uint8Array | undefined;
}

const MOST_GROUNDS = 3;
const grounds = memory<NamedGround>(MOST_GROUNDS);
const MOST_RELIEFS = 3;
/** Values and tone maps are small beside forms: a bench full of pieces has one each. */
const MOST_FIELDS = 12;

/** What was worked out on grounds, by key: forms in depth, values, tone maps. */
export const reliefs = memory<Relieved>(MOST_RELIEFS);
export const fields = memory<Field>(MOST_FIELDS);
export const toneMaps = memory<ToneMap>(MOST_FIELDS);

/** Values of a ground, perhaps coarser than that. */
export interface Field {
  readonly key: string;
  readonly named: NamedGround;
  /** The ground at the size of the values, and that by which it is smaller than the drawing. */
  readonly relieved: Pick<Relieved, "ground" | "flows">;
  readonly coarser: number;
  readonly values: Uint16Array;
  /** The same as a nib can follow them, once somebody has asked. */
  calm?: Uint16Array;
}

function labelsOf({ width, height, data }: LabelsInput): Labels {
  const bytes = planeBytes(data, width * height * 2, "labels.data");
  return { width, height, data: new Uint16Array(bytes.buffer, bytes.byteOffset, width * height) };
}

/** Bytes of a line that came along. */
export function lineOfPlane(
  line: PlaneInput | undefined,
  width: number,
  height: number,
): Uint8Array | undefined {
  if (!line) return undefined;
  if (line.width !== width || line.height !== height)
    throw wrong("line", `expected a line of ${width} × ${height} pixels, as the labels are`);
  return planeBytes(line.data, width * height, "line.data");
}

/** Names the ground of a drawing. */
export const groundKey = (handle: string, { drawn, claims, order }: GroundQuestion): string =>
  hashOf([handle, drawn, claims, order ?? null]);

/**
 * The ground of a question.
 * @throws BadInput when there are neither labels nor a drawing, or the picture is no line art
 */
export function groundFor(question: GroundQuestion): NamedGround {
  const { labels, mmPerPixel, image, drawn, claims, order } = question;
  if (image && drawn) {
    const handle = image.picture ?? hashOf(image.data);
    const key = groundKey(handle, question);
    const kept = grounds.recall(key);
    if (kept) return kept;
    const { width, gap, speck, cuts, corners, ...wish } = drawn;
    const known = countable(
      () =>
        drawingFor({ ...wish, handle, corners: corners as Corners | null }, { width, gap, speck, cuts }, () =>
          pixelsOf(image, "image"),
        ),
      "image",
    );
    const map = areaMap(known.found, claims, known.mmPerPixel);
    const ids = map.areas.map((a) => a.id);
    const proposed = stackingOf(known.found.labels, map, known.mmPerPixel).order;
    return grounds.keep(key, {
      key,
      ids,
      line: known.line.coverage.data,
      ground: groundOf(
        known.found.labels,
        map.owner,
        ids.length,
        placesIn(ids, stacked(proposed, (order ?? []).map(String))),
        known.mmPerPixel,
      ),
    });
  }
  if (!labels) throw wrong("labels", PLANE);
  const plane = labelsOf(labels);
  const present = new Uint8Array(65536);
  for (const l of plane.data) present[l] = 1;
  const numbers = [...present.keys()].filter((l) => l > 0 && present[l]);
  if (numbers.length > MOST_AREAS)
    throw wrong("labels.data", `expected at most ${MOST_AREAS} labels; there are ${numbers.length}`);
  const owner = new Int32Array(65536).fill(-1);
  numbers.forEach((l, i) => (owner[l] = i));
  const ids = numbers.map(String);
  const places = placesIn(ids, (order ?? []).map(String));
  const key = hashOf([labels.data.length, hashOf(labels.data), mmPerPixel, order ?? null]);
  return (
    grounds.recall(key) ??
    grounds.keep(key, {
      key,
      ids,
      line: undefined,
      ground: groundOf(plane, owner, ids.length, places, mmPerPixel),
    })
  );
}

const placesIn = (ids: readonly string[], order: readonly string[]): number[] => {
  const places = new Map(ids.map((id, i) => [id, i]));
  return [...new Set(order)].flatMap((id) => places.get(id) ?? []);
};
