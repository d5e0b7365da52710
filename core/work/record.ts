import type { Lab } from "@/core/colour/lab";
import type { Corners } from "@/core/picture/rectify";
import type { Symptom } from "@/core/repair/symptom";

/** One part of an area, and one pass of its course there. */
export interface StepPlace {
  /** As the order of work knows it. */
  readonly area: string;
  readonly section: number;
  /** Sections that the area was cut into. */
  readonly of: number;
  /** Place of the pass among those of the area in the order. */
  readonly pass: number;
}

/** What was laid in one step. */
interface LaidStep extends StepPlace {
  readonly code: string;
  readonly coats: number;
  readonly mm2: number;
}

/** A tone of an area as it was read on a photo of the sheet, against what was planned there. */
export interface ComparedPlace {
  readonly area: string;
  /** Number of the tone from 1, lightest first, and how many the area has. */
  readonly zone: number;
  readonly of: number;
  readonly planned: Lab;
  readonly lies: Lab;
}

interface Kinds {
  /** Work goes on: at its beginning, and after every pause. */
  begun: object;
  paused: object;
  finished: object;
  done: LaidStep;
  /** Done in part, 0–1. */
  part: LaidStep & { readonly share: number };
  skipped: StepPlace;
  /** Ink that nobody had planned, over part of an area; as a repair where a symptom is told. */
  added: {
    readonly area: string;
    /** One entry a coat. */
    readonly codes: readonly string[];
    readonly from: number;
    readonly to: number;
    readonly wet: boolean;
    readonly symptom?: Symptom | undefined;
    /** The event that said that this was to be mended. */
    readonly mends?: string | undefined;
  };
  /** To be mended, and how: seen on the sheet. It is until something was laid or noted for it, or until it is dropped. */
  mend: {
    readonly area: string;
    readonly with: "ink" | "blender" | "pencil" | "opaque";
    /** One entry a coat. */
    readonly codes: readonly string[];
    readonly from: number;
    readonly to: number;
    readonly says: string;
  };
  /** From here on one thing is taken instead of another. */
  exchanged: { readonly code: string; readonly by: string };
  /** Written down afterwards, for work away from the screen: what was laid on what, and what came of it. */
  entered: {
    readonly line: string;
    readonly subject: string;
    /** Light to dark, as it was written. */
    readonly tones: readonly { readonly code: string; readonly coats: number }[];
    readonly note: string;
  };
  noted: {
    readonly note: string;
    readonly area?: string | undefined;
    readonly mends?: string | undefined;
  };
  photographed: {
    readonly pictureId: string;
    readonly note?: string | undefined;
    /** Where the drawing's corners lie in it, in shares, where it was found. */
    readonly corners?: Corners | undefined;
  };
  /** What was read on a photo that is kept, against what was planned at the time. */
  compared: {
    /** The event of the photo; it may be gone by now. */
    readonly photo: string;
    readonly places: readonly ComparedPlace[];
  };
  undone: { readonly undoes: string };
}
export type WorkEventKind = keyof Kinds;

/** Something that happened at the desk. It has an id of its own and the time of its device, so that sent twice it is there once. */
export type WorkEvent = {
  [K in WorkEventKind]: { readonly id: string; readonly kind: K; readonly at: number } & Kinds[K];
}[WorkEventKind];
export type EventOf<K extends WorkEventKind> = Extract<WorkEvent, { kind: K }>;

/** What lies on the paper and what was said about it. */
export interface WorkRecord {
  /** Events that hold, in the order in which they happened. */
  readonly events: readonly WorkEvent[];
  /** Steps that lie, by {@link stepKey}, with when they ended, ms. */
  readonly done: ReadonlyMap<string, EventOf<"done">>;
  readonly parts: ReadonlyMap<string, EventOf<"part">>;
  readonly skipped: ReadonlySet<string>;
  readonly added: readonly EventOf<"added">[];
  /** What is still to be mended, as it was found. */
  readonly toMend: readonly EventOf<"mend">[];
  /** What is taken instead of what. */
  readonly exchanged: ReadonlyMap<string, string>;
  /** Last time ink came onto an area, ms. */
  readonly inked: ReadonlyMap<string, number>;
  readonly finished: boolean;
  /** Whether work goes on: begun, and neither paused nor finished since. */
  readonly going: boolean;
}

export const stepKey = ({ area, section, pass }: Pick<StepPlace, "area" | "section" | "pass">): string =>
  JSON.stringify([area, section, pass]);

/** Events in the order in which they happened; those of the same moment by their ids, so that every device has the same order. */
export const inOrder = (events: readonly WorkEvent[]): WorkEvent[] =>
  [...events].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));

/**
 * Events that nothing has undone. What undoes something can be undone itself, whatever the clocks of the devices say; each is counted once,
 * however often it came. Two that undo each other are both gone.
 */
export function holding(events: readonly WorkEvent[]): WorkEvent[] {
  const all = inOrder([...new Map(events.map((e) => [e.id, e])).values()]);
  const undoing = new Map<string, string[]>();
  for (const e of all)
    if (e.kind === "undone") undoing.set(e.undoes, [...(undoing.get(e.undoes) ?? []), e.id]);
  // An event holds once all that would undo it are known not to.
  const holds = new Map<string, boolean>();
  const holdsAt = (root: string): boolean => {
    const open = [root];
    for (let id = open.at(-1); id !== undefined; id = open.at(-1)) {
      const by = undoing.get(id) ?? [];
      const unknown = by.filter((u) => !holds.has(u) && !open.includes(u));
      if (unknown.length) open.push(unknown[0]!);
      else {
        holds.set(id, !by.some((u) => holds.get(u) ?? true));
        open.pop();
      }
    }
    return holds.get(root)!;
  };
  return all.filter((e) => holdsAt(e.id) && e.kind !== "undone");
}

/** What follows from what happened. */
export function recordOf(all: readonly WorkEvent[]): WorkRecord {
  const events = holding(all);
  const done = new Map<string, EventOf<"done">>();
  const parts = new Map<string, EventOf<"part">>();
  const skipped = new Set<string>();
  const added: EventOf<"added">[] = [];
  const exchanged = new Map<string, string>();
  const inked = new Map<string, number>();
  const mend = new Map<string, EventOf<"mend">>();
  let [finished, going] = [false, false];
  for (const e of events) {
    switch (e.kind) {
      case "done":
        done.set(stepKey(e), e);
        parts.delete(stepKey(e));
        skipped.delete(stepKey(e));
        inked.set(e.area, e.at);
        break;
      case "part":
        parts.set(stepKey(e), e);
        inked.set(e.area, e.at);
        break;
      case "skipped":
        skipped.add(stepKey(e));
        break;
      case "added":
        added.push(e);
        inked.set(e.area, e.at);
        break;
      case "mend":
        mend.set(e.id, e);
        break;
      case "exchanged":
        // What stands in for something may itself be exchanged later.
        for (const [code, by] of exchanged) if (by === e.code) exchanged.set(code, e.by);
        exchanged.set(e.code, e.by);
        break;
      case "begun":
        [going, finished] = [true, false];
        break;
      case "paused":
        going = false;
        break;
      case "finished":
        [going, finished] = [false, true];
        break;
    }
  }
  for (const e of events) if ((e.kind === "added" || e.kind === "noted") && e.mends) mend.delete(e.mends);
  return {
    events,
    done,
    parts,
    skipped,
    added,
    toMend: [...mend.values()],
    exchanged,
    inked,
    finished,
    going,
  };
}

/** What is left of an order: the steps that neither lie nor were skipped. */
export const leftOf = <S extends Pick<StepPlace, "area" | "section" | "pass">>(
  steps: readonly S[],
  record: WorkRecord,
): S[] => steps.filter((s) => !record.done.has(stepKey(s)) && !record.skipped.has(stepKey(s)));
