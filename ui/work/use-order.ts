"use client";
import { useMemo, useState } from "react";
import type { Pins } from "@/core/work/put";
import { cardsOf, changesByArea, mostCards, onCards, orderWishOf, workOf } from "@/core/work/of-piece";
import type { Area, Piece, PlacedStep } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { useCompute } from "@/ui/jobs/use-job";
import { useStudio, type StudioHere } from "@/ui/studio/studio-context";

/** What the order of work is to be good for, and the seconds that a change of marker is worth then. */
export const GOALS = {
  changes: { name: "Fewest changes", worth: 60 },
  soonest: { name: "Soonest done", worth: 0 },
} as const;
export type Goal = keyof typeof GOALS;

/** Where the paper does not say: how long ink stays open, and when it is dry, s. */
const [OPEN, DRY] = [60, 300];
/** Of who has said nothing of their pace: mm² a second, seconds to change. */
const PACE = { speed: 40, change: 6 } as const;
/** How long an order is looked for, s. */
const SECONDS = 6;

const NO_PINS: Pins = [];

/** Hand and paper as the order of work asks for them. */
export const deskOf = (studio: StudioHere | undefined, paper: Rack["paper"]) => ({
  speed: studio?.speed ?? PACE.speed,
  change: studio?.change ?? PACE.change,
  openTime: paper.openTime ?? OPEN,
  dryTime: paper.dryTime ?? DRY,
  hand: studio?.hand ?? null,
});

/** What somebody has wished of the order, as it is asked; nothing where nobody has. */
export function orderWishAsked(...of: Parameters<typeof orderWishOf>) {
  const { pins, follow } = orderWishOf(...of);
  return { ...(pins.length && { pins }), ...(follow && { follow }) };
}

/** The order of work of a piece, and what it is made of. */
export function useOrder(
  piece: Piece,
  rack: Rack,
  goal: Goal,
  mm2Of: (area: Area, from: number, to: number) => number | undefined,
  cards = 1,
) {
  const studio = useStudio();
  const { paper } = rack;
  const one = useMemo(() => workOf(piece, paper, mm2Of), [piece, paper, mm2Of]);
  const most = mostCards(one);
  const work = useMemo(() => onCards(one, Math.min(cards, most)), [one, cards, most]);
  const desk = deskOf(studio, paper);
  const asked = { areas: work.map((w) => w.asked), desk, worth: GOALS[goal].worth, seconds: SECONDS };
  const isSeries = work.length > one.length;
  // An order as somebody has put it is one of so many cards.
  const byHand = useMemo(
    () =>
      piece.whole.byHand && cardsOf(piece.whole.byHand) === Math.min(cards, most) ? piece.whole.byHand : [],
    [piece.whole, cards, most],
  );
  const wish = useMemo(() => orderWishAsked({ ...piece.whole, byHand }, work), [piece.whole, byHand, work]);
  const job = useCompute("workOrder", work.length ? { ...asked, ...wish } : null, undefined, {
    about: `${goal} ${cards}`,
  });
  // What somebody has just put elsewhere is timed as it stands, beside the order that was found.
  const [put, setPut] = useState<readonly PlacedStep[]>();
  const tried = useCompute("workOrder", put ? { ...asked, cuts: job.output?.sections, follow: put } : null);
  return {
    work,
    isSeries,
    byHand,
    pins: wish.pins ?? NO_PINS,
    most,
    desk,
    job,
    tried,
    put,
    setPut,
    byArea: changesByArea(work, job.output?.sections),
  };
}

export type OrderFound = ReturnType<typeof useOrder>;
