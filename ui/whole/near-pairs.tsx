"use client";
import { useMemo } from "react";
import type { PlanPieceOutput } from "@/compute/operations/plan-piece";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { middleOf, type Merging, type SeenArea } from "@/core/piece/overview";
import { targetOf, tonesOf, type KeptTone, type Piece } from "@/core/piece/piece";
import { tonesOfGroup } from "@/compute/kept-groups";
import type { Rack } from "@/store/rack";
import { useAsk } from "@/ui/jobs/use-job";
import { useRun } from "@/ui/piece/piece-context";
import { differenceWords } from "@/words/closeness";
import type { AcceptGroups } from "./changes";
import { mostAtOnce, wholeQuestion } from "./use-together";

/** What must be gained, ΔE00, for a way out to be offered. */
const WORTH = 0.5;

/** Local colour of a group as it was planned. */
const localOf = (group: PlanPieceOutput["areas"][number]["group"]): Lab => group.places[1 + group.local]!.lab;

/** A way to part a pair: the groups of its areas, planned anew with everything else as it is. */
interface Remedy {
  readonly after: number;
  readonly command: AcceptGroups;
  readonly names: readonly string[];
}

function remedyOf(
  plan: PlanPieceOutput | undefined,
  pair: Merging,
  seen: readonly SeenArea[],
): Remedy | undefined {
  if (!plan) return undefined;
  const planned = pair.areas.map(({ id }) => plan.areas.find((a) => a.id === id));
  const locals = pair.areas.map(({ id }, i) => {
    const own = planned[i];
    return own ? localOf(own.group) : middleOf(seen.find((s) => s.area.id === id)!);
  });
  const [a, b] = locals;
  if (!a || !b) return undefined;
  const groups = planned.flatMap((own, i) => {
    if (!own) return [];
    const area = pair.areas[i]!;
    const tones = tonesOfGroup(own.group);
    const before = tonesOf(area);
    const same = before.length === tones.length && before.every((t, n) => t.code === tones[n]!.code);
    return same ? [] : [{ id: area.id, name: area.name, tones: tones as KeptTone[], shade: own.group.shade }];
  });
  const after = deltaE00(a, b);
  if (!groups.length || after < pair.deltaE00 + WORTH) return undefined;
  return {
    after,
    names: groups.map((g) => g.name),
    command: { type: "accept groups", groups: groups.map(({ name: _, ...g }) => g) },
  };
}

/** Neighbours that can hardly be told apart, with the computed way out. */
export function NearPairs({
  piece,
  rack,
  seen,
  pairs,
  onPoint,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly seen: readonly SeenArea[];
  readonly pairs: readonly Merging[];
  readonly onPoint: (ids: readonly string[]) => void;
}) {
  const worstFirst = useMemo(() => [...pairs].sort((a, b) => a.deltaE00 - b.deltaE00), [pairs]);
  if (!pairs.length) return null;
  return (
    <section aria-label="Neighbours that run together" className="grid gap-1 text-[14px]">
      <h2 className="small-title m-0">Neighbours that run together</h2>
      <ul className="m-0 grid list-none gap-1 p-0">
        {worstFirst.map((pair) => (
          <NearPair
            key={pair.areas.map((a) => a.id).join()}
            piece={piece}
            rack={rack}
            seen={seen}
            pair={pair}
            onPoint={onPoint}
          />
        ))}
      </ul>
    </section>
  );
}

function NearPair({
  piece,
  rack,
  seen,
  pair,
  onPoint,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly seen: readonly SeenArea[];
  readonly pair: Merging;
  readonly onPoint: (ids: readonly string[]) => void;
}) {
  const run = useRun();
  const ids = pair.areas.map((a) => a.id);
  // Everything else stays, so that this is a small question.
  const question = useMemo(() => {
    const own = pair.areas.map((a) => a.id);
    const asked = wholeQuestion(piece, rack, (a) => !own.includes(a.id));
    const beside = new Set([
      ...own,
      ...asked.neighbours.filter((p) => p.some((id) => own.includes(id))).flat(),
    ]);
    const { limit: _, ...rest } = asked;
    const near = asked.areas.filter((a) => beside.has(a.id));
    // What touches more areas than can be planned at once is looked at beside the largest of them.
    const areas = [
      ...near.filter((a) => own.includes(a.id)),
      ...near.filter((a) => !own.includes(a.id)).sort((a, b) => (b.mm2 ?? 0) - (a.mm2 ?? 0)),
    ].slice(0, mostAtOnce(rack));
    const there = new Set(areas.map((a) => a.id));
    return {
      ...rest,
      areas,
      neighbours: asked.neighbours.filter((p) => p.every((id) => there.has(id))),
    };
  }, [piece, rack, pair.areas]);
  const canPlan = pair.areas.some((a) => targetOf(a)) && question.areas.length > 0;
  const work = useAsk("planPiece", rack, canPlan ? question : null);
  const remedy = work.progress === undefined ? remedyOf(work.output, pair, seen) : undefined;
  const [first, second] = pair.areas;
  return (
    <li
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 border-strong bg-panel py-1 pl-3"
      onPointerEnter={() => onPoint(ids)}
      onPointerLeave={() => onPoint([])}
      onFocus={() => onPoint(ids)}
      onBlur={() => onPoint([])}
    >
      <span className="min-w-0 flex-1">
        <strong>
          {first.name} and {second.name}
        </strong>
        : {differenceWords(pair.deltaE00)}, {pair.deltaE00.toFixed(1)} ΔE00 where {piece.whole.apart} is
        wished.
        {work.progress !== undefined && <span className="text-soft"> Looking for a way out…</span>}
        {work.progress === undefined && work.output && !remedy && (
          <span className="text-soft"> No group was found that parts them better.</span>
        )}
      </span>
      {remedy && (
        <button className="button min-h-9 py-0" onClick={() => run(remedy.command)}>
          Plan {remedy.names.join(" and ")} anew: {remedy.after.toFixed(1)} apart
        </button>
      )}
    </li>
  );
}
