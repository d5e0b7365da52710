import { quantile } from "@/core/algebra/median";
import type { ComparedPlace } from "@/core/work/record";
import type { ExerciseId } from "./shapes";
import type { SheetResult } from "./sheet-result";

/** A piece as a photo of it was read against its plan. */
export interface ComparedPiece {
  readonly id: string;
  readonly name: string;
  /** When it was read, ms since 1970. */
  readonly at: number;
  readonly places: readonly ComparedPlace[];
}

/** What a hand does to the lightness of an area: its darkest or lightest tone against those between, or all of it. */
export const HABITS = ["shadows", "lights", "all"] as const;
export type HabitKind = (typeof HABITS)[number];

/** Something that came out the same way again and again. */
export type Habit =
  | {
      readonly kind: HabitKind;
      /** Median L* over pieces; above 0 lighter than planned. */
      readonly by: number;
      /** Of each piece that tells of it, the newest first. */
      readonly pieces: readonly { readonly id: string; readonly name: string; readonly by: number }[];
      readonly exercise: ExerciseId;
    }
  | {
      readonly kind: "sheets";
      /** Mean score of the last sheets, 0–100, and of how many. */
      readonly score: number;
      readonly of: number;
      readonly exercise: ExerciseId;
    };

/** Pieces that must tell of a habit, and places of each. */
export const FEWEST_PIECES = 3;
const FEWEST_PLACES = 3;
/** Pieces that are looked at, the newest: a hand changes. */
const MOST_PIECES = 8;
/** L* from which on a piece goes one way, and in the median over pieces; all of a picture lies off by its photo as well. */
const LEANS: Readonly<Record<HabitKind, { readonly each: number; readonly median: number }>> = {
  shadows: { each: 1.2, median: 2.5 },
  lights: { each: 1.2, median: 2.5 },
  all: { each: 2, median: 3.5 },
};
/** Share of the pieces that must go the same way. */
const AGREE = 0.75;
/** What is practised for a habit. */
const EXERCISE: Readonly<Record<HabitKind, ExerciseId>> = { shadows: "ball", lights: "ramp4", all: "scale" };
/** Sheets of one kind that tell, and the mean score under which one is to be practised. */
const [SHEETS, POOR] = [3, 70] as const;

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** L* beyond which a place is not laid yet or laid with something else, and the share of such places from which on a piece is not finished. */
const [NOT_LAID, UNFINISHED] = [15, 0.2] as const;

/** How far (L*) a piece leans each way; undefined where too few places tell, or so many are off so far that it is not finished. */
function leaningOf({ places }: ComparedPiece): Readonly<Partial<Record<HabitKind, number>>> {
  const off = ({ planned, lies }: ComparedPlace) => lies[0] - planned[0];
  if (places.filter((p) => Math.abs(off(p)) > NOT_LAID).length > UNFINISHED * places.length) return {};
  const byArea = new Map<string, ComparedPlace[]>();
  for (const p of places) byArea.set(p.area, [...(byArea.get(p.area) ?? []), p]);
  const [shadows, lights]: [number[], number[]] = [[], []];
  for (const own of byArea.values()) {
    const between = own.filter((p) => p.zone > 1 && p.zone < p.of);
    if (!between.length) continue;
    const middle = mean(between.map(off));
    for (const p of own) {
      if (p.zone === p.of) shadows.push(off(p) - middle);
      if (p.zone === 1) lights.push(off(p) - middle);
    }
  }
  const told = (values: readonly number[]) => (values.length < FEWEST_PLACES ? undefined : mean(values));
  return { shadows: told(shadows), lights: told(lights), all: told(places.map(off)) };
}

/**
 * What one hand does again and again, what stands out most first: three pieces and more of which three in four go the same way, visibly so in their median; and
 * exercises that came out poorly the last three times. That all of a picture lies off one way is told last: photos do that too.
 * Complexity: linear in places.
 */
export function habitsOf(
  pieces: readonly ComparedPiece[],
  sheets: readonly Pick<SheetResult, "at" | "exercise" | "score">[],
): Habit[] {
  const latest = new Map<string, ComparedPiece>();
  for (const p of [...pieces].sort((a, b) => a.at - b.at)) latest.set(p.id, p);
  const seen = [...latest.values()]
    .sort((a, b) => b.at - a.at)
    .slice(0, MOST_PIECES)
    .map((p) => ({ ...p, leans: leaningOf(p) }));
  const found: { readonly habit: Habit; readonly weight: number }[] = [];
  for (const kind of HABITS) {
    const told = seen.flatMap(({ id, name, leans }) => {
      const by = leans[kind];
      return by === undefined ? [] : [{ id, name, by }];
    });
    if (told.length < FEWEST_PIECES) continue;
    const by = quantile(
      told.map((t) => t.by),
      0.5,
    );
    const { each, median } = LEANS[kind];
    const alike = told.filter((t) => Math.sign(t.by) === Math.sign(by) && Math.abs(t.by) >= each);
    if (Math.abs(by) < median || alike.length < Math.max(FEWEST_PIECES, AGREE * told.length)) continue;
    found.push({
      habit: { kind, by, pieces: told, exercise: EXERCISE[kind] },
      weight: Math.abs(by) / median - (kind === "all" ? 10 : 0),
    });
  }
  const byExercise = new Map<ExerciseId, number[]>();
  for (const { exercise, score } of [...sheets].sort((a, b) => b.at - a.at))
    byExercise.set(exercise, [...(byExercise.get(exercise) ?? []), score]);
  for (const [exercise, scores] of byExercise) {
    const last = scores.slice(0, SHEETS);
    const score = mean(last);
    // The last of them alone may have been better: it is practised until it comes out well.
    if (last.length < SHEETS || score >= POOR || last[0]! >= POOR) continue;
    found.push({ habit: { kind: "sheets", score, of: last.length, exercise }, weight: (POOR - score) / 20 });
  }
  return found.sort((a, b) => b.weight - a.weight).map(({ habit }) => habit);
}
