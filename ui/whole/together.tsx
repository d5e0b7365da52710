"use client";
import { useState } from "react";
import type { SeenArea } from "@/core/piece/overview";
import { targetOf, type Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { counted } from "@/words/numbers";
import { Changes, type AcceptGroups } from "./changes";
import { Trade } from "./charts";
import { togetherKey, useTogether } from "./use-together";

/** Plans every area with the others in mind, and lists what would change before anything does. */
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
  const [asked, setAsked] = useState<{ key: string; trade: boolean }>();
  const work = useTogether(piece, rack, asked);
  const planned = piece.areas.filter((a) => targetOf(a)).length;
  const ask = (trade: boolean) => setAsked({ key: togetherKey(piece, rack), trade });
  const plan = work.output;
  return (
    <section aria-label="Planned together" className="grid gap-2 border-y border-strong py-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="m-0 text-[17px]">Planned together</h2>
        <span className="text-[14px] text-soft">
          {planned === piece.areas.length
            ? counted(planned, "area")
            : `${planned} of ${counted(piece.areas.length, "area")}; the others have no colour picked`}
        </span>
        <button className="button button-main ml-auto" disabled={!planned} onClick={() => ask(false)}>
          Plan together
        </button>
        <button className="button" disabled={!planned} onClick={() => ask(true)}>
          Show the trade
        </button>
      </div>
      {asked && <Progress work={work} doing="Planning all areas" />}
      {plan && <Changes key={asked!.key} plan={plan} piece={piece} seen={seen} onProposal={onProposal} />}
      {plan?.trade && (
        <div>
          <h3 className="small-title m-0">Markers against fit</h3>
          <Trade points={plan.trade} now={plan.together.markers} />
          <table className="mt-1 border-collapse text-[14px]">
            <thead>
              <tr>
                {["price of a marker", "markers", "mean score", "local colour off"].map((h) => (
                  <th key={h} className="pr-5 text-left">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {plan.trade.map((t) => (
                <tr key={t.markerCost} className="border-t border-line">
                  <td className="pr-5">{t.markerCost ? t.markerCost.toFixed(1) : "none: area by area"}</td>
                  <td className="pr-5">{t.markers}</td>
                  <td className="pr-5">{t.fit.toFixed(2)}</td>
                  <td>{t.localDeltaE00.toFixed(2)} ΔE00</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
