import { deltaE00 } from "@/core/colour/delta-e00";
import { seenLab, type Desk } from "@/core/ink/desk";
import { TWIN } from "@/core/ink/twins";
import { hueDistance, type GroupGoal } from "./goal";
import { blendPath, STEP_LIMITS, type Step, type StepLimits } from "./step";
import type { Tone } from "./tone";

/** What to do about it. */
export type Fix =
  | { readonly kind: "insert"; readonly after: number; readonly code: string; readonly coats: number }
  | { readonly kind: "remove"; readonly tone: number; readonly code: string };

type Pair = readonly [lighter: string, darker: string];

/** What a colourist should know of a group, with its figures: L*, ΔE00, chroma or a ratio, as the kind says. */
export type Advice = { readonly fix?: Fix } & (
  | { readonly kind: "step too wide"; readonly pair: Pair; readonly deltaL: number }
  | {
      readonly kind: "step too narrow";
      readonly pair: Pair;
      readonly deltaL: number;
      readonly narrowest: number;
    }
  | { readonly kind: "twins"; readonly pair: Pair; readonly deltaE00: number }
  | { readonly kind: "mud"; readonly pair: Pair; readonly chromaLost: number }
  | { readonly kind: "uneven steps"; readonly ratio: number; readonly at: string }
  | { readonly kind: "contrast"; readonly contrast: number; readonly wanted: number }
  | { readonly kind: "local colour"; readonly deltaE00: number }
);

/** Chroma lost in a blend before it is called mud. */
const MUDDY = 4;
/** Largest step over smallest before the steps are called uneven. */
const UNEVEN = 2.2;
/** Share of the wanted contrast below which it is spoken of. */
const FLAT = 0.75;
/** ΔE00 of the local colour from which it is spoken of. */
const LOCAL_OFF = 4;

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
    const pair = [code(i), code(i + 1)] as const;
    if (step.verdict === "too wide") {
      const between = inkBetween(desk, tones[i]!, tones[i + 1]!, tones, owned);
      const fix = between && {
        kind: "insert" as const,
        after: i,
        code: desk.inks[between.ink]!.code,
        coats: between.coats,
      };
      out.push({ kind: "step too wide", pair, deltaL: step.deltaL, ...(fix && { fix }) });
    }
    if (step.deltaE00 < TWIN)
      out.push({
        kind: "twins",
        pair,
        deltaE00: step.deltaE00,
        fix: { kind: "remove", tone: i + 1, code: code(i + 1) },
      });
    else if (step.verdict === "too narrow") {
      const end = i === 0 ? 1 : i + 1 === tones.length - 1 ? i : i + 1;
      const { narrowest } = limits;
      out.push({
        kind: "step too narrow",
        pair,
        deltaL: step.deltaL,
        narrowest,
        fix: { kind: "remove", tone: end, code: code(end) },
      });
    }
    if (step.mud > MUDDY) out.push({ kind: "mud", pair, chromaLost: step.mud });
  });
  const falls = steps.map((s) => Math.max(0.1, s.deltaL));
  const widest = Math.max(...falls);
  const ratio = widest / Math.min(...falls);
  if (ratio > UNEVEN && steps.every((s) => s.verdict === "even"))
    out.push({ kind: "uneven steps", ratio, at: code(falls.indexOf(widest)) });
  const contrast = tones[0]!.lab[0] - tones.at(-1)!.lab[0];
  if (contrast < FLAT * goal.contrast) out.push({ kind: "contrast", contrast, wanted: goal.contrast });
  if (localDifference > LOCAL_OFF) out.push({ kind: "local colour", deltaE00: localDifference });
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
