"use client";
import {
  drawingQuestion,
  lightQuestion,
  shownQuestion,
  type AddedTo,
  type UpTo,
} from "@/compute/piece-questions";
import { useEffect, useMemo, useRef } from "react";
import type { LightOutput } from "@/compute/operations/light";
import type { RenderOutput } from "@/compute/operations/render";
import type { LightPlan } from "@/core/light/light";
import type { Piece } from "@/core/piece/piece";
import type { DrawingFacts } from "@/store/pictures";
import type { Rack } from "@/store/rack";
import { rackKey } from "@/compute/from-rack";
import { memory } from "@/core/memory";
import { ask, askOfPicture, havePicture, isUnknown, readyDesk, type Watch } from "@/ui/jobs/client";
import { sharedJobs } from "@/ui/jobs/shared-jobs";
import { useJob } from "@/ui/jobs/use-job";
import { asked, isKept } from "@/ui/set-up/use-drawing";
import { useKeepDrawing, useKeepLight } from "./use-keep-drawing";

/** How closely a piece is looked at. */
export interface Closeness {
  /** Makes the drawing smaller before anything is looked for: for small pictures. */
  readonly drawing: number;
  /** Makes light and colouring smaller: a quick look while something is dragged. */
  readonly light: number;
}
export const EXACT: Closeness = { drawing: 1, light: 1 };
export const SMALL: Closeness = { drawing: 3, light: 1 };
/** Looks while something is dragged, from fine to coarse: as coarse as it takes to follow the hand. */
const WHILE_DRAGGED = [4, 6, 8] as const;
/** A look that takes longer than this is too fine, one that takes less may be finer, ms. */
const [TOO_LONG, SOON] = [95, 35];
/** The first look at a drawing makes the drawing itself smaller by this: finding its line and areas is most of the work. */
const AT_FIRST = 3;
/** As small as a drawing is looked at. */
const COARSEST = 8;

/** Values of a piece as they were worked out. */
export interface Lit {
  readonly output: LightOutput;
  /** A quick look at the first sight of a drawing, or while the light is dragged: the exact one follows. */
  readonly quick: boolean;
  /** What was asked for it. */
  readonly question: object;
  /** Tells one working out from another: values that were put away and worked out again are other ones to draw from. */
  readonly serial: number;
}

let lastSerial = 0;
const litOf = (output: LightOutput, question: object, quick: boolean): Lit => ({
  output,
  question,
  quick,
  serial: ++lastSerial,
});

/** Values and pictures are megabytes each: the last few are kept, so that what has not changed is not drawn again from view to view. */
const lights = sharedJobs(4);
const pictures = sharedJobs(6);

interface LightState {
  readonly lit: Lit | undefined;
  /** The same once it is exact and of the present light: what is judged and what goes out reads this. */
  readonly exact: Lit | undefined;
  /** Being worked out, or of an older question. */
  readonly busy: boolean;
  readonly progress: number | undefined;
  readonly error: string | undefined;
}

/** Everything the light of a piece is asked. */
async function questionOf(
  piece: Piece,
  drawing: DrawingFacts,
  references: ReadonlyMap<string, DrawingFacts>,
  { drawing: coarse, light }: Closeness,
) {
  const { hints: _hints, ...drawn } = drawingQuestion(piece, drawing);
  const own = piece.references.find((r) => r.pictureId === piece.pictureId);
  const facts = own && references.get(own.pictureId);
  const mixed = piece.light.fromReference > 0 && own && facts;
  if (mixed) await havePicture(asked(facts));
  return {
    ...lightQuestion(piece),
    drawn: { ...drawn, coarser: coarse },
    coarser: light,
    ...(mixed && { reference: { image: { picture: facts.id }, pairs: own.pairs, gains: own.gains } }),
  };
}

/** Pixels of a drawing from which on a quick look is worth while. */
const LARGE = 250_000;

interface LightWish {
  /** Stands in for the light while it is dragged. */
  readonly passing?: Partial<LightPlan> | undefined;
  /** The piece is to be seen already: no quick look comes first. */
  readonly shown?: boolean;
}

/**
 * Light and dark of a piece. The first time a quick look comes first; while `passing` stands in for its light, quick looks follow it as fast as
 * they are worked out.
 */
export function useLight(
  piece: Piece,
  drawing: DrawingFacts | undefined,
  references: ReadonlyMap<string, DrawingFacts>,
  closeness: Closeness,
  { passing, shown: stands = false }: LightWish = {},
): LightState & { readonly again: () => void } {
  const shown = useMemo(
    () => (passing ? { ...piece, light: { ...piece.light, ...passing } } : piece),
    [piece, passing],
  );
  const dragged = passing !== undefined;
  const seen = useRef<string>(undefined);
  const latest = useRef(stands);
  useEffect(() => {
    latest.current = stands;
  });
  const id =
    drawing &&
    JSON.stringify([
      drawing.id,
      drawingQuestion(shown, drawing),
      lightQuestion(shown),
      closeness,
      dragged,
      shown.light.fromReference > 0 && [shown.pictureId && references.has(shown.pictureId), shown.references],
    ]);
  const look = async (near: Closeness, watch: Watch) => {
    const question = await questionOf(shown, drawing!, references, near);
    return litOf(await askOfPicture("light", asked(drawing!), question, watch), question, near !== closeness);
  };
  const pace = useRef(1);
  const follow = async () => {
    const began = performance.now();
    const by = WHILE_DRAGGED[pace.current]!;
    const lit = await look({ ...closeness, light: closeness.light * by }, {});
    const took = performance.now() - began;
    if (took > TOO_LONG) pace.current = Math.min(WHILE_DRAGGED.length - 1, pace.current + 1);
    else if (took < SOON) pace.current = Math.max(0, pace.current - 1);
    return lit;
  };
  const exactly = drawing && { ...drawingQuestion(shown, drawing), coarser: closeness.drawing };
  const first = { ...closeness, drawing: Math.min(COARSEST, closeness.drawing * AT_FIRST) };
  const job = useJob<Lit>(
    id ?? null,
    async ({ signal, onProgress }) => {
      const stopped = signal ? { signal } : {};
      if (dragged) return follow();
      const pixels = (drawing!.width * drawing!.height) / closeness.drawing ** 2;
      if (!latest.current && seen.current !== drawing!.id && pixels > LARGE && !isKept(drawing!, exactly!))
        onProgress?.(0.3, await look(first, stopped));
      const lit = await look(closeness, { ...stopped, ...(onProgress && { onProgress }) });
      seen.current = drawing!.id;
      return lit;
    },
    { about: drawing?.id, settle: 0, following: dragged, store: lights },
  );
  const exact = job.output && !job.old && !job.output.quick ? job.output : undefined;
  const whole = exact && closeness.drawing === 1 ? drawing : undefined;
  useKeepDrawing(whole, exactly);
  useKeepLight(
    whole,
    exact && !dragged ? { question: exact.question, field: exact.output.field } : undefined,
  );
  return {
    lit: job.output,
    exact,
    busy: job.progress !== undefined || job.old,
    progress: job.progress,
    error: job.error,
    again: job.again,
  };
}

/** A colouring as it was last drawn. */
export interface Coloured {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
  readonly areas: RenderOutput["areas"];
}

interface ColouredState {
  readonly coloured: Coloured | undefined;
  readonly busy: boolean;
  readonly progress: number | undefined;
  readonly error: string | undefined;
}

export interface ColouringWish {
  readonly upTo?: UpTo | undefined;
  /** Ink that was laid beside the plan. */
  readonly added?: AddedTo | undefined;
  /** The only area that is coloured; all when it is left out. */
  readonly alone?: string | undefined;
  readonly lined?: boolean;
  /** The light is dragged: every picture that is begun is shown, then the newest is drawn. */
  readonly following?: boolean;
  /** Called when the values were put away and have to be worked out again. */
  readonly onLost?: () => void;
}

/** Areas whose question changed between two questions that are otherwise the same; undefined when more did. */
function changedAreas(before: ShownQuestion | undefined, now: ShownQuestion): string[] | undefined {
  if (!before || before.areas.length !== now.areas.length) return undefined;
  const { areas: a, ...restA } = before;
  const { areas: b, ...restB } = now;
  if (JSON.stringify(restA) !== JSON.stringify(restB)) return undefined;
  if (a.some((area, i) => area.id !== b[i]!.id)) return undefined;
  const ids = b.filter((area, i) => JSON.stringify(area) !== JSON.stringify(a[i])).map((area) => area.id);
  return ids.length && ids.length <= 2 ? ids : undefined;
}

type ShownQuestion = ReturnType<typeof shownQuestion>;

/** A picture with a part of it drawn anew. */
function patched(old: Coloured, { box: [left, top, right, bottom], rgba, areas }: RenderOutput): Coloured {
  const out = old.rgba.slice();
  const wide = (right - left) * 4;
  for (let y = top, from = 0; y < bottom; y++, from += wide)
    out.set(rgba.subarray(from, from + wide), (y * old.width + left) * 4);
  return { ...old, rgba: out, areas };
}

/** What was last drawn of the same light, rack and line, and of which question: where little changed since, only that is drawn. */
const drawn = memory<{ readonly question: ShownQuestion; readonly coloured: Coloured }>(4);

/** The predicted colouring of a piece; when one area changes only that is drawn anew, and the last picture stays until the next is there. */
export function useColouring(
  piece: Piece,
  rack: Rack,
  lit: Lit | undefined,
  { upTo, added, alone, lined = true, following = false, onLost }: ColouringWish = {},
): ColouredState {
  const limit: UpTo = (area) => (alone && area.id !== alone ? 0 : (upTo?.(area) ?? null));
  const question = shownQuestion(piece, rack, limit, added);
  useEffect(() => {
    // The desk is made ready while the drawing is looked at; where that fails, asking says why.
    readyDesk(rack, piece.areas).catch(() => undefined);
  }, [rack, piece.areas]);
  const last = useRef<Coloured>(undefined);
  const of = lit && JSON.stringify([lit.serial, rackKey(rack), lined]);
  const job = useJob<Coloured>(
    of === undefined ? null : `${of} ${JSON.stringify(question)}`,
    async (watch) => {
      const old = drawn.recall(of!);
      const only = old && changedAreas(old.question, question);
      try {
        const output = await ask(
          "render",
          rack,
          {
            field: lit!.output.field,
            lined,
            ...question,
            ...(only && { only }),
            // A quick look waits for nothing.
            ...(lit!.quick && { pencil: false }),
          },
          watch,
        );
        const { width, height, rgba, areas } = output;
        const coloured = only ? patched(old.coloured, output) : { width, height, rgba, areas };
        drawn.keep(of!, { question, coloured });
        last.current = coloured;
        return coloured;
      } catch (e) {
        if (!isUnknown(e, "field") || !onLost) throw e;
        // Drawn from values that are older than those that are kept: the next is on its way.
        if (following && last.current) return last.current;
        // The worker has put the values away: they are worked out again, and what is drawn from them then is another question.
        onLost();
        return new Promise<never>(() => undefined);
      }
    },
    {
      about: `${piece.setUp.line?.pictureId} ${rackKey(rack)} ${lined}`,
      settle: 0,
      following,
      store: pictures,
    },
  );
  return {
    coloured: job.output,
    busy: job.progress !== undefined || job.old,
    progress: job.progress,
    error: job.error,
  };
}
