import { mixLab } from "@/core/colour/mean-lab";
import { chroma, type Lab } from "@/core/colour/lab";

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
  readonly drift?: Drift;
}

export interface GroupGoal {
  /** Wanted colour of each tone, light to dark. Ends that were not read are only a lightness and a hue. */
  readonly tones: readonly Lab[];
  readonly local: Lab;
  /** Wanted lightness from lightest to darkest tone. */
  readonly contrast: number;
  readonly step: number;
  readonly lightRead: boolean;
  readonly shadowRead: boolean;
}

/** Natural contrast in L* by number of tones (2–6): the workshop habit of about 13 L* a step for three and four tones, finer for more. */
const NATURAL = [20, 30, 39, 46, 52];
/** A pale or very deep subject has less room: full contrast from this far from white and from black. */
const PALE_ROOM = 42;
const DEEP_ROOM = 36;
/** Least the highlight lies below the bare paper and the shadow above black. */
const BELOW_PAPER = 2;
const DARKEST = 14;
/** How far, in b*, the ends drift when a temperature is asked for; a* goes a third of the way. */
const DRIFT = 8;

/** Contrast in L* that suits a local colour when the user asks for none: less for pale and very deep ones. */
export function naturalContrast(local: Lab, tones: number, paper: Lab): number {
  const room = Math.min(
    1,
    Math.max(0.4, (paper[0] - local[0] + 8) / PALE_ROOM),
    Math.max(0.4, (local[0] - 6) / DEEP_ROOM),
  );
  return NATURAL[tones - 2]! * room;
}

/**
 * Wanted colours of `tones` tones (2–6). With readings the tones run light – local – shadow in even lightness; with a local colour alone the
 * highlight pales towards the paper and the shadow keeps most of its chroma. Ends that were read do not drift.
 */
export function groupGoal(
  target: GroupTarget,
  tones: number,
  paper: Lab,
  { contrast, contrastShare = 1, drift }: GoalWish = {},
): GroupGoal {
  const { local } = target;
  const read = target.light && target.shadow ? target.light[0] - target.shadow[0] : undefined;
  const wanted = contrast ?? (read && read > 0 ? read : naturalContrast(local, tones, paper) * contrastShare);
  const top = Math.min(
    paper[0] - BELOW_PAPER,
    contrast === undefined && target.light ? target.light[0] : local[0] + wanted / 2,
  );
  const bottom = Math.max(
    DARKEST,
    Math.min(top - 4, contrast === undefined && target.shadow ? target.shadow[0] : top - wanted),
  );
  const share = (L: number) => (L - bottom) / (top - bottom);
  const at = Math.min(0.9, Math.max(0.1, share(local[0])));
  const lightEnd = target.light ?? drifted(mixLab(local, paper, 0.45), drift?.light ?? 0);
  const shadowEnd = target.shadow ?? drifted([bottom, local[1] * 0.85, local[2] * 0.85], drift?.shadow ?? 0);
  const goal = Array.from({ length: tones }, (_, i): Lab => {
    const t = 1 - i / (tones - 1);
    const L = bottom + t * (top - bottom);
    const [from, to, s] = t >= at ? [local, lightEnd, (t - at) / (1 - at)] : [shadowEnd, local, t / at];
    return [L, from[1] + s * (to[1] - from[1]), from[2] + s * (to[2] - from[2])];
  });
  return {
    tones: goal,
    local,
    contrast: top - bottom,
    step: (top - bottom) / (tones - 1),
    lightRead: !!target.light,
    shadowRead: !!target.shadow,
  };
}

const drifted = ([L, a, b]: Lab, lean: -1 | 0 | 1): Lab => [L, a + (lean * DRIFT) / 3, b + lean * DRIFT];

/** Turn between the hues of two colours as a distance in Lab: 2√(C₁C₂)·sin(Δh/2), signed, positive anticlockwise. */
export function hueDistance(first: Lab, second: Lab): number {
  const [c1, c2] = [chroma(first), chroma(second)];
  if (c1 === 0 || c2 === 0) return 0;
  const turn = Math.atan2(second[2], second[1]) - Math.atan2(first[2], first[1]);
  return 2 * Math.sqrt(c1 * c2) * Math.sin((turn - 2 * Math.PI * Math.round(turn / (2 * Math.PI))) / 2);
}
