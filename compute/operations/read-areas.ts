import { List, Numbers, One, Optional, Text } from "@/border/fields";
import { LabelsInput, PIXELS, PixelsInput, PLANE } from "@/border/pixels";
import { wrong } from "@/border/problem";
import { PAIR, PairInput, Points } from "@/border/set-up";
import { aligned } from "@/core/picture/align";
import { areaMap } from "@/core/picture/area-map";
import { balanced, NO_GAINS } from "@/core/picture/balance";
import { nearestOf } from "@/core/picture/distance";
import type { Labels } from "@/core/picture/plane";
import { proposeReadings, type ProposedReadings } from "@/core/picture/propose-readings";
import { MOST_POINTS } from "@/core/piece/set-up";
import { MOST_AREAS } from "@/border/piece";
import { depthOf, drawingOf } from "../drawings";
import { operation } from "../operation";
import { pixelsOf, planeBytes } from "../pictures";

export class ClaimInput {
  @Text(60, 1) id!: string;
  @Points(1, MOST_POINTS) at!: [number, number][];
}
export const CLAIM = '{"id","at"}';

export class ReadAreasQuestion {
  /** The reference. */
  @One(() => PixelsInput, PIXELS) image!: PixelsInput;
  @Optional() @One(() => LabelsInput, PLANE) labels?: LabelsInput;
  /** In the browser instead of labels: the drawing that was set up, and which points make up which area. */
  @Optional() @Text(80) drawing?: string;
  @Optional() @List(() => ClaimInput, 0, MOST_AREAS, CLAIM) claims: ClaimInput[] = [];
  /** Points that are the same in the drawing and in the reference; none when they lie edge on edge. */
  @Optional() @List(() => PairInput, 0, 4, PAIR) pairs: PairInput[] = [];
  @Optional() @Numbers(3, 0.02, 50) gains: [number, number, number] = [...NO_GAINS];
}

export interface ReadAreasOutput {
  readonly areas: readonly ({ readonly id: number | string } & ProposedReadings)[];
}

/** A drawing that was put away and has to be set up again. */
export const UNKNOWN_DRAWING = "expected the key of a drawing that was set up";

interface Ground {
  readonly labels: Labels;
  readonly owner: Int32Array;
  readonly depth: Uint32Array;
  readonly ids: readonly (number | string)[];
}

function groundOf({ labels, drawing, claims }: ReadAreasQuestion): Ground {
  if (drawing !== undefined) {
    const known = drawingOf(drawing);
    if (!known) throw wrong("drawing", UNKNOWN_DRAWING);
    const map = areaMap(known.found, claims, known.mmPerPixel);
    return {
      labels: known.found.labels,
      owner: map.owner,
      depth: depthOf(known.line.coverage),
      ids: map.areas.map((a) => a.id),
    };
  }
  if (!labels) throw wrong("labels", PLANE);
  const { width, height } = labels;
  const bytes = planeBytes(labels.data, width * height * 2, "labels.data");
  const data = new Uint16Array(bytes.buffer, bytes.byteOffset, width * height);
  // Without the line at hand what parts two regions stands for it.
  const edges = new Uint8Array(data.length);
  for (let p = 0; p < data.length; p++)
    if (!data[p] || (p % width && data[p - 1] !== data[p]) || (p >= width && data[p - width] !== data[p]))
      edges[p] = 1;
  const present = new Uint8Array(65536);
  for (const l of data) present[l] = 1;
  const ids = [...present.keys()].filter((l) => l > 0 && present[l]);
  const owner = new Int32Array(65536).fill(-1);
  ids.forEach((l, i) => (owner[l] = i));
  return { labels: { width, height, data }, owner, depth: nearestOf(edges, width, height).squared, ids };
}

/** Light, local colour and shadow of every area, as a reference shows them. */
export const readAreas = operation(ReadAreasQuestion, (question): ReadAreasOutput => {
  const reference = balanced(pixelsOf(question.image, "image"), question.gains);
  const { labels, owner, depth, ids } = groundOf(question);
  const place = aligned(question.pairs, labels, reference);
  const found = proposeReadings(reference, labels, owner, depth, place, ids.length);
  return { areas: found.map((readings, i) => ({ id: ids[i]!, ...readings })) };
});
