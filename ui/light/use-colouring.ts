"use client";
import { useEffect, useMemo, useRef, useState } from "react";
import type { LightOutput } from "@/compute/operations/light";
import type { RenderOutput } from "@/compute/operations/render";
import type { LightPlan } from "@/core/light/light";
import type { Piece } from "@/core/piece/piece";
import type { DrawingFacts } from "@/store/pictures";
import type { Rack } from "@/store/rack";
import { rackKey } from "@/compute/from-rack";
import { ask, askOfPicture, havePicture, isUnknown } from "@/ui/compute/client";
import { messageOf } from "@/ui/send";
import { asked, drawingQuestion } from "@/ui/set-up/use-drawing";
import { lightQuestion, shownQuestion, type UpTo } from "./questions";

/** How closely a piece is looked at. */
export interface Closeness {
  /** Makes the drawing smaller before anything is looked for: for small pictures. */
  readonly drawing: number;
  /** Makes light and colouring smaller: a quick look while something is dragged. */
  readonly light: number;
}
export const EXACT: Closeness = { drawing: 1, light: 1 };
export const SMALL: Closeness = { drawing: 3, light: 1 };
const WHILE_DRAGGED = 4;

/** Values of a piece as they were last worked out. */
export interface Lit {
  readonly output: LightOutput;
  /** Names the question that they answer. */
  readonly question: string;
}

interface LightState {
  readonly lit: Lit | undefined;
  readonly busy: boolean;
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

/**
 * Light and dark of a piece, always of its present light. While `passing` stands in for its light a quick look is taken, as fast as answers come.
 */
export function useLight(
  piece: Piece,
  drawing: DrawingFacts | undefined,
  references: ReadonlyMap<string, DrawingFacts>,
  closeness: Closeness,
  passing?: Partial<LightPlan>,
): LightState & { readonly again: () => void } {
  const [state, setState] = useState<LightState>({ lit: undefined, busy: false, error: undefined });
  const [round, setRound] = useState(0);
  const shown = useMemo(
    () => (passing ? { ...piece, light: { ...piece.light, ...passing } } : piece),
    [piece, passing],
  );
  const dragged = passing !== undefined;
  const question =
    drawing &&
    JSON.stringify([
      drawing.id,
      drawingQuestion(shown, drawing),
      lightQuestion(shown),
      closeness,
      dragged,
      shown.pictureId && references.has(shown.pictureId),
      shown.references,
    ]);
  const latest = useRef({ piece: shown, drawing, references, closeness, dragged });
  useEffect(() => {
    latest.current = { piece: shown, drawing, references, closeness, dragged };
  });
  const running = useRef(false);
  useEffect(() => {
    if (!question) return;
    let gone = false;
    // One look at a time: what changes meanwhile is looked at next.
    const work = async () => {
      while (running.current && !gone) await new Promise((r) => setTimeout(r, 8));
      if (gone) return;
      running.current = true;
      try {
        const {
          piece: own,
          drawing: facts,
          references: known,
          closeness: near,
          dragged: quick,
        } = latest.current;
        setState((s) => ({ ...s, busy: true, error: undefined }));
        const wish = await questionOf(own, facts!, known, quick ? { ...near, light: WHILE_DRAGGED } : near);
        const output = await askOfPicture("light", asked(facts!), wish);
        if (!gone) setState({ lit: { output, question }, busy: false, error: undefined });
      } catch (e) {
        if (!gone) setState((s) => ({ ...s, busy: false, error: messageOf(e) }));
      } finally {
        running.current = false;
      }
    };
    void work();
    return () => {
      gone = true;
    };
  }, [question, round]);
  return { ...state, again: () => setRound((r) => r + 1) };
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
  readonly error: string | undefined;
}

export interface ColouringWish {
  readonly upTo?: UpTo | undefined;
  /** The only area that is coloured; all when it is left out. */
  readonly alone?: string | undefined;
  readonly lined?: boolean;
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

/** The predicted colouring of a piece, always of its present plan; when one area changes only that is drawn anew. */
export function useColouring(
  piece: Piece,
  rack: Rack,
  lit: Lit | undefined,
  { upTo, alone, lined = true, onLost }: ColouringWish = {},
): ColouredState {
  const [state, setState] = useState<ColouredState>({ coloured: undefined, busy: false, error: undefined });
  const limit: UpTo = (area) => (alone && area.id !== alone ? 0 : (upTo?.(area) ?? null));
  const question = shownQuestion(piece, rack, limit);
  const key = lit && JSON.stringify([lit.output.field, rackKey(rack), lined, question]);
  const latest = useRef({ question, lit, rack, lined, onLost });
  useEffect(() => {
    latest.current = { question, lit, rack, lined, onLost };
  });
  const drawn = useRef<{ of: string; question: ShownQuestion; coloured: Coloured }>(undefined);
  useEffect(() => {
    if (!key) return;
    const stop = new AbortController();
    const { question: wish, lit: values, rack: on, lined: withLine } = latest.current;
    const of = JSON.stringify([values!.output.field, rackKey(on), withLine]);
    const old = drawn.current?.of === of ? drawn.current : undefined;
    const only = old && changedAreas(old.question, wish);
    const work = async () => {
      setState((s) => ({ ...s, busy: true, error: undefined }));
      const output = await ask(
        "render",
        on,
        { field: values!.output.field, lined: withLine, ...wish, ...(only && { only }) },
        { signal: stop.signal },
      );
      if (stop.signal.aborted) return;
      const { width, height, rgba, areas } = output;
      const coloured = only ? patched(old.coloured, output) : { width, height, rgba, areas };
      drawn.current = { of, question: wish, coloured };
      setState({ coloured, busy: false, error: undefined });
    };
    work().catch((e: unknown) => {
      if (stop.signal.aborted) return;
      const lost = isUnknown(e, "field");
      setState((s) => ({ ...s, busy: lost, error: lost ? undefined : messageOf(e) }));
      if (lost) latest.current.onLost?.();
    });
    return () => stop.abort();
    // The same values worked out again are another answer to draw from.
  }, [key, lit]);
  return state;
}
