import type { WorkOrderOutput } from "@/compute/operations/work-order";

type Step = WorkOrderOutput["steps"][number];

/** Shorter waits are not worth a word, s. */
const LEAST_WAIT = 4;

/** What is laid with one marker before the next is taken up, and how long one waits before. */
export interface Stretch {
  readonly code: string;
  readonly wait: number;
  readonly from: number;
  readonly steps: readonly Step[];
}

export function stretchesOf(steps: readonly Step[], change: number): Stretch[] {
  const out: { code: string; wait: number; from: number; steps: Step[] }[] = [];
  steps.forEach((s, k) => {
    const prev = steps[k - 1];
    const free = prev ? prev.start + prev.seconds + (prev.code === s.code ? 0 : change) : s.start;
    const wait = s.start - free;
    const last = out.at(-1);
    if (last && last.code === s.code && wait < LEAST_WAIT) last.steps.push(s);
    else out.push({ code: s.code, wait: wait < LEAST_WAIT ? 0 : wait, from: k, steps: [s] });
  });
  return out;
}

/** Parts of one area that are laid one after the other with the same pass are one row. */
export function rowsOf(steps: readonly Step[]): { at: number; steps: Step[] }[] {
  const rows: { at: number; steps: Step[] }[] = [];
  steps.forEach((s, at) => {
    const last = rows.at(-1);
    if (last && last.steps[0]!.area === s.area && last.steps[0]!.pass === s.pass) last.steps.push(s);
    else rows.push({ at, steps: [s] });
  });
  return rows;
}
