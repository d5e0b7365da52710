"use client";
import { useEffect, useRef, useState } from "react";
import type { SetUpOutput } from "@/compute/operations/set-up";
import { aspectOf } from "@/core/picture/rectify";
import type { Piece } from "@/core/piece/piece";
import { cornerAspect, drawingWidth } from "@/core/piece/set-up";
import type { DrawingFacts } from "@/store/pictures";
import { askOfPicture } from "@/ui/compute/client";
import type { Work } from "@/ui/compute/use-compute";
import { pictureBlob } from "@/ui/piece/picture-blob";
import { messageOf } from "@/ui/send";

/** A picture as the worker knows it. */
export const asked = (picture: { readonly id: string; readonly name: string }) => ({
  handle: picture.id,
  called: picture.name,
  load: () => pictureBlob(picture.id),
});

/** What the drawing of a piece is asked, apart from which points make up which area. */
export function drawingQuestion({ setUp }: Piece, picture: DrawingFacts) {
  const { line, sheet, gap, speck, cuts } = setUp;
  const corners = line?.corners ?? null;
  const seen = corners ? aspectOf(corners, picture.width, picture.height) : picture.width / picture.height;
  return {
    kind: line?.kind ?? "drawn",
    corners,
    aspect: corners && cornerAspect(seen, sheet),
    width: drawingWidth(setUp, seen),
    gap,
    speck,
    cuts,
    hints: picture.names,
  };
}

interface State {
  /** The last answer; it stays while another is worked out. */
  readonly output: SetUpOutput | undefined;
  readonly progress: number | undefined;
  readonly error: string | undefined;
  readonly cancelled: boolean;
}

const NOTHING: State = { output: undefined, progress: undefined, error: undefined, cancelled: false };

/** Wait before work starts, ms; and before the exact look follows the quick one. */
const SETTLE = 60;
const EXACT_AFTER = 280;
/** Pixels of a drawing from which on a quick look is worth while. */
const LARGE = 700_000;
const QUICK = 3;

/** The line, regions and areas of the drawing, a quick look first where that is quicker. `gap` and `speck` stand in for those of the piece while they are dragged. */
export function useDrawing(
  piece: Piece,
  picture: DrawingFacts | undefined,
  passing: { readonly gap?: number; readonly speck?: number },
): Work<SetUpOutput> {
  const [state, setState] = useState<State>(NOTHING);
  const [round, setRound] = useState(0);
  const stop = useRef<AbortController>(undefined);
  const searched = useRef<string>(undefined);
  const base = picture && piece.setUp.line ? { ...drawingQuestion(piece, picture), ...passing } : undefined;
  const claims = piece.areas.flatMap((a) => (a.place ? [{ id: a.id, at: a.place.at }] : []));
  const question = base && picture && JSON.stringify({ id: picture.id, base, claims });
  const latest = useRef({ picture, base, claims });
  useEffect(() => {
    latest.current = { picture, base, claims };
  });
  useEffect(() => {
    if (!question) return;
    const controller = new AbortController();
    stop.current = controller;
    const { signal } = controller;
    const { picture: own, base: search, claims: places } = latest.current;
    const wanted = JSON.stringify(search);
    const look = async (coarser: number, progress?: (share: number) => void) => {
      const output = await askOfPicture(
        "setUp",
        asked(own!),
        { ...search, claims: places, coarser },
        { signal, ...(progress && { onProgress: progress }) },
      );
      if (!signal.aborted) setState({ ...NOTHING, output, progress: coarser > 1 ? 0.4 : undefined });
      return output;
    };
    const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));
    const work = async () => {
      await wait(SETTLE);
      if (signal.aborted) return;
      setState((s) => ({ ...NOTHING, output: s.output, progress: 0 }));
      // What is searched for is new: a quick look at it first. Which points make up which area changes in no time.
      if (searched.current !== wanted && own!.width * own!.height > LARGE) {
        await look(QUICK);
        await wait(EXACT_AFTER);
        if (signal.aborted) return;
      }
      await look(1, (share) => !signal.aborted && setState((s) => ({ ...s, progress: share })));
      searched.current = wanted;
    };
    work().catch((e: unknown) => {
      if (!signal.aborted) setState((s) => ({ ...s, progress: undefined, error: messageOf(e) }));
    });
    return () => controller.abort();
  }, [question, round]);
  const cancel = () => {
    stop.current?.abort();
    setState((s) => ({ ...s, progress: undefined, cancelled: true }));
  };
  return { ...(question ? state : NOTHING), cancel, again: () => setRound((r) => r + 1) };
}
