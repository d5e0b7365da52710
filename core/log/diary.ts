import type { WorkEvent } from "@/core/work/record";

/** An event with what it is about in words. */
export interface LogEvent {
  readonly event: WorkEvent;
  readonly piece: { readonly id: string; readonly name: string };
  /** Name of its area, where it has one that is still there. */
  readonly area: string;
}

export interface LaidTone {
  readonly code: string;
  readonly coats: number;
  readonly mm2: number;
}

/** Something that was done, as a diary has it: steps of one area that follow each other are one line. */
export interface DiaryLine {
  readonly id: string;
  readonly kind: "laid" | "repaired" | "exchanged" | "noted" | "photographed" | "entered" | "finished";
  readonly from: number;
  readonly until: number;
  readonly area: string;
  readonly tones: readonly LaidTone[];
  readonly words: string;
  readonly pictureId?: string;
}

export interface DiaryPiece {
  readonly piece: LogEvent["piece"];
  readonly lines: readonly DiaryLine[];
}

export interface DiaryDay {
  /** As the reader's calendar has it: 2026-05-14. */
  readonly day: string;
  readonly pieces: readonly DiaryPiece[];
}

/** Steps of an area that are further apart are another line, ms. */
const PAUSE = 30 * 60_000;

const toneOf = ({ code, coats, mm2 }: LaidTone, share = 1): LaidTone => ({
  code,
  coats,
  mm2: mm2 * share,
});

/** Tones of a line with one more: the same ink in as many coats is one entry of more ground. */
function withTone(tones: readonly LaidTone[], more: LaidTone): LaidTone[] {
  const at = tones.findIndex((t) => t.code === more.code && t.coats === more.coats);
  return at < 0 ? [...tones, more] : tones.map((t, i) => (i === at ? { ...t, mm2: t.mm2 + more.mm2 } : t));
}

/** What an event says by itself; undefined for what a diary does not tell. */
function lineOf({ event, area }: LogEvent): DiaryLine | undefined {
  const line = { id: event.id, from: event.at, until: event.at, area, tones: [] as LaidTone[], words: "" };
  switch (event.kind) {
    case "done":
      return { ...line, kind: "laid", tones: [toneOf(event)] };
    case "part":
      return { ...line, kind: "laid", tones: [toneOf(event, event.share)] };
    case "added":
      return {
        ...line,
        kind: "repaired",
        tones: event.codes.reduce<LaidTone[]>((all, code) => {
          const last = all.at(-1);
          return last?.code === code
            ? [...all.slice(0, -1), { ...last, coats: last.coats + 1 }]
            : [...all, { code, coats: 1, mm2: 0 }];
        }, []),
        words: event.symptom ?? "",
      };
    case "exchanged":
      return { ...line, kind: "exchanged", words: `${event.code} → ${event.by}` };
    case "noted":
      return { ...line, kind: "noted", words: event.note };
    case "photographed":
      return { ...line, kind: "photographed", words: event.note ?? "", pictureId: event.pictureId };
    case "entered":
      return {
        ...line,
        kind: "entered",
        area: event.subject || area,
        tones: event.tones.map((t) => ({ ...t, mm2: 0 })),
        words: event.note,
      };
    case "finished":
      return { ...line, kind: "finished" };
    default:
      return undefined;
  }
}

/**
 * Events as a diary: newest day first, pieces by their last work of the day, lines in the order of work.
 * @param dayOf day of a moment in the reader's calendar
 */
export function diaryOf(events: readonly LogEvent[], dayOf: (at: number) => string): DiaryDay[] {
  const days = new Map<string, Map<string, { piece: LogEvent["piece"]; lines: DiaryLine[] }>>();
  for (const e of [...events].sort((a, b) => a.event.at - b.event.at)) {
    const line = lineOf(e);
    if (!line) continue;
    const day = dayOf(line.from);
    const pieces = days.get(day) ?? new Map<string, { piece: LogEvent["piece"]; lines: DiaryLine[] }>();
    days.set(day, pieces);
    const own = pieces.get(e.piece.id) ?? { piece: e.piece, lines: [] };
    pieces.set(e.piece.id, own);
    const last = own.lines.at(-1);
    if (
      line.kind === "laid" &&
      last?.kind === "laid" &&
      last.area === line.area &&
      line.from - last.until <= PAUSE
    )
      own.lines[own.lines.length - 1] = {
        ...last,
        until: line.until,
        tones: line.tones.reduce<readonly LaidTone[]>((all, t) => withTone(all, t), last.tones),
      };
    else own.lines.push(line);
  }
  const lastOf = ({ lines }: DiaryPiece) => lines.at(-1)!.until;
  return [...days]
    .sort(([a], [b]) => (a < b ? 1 : -1))
    .map(([day, pieces]) => ({ day, pieces: [...pieces.values()].sort((a, b) => lastOf(b) - lastOf(a)) }));
}
