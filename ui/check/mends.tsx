"use client";
import type { Mend } from "@/compute/mend-one";
import { useMayChange } from "@/ui/studio/studio-context";
import { useRun } from "@/ui/piece/piece-context";
import type { Noticed } from "@/words/check";
import { mendInWords } from "@/words/mends";
import type { Check } from "./use-check";
import { WayRow } from "./way-row";

const idOf = (m: Mend) => `${m.kind} ${m.areas.join(" ")}`;

/** What mends one kind of finding, each taken by a button; nothing where nothing does. */
export function Mends({
  own: { mends },
  kind,
  areas,
  nameOf,
}: {
  readonly own: Pick<Check, "mends">;
  readonly kind: Noticed["kind"];
  /** Of these alone; of all where it is left out. */
  readonly areas?: readonly string[] | undefined;
  readonly nameOf: (id: string) => string;
}) {
  const run = useRun();
  const may = useMayChange();
  const isMeant = (m: Mend) => m.kind === kind && (!areas || areas.every((id) => m.areas.includes(id)));
  const known = mends.old ? [] : (mends.output?.mends.filter(isMeant) ?? []);
  const take = (taken: readonly Mend[]) => {
    const groups = taken.flatMap((m) => m.groups ?? []);
    if (groups.length) run({ type: "accept groups", groups });
    for (const { shares, white } of taken) {
      if (shares) run({ type: "change tones", id: shares.id, set: { shares: shares.shares } });
      if (white) run({ type: "change tones", id: white.id, set: { whites: [white.spot] } });
    }
  };
  // What changes the same area twice is taken one after the other, each measured anew.
  const ids = known.flatMap((m) => m.groups?.map((g) => g.id) ?? [m.areas[0]!]);
  const isApart = new Set(ids).size === ids.length;
  if (!known.length) return null;
  return (
    <div className="mt-2 flex flex-col gap-1.5" data-testid="mends">
      {known.map((m) => {
        const words = mendInWords(m, nameOf);
        return (
          <WayRow key={idOf(m)} {...words} label={`${words.take}: ${words.says}`} onTake={() => take([m])} />
        );
      })}
      {may && known.length > 1 && isApart && (
        <button className="button button-main self-start" onClick={() => take(known)}>
          Take all {known.length}
        </button>
      )}
    </div>
  );
}
