import { EYE_KINDS, type EyeKind } from "./eye";
import { levelsOf, type EyeAnswer } from "./schedule";

/** How often an eye was right. */
export interface Share {
  readonly asked: number;
  readonly right: number;
}

/** How an eye has come on. */
export interface EyeProgress {
  readonly kinds: readonly (Share & { readonly kind: EyeKind; readonly level: number })[];
  /** By family, least right first; those asked too seldom to tell are left out. */
  readonly families: readonly (Share & { readonly family: string })[];
  /** By week, first first: its first day, ms, and how hard it was in the mean. */
  readonly weeks: readonly (Share & { readonly from: number; readonly level: number })[];
}

/** Answers by which a family is judged at least, and the newest of each kind by which it is. */
const [TELLS, NEWEST] = [5, 20] as const;
const WEEK = 7 * 86_400_000;
/** A Monday, ms. */
const MONDAY = Date.UTC(2001, 0, 1);

const shareOf = (some: readonly EyeAnswer[]): Share => ({
  asked: some.length,
  right: some.filter((a) => a.right).length,
});

function grouped<K>(answers: readonly EyeAnswer[], by: (a: EyeAnswer) => K): Map<K, EyeAnswer[]> {
  const out = new Map<K, EyeAnswer[]>();
  for (const a of answers) {
    const own = out.get(by(a)) ?? [];
    own.push(a);
    out.set(by(a), own);
  }
  return out;
}

/** @param answers in the order in which they were given */
export function eyeProgress(answers: readonly EyeAnswer[]): EyeProgress {
  const levels = levelsOf(answers);
  const byKind = grouped(answers, (a) => a.kind);
  return {
    kinds: EYE_KINDS.map((kind) => ({
      kind,
      ...shareOf((byKind.get(kind) ?? []).slice(-NEWEST)),
      level: levels[kind],
    })),
    families: [...grouped(answers, (a) => a.family)]
      .filter(([family, own]) => family && own.length >= TELLS)
      .map(([family, own]) => ({ family, ...shareOf(own) }))
      .sort((a, b) => a.right / a.asked - b.right / b.asked),
    weeks: [...grouped(answers, (a) => Math.floor((a.at - MONDAY) / WEEK))]
      .sort(([a], [b]) => a - b)
      .map(([week, own]) => ({
        from: MONDAY + week * WEEK,
        ...shareOf(own),
        level: own.reduce((sum, a) => sum + a.level, 0) / own.length,
      })),
  };
}
