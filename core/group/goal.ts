import { mixLab } from "@/core/colour/mean-lab";
import { chroma, type Lab } from "@/core/colour/lab";
import { placeShares, type PlaceShares } from "./area-shares";
import { middleTone, toneBorders } from "./school";

/** What a group should reach: one colour, or what was read in the light, on the local colour and in the shadow. */
export interface GroupTarget {
  readonly light?: Lab;
  readonly local: Lab;
  readonly shadow?: Lab;
}

/** Temperature that is asked of the ends: −1 cooler, 1 warmer, 0 as it comes. */
export interface Drift {
  readonly light: -1 | 0 | 1;
  readonly shadow: -1 | 0 | 1;
}

/** What else is asked of a goal. */
export interface GoalWish {
  /** Contrast in L*; else what suits the subject. */
  readonly contrast?: number | undefined;
  /** Share of the natural contrast that suits the material. */
  readonly contrastShare?: number;
  /** Number of tones by which the natural contrast goes; else that of the places. */
  readonly naturalFor?: number;
  readonly drift?: Drift;
  /** How the area is divided from its light end to its dark one, see {@link placeShares}; evenly where nobody knows. */
  readonly shares?: readonly number[] | undefined;
}

/** Colours that are wanted along an area as it is laid. */
export interface GroupGoal extends PlaceShares {
  /** Wanted colour of each place, light end to shadow end. Ends that were not read are only a lightness and a hue. */
  readonly places: readonly Lab[];
  /** The place that is the local colour. */
  readonly localAt: number;
  readonly local: Lab;
  readonly light: Lab;
  readonly shadow: Lab;
  /** Wanted lightness from the light end to the shadow end. */
  readonly contrast: number;
  readonly lightRead: boolean;
  readonly shadowRead: boolean;
}

/** Natural contrast in L* by number of places (2–7): the workshop habit of about 13 L* a step for three and four tones, finer for more. */
const NATURAL = [20, 30, 39, 46, 52, 56];
/** A pale or very deep subject has less room: full contrast from this far from white and from black. */
const PALE_ROOM = 42;
const DEEP_ROOM = 36;
/** Least the highlight lies below the bare paper and the shadow above black. */
const BELOW_PAPER = 2;
const DARKEST = 14;
/** How far, in b*, the ends drift when a temperature is asked for; a* goes a third of the way. */
const DRIFT = 8;

/** Contrast in L* that suits a local colour when the user asks for none: less for pale and very deep ones. */
export function naturalContrast(local: Lab, places: number, paper: Lab): number {
  const room = Math.min(
    1,
    Math.max(0.4, (paper[0] - local[0] + 8) / PALE_ROOM),
    Math.max(0.4, (local[0] - 6) / DEEP_ROOM),
  );
  return NATURAL[places - 2]! * room;
}

/**
 * Wanted colours of `places` places (2–7) of an area as it is laid: even steps from the light end to the local colour, and from there to the
 * shadow end. With readings the ends are those; with a local colour alone the light end pales towards the paper and the shadow keeps most of
 * its chroma. Ends that were read do not drift.
 * @param localAt the place that is the local colour
 */
export function groupGoal(
  target: GroupTarget,
  places: number,
  paper: Lab,
  { contrast, contrastShare = 1, naturalFor = places, drift, shares }: GoalWish = {},
  localAt = middleTone(places),
): GroupGoal {
  const { local } = target;
  const last = places - 1;
  const read = target.light && target.shadow ? target.light[0] - target.shadow[0] : undefined;
  const wanted =
    contrast ?? (read && read > 0 ? read : naturalContrast(local, naturalFor, paper) * contrastShare);
  const upper = last ? localAt / last : 0.5;
  const top = Math.max(
    local[0],
    Math.min(
      paper[0] - BELOW_PAPER,
      contrast === undefined && target.light ? target.light[0] : local[0] + wanted * upper,
    ),
  );
  const bottom = Math.min(
    local[0],
    Math.max(
      DARKEST,
      contrast === undefined && target.shadow
        ? target.shadow[0]
        : target.light && contrast === undefined
          ? local[0] - wanted * (1 - upper)
          : top - wanted,
    ),
  );
  const lightEnd = target.light ?? drifted(mixLab(local, paper, 0.45), drift?.light ?? 0);
  const shadowEnd = target.shadow ?? drifted([bottom, local[1] * 0.85, local[2] * 0.85], drift?.shadow ?? 0);
  const light: Lab = [top, lightEnd[1], lightEnd[2]];
  const shadow: Lab = [bottom, shadowEnd[1], shadowEnd[2]];
  return {
    places: Array.from({ length: places }, (_, i): Lab =>
      i < localAt
        ? mixLab(light, local, i / localAt)
        : i === localAt
          ? local
          : mixLab(local, shadow, (i - localAt) / (last - localAt)),
    ),
    ...placeShares(toneBorders(places, localAt), shares),
    localAt,
    local,
    light,
    shadow,
    contrast: top - bottom,
    // Where a contrast is asked for, the ends follow it and no longer what was read.
    lightRead: !!target.light && contrast === undefined,
    shadowRead: !!target.shadow && contrast === undefined,
  };
}

const drifted = ([L, a, b]: Lab, lean: -1 | 0 | 1): Lab => [L, a + (lean * DRIFT) / 3, b + lean * DRIFT];

/**
 * Turn between the hues of two colours as a distance in Lab: 2√(C₁C₂)·sin(Δh/2), signed, positive anticlockwise. Without angles:
 * C₁C₂·cos Δh is the product of the two directions, C₁C₂·sin Δh their cross product.
 */
export function hueDistance(first: Lab, second: Lab): number {
  const both = chroma(first) * chroma(second);
  if (both === 0) return 0;
  const along = first[1] * second[1] + first[2] * second[2];
  const across = first[1] * second[2] - first[2] * second[1];
  // Each of the two ways is exact where the other one loses its digits.
  if (along > 0) return (across * Math.SQRT2) / Math.sqrt(both + along);
  return (across < 0 ? -1 : 1) * Math.sqrt(Math.max(0, 2 * (both - along)));
}
