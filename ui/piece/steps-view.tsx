"use client";
import { withRack } from "@/ui/rack-here";
import { Brush, Download, Printer } from "lucide-react";
import { useState, type ReactNode } from "react";
import { Link } from "@/ui/kit/link";
import { useTitlePart } from "@/ui/kit/use-title-part";
import { ask, useQueryPart } from "@/ui/use-query";
import { FirstLast } from "@/ui/work/first-last";
import { Moment } from "@/ui/work/moment";
import { OrderOfWork } from "@/ui/work/order-of-work";
import { useInk } from "@/ui/work/use-ink";
import { inkInWords } from "@/words/ink";
import { GOALS, useOrder, type Goal } from "@/ui/work/use-order";
import { AreaByArea } from "./area-by-area";
import { bringsOf, type Pass } from "@/core/media/medium";
import { chaptersOf } from "@/core/piece/chapters";
import type { Area, Piece } from "@/core/piece/piece";
import { suppliesOf } from "@/core/stock/supplies";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { useToneShares } from "@/ui/light/use-tone-shares";
import { canBeShown, PiecePicture } from "@/ui/light/piece-picture";

import { DeskLink } from "@/ui/desk/desk-link";
import { counted } from "@/words/numbers";
import { useStudio } from "@/ui/studio/studio-context";
import { handInWords } from "@/words/hand";
import { PROOF_CAUTION } from "@/words/place";
import { coveredInWords } from "@/words/supplies";
import { StillPicture, useKeptPicture } from "./kept-picture";
import { usePiece, usePieceHandles } from "./piece-context";
import { PieceHeader } from "./piece-header";
import { SharePiece } from "./share-piece";
import { SupplyList } from "./supply-list";
import { useRack } from "./use-rack";

/** Steps of the piece at hand. */
export function StepsView({
  papers,
  laid,
  rack: first,
}: {
  readonly papers: readonly PaperSheet[];
  /** Steps that were laid at the desk. */
  readonly laid: number;
  readonly rack: Rack;
}) {
  const piece = usePiece();
  const { id } = usePieceHandles();
  const { rack } = useRack(piece.paperId ?? first.paper.id, first);
  return (
    <>
      <PieceHeader stage="steps" papers={papers} />
      <Steps piece={piece} rack={rack} id={id} atDesk={laid} />
    </>
  );
}

/** The passes of every kept group in the order of colouring, and the markers to lay ready: for the screen beside the paper and for print. */
export function Steps({
  piece,
  rack,
  id,
  atDesk = 0,
  supplies: listed = true,
  saysOf,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  /** Whether what to lay ready is listed, and what else is to be said of a thing there. */
  readonly supplies?: boolean;
  readonly saysOf?: (code: string) => ReactNode;
  /** Of the piece; none where it is shown to somebody who may only look. */
  readonly id?: string;
  /** Steps that were laid at the desk. */
  readonly atDesk?: number;
}) {
  const markers = new Map([...rack.markers, ...rack.others].map((m) => [m.code, m]));
  const unplanned = piece.areas.filter((a) => !a.layers.length && !a.white);
  const bare = piece.areas.filter((a) => a.white);
  const mm2Of = useToneShares(piece);
  const ink = useInk(piece, rack, mm2Of);
  const kept = useKeptPicture();
  const hand = useStudio()?.hand;
  const [laid, setLaid] = useState<ReadonlyMap<string, number>>();
  const wanted = useQueryPart("order");
  useTitlePart(wanted === "changes" || wanted === "soonest" ? GOALS[wanted].name : undefined);
  const order: Goal | "areas" = wanted === "changes" || wanted === "soonest" ? wanted : "areas";
  const supplies = suppliesOf(piece, [...rack.markers, ...rack.others]);
  const chapters = chaptersOf(piece, rack.paper);
  /** Sparks and lines cover no ground that counts. */
  const groundOf = (p: Pass, area: Area) =>
    bringsOf(p) === "opaque" ? undefined : mm2Of(area, p.from, p.to);
  const covered = new Map<string, number>();
  for (const { area, passes } of chapters)
    for (const p of passes) {
      const mm2 = groundOf(p, area);
      if (mm2 !== undefined) covered.set(p.code, (covered.get(p.code) ?? 0) + mm2 * p.coats);
    }
  return (
    <main
      id="main"
      className="mx-auto grid max-w-[1320px] gap-x-8 gap-y-5 px-4 py-4 min-[1000px]:grid-cols-[minmax(0,1fr)_330px] print:block"
    >
      <section aria-label="Steps" className="min-w-0">
        <div className="mb-3 flex flex-wrap items-center gap-3">
          <h1 className="m-0 text-[24px]">
            Steps <span className="hidden print:inline">of {piece.name}</span>
          </h1>
          <span className="text-[15px] text-soft">{rack.paper.name}</span>
          {id && chapters.length > 0 && (
            <DeskLink id={id} className="button button-main screen-only ml-auto">
              <Brush size={17} aria-hidden />{" "}
              {atDesk ? `Go on at the desk: ${counted(atDesk, "step")} laid` : "To the desk"}
            </DeskLink>
          )}
          <button
            className={`button screen-only ${id && chapters.length > 0 ? "" : "ml-auto"}`}
            onClick={() => window.print()}
          >
            <Printer size={17} aria-hidden /> Print
          </button>
        </div>
        <p className="mt-0 mb-4 border-l-4 border-strong pl-3 text-[14px]">
          Alcohol ink is a flammable solvent: air the room, cap markers between passes, keep them from flame,
          children and skin. The maker&rsquo;s safety data sheet and local rules come first.
        </p>
        {kept && chapters.length > 0 && (
          <StillPicture
            kept={kept}
            label={`${piece.name} as it will look`}
            className="mx-auto mb-4 hidden max-h-[88mm] w-auto max-w-full print:block"
            sizes="120mm"
          />
        )}
        {chapters.length > 0 && hand && <p className="mt-0 mb-4 text-[14px]">{handInWords(hand)}</p>}
        {piece.setUp.line?.proof === false && (
          <p className="mt-0 mb-4 border-l-4 border-strong pl-3 text-[14px]">{PROOF_CAUTION}</p>
        )}
        {chapters.length === 0 && (
          <p className="max-w-[52ch] text-[17px]">
            There are no steps yet: keep a blend group for an area first.{" "}
            {id && (
              <Link className="button button-main mt-3" href={`/pieces/${id}/colour`}>
                Plan the colours
              </Link>
            )}
          </p>
        )}
        {chapters.length > 0 && (
          <div role="group" aria-label="In which order" className="screen-only mb-4 flex flex-wrap gap-2">
            {ORDERS.map(([key, name]) => (
              <button
                key={key}
                className={`button ${order === key ? "button-main" : ""}`}
                aria-pressed={order === key}
                onClick={() => {
                  setLaid(undefined);
                  ask(key === "areas" ? "?" : `?order=${key}`);
                }}
              >
                {name}
              </button>
            ))}
          </div>
        )}
        {order !== "areas" && id && chapters.length > 0 && <FirstLast />}
        {order === "areas" ? (
          <AreaByArea piece={piece} rack={rack} chapters={chapters} markers={markers} groundOf={groundOf} />
        ) : (
          chapters.length > 0 && (
            <Ordered piece={piece} rack={rack} goal={order} mm2Of={mm2Of} onLaid={setLaid} />
          )
        )}
        {bare.length > 0 && chapters.length > 0 && (
          <p className="text-[15px]">Stay bare paper: {bare.map((a) => a.name).join(", ")}.</p>
        )}
        {unplanned.length > 0 && chapters.length > 0 && (
          <p className="text-[15px] text-soft">
            Without a kept group: {unplanned.map((a) => a.name).join(", ")}.
          </p>
        )}
      </section>
      <section aria-label="Supply list" className="min-w-0 break-before-page">
        {order !== "areas" && canBeShown(piece) ? (
          <div className="screen-only sticky top-2 z-10 mb-4 hidden bg-ground min-[1000px]:block">
            <Moment piece={piece} rack={rack} laid={laid} />
          </div>
        ) : id ? (
          <PiecePicture
            piece={piece}
            rack={rack}
            className="screen-only mb-4 w-full"
            sizes="(min-width: 1000px) 330px, 100vw"
          />
        ) : (
          kept && (
            <StillPicture
              kept={kept}
              label={`${piece.name} as it will look`}
              className="screen-only mb-4 h-auto w-full"
              sizes="(min-width: 1000px) 330px, 100vw"
            />
          )
        )}
        {listed && (
          <>
            <div className="mb-2 flex flex-wrap items-center gap-2">
              <h2 className="m-0 w-full text-[19px]">Lay ready: {counted(supplies.length, "thing")}</h2>
              {id && (
                <>
                  <a className="button screen-only" href={`/api/pieces/${id}/supplies?format=csv`} download>
                    <Download size={16} aria-hidden /> CSV
                  </a>
                  <a className="button screen-only" href={`/api/pieces/${id}/supplies?format=md`} download>
                    <Download size={16} aria-hidden /> Markdown
                  </a>
                  <SharePiece id={id} />
                </>
              )}
            </div>
            <SupplyList
              supplies={supplies}
              markers={markers}
              needs={id !== undefined}
              saysOf={(code) => {
                const inkOf = ink.get(code);
                return (
                  <>
                    {covered.has(code) && (
                      <span className="block text-[13px] text-soft">
                        {coveredInWords(covered.get(code)!)}
                      </span>
                    )}
                    {inkOf && (
                      <span className={`block text-[13px] ${inkOf.warns ? "font-semibold" : "text-soft"}`}>
                        {inkInWords(inkOf, inkOf.warns, markers.get(code)?.refills ?? 0)}
                      </span>
                    )}
                    {saysOf?.(code)}
                  </>
                );
              }}
            />
          </>
        )}
      </section>
    </main>
  );
}

/** The orders that one may work in. */
const ORDERS: readonly (readonly [Goal | "areas", string])[] = [
  ["areas", "One area at a time"],
  ["changes", GOALS.changes.name],
  ["soonest", GOALS.soonest.name],
];

function Ordered({
  piece,
  rack,
  goal,
  mm2Of,
  onLaid,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly goal: Goal;
  readonly mm2Of: (area: Area, from: number, to: number) => number | undefined;
  readonly onLaid: (laid: ReadonlyMap<string, number> | undefined) => void;
}) {
  const said = Number(useQueryPart("cards"));
  const cards = Number.isInteger(said) && said > 0 ? said : 1;
  const found = useOrder(piece, rack, goal, mm2Of, cards);
  return (
    <>
      <label className="screen-only mb-4 flex w-fit items-center gap-2 text-[15px]">
        On so many cards of the same
        <input
          key={cards}
          className="field w-20"
          type="number"
          min={1}
          max={found.most}
          defaultValue={Math.min(cards, found.most)}
          onBlur={(e) => {
            const n = Math.min(found.most, Math.max(1, Math.round(Number(e.target.value)) || 1));
            if (n !== cards) ask(`?order=${goal}${n > 1 ? `&cards=${n}` : ""}`);
          }}
          onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
        />
      </label>
      <OrderOfWork key={`${goal} ${cards}`} piece={piece} rack={rack} found={found} onLaid={onLaid} />
    </>
  );
}

/** The same where the rack comes with the page. */
export const StepsPlace = withRack(StepsView);
