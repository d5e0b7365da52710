import type { OpenEnd, StepClock } from "@/core/work/at-desk";
import type { Learnt, LearntPace } from "@/core/work/pace";
import { counted } from "./numbers";
import { durationInWords } from "./work";

/** Seconds as a clock that runs down: 0:45, 12:00. */
export function countdown(seconds: number): string {
  const s = Math.max(0, Math.ceil(seconds));
  const [h, m] = [Math.floor(s / 3600), Math.floor(s / 60) % 60];
  const two = String(s % 60).padStart(2, "0");
  return h ? `${h}:${String(m).padStart(2, "0")}:${two}` : `${m}:${two}`;
}

/** What the clock asks of a step, the most pressing first; nothing where it may be laid at ease. */
export function clockSays(
  { blend, dry, beside }: StepClock,
  nameOf: (area: string) => string,
): { readonly says: string; readonly wait: boolean; readonly closed: boolean } | undefined {
  if (blend !== undefined && blend <= 0)
    return {
      says: `The ink here has been closing for ${durationInWords(-blend)}: an edge will show. Lay it all the same and go back over the edge with the lighter tone, or let it dry first and soften it then.`,
      wait: false,
      closed: true,
    };
  if (dry !== undefined && dry > 0)
    return { says: `Wait ${countdown(dry)}: what lies here must be dry first.`, wait: true, closed: false };
  const [near] = beside;
  if (near)
    return {
      says: `${nameOf(near.area)} beside it is wet for ${countdown(near.seconds)}: stay clear of that edge, or wait.`,
      wait: blend === undefined,
      closed: false,
    };
  return blend === undefined
    ? undefined
    : { says: `Still open here for ${countdown(blend)}: blend into it now.`, wait: false, closed: false };
}

/** What one does with the markers before a step. */
export const takeUpInWords = (before: string | undefined, code: string): string =>
  before === undefined
    ? `Take up ${code}`
    : before === code
      ? `Keep ${code} in the hand`
      : `Cap ${before}, take up ${code}`;

const END_WORDS: Readonly<Record<OpenEnd["kind"], string>> = {
  bare: "still bare",
  "underlay only": "has its underlay but not its cover",
  "half laid": "half laid",
  skipped: "left out",
};

/** What is not done: "Ear has its underlay but not its cover". */
export const openEndInWords = ({ kind }: Pick<OpenEnd, "kind">, name: string): string =>
  kind === "half laid" || kind === "skipped" || kind === "bare"
    ? `${name} is ${END_WORDS[kind]}`
    : `${name} ${END_WORDS[kind]}`;

/** Said once before the first step, and again after an hour of work. */
export const VENTILATION =
  "Alcohol ink is a flammable solvent: air the room, cap what is not in the hand. The data sheet and local rules come first.";
export const AN_HOUR = "You have worked with solvent for an hour: air the room, and look up for a while.";

const between = ({ from, to }: Learnt, digits = 0) => `${from.toFixed(digits)}–${to.toFixed(digits)}`;

/** What the record of work says of the hand. */
export function paceInWords({ speed, change }: LearntPace): string {
  if (!speed) return "Once some steps are laid at the desk, it says how fast you are.";
  const said = `By ${counted(speed.seen, "step")} at the desk: ${speed.value.toFixed(0)} mm² a second, half of them ${between(speed)}`;
  return change
    ? `${said}; ${change.value.toFixed(0)} s to change markers, half of the times ${between(change)}.`
    : `${said}.`;
}

/** How much darker something becomes, by its L*. */
export const darkerWords = (by: number): string =>
  by < 1.5 ? "hardly darker" : by < 5 ? "a little darker" : by < 12 ? "clearly darker" : "much darker";

/** What the work on a paper says of how long its ink stays open; `said` is what the paper says so far, s. */
export function openTimeInWords(learnt: Learnt, said: number | null): string {
  const says = `By ${counted(learnt.seen, "pass", "passes")} at the desk and where edges were mended, ink stays wet for about ${learnt.value.toFixed(0)} s (${between(learnt)})`;
  return said !== null && said >= learnt.from && said <= learnt.to ? `${says}, as it says here.` : `${says}.`;
}
