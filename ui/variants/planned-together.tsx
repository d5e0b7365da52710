"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import type { PlanPieceOutput } from "@/compute/operations/plan-piece";
import { plainTones } from "@/compute/kept-groups";
import { applyCommand, type Command } from "@/core/piece/commands";
import { allVariants } from "@/core/piece/variants";
import { targetOf, tonesOf, type Area, type Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Ramp } from "@/ui/ink/ramp";
import { Progress } from "@/ui/jobs/progress";
import { useSending } from "@/ui/jobs/use-sending";
import { changedTo } from "@/ui/whole/changed";
import { usePieceHandles, useRun } from "@/ui/piece/piece-context";
import { togetherKey, useTogether, type AskedTogether } from "@/ui/whole/use-together";
import { counted, listed } from "@/words/numbers";
import { changeVariant } from "./change-variant";
import type { OtherVariant } from "./variants-view";

type AcceptGroups = Extract<Command, { type: "accept groups" }>;

interface Row {
  readonly variant: number;
  readonly area: Area;
  readonly group: PlanPieceOutput["areas"][number]["group"];
  readonly tones: AcceptGroups["groups"][number]["tones"];
}

/** Areas whose group a joint plan would change. */
function rowsOf(
  plan: PlanPieceOutput,
  of: (id: string) => { variant: number; area: Area } | undefined,
): Row[] {
  return plan.areas.flatMap(({ id, group }) => {
    const own = of(id);
    if (!own) return [];
    const { tones, same } = changedTo(own.area, group);
    return same ? [] : [{ ...own, group, tones }];
  });
}

/** Rows of one area that would change from the same to the same, together. */
function alike(rows: readonly Row[]): readonly (readonly Row[])[] {
  const by = new Map<string, Row[]>();
  for (const row of rows) {
    const key = JSON.stringify([row.area.id, plainTones(tonesOf(row.area)), row.tones, row.group.shade]);
    by.set(key, [...(by.get(key) ?? []), row]);
  }
  return [...by.values()];
}

/** All variants on one paper planned as one: as few markers as do for all of them, shown before anything is taken. */
export function PlannedTogether({
  piece,
  others,
  rack,
  rampOf,
}: {
  readonly piece: Piece;
  readonly others: readonly OtherVariant[];
  readonly rack: Rack;
  /** Colours along an area of a variant as it stands. */
  readonly rampOf: (variant: number, area: string) => readonly string[];
}) {
  const run = useRun();
  const router = useRouter();
  const sending = useSending();
  const { id: own } = usePieceHandles();
  const joined = useMemo(() => others.filter((o) => o.paperId === rack.paper.id), [others, rack]);
  const elsewhere = others.filter((o) => o.paperId !== rack.paper.id);
  const all = useMemo(
    () =>
      allVariants(
        piece,
        joined.map((o) => o.piece),
      ),
    [piece, joined],
  );
  const [asked, setAsked] = useState<AskedTogether>();
  const [taken, setTaken] = useState<number>();
  /** What this piece is built of stays, and the others are planned around it. */
  const [keeps, setKeeps] = useState(false);
  const held = useMemo(
    () => (keeps ? (area: Area) => all.of.get(area.id)?.variant === 0 : undefined),
    [keeps, all],
  );
  const work = useTogether(all.piece, rack, asked, held);
  const pieces = [
    { id: own, name: piece.name, areas: piece.areas },
    ...joined.map((o) => ({ ...o, ...o.piece })),
  ];
  const planned = all.piece.areas.filter((a) => targetOf(a)).length;
  const plan = work.output;
  const now = new Set(pieces.flatMap((p) => p.areas.flatMap((a) => tonesOf(a).map((t) => t.code)))).size;
  const rows = plan
    ? rowsOf(plan, (id) => {
        const place = all.of.get(id);
        const area = place && pieces[place.variant]!.areas.find((a) => a.id === place.area);
        return place && area ? { variant: place.variant, area } : undefined;
      })
    : [];
  const commandOf = (variant: number): AcceptGroups => ({
    type: "accept groups",
    groups: rows
      .filter((r) => r.variant === variant)
      .map(({ area, tones, group }) => ({ id: area.id, tones, shade: group.shade })),
  });
  const take = () =>
    sending.run(async () => {
      let done = 0;
      try {
        for (const [variant, { id }] of pieces.entries()) {
          const command = commandOf(variant);
          if (!command.groups.length) continue;
          if (variant === 0) run(command);
          else await changeVariant(id, (p) => applyCommand(p, command));
          done += 1;
        }
      } finally {
        setTaken(done);
        setAsked(undefined);
        router.refresh();
      }
    });
  if (joined.length === 0 && !sending.trouble) return null;
  const at = (i: number) => (i ? others.indexOf(joined[i - 1]!) + 1 : 0);
  return (
    <section
      aria-label="Planned together"
      className="screen-only mb-6 grid gap-2 border-y border-strong py-3"
    >
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="m-0 text-[17px]">Planned together</h2>
        <span className="text-[14px] text-soft">
          {counted(planned, "area")} of {counted(pieces.length, "piece")}, with as few markers as do for all
          {elsewhere.length > 0 && `; not ${listed(elsewhere.map((o) => o.name))}, on another paper`}
        </span>
        <label className="ml-auto flex min-h-8 items-center gap-2 text-[15px]">
          <input
            type="checkbox"
            className="size-4 accent-black"
            checked={keeps}
            onChange={(e) => setKeeps(e.target.checked)}
          />
          This one stays as it is
        </label>
        <button
          className="button button-main"
          disabled={!planned || sending.busy}
          onClick={() => {
            setTaken(undefined);
            setAsked({ key: togetherKey(all.piece, rack), markerCost: piece.whole.markerCost });
          }}
        >
          Plan all variants together
        </button>
      </div>
      {asked && (
        <Progress
          work={work}
          doing={plan ? "A plan is there; looking for better ones" : "Planning all variants"}
        />
      )}
      {plan && asked && (
        <>
          <p className="m-0 text-[15px]" role="status">
            <strong>{counted(plan.together.markers, "marker")}</strong> for all of them
            {plan.apart.markers > plan.together.markers &&
              `, ${plan.apart.markers - plan.together.markers} fewer than area by area`}
            {`; ${now} in their tones now`}.{" "}
            {rows.length ? `${counted(rows.length, "area")} would change:` : "They are planned so already."}
          </p>
          {rows.length > 0 && (
            <ul className="m-0 grid max-h-[420px] list-none gap-x-8 overflow-auto p-0 min-[900px]:grid-cols-2">
              {alike(rows).map(([first, ...more]) => {
                const { variant, area, group, tones } = first!;
                const names = [first!, ...more].map((r) => pieces[r.variant]!.name);
                const now = rampOf(at(variant), area.id);
                return (
                  <li
                    key={`${variant} ${area.id}`}
                    className="grid grid-cols-[minmax(0,1fr)_100px_100px] items-center gap-3 border-b border-line py-1.5"
                  >
                    <span className="min-w-0">
                      <span className="block truncate text-[15px]" title={names.join(", ")}>
                        <b>{area.name}</b>,{" "}
                        {names.length === pieces.length ? `in all ${names.length}` : listed(names)}
                      </span>
                      <span className="code block truncate text-[13px]">
                        {tones.map((t) => t.code).join(" ")}
                      </span>
                    </span>
                    {now.length ? (
                      <Ramp colours={now} height={26} label={`${area.name} now`} />
                    ) : (
                      <span className="text-[13px] text-soft">
                        {tonesOf(area).length ? "not judged yet" : "no plan yet"}
                      </span>
                    )}
                    <Ramp colours={group.strip} height={26} label={`${area.name} as proposed`} />
                  </li>
                );
              })}
            </ul>
          )}
          {rows.length > 0 && work.progress === undefined && (
            <p className="m-0">
              <button className="button button-main" disabled={sending.busy} onClick={() => void take()}>
                Take it for {counted(new Set(rows.map((r) => r.variant)).size, "piece")}
              </button>
            </p>
          )}
        </>
      )}
      {taken !== undefined && !sending.trouble && (
        <p role="status" className="m-0 text-[15px]">
          Taken for {counted(taken, "piece")}.
        </p>
      )}
      {sending.trouble && (
        <p role="alert" className="m-0">
          {sending.trouble}
        </p>
      )}
    </section>
  );
}
