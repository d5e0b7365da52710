import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, type Lab } from "@/core/colour/lab";
import type { AssessedGroup } from "./assess";
import { inksOf } from "./plan";
import type { School } from "./school";

/** L* from the light end to the shadow end of a group, as laid. */
export const spanOf = ({ zones }: AssessedGroup) => zones[0]!.lab[0] - zones.at(-1)!.lab[0];
const mean = ({ zones }: AssessedGroup, of: (lab: Lab) => number) =>
  zones.reduce((sum, t) => sum + of(t.lab), 0) / zones.length;

/** How a group differs from another as laid: contrast (L*), warmth (b* + ½a*, what painters call warm), chroma, markers, and the way it is made. */
export interface Difference {
  readonly contrast: number;
  readonly warmth: number;
  readonly chroma: number;
  /** Markers in common, and more (positive) or fewer of them. */
  readonly shared: number;
  readonly markers: number;
  /** Mean ΔE00 along the area. */
  readonly apart: number;
  /** Its school, where that is another. */
  readonly school?: School;
  /** How it makes its shadow end, where that is another way. */
  readonly shadow?: "deeper" | "underlay" | "overlay";
}

const shadowWayOf = ({ inks }: AssessedGroup) =>
  inks.under.length ? "underlay" : inks.over.length ? "overlay" : "deeper";

/** How a group differs from the first one. */
export function differenceOf(first: AssessedGroup, other: AssessedGroup): Difference {
  const warmth = (lab: Lab) => lab[2] + lab[1] / 2;
  const [mine, theirs] = [inksOf(other), inksOf(first)];
  const at = (g: AssessedGroup, t: number): Lab =>
    g.places.reduce((near, p) => (Math.abs(p.t - t) < Math.abs(near.t - t) ? p : near)).lab;
  return {
    contrast: spanOf(other) - spanOf(first),
    warmth: mean(other, warmth) - mean(first, warmth),
    chroma: mean(other, chroma) - mean(first, chroma),
    shared: mine.filter((ink) => theirs.includes(ink)).length,
    markers: mine.length - theirs.length,
    apart: other.places.reduce((sum, p) => sum + deltaE00(p.lab, at(first, p.t)), 0) / other.places.length,
    ...(other.laying.school !== first.laying.school && { school: other.laying.school }),
    ...(shadowWayOf(other) !== shadowWayOf(first) && { shadow: shadowWayOf(other) }),
  };
}
