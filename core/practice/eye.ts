import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, hue, hueTurn, type Lab } from "@/core/colour/lab";
import { seenLab, type Desk, type Stack } from "@/core/ink/desk";

/** What an eye is asked: order by value, which is lighter or warmer, what two inks give, the nearest of some, a value beside a strong colour, coats. */
export const EYE_KINDS = ["order", "lighter", "warmer", "overlay", "twin", "behind", "coats"] as const;
export type EyeKind = (typeof EYE_KINDS)[number];

/** One colour of a question, and what lies there: codes are told once it is answered. */
export interface EyeColour {
  readonly lab: Lab;
  readonly stack: Stack;
}

export interface EyeQuestion {
  readonly kind: EyeKind;
  /** What is looked at first; the field comes before what lies on it. */
  readonly shown: readonly EyeColour[];
  readonly choices: readonly EyeColour[];
  /** Places of the choices that are right: one, or all of them in the right order, darkest first. */
  readonly right: readonly number[];
  /** By how much the right answer differs from the next: L* or ΔE00. */
  readonly margin: number;
}

/** Fewest inks of which something can be asked. */
export const FEWEST_INKS = 8;
/** How many are tried until one is as hard as wished. */
const TRIES = 300;
/** What differs least in the easiest question and in the hardest, by kind: L* of order, lighter and behind, warmth of warmer, ΔE00 of the rest. */
const HARD: Readonly<Record<EyeKind, readonly [easy: number, hard: number]>> = {
  order: [11, 2.5],
  lighter: [14, 2],
  warmer: [16, 3],
  overlay: [22, 5],
  twin: [9, 1.5],
  behind: [9, 2.5],
  coats: [9, 2],
};
/** Degrees between hues that make a value hard to see, and colour strength from which on a hue tells. */
const [OTHER_HUE, COLOURFUL] = [60, 12] as const;
/** Lightness within which shadows are compared, their darkest tone's L*, and their strongest colour. */
const [ALIKE_L, SHADOW_L, SHADOW_C] = [8, 62, 34] as const;
/** Hue angle of the warmest orange, degrees. */
const WARMEST = 60;
/** Greys of which one is as light as what lies on the field. */
const GREYS = 5;

/** Warmth of a colour: its share of orange, in units of a* and b*. */
export const warmth = (lab: Lab): number =>
  chroma(lab) * Math.cos((hueTurn(WARMEST, hue(lab)) * Math.PI) / 180);

const MOST_COATS = 3;

/** Random things of one question. */
class Draw {
  constructor(private readonly random: () => number) {}
  one<T>(from: readonly T[]): T {
    return from[Math.floor(this.random() * from.length)]!;
  }
  /** So many different ones; all where there are no more. */
  some<T>(from: readonly T[], count: number): T[] {
    const all = [...from];
    for (let i = 0; i < Math.min(count, all.length - 1); i++) {
      const j = i + Math.floor(this.random() * (all.length - i));
      [all[i], all[j]] = [all[j]!, all[i]!];
    }
    return all.slice(0, count);
  }
}

interface Asking {
  readonly desk: Desk;
  /** Inks that may be asked about, and those that may stand beside them. */
  readonly about: readonly number[];
  readonly inks: readonly number[];
  readonly draw: Draw;
  /** How much is to differ. */
  readonly wish: number;
  /** 0 easy to 1 hard. */
  readonly level: number;
}

type Made = Omit<EyeQuestion, "kind"> | undefined;

const colourOf = (desk: Desk, stack: Stack): EyeColour => ({ lab: seenLab(desk, stack), stack });

/** The question whose margin is nearest to what is wished, of many; harder is as far off as easier. */
function nearest({ wish }: Asking, make: () => Made): Made {
  let best: Made;
  for (let i = 0; i < TRIES; i++) {
    const made = make();
    if (!made) continue;
    if (!best || Math.abs(made.margin - wish) < Math.abs(best.margin - wish)) best = made;
    if (Math.abs(best.margin - wish) < 0.1 * wish) break;
  }
  return best;
}

/** Choices in random order with the first of them right. */
function mixed({ draw }: Asking, choices: readonly EyeColour[]): Pick<EyeQuestion, "choices" | "right"> {
  const order = draw.some(
    choices.map((_, i) => i),
    choices.length,
  );
  return { choices: order.map((i) => choices[i]!), right: [order.indexOf(0)] };
}

const order = (a: Asking): Made =>
  nearest(a, () => {
    const count = 4 + Math.round(2 * a.level);
    const first = a.draw.one(a.about);
    const others = a.draw.some(
      a.inks.filter((i) => i !== first),
      count - 1,
    );
    const choices = a.draw.some([first, ...others], count).map((i) => colourOf(a.desk, [i]));
    const right = choices.map((_, i) => i).sort((x, y) => choices[x]!.lab[0] - choices[y]!.lab[0]);
    const gaps = right.slice(1).map((r, i) => choices[r]!.lab[0] - choices[right[i]!]!.lab[0]);
    return { shown: [], choices, right, margin: Math.min(...gaps) };
  });

const lighter = (a: Asking): Made =>
  nearest(a, () => {
    const [one, two] = [a.draw.one(a.about), a.draw.one(a.inks)].map((i) => colourOf(a.desk, [i])) as [
      EyeColour,
      EyeColour,
    ];
    // Values of one hue are easy to tell.
    const hard =
      Math.min(chroma(one.lab), chroma(two.lab)) > COLOURFUL &&
      Math.abs(hueTurn(hue(one.lab), hue(two.lab))) > OTHER_HUE;
    if (!hard) return undefined;
    const light = one.lab[0] > two.lab[0] ? [one, two] : [two, one];
    return { shown: [], ...mixed(a, light), margin: Math.abs(one.lab[0] - two.lab[0]) };
  });

const warmer = (a: Asking): Made =>
  nearest(a, () => {
    const [one, two] = [a.draw.one(a.about), a.draw.one(a.inks)].map((i) => colourOf(a.desk, [i, i])) as [
      EyeColour,
      EyeColour,
    ];
    const isShadow = ({ lab }: EyeColour) => lab[0] < SHADOW_L && chroma(lab) < SHADOW_C;
    if (!isShadow(one) || !isShadow(two) || Math.abs(one.lab[0] - two.lab[0]) > ALIKE_L) return undefined;
    const warm = warmth(one.lab) > warmth(two.lab) ? [one, two] : [two, one];
    return { shown: [], ...mixed(a, warm), margin: Math.abs(warmth(one.lab) - warmth(two.lab)) };
  });

const overlay = (a: Asking): Made =>
  nearest(a, () => {
    const under = a.draw.one(a.about);
    const over = a.draw.one(a.inks.filter((i) => i !== under));
    const right = colourOf(a.desk, [under, over]);
    const wrong = a.draw
      .some(
        a.inks.filter((i) => i !== under && i !== over),
        3,
      )
      .map((i, n) => colourOf(a.desk, n % 2 ? [i, over] : [under, i]));
    const margin = Math.min(...wrong.map((w) => deltaE00(w.lab, right.lab)));
    return {
      shown: [colourOf(a.desk, [under]), colourOf(a.desk, [over])],
      ...mixed(a, [right, ...wrong]),
      margin,
    };
  });

const twin = (a: Asking): Made =>
  nearest(a, () => {
    const own = a.draw.one(a.about);
    const shown = colourOf(a.desk, [own]);
    const off = (c: EyeColour) => deltaE00(c.lab, shown.lab);
    const choices = a.draw
      .some(
        a.inks.filter((i) => i !== own),
        40,
      )
      .map((i) => colourOf(a.desk, [i]))
      .sort((x, y) => off(x) - off(y))
      .slice(0, 6);
    if (choices.length < 3) return undefined;
    return { shown: [shown], ...mixed(a, choices), margin: off(choices[1]!) - off(choices[0]!) };
  });

/** A chip on a field of another ink: which grey is as light? The field makes it look otherwise. */
function behind(a: Asking): Made {
  const chip = colourOf(a.desk, [a.draw.one(a.about)]);
  const fields = a.inks.map((i) => colourOf(a.desk, [i])).filter((f) => chroma(f.lab) > COLOURFUL);
  if (!fields.length) return undefined;
  const field = a.draw.one(fields);
  const at = a.draw.one(Array.from({ length: GREYS }, (_, i) => i));
  // All greys have to be greys: at the ends the chip stands elsewhere among them.
  const place = [at, 0, 1, 2, 3, 4].find((p) => {
    const [first, last] = [chip.lab[0] - p * a.wish, chip.lab[0] + (GREYS - 1 - p) * a.wish];
    return first >= 8 && last <= 98;
  });
  if (place === undefined) return undefined;
  const choices = Array.from({ length: GREYS }, (_, i): EyeColour => {
    return { lab: [chip.lab[0] + (i - place) * a.wish, 0, 0], stack: [] };
  });
  return { shown: [field, chip], choices, right: [place], margin: a.wish };
}

/** One coat of an ink is shown, and another place: how many coats lie there? */
const coats = (a: Asking): Made =>
  nearest(a, () => {
    const ink = a.draw.one(a.about);
    const all = [1, 2, MOST_COATS].map((n) => colourOf(a.desk, Array<number>(n).fill(ink)));
    const right = a.draw.one([0, 1, 2]);
    const margin = Math.min(
      ...all.flatMap((c, i) => (i === right ? [] : [deltaE00(c.lab, all[right]!.lab)])),
    );
    return { shown: [all[0]!, all[right]!], choices: all, right: [right], margin };
  });

const MAKE: Readonly<Record<EyeKind, (a: Asking) => Made>> = {
  order,
  lighter,
  warmer,
  overlay,
  twin,
  behind,
  coats,
};

/**
 * Something to train an eye on, of the inks of a desk as they are read; undefined where they have nothing of the kind.
 * @param about inks that it is to be about, where there are such
 * @param level 0 easy to 1 hard
 * @param random 0–1, so that the same seed asks the same
 */
export function eyeQuestion(
  desk: Desk,
  kind: EyeKind,
  {
    about,
    level,
    random,
  }: { readonly about: readonly number[]; readonly level: number; readonly random: () => number },
): EyeQuestion | undefined {
  const inks = desk.inks.map((_, i) => i);
  if (inks.length < FEWEST_INKS) return undefined;
  const [easy, hard] = HARD[kind];
  const wish = easy * (hard / easy) ** level;
  const asking = { desk, inks, draw: new Draw(random), wish, level };
  const made = MAKE[kind]({ ...asking, about: about.length ? about : inks });
  // What a family cannot ask, the whole rack may.
  const asked = made ?? MAKE[kind]({ ...asking, about: inks });
  return asked && { kind, ...asked };
}

/** Whether an answer is right: the choice, or all of them in order. */
export const isRight = ({ right }: Pick<EyeQuestion, "right">, answer: readonly number[]): boolean =>
  answer.length === right.length && answer.every((a, i) => a === right[i]);
