import { covers } from "@/core/ink/span";
import { bringsOf, type Pass } from "@/core/media/medium";
import type { PieceWork } from "./of-piece";
import { stepKey, type WorkRecord, type StepPlace } from "./record";

/** How long ink stays open and until it is dry, s. */
export interface Wetness {
  readonly openTime: number;
  readonly dryTime: number;
}

/** What was skipped counts as laid long ago. */
const LONG_AGO = -1e6;

/** Sections that areas were cut into when something was laid there: they stay so. */
export function cutsOf(record: WorkRecord): Record<string, number> {
  const cuts: Record<string, number> = {};
  for (const e of record.events)
    if (e.kind === "done" || e.kind === "part" || e.kind === "skipped") cuts[e.area] = e.of;
  return cuts;
}

/**
 * What lies, as the order of work asks for it: ends in seconds before now. What the present plan has no place for is left out, and what comes
 * after a pass of its section that does not lie.
 */
export function lyingOf(
  work: readonly PieceWork[],
  record: WorkRecord,
  now: number,
): { area: string; section: number; pass: number; end: number }[] {
  const cuts = cutsOf(record);
  return work.flatMap(({ id, passes }) => {
    const n = cuts[id] ?? 0;
    return Array.from({ length: n }, (_, section) => {
      const own: { area: string; section: number; pass: number; end: number }[] = [];
      for (let pass = 0; pass < passes.length; pass++) {
        const key = stepKey({ area: id, section, pass });
        const laid = record.done.get(key);
        if (!laid && !record.skipped.has(key)) break;
        own.push({ area: id, section, pass, end: laid ? Math.min(0, (laid.at - now) / 1000) : LONG_AGO });
      }
      return own;
    }).flat();
  });
}

/** Passes of each area's course that lie whole, in every section, by what was noted; what was skipped lies nowhere but holds nothing up. */
export function laidBy(work: readonly PieceWork[], record: WorkRecord): Map<string, number> {
  const cuts = cutsOf(record);
  const lies = new Map<string, Set<number>>();
  for (const { id, area, course } of work) {
    const own = lies.get(area.id) ?? new Set<number>();
    lies.set(area.id, own);
    course.forEach((place, pass) => {
      const n = cuts[id] ?? 1;
      const whole = Array.from({ length: n }, (_, section) => stepKey({ area: id, section, pass }));
      if (whole.every((k) => record.done.has(k))) own.add(place);
    });
  }
  return new Map(
    [...lies].map(([id, own]) => {
      let n = 0;
      while (own.has(n)) n++;
      return [id, n];
    }),
  );
}

/** What the clock says of a step. */
export interface StepClock {
  /** Seconds in which its section can still be blended into; below 0 since when it cannot; undefined where it needs no wet ink. */
  readonly blend?: number;
  /** Seconds until what lies there is dry, where that is needed. */
  readonly dry?: number;
  /** Areas beside it whose ink is still open, and for how long, s. */
  readonly beside: readonly { readonly area: string; readonly seconds: number }[];
}

/**
 * What the clock says of a step now: by when things happened, so that sleep, reloading and other devices change nothing.
 * @param work all that is laid; the step is of one of them
 */
export function clockOf(
  work: readonly PieceWork[],
  record: WorkRecord,
  step: Pick<StepPlace, "area" | "section" | "pass">,
  { openTime, dryTime }: Wetness,
  /** mm² of one coat a second, by which a pass began before it ended. */
  speed: number,
  now: number,
): StepClock {
  const own = work.find((w) => w.id === step.area);
  const asked = own?.asked.passes[step.pass];
  const before = record.done.get(stepKey({ ...step, pass: step.pass - 1 }));
  const sinceS = (at: number) => (now - at) / 1000;
  const blend =
    asked?.wet && before ? openTime - (before.mm2 * before.coats) / speed - sinceS(before.at) : undefined;
  const inked = own && record.inked.get(own.id);
  const dry = asked?.dry && inked !== undefined ? Math.max(0, dryTime - sinceS(inked)) : undefined;
  const beside = (own?.asked.touches ?? []).flatMap((area) => {
    const at = record.inked.get(area);
    const seconds = at === undefined ? 0 : openTime - sinceS(at);
    return seconds > 0 ? [{ area, seconds }] : [];
  });
  return { ...(blend !== undefined && { blend }), ...(dry !== undefined && { dry }), beside };
}

/** What is open or drying now, the soonest first. */
export function dryingNow(
  work: readonly PieceWork[],
  record: WorkRecord,
  { openTime, dryTime }: Wetness,
  now: number,
): { area: string; open: number; dry: number }[] {
  return work
    .flatMap(({ id }) => {
      const at = record.inked.get(id);
      if (at === undefined) return [];
      const since = (now - at) / 1000;
      return since < Math.max(openTime, dryTime)
        ? [{ area: id, open: Math.max(0, openTime - since), dry: Math.max(0, dryTime - since) }]
        : [];
    })
    .sort((a, b) => a.dry - b.dry);
}

/** An area that is not whole yet. */
export interface OpenEnd {
  readonly area: string;
  readonly kind: "bare" | "underlay only" | "half laid" | "skipped";
}

/** What is not done yet and might be forgotten: areas that are bare, that have only what lies beneath, or that were left half way. */
export function openEnds(work: readonly PieceWork[], record: WorkRecord): OpenEnd[] {
  const laid = laidBy(work, record);
  const touched = new Set(
    record.events.flatMap((e) =>
      e.kind === "done" || e.kind === "part" || e.kind === "added" ? [e.area] : [],
    ),
  );
  return work.flatMap(({ id, area, passes, course }): OpenEnd[] => {
    const whole = course.every((c) => c < (laid.get(area.id) ?? 0));
    if (whole) return [];
    if (!touched.has(id)) return [{ area: id, kind: "bare" }];
    const isSkipped = passes.every((_, pass) =>
      Array.from({ length: cutsOf(record)[id] ?? 1 }, (__, section) =>
        stepKey({ area: id, section, pass }),
      ).every((k) => record.done.has(k) || record.skipped.has(k)),
    );
    if (isSkipped) return [{ area: id, kind: "skipped" }];
    const lies = passes.filter((_, pass) =>
      [...record.done.values()].some((e) => e.area === id && e.pass === pass),
    );
    const under = lies.every((p) => p.role === "underlay" || p.ofWhole);
    return [{ area: id, kind: under && lies.length ? "underlay only" : "half laid" }];
  });
}

/** What lies and what is planned at a place of an area: codes, one entry a coat, bottom to top. */
export interface StackAt {
  readonly laid: readonly string[];
  readonly planned: readonly string[];
  /** What is planned for the lightest place of the area. */
  readonly light: readonly string[];
}

/** Ink that passes lay at a place t: codes, one entry a coat, bottom to top. A pass of less than half a coat leaves nothing that is a coat. */
export const coatsAt = (passes: readonly Pass[], t: number): string[] =>
  passes.flatMap((p) =>
    bringsOf(p) === "ink" && covers(p, t) ? Array<string>(Math.round(p.coats)).fill(p.code) : [],
  );

/**
 * The ink at a place t (0 its light end, 1 its dark one) of a section of an area, as the course lays it and as the record says that it lies.
 * @param parts what is laid of that area
 */
export function stackAt(
  parts: readonly PieceWork[],
  record: WorkRecord,
  section: number,
  t: number,
): StackAt {
  const inked = parts.filter((p) => p.passes.some((pass) => bringsOf(pass) === "ink"));
  const passes = inked.flatMap((p) => p.passes);
  const lie = inked.flatMap(({ id, passes: own }) =>
    own.filter((_, pass) => record.done.has(stepKey({ area: id, section, pass }))),
  );
  const area = parts[0]?.area.id;
  const over = record.added.filter((a) => a.area === area && covers(a, t)).flatMap((a) => a.codes);
  return {
    laid: [...coatsAt(lie, t), ...over],
    planned: coatsAt(passes, t),
    light: coatsAt(passes, 0),
  };
}
