import { MOST_SECTIONS } from "@/core/work/problem";
import { Rule } from "./fields";

export type AreaIdInput = string | number;

export const isAreaId = (v: unknown): v is AreaIdInput =>
  (typeof v === "string" && v.length > 0 && v.length <= 60) || Number.isSafeInteger(v);

/** Passes of one area. */
export const MOST_PASSES = 60;

/** Steps that are put before others, and steps of a whole order. */
export const [MOST_PINS, MOST_FOLLOWED] = [800, 4000] as const;
const isStep = (v: unknown): boolean =>
  Array.isArray(v) &&
  v.length === 3 &&
  isAreaId(v[0]) &&
  [v[1], v[2]].every((n, i) => Number.isInteger(n) && n >= 0 && n < (i ? MOST_PASSES : MOST_SECTIONS));
/** Pairs of steps of which the first comes before the second. */
export const Pins = () =>
  Rule(
    `expected at most ${MOST_PINS} pairs of steps, each [area, section, pass]`,
    (v) =>
      Array.isArray(v) &&
      v.length <= MOST_PINS &&
      v.every((p) => Array.isArray(p) && p.length === 2 && p.every(isStep)),
  );
/** Steps in the order in which they come. */
export const Followed = () =>
  Rule(
    `expected at most ${MOST_FOLLOWED} steps, each [area, section, pass]`,
    (v) => Array.isArray(v) && v.length <= MOST_FOLLOWED && v.every(isStep),
  );
