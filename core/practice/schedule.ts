import { createEmptyCard, fsrs, Rating, type Card, type Grade } from "ts-fsrs";
import { EYE_KINDS, type EyeKind } from "./eye";

/** Something that an eye was asked, and how it answered. */
export interface EyeAnswer {
  readonly id: string;
  /** ms since 1970. */
  readonly at: number;
  readonly kind: EyeKind;
  /** Family of inks that it was about; empty for all of them. */
  readonly family: string;
  readonly right: boolean;
  readonly seconds: number;
  /** How hard it was, 0–1. */
  readonly level: number;
}

/** What is to be asked next. */
export interface NextToAsk {
  readonly kind: EyeKind;
  readonly family: string;
  readonly level: number;
  /** Whether it was never asked, is to be repeated, or is asked beside what the schedule wants. */
  readonly why: "new" | "due" | "early";
}

export interface EyeSchedule {
  /** Things that are to be repeated by now. */
  readonly due: number;
  /** When the next one is to be repeated, ms; none while something is due, or before anything was asked. */
  readonly nextAt: number | undefined;
  readonly next: NextToAsk;
}

/** Seconds under which a right answer was easy, and over which it was hard. */
const [EASY, SLOW] = [3, 12] as const;
/** Where each kind begins, and by how much a right and a wrong answer move it: it settles where 71 of 100 are right. C. Kaernbach, Perception & Psychophysics 49 (1991) 227–229. */
const [BEGINS, RIGHT, WRONG] = [0.2, 0.06, 0.15] as const;
/** New things that are begun in one day: what is begun wants to be repeated. */
const NEW_A_DAY = 12;
const DAY = 86_400_000;

/** FSRS with its published parameters, without chance, so that the same answers always give the same days. */
const scheduler = fsrs({ enable_fuzz: false });

const skillOf = ({ kind, family }: Pick<EyeAnswer, "kind" | "family">) => `${kind} ${family}`;

const gradeOf = ({ right, seconds }: EyeAnswer): Grade =>
  !right ? Rating.Again : seconds < EASY ? Rating.Easy : seconds > SLOW ? Rating.Hard : Rating.Good;

/** How hard each kind is to be by now, 0–1. */
export function levelsOf(answers: readonly EyeAnswer[]): Record<EyeKind, number> {
  const levels = Object.fromEntries(EYE_KINDS.map((k) => [k, BEGINS])) as Record<EyeKind, number>;
  for (const { kind, right } of answers)
    levels[kind] = Math.min(1, Math.max(0, levels[kind] + (right ? RIGHT : -WRONG)));
  return levels;
}

/**
 * What to ask next, by spaced repetition of what each kind of question asks of each family: what is due first, then something new, then what will be
 * due soonest.
 * @param answers in the order in which they were given
 * @param families of the inks at hand
 * @param without kinds that the inks at hand cannot be asked
 */
export function eyeSchedule(
  answers: readonly EyeAnswer[],
  families: readonly string[],
  now: number,
  without: ReadonlySet<EyeKind> = new Set(),
): EyeSchedule {
  const kindsAsked = EYE_KINDS.filter((k) => !without.has(k));
  const cards = new Map<string, { card: Card; kind: EyeKind; family: string }>();
  const begun = new Map<EyeKind, number>(EYE_KINDS.map((k) => [k, 0]));
  let today = 0;
  for (const a of answers) {
    const key = skillOf(a);
    const known = cards.get(key);
    if (!known) {
      begun.set(a.kind, (begun.get(a.kind) ?? 0) + 1);
      if (a.at > now - DAY) today++;
    }
    // A clock that was set back repeats nothing before it was first asked.
    const at = new Date(Math.max(a.at, known?.card.last_review?.getTime() ?? 0));
    const { card } = scheduler.next(known?.card ?? createEmptyCard(at), at, gradeOf(a));
    cards.set(key, { card, kind: a.kind, family: a.family });
  }
  const levels = levelsOf(answers);
  // What is no longer in the rack is not asked any more.
  const all = families.length ? families : [""];
  const asked = [...cards.values()]
    .filter((c) => all.includes(c.family) && !without.has(c.kind))
    .sort((a, b) => a.card.due.getTime() - b.card.due.getTime());
  const due = asked.filter((c) => c.card.due.getTime() <= now);
  const ask = ({ kind, family }: { kind: EyeKind; family: string }, why: NextToAsk["why"]): NextToAsk => ({
    kind,
    family,
    level: levels[kind],
    why,
  });
  const fresh = (): NextToAsk | undefined => {
    // The kind of which least was begun, with the family that comes next in it.
    const kinds = [...kindsAsked].sort((a, b) => begun.get(a)! - begun.get(b)!);
    for (const kind of kinds)
      for (let i = 0; i < all.length; i++) {
        const family = all[(begun.get(kind)! + EYE_KINDS.indexOf(kind) + i) % all.length]!;
        if (!cards.has(skillOf({ kind, family }))) return ask({ kind, family }, "new");
      }
    return undefined;
  };
  const next =
    (due[0] && ask(due[0], "due")) ??
    (today < NEW_A_DAY ? fresh() : undefined) ??
    (asked[0] && ask(asked[0], "early")) ??
    ask({ kind: kindsAsked[0] ?? EYE_KINDS[0], family: all[0]! }, "new");
  return { due: due.length, nextAt: due.length ? undefined : asked[0]?.card.due.getTime(), next };
}
