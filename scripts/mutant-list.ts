/** A fault that is set into a file, and the tests that should notice it. */
export interface Mutant {
  readonly file: string;
  /** Stands in the file exactly once. */
  readonly from: string;
  readonly to: string;
  readonly says: string;
  /** Tests that are run, as jest takes them. */
  readonly tests: readonly string[];
}

const of = (
  file: string,
  tests: readonly string[],
  ...faults: readonly [from: string, to: string, says: string][]
): Mutant[] => faults.map(([from, to, says]) => ({ file, from, to, says, tests }));

/** Faults that a hand could make: a sign, an end, a comparison, a case that is left out. */
export const MUTANTS: readonly Mutant[] = [
  ...of(
    "core/match/ranking.ts",
    ["core/match/ranking"],
    [
      "return Math.max(last, Math.min(same, best + WORTH_MORE_INK));",
      "return last;",
      "a limit that forgets the simpler recipes",
    ],
    [
      "if (recipe.deltaE00 >= this.best[known]!.deltaE00) return;",
      "",
      "the worse of the same inks replaces the better",
    ],
    ["inksOf(r) * 10 + coatsOf(r)", "inksOf(r) + coatsOf(r)", "coats count as much as inks"],
  ),
  ...of(
    "core/match/pruned.ts",
    ["core/match/match"],
    [
      "Math.min(level > 0 ? LEVELS[level - 1]! : 0, ranking.nearest)",
      "Math.max(level > 0 ? LEVELS[level - 1]! : 0, ranking.nearest)",
      "a bound above what is proven",
    ],
  ),
  ...of(
    "core/group/step.ts",
    ["core/group/step", "core/group/score"],
    [
      "(middle[2] - first[2]) - db * (middle[1] - first[1])",
      "(middle[2] - first[2]) + db * (middle[1] - first[1])",
      "the cross product's sign",
    ],
    [
      "Math.min(chroma(first), chroma(second)) - chroma(middle)",
      "Math.max(chroma(first), chroma(second)) - chroma(middle)",
      "mud against the purer end",
    ],
  ),
  ...of(
    "core/group/difference.ts",
    ["core/group/difference"],
    ["lab[2] + lab[1] / 2", "lab[2] - lab[1] / 2", "warmth's sign of a*"],
    [
      "mean(other, warmth) - mean(first, warmth)",
      "mean(first, warmth) - mean(other, warmth)",
      "warmer and cooler exchanged",
    ],
    ["spanOf(other) - spanOf(first)", "spanOf(first) - spanOf(other)", "more and less contrast exchanged"],
  ),
  ...of(
    "core/group/score.ts",
    ["core/group/score"],
    [
      "Math.max(LEAST_STEP, goal.places[place]![0] - goal.places[place + 1]![0])",
      "(goal.places[place]![0] - goal.places[place + 1]![0])",
      "no least step",
    ],
    ["limits.narrowest - deltaL)", "deltaL - limits.narrowest)", "wide steps taken for narrow ones"],
    ["Math.max(0, bow - BOW_SLACK)", "bow", "no slack of the bow"],
  ),
  ...of(
    "core/group/lay.ts",
    ["core/group/lay", "core/course", "core/media"],
    [
      "coatsAt(kept, t) + pass.coats > capacity + EPSILON",
      "coatsAt(kept, t) > capacity + EPSILON",
      "blending past what the paper holds",
    ],
    [
      "(a, b) => hand.indexOf(a.tone) - hand.indexOf(b.tone)",
      "(a, b) => hand.indexOf(b.tone) - hand.indexOf(a.tone)",
      "the order of the hand turned round",
    ],
    ["{ ...p, wet: turns[turn]!.wet }", "p", "wet by tone, not by turn"],
    [
      "const from = Math.max(borders[tone]!, Math.min(...own.map((p) => p.from)));",
      "const from = borders[tone]!;",
      "places of tones where they are not laid",
    ],
  ),
  ...of(
    "core/group/school.ts",
    ["core/group/school", "core/group/lay"],
    [
      'if (tone === tones - 1 && begins >= 0.5) return "deepest";',
      'if (tone === tones - 1) return "deepest";',
      "the last tone always in the deepest shadows",
    ],
    ["from: t ? start(t) : KEPT_HIGHLIGHT * width(0)", "from: start(t)", "dark first without its highlight"],
    ["coats: c * THIN", "coats: c", "layered with full coats"],
  ),
  ...of(
    "core/group/goal.ts",
    ["core/group"],
    ["lean * DRIFT]", "-lean * DRIFT]", "drift to the cool for warm"],
    [
      "lightRead: !!target.light && contrast === undefined",
      "lightRead: !!target.light",
      "ends read where a contrast was asked for",
    ],
  ),
  ...of(
    "core/group/advice.ts",
    ["core/group/advice"],
    ["if (step.deltaE00 < TWIN)", "if (step.deltaE00 > TWIN)", "twins are those that differ"],
    [
      "const contrast = zones[0]!.lab[0] - zones.at(-1)!.lab[0];",
      "const contrast = zones.at(-1)!.lab[0] - zones[0]!.lab[0];",
      "contrast from dark to light",
    ],
  ),
  ...of(
    "core/ink/weights.ts",
    ["core/ink/laid", "core/ink/stack"],
    [
      "const stays = 1 - fit.lifting * amount;",
      "const stays = 1 + fit.lifting * amount;",
      "later passes fix what lies beneath",
    ],
    ["Math.max(0, liftingOf(fit, true) - fit.lifting)", "liftingOf(fit, true)", "wet lifting counted twice"],
    [
      "doseOfK(uptakeAt(fit, total), fit) / sum",
      "doseOfK(uptakeAt(fit, total), fit) / total",
      "uptake shared by coats, not by ink",
    ],
  ),
  ...of(
    "core/ink/fade.ts",
    ["core/ink/fade", "core/course"],
    [
      "seen.map((v, c) => v - model[c]!)",
      "seen.map((v, c) => model[c]! - v)",
      "what is known is taken away instead of added",
    ],
    ["moved * wet ** 2", "0 * moved * wet ** 2", "wet passes leave what lies there where it is"],
    ["(p.wet ? wet : dry) ** 2", "(p.wet ? dry : wet) ** 2", "wet and dry creep exchanged"],
    ["(TAPER_SPREAD * (p.taper ?? 0)) ** 2", "0", "strokes that do not thin out"],
  ),
  ...of(
    "core/ink/span.ts",
    ["core/ink/span", "core/group/lay"],
    ["from <= t + EPSILON", "from < t - EPSILON", "a place at a border is nobody's"],
    ["(to >= 1 && t <= 1)", "false", "the darkest end is nobody's"],
  ),
  ...of(
    "core/ink/fit-blending.ts",
    ["core/ink/fit-blending"],
    [
      "wet: crisp ? 0 : reach, dry: crisp ? reach : 0",
      "wet: crisp ? reach : 0, dry: crisp ? 0 : reach",
      "wet and dry borders exchanged",
    ],
  ),
  ...of(
    "core/ink/paper.ts",
    ["core/ink"],
    [
      "Math.min(0.98, Math.max(0.5, gain",
      "Math.min(2, Math.max(1.2, gain",
      "coats beyond the read ones add more and more",
    ],
    [
      "k1: Math.min(fit.k1, MOST_SURFACE * darkest)",
      "k1: fit.k1",
      "a surface that sends back more than the sheet",
    ],
  ),
  ...of(
    "core/ink/twins.ts",
    ["core/ink", "core/match/match"],
    ["deltaE00(a, b) < TWIN", "deltaE00(a, b) < 2 * TWIN", "twins that can be told apart"],
  ),
  ...of(
    "core/course/course.ts",
    ["core/course", "core/media", "core/colouring/sequence"],
    [
      "const somethingBeneath = passes.length > 0;",
      "const somethingBeneath = false;",
      "nothing ever waits for dry ink",
    ],
    [
      "tones.length ? underlayPasses(underlay) : []",
      "underlayPasses(underlay)",
      "an underlay beneath bare paper",
    ],
    [
      "light: { from: 0, to: tones > 1 ? first : 1 }",
      "light: { from: 0, to: 1 }",
      "hints in the light all over",
    ],
  ),
  ...of(
    "core/media/tone.ts",
    ["core/media", "core/course", "core/piece"],
    [
      "(a, b) => a.depth! - b.depth!",
      "(a, b) => b.depth! - a.depth!",
      "dark and light exchanged where the hand chose",
    ],
    [
      "said >= 0 ? said : middleTone(tones.length)",
      "middleTone(tones.length)",
      "the middle tone always carries the local colour",
    ],
  ),
  ...of(
    "core/course/laid-area.ts",
    ["core/course/laid-area"],
    ["opaque.findLast(", "opaque.find(", "what is laid last lies beneath"],
    ["Math.min(steps.length - 1, Math.floor(at))", "0", "pencil as at the lightest value everywhere"],
  ),
  ...of(
    "core/course/strip.ts",
    ["core/group/school"],
    ["edge: most - mean", "edge: mean - most", "edges where there are none"],
    ["(1 - ACROSS) * v + (ACROSS / 2)", "v + 0 * (ACROSS / 2)", "wet passes even nothing out"],
  ),
  ...of(
    "core/colouring/look-over.ts",
    ["core/colouring/paint"],
    [
      "if (own[p] !== own[p + width]) look(p - d * width, p + (1 + d) * width);",
      "",
      "level borders are not looked at",
    ],
    [
      "Math.round(128 + (lighter * 127) / 50)",
      "Math.round(128 - (lighter * 127) / 50)",
      "lighter and darker exchanged",
    ],
  ),
  ...of(
    "core/colouring/tone-map.ts",
    ["core/colouring/tone-map"],
    ["out[p]! + by * TOUCH", "out[p]! - by * TOUCH", "touches darken where they should lighten"],
  ),
  ...of(
    "core/colour/display.ts",
    ["core/colour/display"],
    ["v >= -HALF_LEVEL && v <= 1 + HALF_LEVEL", "v >= 0 && v <= 1", "the gamut's edge counts as outside"],
    [
      "const shown = inGamut ? rgb : intoGamut(colour);",
      "const shown = rgb;",
      "what cannot be shown is cut off",
    ],
  ),
  ...of(
    "core/light/shade.ts",
    ["core/light/shade", "core/light/light"],
    ["(lx * c - ly * s) / side", "(lx * c + ly * s) / side", "looks beside the light are no turns"],
    ["cast / looks.length", "cast", "the cast is not averaged"],
    [
      "Math.round(x + dx * far), Math.round(y + dy * far)",
      "Math.round(x - dx * far), Math.round(y - dy * far)",
      "shade towards the light",
    ],
  ),
  ...of(
    "core/light/reference-values.ts",
    ["core/light/reference-values"],
    [
      "inward(p + d, x + d < width) - inward(p - d, x >= d)",
      "inward(p - d, x >= d) - inward(p + d, x + d < width)",
      "edges look outward",
    ],
  ),
  ...of(
    "core/light/light.ts",
    ["core/light"],
    ["-Math.cos(turn) * Math.cos(up)", "Math.cos(turn) * Math.cos(up)", "above and below exchanged"],
    ["(cos + softness) / (1 + softness)", "cos", "soft light is hard"],
  ),
  ...of(
    "core/picture/flood.ts",
    ["core/picture/flood"],
    ["&& side >= neck + WIDER_PIXELS", "", "grain of the raster is a gap"],
    ["side >= WIDER * neck && ", "", "swelling strands are gaps"],
  ),
  ...of(
    "core/pencil/adjust.ts",
    ["core/pencil"],
    [
      "OFF_COLOUR * Math.hypot(lab[1] - tone[1], lab[2] - tone[2]) +",
      "",
      "the tone's colour does not matter",
    ],
  ),
  ...of(
    "core/pencil/plan.ts",
    ["core/pencil"],
    [
      "onPaper.deltaE00 + 0.5 < onBase.deltaE00",
      "onPaper.deltaE00 - 0.5 < onBase.deltaE00",
      "bare paper although the base serves better",
    ],
    [
      "(b.own[0] < a.own[0] ? b : a)",
      "(b.own[0] > a.own[0] ? b : a)",
      "the lightest pencil is called the darkest",
    ],
    [
      "darkest.own[0] > step.wanted[0] - 2",
      "darkest.own[0] < step.wanted[0] - 2",
      "why a dark is out of reach, turned round",
    ],
  ),
  ...of(
    "core/pencil/film.ts",
    ["core/pencil"],
    ["through = (2 * bi * x) / below;", "through = (bi * x) / below;", "films let half of the light through"],
  ),
  ...of(
    "core/shadow/monochrome.ts",
    ["core/shadow"],
    ["deepening: alone[0] - covered[0]", "deepening: covered[0] - alone[0]", "covered colours are lighter"],
  ),
  ...of(
    "core/stock/gaps.ts",
    ["core/stock"],
    [
      "Math.abs(a.lab[0] - middle) - Math.abs(b.lab[0] - middle)",
      "Math.abs(b.lab[0] - middle) - Math.abs(a.lab[0] - middle)",
      "gaps closed at their edge",
    ],
  ),
];
