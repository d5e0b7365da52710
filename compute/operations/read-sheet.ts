import { colourOf, type ColourInput } from "@/border/colour";
import { Colour, List, Nullable, One, Optional, Rule, Text } from "@/border/fields";
import { MOST_AREAS } from "@/border/piece";
import { PIXELS, PixelsInput, PLANE, PlaneInput } from "@/border/pixels";
import { wrong } from "@/border/problem";
import { BEYOND, Points } from "@/border/set-up";
import type { Corners } from "@/core/picture/rectify";
import type { Bytes } from "@/core/picture/plane";
import type { Lab } from "@/core/colour/lab";
import type { Work } from "@/core/progress";
import { readSheet as read, SheetUnread, type KnownPlace, type ReadSheet } from "@/core/sheet/read-sheet";
import { sheetDoubtInWords, sheetRefusalInWords } from "@/words/sheet";
import { AreaId, type AreaIdInput, fields, groundFor, GroundQuestion, lineOfPlane } from "../grounds";
import { operation } from "../operation";
import { pixelsOf, planeBytes } from "../pictures";
import { seen, type SeenColour } from "../seen";
import { AreaTonesWish, toneMapOf, UNKNOWN_FIELD, zonesOfMap } from "./tone-map";

class KnownInput {
  @Optional() @AreaId() id?: AreaIdInput;
  /** A spot in shares of the drawing; beside it for what lies on its margin. */
  @Optional()
  @Rule(
    "expected [x, y] in shares of the drawing, -1 to 2",
    (v) => Array.isArray(v) && v.length === 2 && v.every((n) => typeof n === "number" && n >= -1 && n <= 2),
  )
  at?: [number, number];
  @Colour() lab!: ColourInput;
}

class TonesInput {
  @Text(80, 1) field!: string;
  @Optional()
  @List(() => AreaTonesWish, 0, MOST_AREAS, '{"id","borders","shares","touches","whites","white"}')
  areas: AreaTonesWish[] = [];
}

/** Most places of known colour: a page of chart cells. */
const MOST_KNOWN = 2000;

export class ReadSheetQuestion extends GroundQuestion {
  /** A photo of the sheet, half done or finished. */
  @One(() => PixelsInput, PIXELS) photo!: PixelsInput;
  /** With labels: how far each of their pixels is covered by line. */
  @Optional() @One(() => PlaneInput, PLANE) line?: PlaneInput;
  /** What in the photo has a known colour: areas, or spots such as bare paper or cells of a strip. */
  @Optional() @List(() => KnownInput, 0, MOST_KNOWN, '{"id" or "at","lab"}') known: KnownInput[] = [];
  /** Colour of the bare sheet; else the lightest of what is known. */
  @Optional() @Colour() paper?: ColourInput;
  /** Corners of the drawing in shares of the photo, where somebody pointed at them. */
  @Nullable() @Points(4, 4, BEYOND) corners?: [number, number][] | null;
  /** Number of each pixel's zone, from 1, as a tone map has them; of any size. */
  @Nullable() @One(() => PlaneInput, PLANE) zones?: PlaneInput | null;
  /** Instead of zones: the light of the drawing, and what is said of its tones. */
  @Optional() @One(() => TonesInput, 'expected {"field","areas"}') tones?: TonesInput;
}

export interface ReadSheetOutput extends Omit<ReadSheet, "areas" | "doubts"> {
  readonly areas: readonly (SeenColour & {
    readonly id: string | number;
    readonly zones: readonly (SeenColour & {
      /** Its number in the plane of zones. */
      readonly zone: number;
      readonly from: number;
      readonly to: number;
      readonly mm2: number;
    })[];
    readonly glare: number;
    readonly trust: number;
  })[];
  /** In words, gravest first. */
  readonly doubts: readonly string[];
}

/** A plane of numbers at another size, each pixel its nearest. */
function sized({ width, height, data }: Bytes, w: number, h: number): Bytes {
  if (width === w && height === h) return { width, height, data };
  const out = new Uint8Array(w * h);
  for (let y = 0; y < h; y++) {
    const row = Math.min(height - 1, Math.floor(((y + 0.5) * height) / h)) * width;
    for (let x = 0; x < w; x++)
      out[y * w + x] = data[row + Math.min(width - 1, Math.floor(((x + 0.5) * width) / w))]!;
  }
  return { width: w, height: h, data: out };
}

/** Zones of the photo's drawing: those that came along, or those of a light that is known here. */
function zonesFor({ zones, tones }: ReadSheetQuestion, width: number, height: number): Bytes | null {
  if (tones) {
    const field = fields.recall(tones.field);
    if (!field) throw wrong("tones.field", UNKNOWN_FIELD);
    const { ground } = field.relieved;
    const data = zonesOfMap(ground.own, toneMapOf(field, tones.areas));
    return sized({ width: ground.width, height: ground.height, data }, width, height);
  }
  if (!zones) return null;
  const data = planeBytes(zones.data, zones.width * zones.height, "zones.data");
  return sized({ width: zones.width, height: zones.height, data }, width, height);
}

/** What lies on a sheet by a photo of it: where the drawing is, and the colour of each area and zone. */
export const readSheet = operation(ReadSheetQuestion, function* (question): Work<ReadSheetOutput> {
  const photo = pixelsOf(question.photo, "photo");
  const named = groundFor(question);
  const { width, height, own, mmPerPixel } = named.ground;
  const line = lineOfPlane(question.line, width, height) ?? named.line;
  if (!line) throw wrong("line", PLANE);
  const numbers = new Map(named.ids.map((id, i) => [id, i + 1]));
  const known = question.known.map(({ id, at, lab }, i): KnownPlace => {
    const colour: Lab = colourOf(lab).lab;
    if (id === undefined) {
      if (!at) throw wrong(`known[${i}]`, 'expected "id" or "at"');
      return { at, lab: colour };
    }
    const area = numbers.get(String(id));
    if (area === undefined)
      throw wrong(`known[${i}].id`, `expected the id of an area; "${id}" is not among them`);
    return { area, lab: colour };
  });
  const zones = zonesFor(question, width, height);
  try {
    const found = yield* read({
      photo,
      line: { width, height, data: line },
      labels: { width, height, data: Uint16Array.from(own, (n) => n + 1) },
      mmPerPixel,
      known,
      paper: question.paper ? colourOf(question.paper).lab : undefined,
      corners: (question.corners as Corners | null | undefined) ?? null,
      zones,
    });
    return {
      ...found,
      areas: found.areas.map(({ area, lab, zones: parts, ...rest }) => {
        const id = named.ids[area - 1]!;
        return {
          ...rest,
          ...seen(lab),
          id: question.labels ? Number(id) : id,
          zones: parts.map(({ lab: own, ...zone }) => ({ ...zone, ...seen(own) })),
        };
      }),
      doubts: found.doubts.map(sheetDoubtInWords),
    };
  } catch (e) {
    throw e instanceof SheetUnread ? wrong("photo", sheetRefusalInWords(e.why)) : e;
  }
});
