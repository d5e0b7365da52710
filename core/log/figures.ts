import { median } from "@/core/algebra/median";
import { holding, type WorkEvent } from "@/core/work/record";

/** Work of one piece as it was recorded. */
export interface PieceEvents {
  readonly id: string;
  readonly name: string;
  readonly events: readonly WorkEvent[];
}

interface Sum {
  /** Minutes at the desk. */
  readonly minutes: number;
  readonly steps: number;
  /** Ground that was laid, coats counted, mm². */
  readonly mm2: number;
}

export interface WorkFigures {
  /** Weeks with work, oldest first, by their Mondays (ISO 8601). */
  readonly weeks: readonly (Sum & {
    readonly week: string;
    /** Ground a second, mm² of one coat, in the middle of its steps; undefined where too few tell it. */
    readonly speed?: number | undefined;
  })[];
  /** Pieces, most time first. */
  readonly pieces: readonly (Sum & { readonly id: string; readonly name: string })[];
  /** Markers and pencils, most ground first. */
  readonly markers: readonly {
    readonly code: string;
    readonly steps: number;
    readonly mm2: number;
    readonly pieces: number;
  }[];
}

/** Longer between two events nobody was at the desk, ms. */
const AWAY = 10 * 60_000;
/** Steps of a week that tell its speed. */
const ENOUGH = 5;
const DAY = 86_400_000;

/** Monday of a day that is told as calendars sort. */
export function mondayOf(day: string): string {
  const at = Date.parse(`${day}T12:00:00Z`);
  const weekday = (new Date(at).getUTCDay() + 6) % 7;
  return new Date(at - weekday * DAY).toISOString().slice(0, 10);
}

/**
 * What the record of work comes to: time at the desk by week and piece, ground by marker, and how fast the hand was. Time is what lies between events
 * that follow each other; a longer break is none. What was taken back counts nowhere.
 * @param dayOf the day of a moment (ms) as calendars sort: 2026-11-30
 */
export function figuresOf(all: readonly PieceEvents[], dayOf: (at: number) => string): WorkFigures {
  interface Open {
    minutes: number;
    steps: number;
    mm2: number;
    speeds: number[];
  }
  const nothing = (): Open => ({ minutes: 0, steps: 0, mm2: 0, speeds: [] });
  const weeks = new Map<string, Open>();
  const markers = new Map<string, { steps: number; mm2: number; pieces: Set<string> }>();
  const pieces: (Sum & { id: string; name: string })[] = [];
  for (const { id, name, events } of all) {
    const own = nothing();
    let last: WorkEvent | undefined;
    for (const e of holding(events)) {
      const week = mondayOf(dayOf(e.at));
      const of = weeks.get(week) ?? nothing();
      weeks.set(week, of);
      const gap = last && last.kind !== "paused" && last.kind !== "finished" ? e.at - last.at : 0;
      if (gap > 0 && gap < AWAY) for (const s of [own, of]) s.minutes += gap / 60_000;
      if (e.kind === "done") {
        const ground = e.mm2 * e.coats;
        for (const s of [own, of]) {
          s.steps++;
          s.mm2 += ground;
        }
        // A change of markers lies between others.
        if (last?.kind === "done" && last.code === e.code && gap > 0 && gap < AWAY)
          of.speeds.push((1000 * ground) / gap);
        const marker = markers.get(e.code) ?? { steps: 0, mm2: 0, pieces: new Set<string>() };
        markers.set(e.code, marker);
        marker.steps++;
        marker.mm2 += ground;
        marker.pieces.add(id);
      }
      last = e;
    }
    if (own.steps || own.minutes)
      pieces.push({ id, name, minutes: own.minutes, steps: own.steps, mm2: own.mm2 });
  }
  return {
    weeks: [...weeks]
      .filter(([, w]) => w.steps || w.minutes)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([week, { speeds, ...sum }]) => ({
        week,
        ...sum,
        ...(speeds.length >= ENOUGH && { speed: median(speeds) }),
      })),
    pieces: pieces.sort((a, b) => b.minutes - a.minutes),
    markers: [...markers]
      .map(([code, m]) => ({ code, steps: m.steps, mm2: m.mm2, pieces: m.pieces.size }))
      .sort((a, b) => b.mm2 - a.mm2),
  };
}
