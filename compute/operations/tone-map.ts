import { Flag, List, One, Optional, Text } from "@/border/fields";
import { ToneWishInput } from "@/border/light";
import { MOST_AREAS } from "@/border/piece";
import { PLANE, PlaneInput } from "@/border/pixels";
import { wrong } from "@/border/problem";
import {
  NO_TONES,
  sharesOf,
  toneMap as mapTones,
  tOf,
  zoneAt,
  type ToneMap,
  type ToneWish,
} from "@/core/colouring/tone-map";
import { SHARE_STEPS } from "@/core/group/area-shares";
import { calmed, smoothed } from "@/core/colouring/calm";
import { zoneMarks, zoneOutlines, type ZoneMark, type ZoneOutline } from "@/core/colouring/zones";
import type { Bytes } from "@/core/picture/plane";
import {
  AreaId,
  fields,
  GroundQuestion,
  groundFor,
  toneMaps,
  type AreaIdInput,
  type Field,
} from "../grounds";
import { coarser as coarserGround } from "@/core/light/ground";
import { hashOf } from "../hash";
import { operation } from "../operation";
import { planeBytes } from "../pictures";

/** A light that was put away and has to be worked out again. */
export const UNKNOWN_FIELD = "expected the name of a value field that light gave";

/** Values of a drawing: by name, or with its labels one byte a pixel, 0 light to 255 dark. */
export class FieldQuestion extends GroundQuestion {
  @Optional() @Text(80) field?: string;
  @Optional() @One(() => PlaneInput, PLANE) values?: PlaneInput;
}

/** @throws BadInput when the values are unknown, missing or of another size than the labels */
export function fieldFor(question: FieldQuestion): Field {
  const { field, values, coarser } = question;
  if (field !== undefined) {
    const known = fields.recall(field);
    if (!known) throw wrong("field", UNKNOWN_FIELD);
    return known;
  }
  const named = groundFor(question);
  if (!values) throw wrong("values", PLANE);
  const ground = coarserGround(named.ground, coarser);
  if (values.width !== ground.width || values.height !== ground.height)
    throw wrong("values", `expected values of ${ground.width} × ${ground.height} pixels, as the labels are`);
  const bytes = planeBytes(values.data, ground.own.length, "values.data");
  const key = hashOf([named.key, coarser, hashOf(values.data)]);
  return {
    key,
    named,
    relieved: { ground, flows: new Map() },
    coarser,
    values: Uint16Array.from(bytes, (v) => v * 257),
  };
}

export class AreaTonesWish extends ToneWishInput {
  @AreaId() id!: AreaIdInput;
}

export class ToneMapQuestion extends FieldQuestion {
  /** Areas that are left out are one tone. */
  @Optional()
  @List(() => AreaTonesWish, 0, MOST_AREAS, '{"id","borders","shares","touches","whites","white"}')
  areas: AreaTonesWish[] = [];
  /** Also gives the outline of each tone's place, and where its number may stand. */
  @Optional() @Flag() outlined = false;
}

export interface ToneMapOutput {
  /** 0 where no ink goes, else 1 + 254 t for the place t from the area's lightest end (0) to its darkest (1). */
  readonly places: Bytes;
  /** Tone of each pixel from 1, lightest first; 0 where no ink goes. */
  readonly zones: Bytes;
  /** Place of each pixel's area among `areas`, −1 for none; 16 bits. */
  readonly owner: { readonly width: number; readonly height: number; readonly data: Int16Array };
  readonly marks?: readonly ZoneMark[];
  readonly outlines?: readonly ZoneOutline[];
  readonly areas: readonly {
    readonly id: string;
    /** Of each tone, lightest first, and what stays white. */
    readonly mm2: readonly number[];
    readonly whiteMm2: number;
    /** Share of the area between places t of 1/32 each. */
    readonly shares: readonly number[];
  }[];
}

/** Pixels that all touches together may pass over: some seconds. */
const MOST_TOUCHED = 1.5e9;

/** @throws BadInput when spots pass over more than can be touched in reasonable time */
function touchable({ relieved: { ground } }: Field, wishes: readonly ToneWish[]): void {
  const whole = ground.own.length;
  const spots = wishes.flatMap((w) => [...w.touches, ...w.whites]);
  const passed = spots.reduce(
    (sum, s) => sum + Math.min(whole, (4.4 * (s.radius / ground.mmPerPixel)) ** 2),
    0,
  );
  if (passed > MOST_TOUCHED)
    throw wrong(
      "areas",
      `expected fewer or smaller touches: the ${spots.length} there are pass over the picture too often`,
    );
}

/** Values of a field as a nib can follow them; where hair or fur was drawn they follow its strands. */
export function calmOf(field: Field): Uint16Array {
  const { ground, flows } = field.relieved;
  return (field.calm ??= smoothed(field.values, ground, (area) => flows.has(area)));
}

/** The tone map of values under wishes, kept: without places that a nib cannot lay. */
export function toneMapFor(field: Field, wishes: readonly ToneWish[]): ToneMap {
  const key = hashOf([field.key, wishes]);
  touchable(field, wishes);
  const known = toneMaps.recall(key);
  if (known) return known;
  const { ground } = field.relieved;
  return toneMaps.keep(key, calmed(mapTones(calmOf(field), ground, wishes), ground, wishes));
}

/** The tone map under what is said of areas, by their ids. */
export function toneMapOf(
  field: Field,
  said: readonly AreaTonesWish[],
): ToneMap & { wishes: readonly ToneWish[] } {
  const own = new Map(said.map(({ id, ...wish }) => [String(id), wish]));
  const wishes = field.named.ids.map((id): ToneWish => own.get(id) ?? NO_TONES);
  return { ...toneMapFor(field, wishes), wishes };
}

/** Tone of each place of each area, from 1, by the place's byte. */
const zoneTables = (wishes: readonly ToneWish[]): Uint8Array[] =>
  wishes.map(({ borders }) => {
    const table = new Uint8Array(256);
    for (let b = 1; b < 256; b++) table[b] = 1 + zoneAt(borders, tOf(b));
    return table;
  });

/** Tone of each pixel from 1, lightest first; 0 where no ink goes. */
export function zonesOfMap(
  own: Int16Array,
  { places, wishes }: Pick<ToneMap, "places"> & { readonly wishes: readonly ToneWish[] },
): Uint8Array {
  const tables = zoneTables(wishes);
  const zones = new Uint8Array(places.length);
  for (let p = 0; p < zones.length; p++) if (own[p]! >= 0) zones[p] = tables[own[p]!]![places[p]!]!;
  return zones;
}

/** Where each tone of each area goes. */
export const toneMap = operation(ToneMapQuestion, (question): ToneMapOutput => {
  const field = fieldFor(question);
  const { ground } = field.relieved;
  const { places, counts, wishes } = toneMapOf(field, question.areas);
  const { width, height, own, mmPerPixel } = ground;
  const zoneOf = zoneTables(wishes);
  const zones = zonesOfMap(own, { places, wishes });
  const pixel = mmPerPixel ** 2;
  return {
    places: { width, height, data: places },
    owner: { width, height, data: own },
    ...(question.outlined && {
      marks: zoneMarks(ground, zones, field.relieved.flows),
      outlines: zoneOutlines(ground, zones),
    }),
    zones: { width, height, data: zones },
    areas: field.named.ids.map((id, a) => {
      const mm2 = Array<number>(wishes[a]!.borders.length - 1).fill(0);
      for (let b = 1; b < 256; b++) {
        const n = counts[a * 256 + b]!;
        mm2[zoneOf[a]![b]! - 1]! += n * pixel;
      }
      return {
        id,
        mm2,
        whiteMm2: counts[a * 256]! * pixel,
        shares: sharesOf(counts, a) ?? Array<number>(SHARE_STEPS).fill(0),
      };
    }),
  };
});
