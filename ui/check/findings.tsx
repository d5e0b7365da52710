"use client";
import { Progress } from "@/ui/jobs/progress";
import { useMayChange } from "@/ui/studio/studio-context";
import { useRun } from "@/ui/piece/piece-context";
import { noticedTogether } from "@/words/check";
import { wayInWords } from "@/words/ways-out";
import { Mends } from "./mends";
import type { Check } from "./use-check";
import { WayRow } from "./way-row";

/** What was noticed in the colouring, and under it what would mend it: laid and measured before it is offered, taken by one button. */
export function Findings({ own }: { readonly own: Check }) {
  const { over, ways, mends, piece } = own;
  const run = useRun();
  const may = useMayChange();
  const found = over.output!;
  // Of what nobody has planned there is nothing good to say either.
  const planned = piece.areas.some((a) => a.place && (a.white || a.layers.length > 0));
  const names = new Map(piece.areas.map((a) => [a.id, a.name]));
  const nameOf = (area: string) => names.get(area) ?? area;
  const asked = new Set(own.askedOut);
  const known = ways.old ? [] : (ways.output?.areas.filter((w) => asked.has(w.id)) ?? []);
  const better = known.filter((w) => w.group);
  const rest = known.filter((w) => !w.group && w.white === undefined);
  const firstOff = found.noticed.findIndex((n) => n.kind === "off target");
  const lines = noticedTogether(found.noticed, nameOf);
  const offLine = firstOff < 0 ? undefined : lines.findLast((l) => l.kind === "off target");
  return (
    <ul className="m-0 list-none border-t border-line p-0" data-testid="noticed">
      {lines.map((n) => (
        <li key={n.says} className="border-b border-line py-2 text-[15px]">
          <strong className="font-semibold">{n.says}.</strong>{" "}
          <span className="text-soft">
            {n.figure}; {n.advice}.
          </span>
          <Mends own={own} kind={n.kind} areas={n.areas.length > 2 ? undefined : n.areas} nameOf={nameOf} />
          {n === offLine && (
            <div className="mt-2 flex flex-col gap-1.5" data-testid="ways-out">
              <Progress work={ways} doing="Looking for a way out" />
              {known.map((w) => {
                const words = wayInWords(w, nameOf(w.id));
                return (
                  words && (
                    <WayRow
                      key={w.id}
                      {...words}
                      label={`${words.take} for ${nameOf(w.id)}`}
                      onTake={() =>
                        w.group
                          ? run({ type: "accept groups", groups: [{ id: w.id, ...w.group }] })
                          : run({ type: "mark areas", ids: [w.id], set: { white: true } })
                      }
                    />
                  )
                );
              })}
              {may && better.length > 1 && (
                <button
                  className="button button-main self-start"
                  onClick={() =>
                    run({ type: "accept groups", groups: better.map((w) => ({ id: w.id, ...w.group! })) })
                  }
                >
                  Take all {better.length}
                </button>
              )}
              {rest.length > 0 && (
                <details>
                  <summary className="min-h-8 cursor-pointer text-soft">
                    {rest.length === 1
                      ? `${nameOf(rest[0]!.id)} is the best that this rack gives`
                      : `${rest.length} areas are the best that this rack gives`}
                  </summary>
                  <ul className="m-0 list-none p-0">
                    {rest.map((w) => (
                      <li key={w.id} className="py-0.5">
                        {nameOf(w.id)}, {w.before.toFixed(1)} ΔE00
                        {w.buy && (
                          <>
                            : with <span className="font-mono">{w.buy.code}</span>, which you do not own,{" "}
                            {w.buy.after.toFixed(1)}
                          </>
                        )}
                        .
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </div>
          )}
        </li>
      ))}
      {mends.progress !== undefined && (
        <li className="py-2">
          <Progress work={mends} doing="Looking for what mends it" />
        </li>
      )}
      {!found.noticed.length && (
        <li className="border-b border-line py-2 text-[15px]">
          {planned
            ? "Nothing runs together, no highlight is lost, and what was picked is met."
            : "Nothing is planned yet: keep a group for an area in Colour, and it is looked over here."}
        </li>
      )}
    </ul>
  );
}
