import type { Blending, Measured } from "./blending";
import { leastOf } from "@/core/algebra/least";
import { median } from "@/core/algebra/median";
import { endOf, type Profile } from "@/core/chart/profile";
import { MEETINGS, type Meeting } from "@/core/chart/layout";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Desk, Stack } from "./desk";
import { fadeOf } from "./fade";
import type { LiftReading } from "./fit-lifting";
import type { OverlayReading } from "./fit-overlays";
import { laidLab } from "./laid";
import { refit } from "./paper";

/** A long cell as it was read. */
export interface BlendReading {
  readonly how: Meeting;
  /** What was laid over all of it, and over its right half. */
  readonly stack: Stack;
  readonly over: Stack;
  readonly profile: Profile;
}

/** Long cells of one kind that are enough; more only take time. */
const ENOUGH = 12;
const ROUNDS = 10;
const LIFTING_RANGE = [0, 0.6] as const;
const MIXING_RANGE = [0.05, 6] as const;
const EDGE_RANGE = [0.02, 3] as const;

const withLifting = (desk: Desk, wetLifting: number): Desk => ({
  ...desk,
  paper: refit(desk.paper, { ...desk.paper.fit, wetLifting }),
});

/** What lies at the right end of a long cell, first pass first. */
function rightOf({ how, stack, over }: BlendReading): { ink: number; coats: number; wet: boolean }[] {
  const laid = (inks: Stack, wet: boolean) => inks.map((ink) => ({ ink, coats: 1, wet }));
  return how === "light over wet dark"
    ? [...laid(over, false), ...laid(stack, true)]
    : [...laid(stack, false), ...laid(over, how === "dark over wet light")];
}

/**
 * λ of wet ink, by the right ends of what was laid wet. What the model misses of the same two inks laid dry, where that was read, is not
 * put down to λ.
 */
function wetLiftingOf(desk: Desk, readings: readonly BlendReading[]): Measured | undefined {
  const pair = (r: BlendReading) => [...r.stack, -1, ...r.over].join();
  const missed = new Map<string, Lab>();
  for (const r of readings) {
    if (r.how !== "dark over dry light") continue;
    const [seen, said] = [endOf(r.profile, "right"), laidLab(desk, rightOf(r))];
    missed.set(pair(r), seen.map((v, c) => v - said[c]!) as unknown as Lab);
  }
  const wet = readings.filter((r) => r.how === "dark over wet light" || r.how === "light over wet dark");
  if (!wet.length) return undefined;
  const seen = wet.map((r) => {
    const [lab, off] = [endOf(r.profile, "right"), missed.get(pair(r)) ?? [0, 0, 0]];
    return { laid: rightOf(r), lab: lab.map((v, c) => v - off[c]!) as unknown as Lab };
  });
  const offs = (lambda: number) => {
    const own = withLifting(desk, lambda);
    return seen.map((s) => deltaE00(laidLab(own, s.laid), s.lab));
  };
  const value = leastOf((l) => offs(l).reduce((sum, d) => sum + d * d, 0), LIFTING_RANGE, ROUNDS);
  return { value, residual: median(offs(value)), cells: wet.length };
}

/** Spacing of the modelled cell and its greatest length, mm, and over how much a nib's edge thins out. */
const FINE = 0.25;
const LONGEST = 40;
const TAPER = 0.8;

/** The colours along a long cell as the model lays it, at its fine spacing. */
function modelled(desk: Desk, { how, stack, over, profile }: BlendReading, reach: number): Profile {
  const cells = Math.ceil(Math.min(LONGEST, profile.labs.length * profile.step) / FINE);
  const whole = (wet: boolean) => (ink: number) => ({ ink, coats: 1, wet, from: 0, to: 1 });
  const half = (wet: boolean) => (ink: number) => ({ ...whole(wet)(ink), from: 0.5, taper: TAPER });
  const passes =
    how === "light over wet dark"
      ? [...over.map(half(false)), ...stack.map(whole(true))]
      : [...stack.map(whole(false)), ...over.map(half(how === "dark over wet light"))];
  const crisp = how === "dark over dry light";
  const fade = fadeOf(desk, passes, { wet: crisp ? 0 : reach, dry: crisp ? reach : 0 });
  const labs = Array.from({ length: cells }, (_, x) => fade.at((x + 0.5) / cells, 1 / (cells * FINE)));
  return { step: FINE, labs };
}

/** Half of the length that is looked at, mm either way of where the two meet. */
const LOOKED_AT = 8;
const LOOKED_STEP = 0.5;

/** How far a profile has gone from its left end's colour to its right end's, 0–1 and beyond, at even distances from where it has gone half. */
function courseOf(profile: Profile): number[] | undefined {
  const [from, to] = [endOf(profile, "left"), endOf(profile, "right")];
  const way = to.map((v, c) => v - from[c]!);
  const length2 = way.reduce((sum, v) => sum + v * v, 0);
  // Two layings that look alike have no border.
  if (length2 < 9) return undefined;
  const gone = profile.labs.map((lab) =>
    lab.reduce((sum, v, c) => sum + ((v - from[c]!) * way[c]!) / length2, 0),
  );
  const middle = (gone.length - 1) / 2;
  let half: number | undefined;
  for (let i = 1; i < gone.length; i++) {
    if (gone[i - 1]! >= 0.5 === gone[i]! >= 0.5) continue;
    const at = i - 1 + (0.5 - gone[i - 1]!) / (gone[i]! - gone[i - 1]!);
    if (half === undefined || Math.abs(at - middle) < Math.abs(half - middle)) half = at;
  }
  if (half === undefined) return undefined;
  const steps = Math.round(LOOKED_AT / LOOKED_STEP);
  return Array.from({ length: 2 * steps + 1 }, (_, i) => {
    const at = Math.min(gone.length - 1, Math.max(0, half + ((i - steps) * LOOKED_STEP) / profile.step));
    const low = Math.min(gone.length - 2, Math.floor(at));
    return gone[low]! + (at - low) * (gone[low + 1]! - gone[low]!);
  });
}

/** Spread of the border between two layings by the shape of its profiles, whatever the colours at their ends. */
function spreadOf(
  desk: Desk,
  readings: readonly BlendReading[],
  range: readonly [number, number],
): Measured | undefined {
  const seen = readings.flatMap((reading) => {
    const course = courseOf(reading.profile);
    return course ? [{ reading, course }] : [];
  });
  if (!seen.length) return undefined;
  const offs = (reach: number) =>
    seen.map(({ reading, course }) => {
      const own = courseOf(modelled(desk, reading, reach));
      if (!own) return 1;
      return Math.sqrt(course.reduce((sum, v, i) => sum + (v - own[i]!) ** 2, 0) / course.length);
    });
  const value = leastOf((r) => offs(r).reduce((sum, d) => sum + d * d, 0), range, ROUNDS);
  return { value, residual: median(offs(value)), cells: seen.length };
}

/** The long cells of some kinds, so many of each as are enough. */
const ofKinds = (readings: readonly BlendReading[], ...kinds: readonly Meeting[]) =>
  kinds.flatMap((how) => readings.filter((r) => r.how === how).slice(0, ENOUGH));

/** Fits how ink moves on the desk's paper to the long cells that were read on it, the newest first. */
export function fitBlending(desk: Desk, readings: readonly BlendReading[]): Blending {
  const enough = ofKinds(readings, ...MEETINGS);
  const wetLifting = wetLiftingOf(desk, enough);
  const own = wetLifting ? withLifting(desk, wetLifting.value) : desk;
  const mixing = spreadOf(own, ofKinds(enough, "dark over wet light", "light over wet dark"), MIXING_RANGE);
  const edge = spreadOf(own, ofKinds(enough, "dark over dry light"), EDGE_RANGE);
  return { ...(wetLifting && { wetLifting }), ...(mixing && { mixing }), ...(edge && { edge }) };
}

/**
 * The desk with what long cells tell of its paper.
 * @param known that, where these very cells were fitted before
 */
export function withBlending(desk: Desk, readings: readonly BlendReading[], known?: Blending): Desk {
  if (!readings.length) return desk;
  const blending = known ?? fitBlending(desk, readings);
  const lifting = blending.wetLifting?.value;
  return { ...(lifting === undefined ? desk : withLifting(desk, lifting)), blending };
}

/** What lies on dry ink at the right end of crisp cells, as overlays that were read. */
export const overlaysOf = (readings: readonly BlendReading[]): OverlayReading[] =>
  readings.flatMap(({ how, stack, over, profile }) =>
    how === "dark over dry light" ? [{ stack: [...stack, ...over], lab: endOf(profile, "right") }] : [],
  );

/** Long cells that the blender lifted, as it is fitted to lift cells. */
export const liftsOf = (desk: Desk, readings: readonly BlendReading[]): LiftReading[] =>
  readings.flatMap(({ how, stack, profile }) =>
    how === "lifted" && new Set(stack).size === 1
      ? [{ spectrum: desk.inks[stack[0]!]!.spectrum, coats: stack.length, lab: endOf(profile, "right") }]
      : [],
  );

/** The colours along a long cell as the model lays it on the desk's paper; undefined for a lifted one. */
export function laidBlend(desk: Desk, reading: BlendReading): Profile | undefined {
  if (reading.how === "lifted") return undefined;
  const crisp = reading.how === "dark over dry light";
  const reach = (crisp ? desk.blending?.edge : desk.blending?.mixing)?.value;
  return reach === undefined ? undefined : modelled(desk, reading, reach);
}
