import { MARK } from "./layout";
import { darkPixels, luminance, spotsOf, type Raster, type Spot } from "./raster";

/** A registration mark as found: its middle in pixels of the picture and its size in pixels. */
export interface FoundMark {
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

/** Long side in pixels of the copy that marks are looked for in. */
const SIDE = 1700;
/** Neighbourhood of the threshold as a share of the long side, and how much darker than its mean a mark is. */
const REACH = 0.03;
const DARKER = 0.72;
/** Smallest ring in pixels of the copy whose parts can still be told apart. */
const SMALLEST = 11;
const LARGEST_SHARE = 0.16;

const widthOf = (s: Spot) => s.right - s.left + 1;
const heightOf = (s: Spot) => s.bottom - s.top + 1;

/** Whether a spot is a ring with a dot alone at its middle, seen from any side. */
function markOf(ring: Spot, spots: readonly Spot[], labels: Int32Array, width: number): Spot | undefined {
  const [w, h] = [widthOf(ring), heightOf(ring)];
  const fill = ring.area / (w * h);
  if (
    Math.min(w, h) < SMALLEST ||
    Math.max(w, h) > LARGEST_SHARE * width ||
    Math.max(w, h) > 2.6 * Math.min(w, h) ||
    fill < 0.22 ||
    fill > 0.66
  )
    return undefined;
  const middle =
    labels[Math.round((ring.top + ring.bottom) / 2) * width + Math.round((ring.left + ring.right) / 2)]!;
  const dot = spots[middle - 1];
  if (!dot || dot === ring) return undefined;
  const share = Math.sqrt((widthOf(dot) * heightOf(dot)) / (w * h));
  const wanted = MARK.dot / MARK.outer;
  const apart = Math.hypot(dot.x - ring.x, dot.y - ring.y) / Math.sqrt(w * h);
  return share > 0.5 * wanted && share < 1.7 * wanted && apart < 0.1 ? dot : undefined;
}

/**
 * Registration marks in a picture, largest first. The middle is the mean of ring and dot: the middle of an ellipse lies so near the middle of
 * the circle seen aslant that nothing more is gained by correcting it.
 */
export function findMarks(picture: Raster): FoundMark[] {
  const grey = luminance(picture, SIDE);
  const dark = darkPixels(grey, Math.round(REACH * Math.max(grey.width, grey.height)), DARKER);
  const { spots, labels } = spotsOf(dark, grey.width, grey.height);
  const scale = (v: number) => (v + 0.5) * grey.factor - 0.5;
  return spots
    .flatMap((ring) => {
      const dot = markOf(ring, spots, labels, grey.width);
      return dot
        ? [
            {
              x: scale((2 * ring.x + dot.x) / 3),
              y: scale((2 * ring.y + dot.y) / 3),
              size: Math.sqrt(widthOf(ring) * heightOf(ring)) * grey.factor,
            },
          ]
        : [];
    })
    .sort((a, b) => b.size - a.size);
}
