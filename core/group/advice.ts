import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { seenLab, type Desk } from "@/core/ink/desk";
import { TWIN } from "@/core/ink/twins";
import { layChosen, type Asked, type WeighedChoice } from "./chosen";
import { hueDistance } from "./goal";
import { STEP_LIMITS } from "./step";
import { MOST_TONES, type Tone } from "./tone";

/** What to do about it. */
export type Fix =
  | { readonly kind: "insert"; readonly after: number; readonly code: string; readonly coats: number }
  | { readonly kind: "remove"; readonly tone: number; readonly code: string };

type Pair = readonly [lighter: string, darker: string];

/** What a colourist should know of a group, with its figures: L*, ΔE00, chroma, coats or a ratio, as the kind says. */
export type Advice = { readonly fix?: Fix } & (
  | { readonly kind: "capacity"; readonly coats: number; readonly holds: number }
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
  | {
      readonly kind: "light end" | "shadow end";
      readonly deltaE00: number;
      /** L* above (positive) or below what was read. */
      readonly deltaL: number;
    }
);

/** Chroma lost in a blend before it is called mud. */
const MUDDY = 4;
/** Largest step over smallest before the steps are called uneven. */
const UNEVEN = 2.2;
/** Share of the wanted contrast below which it is spoken of. */
const FLAT = 0.75;
/** ΔE00 of the local colour, and of an end that was read, from which it is spoken of. */
const LOCAL_OFF = 4;
const END_OFF = 6;
/** Inks that are tried between two tones. */
const TRIED = 8;

export interface Advised extends WeighedChoice {
  readonly tones: readonly Tone[];
  readonly mostCoats: number;
}

/** What a colourist should know of a group before laying it, most serious first; everything as it will lie on the paper. */
export function adviseGroup(desk: Desk, group: Advised, asked: Asked): Advice[] {
  const { goal, weighed, tones, inks, mostCoats } = group;
  const { steps, zones } = weighed;
  const out: Advice[] = [];
  const shade = [...inks.under, ...inks.over][0];
  const code = (i: number) => desk.inks[inks.tones[i] ?? shade!]!.code;
  if (mostCoats > asked.capacity + 1e-9)
    out.push({ kind: "capacity", coats: mostCoats, holds: asked.capacity });
  steps.forEach((step, i) => {
    const pair = [code(i), code(i + 1)] as const;
    if (step.verdict === "too wide") {
      const between = toneBetween(desk, group, i, asked);
      const fix = between && {
        kind: "insert" as const,
        after: i,
        code: desk.inks[between.ink]!.code,
        coats: between.coats,
      };
      out.push({ kind: "step too wide", pair, deltaL: step.deltaL, ...(fix && { fix }) });
    }
    const mayGo = i + 1 < tones.length && tones.length > 2;
    if (step.deltaE00 < TWIN)
      out.push({
        kind: "twins",
        pair,
        deltaE00: step.deltaE00,
        ...(mayGo && { fix: { kind: "remove", tone: i + 1, code: code(i + 1) } }),
      });
    else if (step.verdict === "too narrow") {
      const end = i === 0 ? 1 : i + 1 === tones.length - 1 ? i : i + 1;
      const { narrowest } = STEP_LIMITS;
      out.push({
        kind: "step too narrow",
        pair,
        deltaL: step.deltaL,
        narrowest,
        ...(mayGo && { fix: { kind: "remove", tone: end, code: code(end) } }),
      });
    }
    if (step.mud > MUDDY) out.push({ kind: "mud", pair, chromaLost: step.mud });
  });
  const falls = steps.map((s) => Math.max(0.1, s.deltaL));
  const widest = Math.max(...falls);
  const ratio = widest / Math.min(...falls);
  if (ratio > UNEVEN && steps.every((s) => s.verdict === "even"))
    out.push({ kind: "uneven steps", ratio, at: code(falls.indexOf(widest)) });
  const contrast = zones[0]!.lab[0] - zones.at(-1)!.lab[0];
  if (contrast < FLAT * goal.contrast) out.push({ kind: "contrast", contrast, wanted: goal.contrast });
  const local = deltaE00(zones[goal.localAt]!.lab, goal.local);
  if (local > LOCAL_OFF) out.push({ kind: "local colour", deltaE00: local });
  const end = (kind: "light end" | "shadow end", lab: Lab, wanted: Lab) => {
    const off = deltaE00(lab, wanted);
    if (off > END_OFF) out.push({ kind, deltaE00: off, deltaL: lab[0] - wanted[0] });
  };
  if (goal.lightRead) end("light end", zones[0]!.lab, goal.light);
  if (goal.shadowRead) end("shadow end", zones.at(-1)!.lab, goal.shadow);
  return out;
}

/** The owned tone that best divides a step: the group with it in is laid anew and must fit the paper and look better. */
export function toneBetween(
  desk: Desk,
  { tones, inks, laying, weighed }: Advised,
  after: number,
  asked: Asked,
): Tone | undefined {
  const [light, dark] = [tones[after], tones[after + 1]];
  if (!light || !dark || tones.length >= MOST_TONES) return undefined;
  const taken = new Set([...inks.tones, ...inks.under, ...inks.over]);
  const middle = (light.lab[0] + dark.lab[0]) / 2;
  const fits = ({ lab }: Tone) =>
    lab[0] < light.lab[0] - TWIN &&
    lab[0] > dark.lab[0] + TWIN &&
    Math.min(deltaE00(lab, light.lab), deltaE00(lab, dark.lab)) >= TWIN;
  const owned = asked.owned ?? (() => true);
  const likely = desk.inks
    .flatMap((_, ink): Tone[] =>
      taken.has(ink) || !owned(ink)
        ? []
        : [1, 2].map((coats) => ({ ink, coats, lab: seenLab(desk, Array<number>(coats).fill(ink)) })),
    )
    .filter(fits)
    .map((tone) => ({
      tone,
      off:
        Math.abs(tone.lab[0] - middle) / 4 +
        (Math.abs(hueDistance(tone.lab, light.lab)) + Math.abs(hueDistance(tone.lab, dark.lab))) / 6 +
        tone.coats,
    }))
    .sort((a, b) => a.off - b.off)
    .slice(0, TRIED);
  const coated = (list: readonly number[], coats: readonly number[]) =>
    list.map((ink, i) => ({ ink, coats: coats[i]! }));
  const widest = weighed.steps[after]!.deltaL;
  let best: { readonly tone: Tone; readonly score: number } | undefined;
  for (const { tone } of likely) {
    const next = layChosen(
      desk,
      {
        tones: [...tones.slice(0, after + 1), tone, ...tones.slice(after + 1)],
        under: coated(inks.under, laying.under),
        over: coated(inks.over, laying.over),
      },
      asked,
    );
    const { steps, score } = next.weighed;
    if (Math.max(steps[after]!.deltaL, steps[after + 1]!.deltaL) >= widest) continue;
    if (!best || score < best.score) best = { tone, score };
  }
  return best?.tone;
}
