"use client";
import { useState } from "react";
import type { PlanPieceOutput, TradePoint } from "@/compute/operations/plan-piece";
import type { SeenArea } from "@/core/piece/overview";
import { targetOf, type Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Link } from "@/ui/kit/link";
import { Progress } from "@/ui/jobs/progress";
import { useRun } from "@/ui/piece/piece-context";
import { useQueryPart } from "@/ui/use-query";
import { counted } from "@/words/numbers";
import { Changes, type AcceptGroups } from "./changes";
import { Trade } from "./trade";
import { togetherKey, useTogether, type AskedTogether } from "./use-together";

/** Plans of which each costs fewer markers than the one before, and fits less well; what fits less well with no fewer markers is none. */
function worthOf(trade: readonly TradePoint[]): TradePoint[] {
  const sorted = [...trade].sort((a, b) => b.markers - a.markers || a.fit - b.fit);
  return sorted.filter(
    (p, i) =>
      !sorted.some((q, j) => j !== i && q.markers <= p.markers && q.fit <= p.fit && (q.fit < p.fit || j < i)),
  );
}

/** The plan at a price of a marker, among those that were worked out. */
function planAt(plan: PlanPieceOutput, markerCost: number, asked: number): PlanPieceOutput {
  const point = markerCost === asked ? undefined : plan.trade?.find((t) => t.markerCost === markerCost);
  return point ? { ...plan, areas: point.areas, markers: point.uses, together: point } : plan;
}

/** Plans every area with the others in mind, and lists what would change before anything does; what a marker more or less costs is a curve. */
export function Together({
  piece,
  rack,
  seen,
  onProposal,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly seen: readonly SeenArea[];
  readonly onProposal: (command: AcceptGroups | undefined) => void;
}) {
  const run = useRun();
  const ask = (thorough = false): AskedTogether => ({
    key: togetherKey(piece, rack),
    markerCost: piece.whole.markerCost,
    thorough,
  });
  // Whoever comes to have all of it planned need not say so again.
  const isWanted = useQueryPart("plan") !== null && rack.markers.some((m) => m.swatches.length);
  const [asked, setAsked] = useState<AskedTogether | undefined>(() => (isWanted ? ask() : undefined));
  const work = useTogether(piece, rack, asked);
  const canPlan = rack.markers.some((m) => m.swatches.length);
  const planned = piece.areas.filter((a) => targetOf(a)).length;
  const plan = work.output;
  const points = plan?.trade && worthOf(plan.trade);
  const shown = plan && asked && planAt(plan, piece.whole.markerCost, asked.markerCost);
  return (
    <section aria-label="Planned together" className="grid gap-2 border-y border-strong py-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="m-0 text-[17px]">Planned together</h2>
        <span className="text-[14px] text-soft">
          {planned === piece.areas.length
            ? counted(planned, "area")
            : `${planned} of ${counted(piece.areas.length, "area")}; the others have no colour picked`}
          {work.shared > 0 && `; ${work.shared} of them share the group of a larger area of their colour`}
          {work.left > 0 && `; the ${work.left} smallest find no room: plan them one by one, or join some`}
        </span>
        <button
          className="button button-main ml-auto"
          disabled={!planned || !canPlan}
          onClick={() => setAsked(ask())}
        >
          Plan together
        </button>
      </div>
      {!canPlan && (
        <p className="m-0 text-[15px]">
          No marker has a colour on {rack.paper.name} yet: nothing can be planned from.{" "}
          <Link className="underline" href="/begin">
            Say which markers you own, and how they look
          </Link>
        </p>
      )}
      {asked && canPlan && (
        <Progress
          work={work}
          doing={plan ? "A plan is there; looking for better ones" : "Planning all areas"}
        />
      )}
      {plan?.isBrief && work.progress === undefined && (
        <p className="m-0 flex flex-wrap items-center gap-3 text-[14px] text-soft">
          Of so many areas only the likeliest ways to lay each were looked at.
          <button className="button" onClick={() => setAsked(ask(true))}>
            Look at all of them
          </button>
        </p>
      )}
      {points && points.length > 1 && (
        <Trade
          points={points}
          now={shown!.together.markers}
          onChoose={(markerCost) => run({ type: "wish of the whole", set: { markerCost } })}
        />
      )}
      {shown && <Changes key={asked.key} plan={shown} piece={piece} seen={seen} onProposal={onProposal} />}
    </section>
  );
}
