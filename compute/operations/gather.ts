import { List, Numbers, One, OneOf, Optional, Rule, Text } from "@/border/fields";
import { PIXELS, PixelsInput } from "@/border/pixels";
import { wrong } from "@/border/problem";
import { PAIR, PairInput, Points } from "@/border/set-up";
import type { Lab } from "@/core/colour/lab";
import { rgb8ToLab } from "@/core/colour/display";
import { aligned } from "@/core/picture/align";
import { balanced, NO_GAINS } from "@/core/picture/balance";
import { alikeTo, enclosedBy, neighboursOf, regionsAcross, regionsAround } from "@/core/picture/gather";
import { gatheringsOf, type Gathering } from "@/core/picture/gatherings";
import { MOST_REGIONS } from "@/core/picture/plane";
import { drawingOf, type Drawing } from "../drawings";
import { operation } from "../operation";
import { pixelsOf } from "../pictures";
import { UNKNOWN_DRAWING } from "./read-areas";

/** Numbers of regions of a drawing. */
const RegionIds = (): PropertyDecorator =>
  Rule(
    `expected a list of at most ${MOST_REGIONS} numbers of regions`,
    (v) =>
      Array.isArray(v) &&
      v.length <= MOST_REGIONS &&
      v.every((n) => Number.isInteger(n) && n > 0 && n <= MOST_REGIONS),
  );

/** A drawing that was set up. */
class OfDrawing {
  @Text(80, 1) drawing!: string;
}

/** @throws BadInput when the drawing was put away */
function drawingFor({ drawing }: OfDrawing): Drawing {
  const known = drawingOf(drawing);
  if (!known) throw wrong("drawing", UNKNOWN_DRAWING);
  return known;
}

/** Ways to choose many shapes at once: by a stroke, or by what they are to those that are chosen. */
const BY_STROKE = ["around", "across"] as const;
const BY_CHOICE = ["neighbours", "alike", "within"] as const;

export class GatherQuestion extends OfDrawing {
  @OneOf([...BY_STROKE, ...BY_CHOICE]) how!: (typeof BY_STROKE)[number] | (typeof BY_CHOICE)[number];
  /** The stroke, points in shares of the drawing. */
  @Optional() @Points(0, 400) stroke: [number, number][] = [];
  /** Regions that are chosen. */
  @Optional() @RegionIds() of: number[] = [];
}

/** Shapes that a stroke goes round or across, or that grow what is chosen. */
export const gather = operation(GatherQuestion, (question): { readonly regions: readonly number[] } => {
  const { found } = drawingFor(question);
  const { how, stroke } = question;
  const of = question.of.filter((r) => r <= found.regions.length);
  switch (how) {
    case "around":
      return { regions: regionsAround(found, stroke) };
    case "across":
      return { regions: regionsAcross(found, stroke) };
    case "neighbours":
      return { regions: neighboursOf(found, of) };
    case "alike":
      return { regions: alikeTo(found, of) };
    case "within":
      return { regions: enclosedBy(found, of) };
  }
});

export class GatheringsQuestion extends OfDrawing {
  /** Regions that may be gathered; all when it is left out. */
  @Optional() @RegionIds() among?: number[];
  /** A reference, and where it lies over the drawing. */
  @Optional() @One(() => PixelsInput, PIXELS) image?: PixelsInput;
  @Optional() @List(() => PairInput, 0, 4, PAIR) pairs: PairInput[] = [];
  @Optional() @Numbers(3, 0.02, 50) gains: [number, number, number] = [...NO_GAINS];
}

/** Pixels of a region that are looked at for its colour. */
const SAMPLES = 160;
/** What is covered by line up to this tells a region's colour. */
const CLEAR = 24;

/** Colour of each region in a reference: the median of its channels over samples clear of the line. */
function coloursOf({ found, line }: Drawing, { image, pairs, gains }: GatheringsQuestion) {
  if (!image) return undefined;
  const picture = balanced(pixelsOf(image, "image"), gains);
  const { labels, regions } = found;
  const place = aligned(pairs, labels, picture);
  const step = regions.map((r) => Math.max(1, Math.floor(r.pixels / SAMPLES)));
  const passed = new Uint32Array(regions.length + 1);
  const samples = Array.from({ length: regions.length + 1 }, (): number[][] => [[], [], []]);
  for (let y = 0, p = 0; y < labels.height; y++)
    for (let x = 0; x < labels.width; x++, p++) {
      const region = labels.data[p]!;
      if (!region || line.coverage.data[p]! > CLEAR || passed[region]!++ % step[region - 1]!) continue;
      const [u, v] = place((x + 0.5) / labels.width, (y + 0.5) / labels.height);
      if (!(u >= 0 && v >= 0 && u < 1 && v < 1)) continue;
      const q =
        (Math.floor(v * picture.height) * picture.width + Math.floor(u * picture.width)) * picture.channels;
      const own = samples[region]!;
      for (let c = 0; c < 3; c++) own[c]!.push(picture.data[q + (picture.channels === 1 ? 0 : c)]!);
    }
  return samples.map((own): Lab | undefined => {
    if (own[0]!.length < 5) return undefined;
    const [r, g, b] = own.map((list) => list.sort((m, n) => m - n)[list.length >> 1]!);
    return rgb8ToLab(r!, g!, b!);
  });
}

/** Shapes that are proposed as one area each. */
export const gatherings = operation(
  GatheringsQuestion,
  (question): { readonly gatherings: readonly Gathering[] } => {
    const drawing = drawingFor(question);
    const among = question.among && new Set(question.among);
    const colours = coloursOf(drawing, question);
    const seen = {
      found: drawing.found,
      line: drawing.line.coverage,
      mmPerPixel: drawing.mmPerPixel,
      ...(colours && { colours }),
    };
    return { gatherings: gatheringsOf(seen, (r) => !among || among.has(r)) };
  },
);
