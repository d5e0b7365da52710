import type { ExerciseId } from "@/core/practice/shapes";
import { differenceWords } from "./closeness";
import type { Finding, SheetScore } from "@/core/practice/score";

/** What each sheet is called, what is done on it, and what it is about. */
export const exerciseInWords: Readonly<
  Record<ExerciseId, { readonly name: string; readonly does: string; readonly about: string }>
> = {
  flat: {
    name: "A flat without streaks",
    does: "Fill the field with one marker, in rows that overlap while they are wet.",
    about: "evenness, and streaks along or across",
  },
  ramp3: {
    name: "A ramp of three tones",
    does: "Light to dark from left to right. Lay each tone about its tick, go back over each meeting with the lighter one while it is wet.",
    about: "even steps, soft meetings",
  },
  ramp4: {
    name: "A ramp of four tones",
    does: "Light to dark from left to right, each tone about its tick; four meetings to keep wet.",
    about: "even steps, soft meetings",
  },
  ramp6: {
    name: "A ramp of six tones",
    does: "Light to dark from left to right, each tone about its tick. Small steps hide edges, and take longer: mind the open time.",
    about: "even steps, soft meetings",
  },
  ball6: {
    name: "A ball in six tones",
    does: "The same ball in six tones, lightest to darkest: each a ring about the highlight, narrower towards the dark.",
    about: "roundness in small steps",
  },
  ribbon: {
    name: "A ribbon and an arrow",
    does: "The lamp stands at the left: the ribbon is light where it leans to it and dark where it turns away, wave by wave, to the arrow’s tip.",
    about: "values that come and go with the form",
  },
  cast: {
    name: "A ball and its shadow",
    does: "Lay the ball as before, then the shadow on the table: darkest and sharpest where the ball stands, paler the further it reaches.",
    about: "the form, and a shadow that fades with its distance",
  },
  hair: {
    name: "A lock of hair",
    does: "Flick from the root and from the tip towards the sheen a third of the way down, dark to light; leave the sheen almost bare.",
    about: "values that run to the sheen from both sides",
  },
  match: {
    name: "Colours that are met",
    does: "Lay one marker in each left box. In the box beside it, come as near as you can with other markers, one over the other.",
    about: "how near the eye and the hand come to a colour",
  },
  ball: {
    name: "A ball in the light",
    does: "The lamp stands at the upper left. Leave the highlight, curve the tones around it, darkest at the lower right.",
    about: "roundness: whether values follow the light",
  },
  scale: {
    name: "A value scale in seven boxes",
    does: "Lightest at the left, darkest at the right, even steps between; with pencil or with markers.",
    about: "even steps of lightness",
  },
  edge: {
    name: "An edge that is kept",
    does: "Fill the leaf to its line with one marker. Stop a little short and let the ink creep up to it.",
    about: "ink beyond the line",
  },
};

const one = (n: number) => n.toFixed(1).replace(/\.0$/, "");

export function findingInWords(f: Finding): string {
  switch (f.kind) {
    case "spread":
      return f.by < 1.5
        ? "As even as an eye can tell."
        : `Lightness differs by ${one(f.by)} over the field${f.by < 3 ? ": hardly seen" : f.by < 6 ? ": seen when one looks for it" : ": seen at once"}.`;
    case "streaks":
      return f.by < 1.5
        ? "No streaks."
        : `${f.along === "rows" ? "Rows" : "Columns"} differ most, by ${one(f.by)} in lightness.`;
    case "turns back":
      return f.times
        ? `It turns lighter again at ${f.times} of ${f.of} places.`
        : "It goes one way all along.";
    case "edges":
      return f.times < 2.5
        ? "No edge stands out."
        : `Its hardest edge is ${one(f.times)} times as steep as the ramp.`;
    case "contrast":
      return f.by < 25
        ? `Only ${f.by.toFixed(0)} of lightness from end to end: it stays flat.`
        : `${f.by.toFixed(0)} of lightness from end to end.`;
    case "uneven steps":
      return f.times < 1.35
        ? "Its steps are even."
        : `The step from tone ${f.at} to tone ${f.at + 1} differs most from the others.`;
    case "roundness":
      return f.by > 0.97
        ? "Its values follow the light all round."
        : f.by > 0.85
          ? "Most of its values follow the light."
          : "Its values do not follow the light: it looks flat or lit from two sides.";
    case "fades":
      return f.dark < 20
        ? `The shadow on the table is pale: ${f.dark.toFixed(0)} darker than the paper.`
        : f.by > 0.85
          ? "The shadow fades with its distance."
          : "The shadow is as dark far off as where it begins.";
    case "off":
      return f.by < 1.5
        ? "Nobody sees a difference within the pairs."
        : `Pair ${f.at} differs most: ${differenceWords(f.worst)}.`;
    case "over the line":
      return f.share
        ? `Ink ran over ${Math.round(100 * f.share)} % of the line.`
        : "The line is kept all round.";
  }
}

/** The one thing to try next. */
export function nextInWords(id: ExerciseId, { findings }: Pick<SheetScore, "findings">): string {
  const of = <K extends Finding["kind"]>(kind: K) =>
    findings.find((f): f is Extract<Finding, { kind: K }> => f.kind === kind);
  const [spread, streaks] = [of("spread"), of("streaks")];
  if (spread && streaks) {
    if (spread.by < 2) return "Try a larger field, or a darker marker: both show more.";
    return streaks.by > 0.6 * spread.by
      ? `Overlap ${streaks.along === "rows" ? "each row with the one before" : "strokes across the field"} while it is wet, with the broad side of the nib.`
      : "Lay a second even coat once the first has settled, or wet the field with the lightest marker first.";
  }
  const off = of("off");
  if (off)
    return off.by < 2
      ? "Try it with colours that none of your markers has by itself: two inks in the left box."
      : "Judge lightness first, with the eyes half closed; then warm or cool; how strong it is last.";
  const fades = of("fades");
  if (fades && (fades.dark < 20 || fades.by < 0.85))
    return fades.dark < 20
      ? "Take a dark grey or the darkest marker of the group where ball and table meet."
      : "Begin the shadow at the ball, and flick outwards; go over its far end with the blender or a pale grey.";
  const over = of("over the line");
  if (over)
    return over.share
      ? "Stop half a millimetre short of the line and wait: wet ink creeps. Turn the sheet so that the nib points inwards."
      : "Try it with two coats: the second creeps further.";
  const [contrast, round] = [of("contrast"), of("roundness")];
  if (contrast && contrast.by < 25)
    return "Take a darker last tone, or a lighter first one: contrast makes form.";
  if (round)
    return round.by > 0.97
      ? "Try it in six tones."
      : "Turn the strokes with the form, and keep the darkest opposite the lamp, a little inside the edge.";
  const [back, edges] = [of("turns back"), of("edges")];
  if (back?.times) return "Go back over each meeting with the lighter of the two tones only.";
  if (edges && edges.times > 2.5)
    return id === "scale"
      ? "Put the middle box in first, then halve the distance on both sides."
      : "Lay the next tone sooner: the edge had dried. Flick its last strokes out.";
  return id === "ramp6" ? "Try the ball." : "Try one tone more.";
}

export const NOTHING_TO_JUDGE = {
  bare: "Nothing is coloured on this sheet yet.",
  flat: "It is all one lightness: there is no ramp to judge yet.",
  unseen: "The exercise itself is not seen in the photo.",
} as const;
