import { randomUUID } from "node:crypto";
import { randomOf } from "@/core/algebra/random";
import type { EyeKind } from "@/core/practice/eye";
import { eyeSchedule, type EyeAnswer } from "@/core/practice/schedule";
import type { SheetResult } from "@/core/practice/sheet-result";

/** Evenings of the demo's owner: the first day, every so many days, and how many questions each. */
const [FIRST, EVERY, EVENINGS, QUESTIONS] = [Date.UTC(2026, 3, 6, 18), 2.5, 16, 9] as const;
const DAY = 86_400_000;
/** How well an eye sees each kind before any practice, 0–1, and what an evening adds. */
const BEGINS: Readonly<Record<EyeKind, number>> = {
  order: 0.55,
  lighter: 0.5,
  warmer: 0.35,
  overlay: 0.15,
  twin: 0.5,
  behind: 0.1,
  coats: 0.4,
};
const LEARNS = 0.02;

/** Some weeks of practice of one eye that gets better, as its schedule asked it. @param families of the rack */
export function eyeOfDemo(families: readonly string[]): EyeAnswer[] {
  const random = randomOf(11);
  const answers: EyeAnswer[] = [];
  for (let evening = 0; evening < EVENINGS; evening++)
    for (let q = 0; q < QUESTIONS; q++) {
      const at = FIRST + Math.round(evening * EVERY) * DAY + q * 25_000;
      const { kind, family, level } = eyeSchedule(answers, families, at).next;
      const sees = BEGINS[kind] + LEARNS * evening - (family === "soot" ? 0.25 : 0);
      const chance = 1 / (1 + Math.exp(6 * (level - sees)));
      answers.push({
        id: randomUUID(),
        at,
        kind,
        family,
        right: random() < 0.2 + 0.8 * chance,
        seconds: 2 + 8 * random(),
        level,
      });
    }
  return answers;
}

/** A ramp done three times, each better than the one before, and a flat. */
export const sheetsOfDemo = (): SheetResult[] =>
  (
    [
      ["2026-04-12", "ramp4", 41],
      ["2026-04-19", "flat", 63],
      ["2026-04-26", "ramp4", 58],
      ["2026-05-03", "ramp4", 77],
    ] as const
  ).map(([day, exercise, score]) => ({
    id: randomUUID(),
    at: Date.parse(`${day}T17:30:00Z`),
    exercise,
    score,
    codes: exercise === "flat" ? ["lake5m"] : ["rust1c", "rust3m", "rust4m", "rust6m"],
  }));
