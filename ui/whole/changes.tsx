"use client";
import { useEffect, useState } from "react";
import type { PlanPieceOutput } from "@/compute/operations/plan-piece";
import { deltaE00 } from "@/core/colour/delta-e00";
import { labToHex } from "@/core/colour/display";
import type { Command } from "@/core/piece/commands";
import type { SeenArea } from "@/core/piece/overview";
import type { Piece } from "@/core/piece/piece";
import { Ramp } from "@/ui/ink/ramp";
import { useRun } from "@/ui/piece/piece-context";
import { counted } from "@/words/numbers";
import { changedTo } from "./changed";

export type AcceptGroups = Extract<Command, { type: "accept groups" }>;

/** What a joint plan would change, area by area, to be taken or left. */
export function Changes({
  plan,
  piece,
  seen,
  onProposal,
}: {
  plan: PlanPieceOutput;
  piece: Piece;
  seen: readonly SeenArea[];
  /** Told what would be taken as it is chosen; undefined when nothing is proposed any more. */
  onProposal: (command: AcceptGroups | undefined) => void;
}) {
  const run = useRun();
  const rows = plan.areas.map(({ id, group }) => {
    const before = seen.find((s) => s.area.id === id)!;
    const { tones, same } = changedTo(before.area, group, before.tones);
    const apart =
      before.tones.length === group.tones.length
        ? group.tones.reduce(
            (sum, _, i) => sum + deltaE00(group.places[i + 1]!.lab, before.tones[i]!.lab),
            0,
          ) / group.tones.length
        : undefined;
    return { id, group, before, tones, same, apart };
  });
  const changed = rows.filter((r) => !r.same);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const chosen = changed.filter((r) => !left.has(r.id));
  const command: AcceptGroups = {
    type: "accept groups",
    groups: chosen.map(({ id, tones, group }) => ({ id, tones, shade: group.shade })),
  };
  const said = chosen.length ? JSON.stringify(command) : "";
  useEffect(() => {
    onProposal(said ? (JSON.parse(said) as AcceptGroups) : undefined);
    return () => onProposal(undefined);
  }, [said, onProposal]);
  const toggle = (id: string, on: boolean) => {
    const next = new Set(left);
    if (on) next.delete(id);
    else next.add(id);
    setLeft(next);
  };
  const fewer = plan.apart.markers - plan.together.markers;
  return (
    <>
      <p className="m-0 text-[15px]" role="status">
        <strong>{counted(plan.together.markers, "marker")}</strong>
        {fewer > 0 ? `, ${fewer} fewer than area by area` : ""}; local colours{" "}
        {plan.together.localDeltaE00.toFixed(1)} ΔE00 off on average ({plan.apart.localDeltaE00.toFixed(1)}{" "}
        area by area).
        {plan.together.crowding > 0.05 &&
          ` Neighbours still stand ${plan.together.crowding.toFixed(1)} too near in all.`}
        {!plan.limitMet && (
          <strong>
            {" "}
            The limit of {piece.whole.markerLimit} markers cannot be met with these tones: fewer tones in some
            areas would.
          </strong>
        )}
      </p>
      {changed.length === 0 ? (
        <p className="m-0 text-[15px]">
          Nothing that is better for the whole was found: every kept group stays.
        </p>
      ) : (
        <>
          <ul className="m-0 list-none p-0" aria-label="Changes">
            {changed.map((r) => (
              <li
                key={r.id}
                className="grid grid-cols-[auto_110px_minmax(0,1fr)_minmax(0,1fr)] items-center gap-x-3 border-t border-line py-1 text-[14px]"
              >
                <input
                  type="checkbox"
                  className="size-4 accent-black"
                  checked={!left.has(r.id)}
                  onChange={(e) => toggle(r.id, e.target.checked)}
                  aria-label={`Take the change of ${r.before.area.name}`}
                />
                <span className="truncate font-semibold">
                  {r.before.area.name}
                  <span className="block text-[13px] font-normal text-soft">
                    {r.apart !== undefined
                      ? `${r.apart.toFixed(1)} ΔE00 apart`
                      : r.before.tones.length
                        ? `${r.tones.length} for ${counted(r.before.tones.length, "tone")}`
                        : "new"}
                  </span>
                </span>
                <span className="min-w-0">
                  {r.before.tones.length > 0 && (
                    <Ramp
                      colours={r.before.strip ?? r.before.tones.map((t) => labToHex(t.lab))}
                      height={22}
                      label={`${r.before.area.name} now`}
                    />
                  )}
                  <span className="code block truncate text-[12.5px]">
                    {r.before.tones.map((t) => t.code).join(" ") || "no group kept"}
                  </span>
                </span>
                <span className="min-w-0">
                  <Ramp colours={r.group.strip} height={22} label={`${r.before.area.name} then`} />
                  <span className="code block truncate text-[12.5px]">
                    {r.tones
                      .map((t) => (r.before.tones.some((b) => b.code === t.code) ? t.code : `+${t.code}`))
                      .join(" ")}
                  </span>
                </span>
              </li>
            ))}
          </ul>
          <div>
            <button className="button button-main" disabled={!chosen.length} onClick={() => run(command)}>
              Take {counted(chosen.length, "change")}
            </button>
          </div>
        </>
      )}
    </>
  );
}
