import type { Symptom } from "@/core/repair/symptom";
import { differenceWords } from "./closeness";
import { durationInWords } from "./work";
import { coatsInWords, counted } from "./numbers";

/** What one sees, as it is chosen. */
export const symptomInWords: Readonly<Record<Symptom, string>> = {
  edge: "An edge shows",
  blotchy: "Blotchy",
  "too strong": "Too strong or too dark",
  "too brown": "Too brown",
  muddy: "Greenish or muddy",
  "highlight too large": "Highlight too large",
  "highlight lost": "Highlight lost",
  bled: "Ran past the line",
  "too flat": "Too flat",
  weak: "Weak beside its neighbours",
  streaks: "Streaks",
  "dry marker": "The marker is dry",
};

/** What a hand does about it whatever the inks are. */
export const symptomAdvice: Readonly<Record<Symptom, string>> = {
  edge: "Go back over the edge with the tone between, then with the lightest, while there is room on the paper.",
  blotchy: "Stop and let it dry; then one even, light coat over all of it.",
  "too strong": "Extend the tone beside it over the place; light ink over dark loosens and softens it.",
  "too brown": "One coat of the colour that should win.",
  muddy: "A cool violet into the shadow first, dry, then the colour over it.",
  "highlight too large": "Shrink it from its edge with the lightest marker.",
  "highlight lost": "Lift it with the blender on dry ink, or set it last in opaque white.",
  bled: "Wait until it is fully dry, then push the ink back with the blender from outside.",
  "too flat": "Widen the contrast: the darkest into the shadow again, the light left alone.",
  weak: "One more coat, now that what lies beside it is known.",
  streaks: "Go over it once with a lighter marker of the family while it is wet.",
  "dry marker": "Lay the marker aside; take its nearest stand-in for what is left.",
};

/** How something is laid to mend a place. */
export type MendedWith = "ink" | "blender" | "pencil" | "opaque";

interface ToLay {
  readonly with: MendedWith;
  readonly add: readonly string[];
  readonly onWet: boolean;
  readonly waits: number;
  readonly pressure?: string;
  readonly layers?: number;
}

/** Equal neighbours counted. */
function runs(codes: readonly string[]): string {
  const out: [string, number][] = [];
  for (const c of codes) {
    const last = out.at(-1);
    if (last?.[0] === c) last[1]++;
    else out.push([c, 1]);
  }
  return out.map(([c, n]) => `${coatsInWords(n)} of ${c}`).join(", then ");
}

function what({ with: how, add, layers = 1, pressure = "light" }: ToLay): string {
  if (how === "blender") return `one pass of the blender (${add[0]})`;
  if (how === "pencil") return `${counted(layers, "layer")} of ${add[0]}, ${pressure} pressure`;
  if (how === "opaque") return `opaque ${add[0]} over it`;
  return runs(add);
}

/** A remedy in one sentence: what, when, and how near it comes. */
export function remedyInWords(
  remedy: ToLay,
  nearness: { readonly from: number; readonly to: number },
): string {
  const { waits, onWet } = remedy;
  const when =
    waits > 0 ? `Let it dry ${durationInWords(waits)}, then ` : onWet ? "At once, while it is wet: " : "";
  const said = `${when}${what(remedy)}`;
  const [from, to] = [differenceWords(nearness.from), differenceWords(nearness.to)];
  const comes =
    from === to
      ? `nearer to what was planned, but still ${to}`
      : `${to} to what was planned instead of ${from}`;
  return `${said[0]!.toUpperCase()}${said.slice(1)}: ${comes}.`;
}

/** What is said where nothing mends a place. */
export function noRemedyInWords(now: number, coatsLeft: number, lighter: boolean): string {
  if (now < 1) return "It is as it was planned: leave it.";
  if (now < 2) return "It is very close to what was planned: leave it.";
  const full = coatsLeft < 1 ? "The paper holds no more ink here. " : "";
  const why = lighter
    ? "It is too dark, and nothing at hand lifts ink that far: only something opaque, or a stronger shadow beside it, hides that."
    : "Nothing at hand comes nearer than what lies there: leave it.";
  return `${full}${why}`;
}
