import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab, type Desk } from "@/core/ink/desk";
import { TWIN } from "@/core/ink/twins";
import { hueDistance, type GroupGoal } from "./goal";
import { blendPath, STEP_LIMITS, type Step, type StepLimits } from "./step";
import type { Tone } from "./tone";

export type AdviceKind =
  "step too wide" | "step too narrow" | "uneven steps" | "mud" | "twins" | "contrast" | "local colour";

/** What to do about it. */
export type Fix =
  | { readonly kind: "insert"; readonly after: number; readonly code: string; readonly coats: number }
  | { readonly kind: "remove"; readonly tone: number; readonly code: string };

export interface Advice {
  readonly kind: AdviceKind;
  /** A sentence with its number. */
  readonly message: string;
  readonly fix?: Fix;
}

/** Chroma lost in a blend before it is called mud. */
const MUDDY = 4;
/** Largest step over smallest before the steps are called uneven. */
const UNEVEN = 2.2;
/** Share of the wanted contrast below which it is spoken of. */
const FLAT = 0.75;
/** ΔE00 of the local colour from which it is spoken of. */
const LOCAL_OFF = 4;

const round = (v: number) => v.toFixed(0);

/**
 * What a colourist should know of a group before laying it, most serious first.
 * @param owned inks that may be proposed, by their place on the desk
 */
export function adviseGroup(
  desk: Desk,
  tones: readonly Tone[],
  steps: readonly Step[],
  goal: GroupGoal,
  localDifference: number,
  owned: (ink: number) => boolean = () => true,
  limits: StepLimits = STEP_LIMITS,
): Advice[] {
  const out: Advice[] = [];
  const code = (i: number) => desk.inks[tones[i]!.ink]!.code;
  steps.forEach((step, i) => {
    const pair = `${code(i)} to ${code(i + 1)}`;
    if (step.verdict === "too wide") {
      const between = inkBetween(desk, tones[i]!, tones[i + 1]!, tones, owned);
      const fix: Fix | undefined = between && {
        kind: "insert",
        after: i,
        code: desk.inks[between.ink]!.code,
        coats: between.coats,
      };
      const remedy = fix ? `put ${fix.code} between: you own it.` : "no owned ink lies between.";
      out.push({
        kind: "step too wide",
        message: `Step ${round(step.deltaL)} L* from ${pair}: an edge will show; ${remedy}`,
        ...(fix && { fix }),
      });
    }
    if (step.deltaE00 < TWIN)
      out.push({
        kind: "twins",
        message: `${pair}: twins on this paper, ${step.deltaE00.toFixed(1)} ΔE00 apart; one of them is enough.`,
        fix: { kind: "remove", tone: i + 1, code: code(i + 1) },
      });
    else if (step.verdict === "too narrow") {
      const end = i === 0 ? 1 : i + 1 === tones.length - 1 ? i : i + 1;
      out.push({
        kind: "step too narrow",
        message: `Step ${step.deltaL.toFixed(1)} L* from ${pair}: hardly seen (under ${limits.narrowest}); leave out ${code(end)}.`,
        fix: { kind: "remove", tone: end, code: code(end) },
      });
    }
    if (step.mud > MUDDY)
      out.push({
        kind: "mud",
        message: `The blend ${pair} loses ${round(step.mud)} of chroma on the way: lay a thin coat of ${code(i)} over the seam, or choose neighbours in hue.`,
      });
  });
  const falls = steps.map((s) => Math.max(0.1, s.deltaL));
  const ratio = Math.max(...falls) / Math.min(...falls);
  if (ratio > UNEVEN && steps.every((s) => s.verdict === "even"))
    out.push({
      kind: "uneven steps",
      message: `The widest step is ${ratio.toFixed(1)} times the narrowest: blend longest at ${code(falls.indexOf(Math.max(...falls)))}.`,
    });
  const span = tones[0]!.lab[0] - tones.at(-1)!.lab[0];
  if (span < FLAT * goal.contrast)
    out.push({
      kind: "contrast",
      message: `Contrast ${round(span)} L* where ${round(goal.contrast)} is wanted: the area will look flat.`,
    });
  if (localDifference > LOCAL_OFF)
    out.push({
      kind: "local colour",
      message: `The mids come ${localDifference.toFixed(1)} ΔE00 from the local colour: a different colour to the eye.`,
    });
  return out;
}

/** The owned tone that best divides a step: near the middle in lightness, near both in hue, no mud on either side. */
export function inkBetween(
  desk: Desk,
  light: Tone,
  dark: Tone,
  taken: readonly Tone[],
  owned: (ink: number) => boolean,
): Tone | undefined {
  const middle = (light.lab[0] + dark.lab[0]) / 2;
  const reach = (light.lab[0] - dark.lab[0]) / 3;
  let best: { tone: Tone; cost: number } | undefined;
  desk.inks.forEach((_, ink) => {
    if (!owned(ink) || taken.some((t) => t.ink === ink)) return;
    for (const coats of [1, 2]) {
      const lab = seenLab(desk, Array<number>(coats).fill(ink));
      if (Math.abs(lab[0] - middle) > reach) continue;
      const tone = { ink, coats, lab };
      const cheap =
        Math.abs(lab[0] - middle) / 4 +
        (Math.abs(hueDistance(lab, light.lab)) + Math.abs(hueDistance(lab, dark.lab))) / 6 +
        (coats - 1);
      if (best && cheap >= best.cost) continue;
      const cost = cheap + (blendPath(desk, light, tone).mud + blendPath(desk, tone, dark).mud) / 3;
      if (!best || cost < best.cost) best = { tone, cost };
    }
  });
  return best && Math.min(deltaE00(best.tone.lab, light.lab), deltaE00(best.tone.lab, dark.lab)) >= TWIN
    ? best.tone
    : undefined;
}
