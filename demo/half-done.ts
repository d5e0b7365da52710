import { randomUUID } from "node:crypto";
import type { Piece } from "@/core/piece/piece";
import { areaCourse } from "@/core/piece/area-course";
import { leastSections, type WorkArea } from "@/core/work/problem";
import { workOf } from "@/core/work/of-piece";
import type { WorkEvent } from "@/core/work/record";
import type { ScaleEvent } from "@/core/stock/ink-ledger";
import type { Rack } from "@/store/rack";

/** When the work of the demo began. */
const BEGAN = Date.parse("2026-05-14T09:30:00Z");
/** Hand of the demo: mm² of one coat a second, seconds to change; and how unevenly it works. */
const [SPEED, CHANGE] = [31, 9] as const;
const UNEVEN = [0.9, 1.15, 1, 1.05, 0.85] as const;

/** The record of a piece whose first areas are laid, one after the other, and whose next has only its first pass. */
export function halfDone(piece: Piece, { paper }: Pick<Rack, "paper">): WorkEvent[] {
  const work = workOf(piece, paper, (area, from, to) => (area.place?.mm2 ?? 300) * (to - from));
  const inked = work.filter(
    (w) => w.id === w.area.id && areaCourse(w.area, paper, piece.whole).passes.length,
  );
  const desk = { speed: SPEED, change: CHANGE, openTime: paper.openTime ?? 60, dryTime: 300, hand: null };
  let [at, hand, count] = [BEGAN, "", 0];
  const events: WorkEvent[] = [{ id: randomUUID(), kind: "begun", at }];
  const half = Math.ceil(inked.length / 2);
  inked.slice(0, half + 1).forEach(({ id, asked, passes }, place) => {
    const of = leastSections({ ...asked, touches: [], after: [] } as WorkArea, desk);
    const most = place < half ? passes.length : 1;
    for (let section = 0; section < of; section++)
      for (let pass = 0; pass < most; pass++) {
        const { code, coats, mm2 } = asked.passes[pass]!;
        const share = mm2 / of;
        at +=
          1000 *
          ((code === hand ? 0 : CHANGE) + ((share * coats) / SPEED) * UNEVEN[count++ % UNEVEN.length]!);
        at = Math.round(at);
        hand = code;
        const laid = { area: id, section, of, pass, code, coats: passes[pass]!.coats, mm2: share };
        events.push({ id: randomUUID(), kind: "done", at, ...laid });
      }
  });
  const note = "The rail came out paler than planned; one more coat once the hull is dry.";
  events.push({ id: randomUUID(), kind: "noted", at: at + 5000, note });
  events.push({ id: randomUUID(), kind: "paused", at: at + 20_000 });
  return events;
}

/** Markers that were weighed before the work and after it: those that laid most. */
const WEIGHED = 3;
/** What a full one weighs with its cap, g; ml of ink a mm² and coat, and g a ml, as the demo's hand lays it. */
const [WEIGHT, LAID, DENSITY] = [13.4, 13.5e-6, 0.85] as const;
const HOUR = 3_600_000;

/** What a kitchen scale said of the markers that laid most, to the tenth of a gram. */
export function weighedAround(events: readonly WorkEvent[]): ScaleEvent[] {
  const laid = new Map<string, number>();
  for (const e of events) if (e.kind === "done") laid.set(e.code, (laid.get(e.code) ?? 0) + e.mm2 * e.coats);
  const end = events.at(-1)!.at;
  return [...laid]
    .sort((a, b) => b[1] - a[1])
    .slice(0, WEIGHED)
    .flatMap(([code, mm2], i) => {
      const before = WEIGHT - 0.3 * i;
      const after = before - mm2 * LAID * DENSITY;
      return (
        [
          [before, BEGAN - HOUR],
          [after, end + HOUR],
        ] as const
      ).map(([grams, at]): ScaleEvent => ({
        id: randomUUID(),
        code,
        kind: "weighed",
        amount: Math.round(10 * grams) / 10,
        at,
      }));
    });
}
