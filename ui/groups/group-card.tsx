"use client";
import { drop } from "@/ui/kit/dropping";
import { differenceWords } from "@/words/closeness";
import { Link } from "@/ui/kit/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { displayLab } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import type { GroupLaid } from "@/core/log/group-laid";
import type { GroupUse } from "@/core/group/library";
import { MATERIAL_HABITS } from "@/core/group/material";
import { rolesOf } from "@/core/group/tone";
import { VERDICTS, type Verdict } from "@/core/stock/verdicts";
import type { LibraryGroup } from "@/store/groups";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { Ramp } from "@/ui/ink/ramp";
import { MarkerChip } from "@/ui/ink/marker-chip";

import { NotesField } from "@/ui/kit/notes-field";
import { messageOf, send } from "@/ui/send";
import { coatsInWords, signed } from "@/words/numbers";
import { laidInWords, verdictInWords } from "@/words/verdict";

interface Props {
  readonly group: LibraryGroup;
  /** Colours of its tones on the rack's paper; undefined where one was not read. */
  readonly labs: readonly (Lab | undefined)[];
  readonly rack: Rack;
  readonly papers: readonly PaperSheet[];
  readonly uses: readonly GroupUse[];
  /** How often it lies on which paper, by the work at the desk. */
  readonly laid?: readonly GroupLaid[];
}

/** One kept group: its tones on this paper, results, notes, where it is used, and the like from what is owned. */
export function GroupCard({ group, labs, rack, papers, uses, laid = [] }: Props) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string>();
  const [saved, setSaved] = useState(false);
  const [like, setLike] = useState(false);
  const change = (set: object) =>
    send("PATCH", `/api/groups/${group.id}`, set).then(
      () => {
        setTrouble(undefined);
        setSaved(true);
        router.refresh();
        return true;
      },
      (e: unknown) => {
        setTrouble(messageOf(e));
        return false;
      },
    );
  const judge = (paperId: string, verdict: Verdict) =>
    change({
      results: [
        ...group.results.filter((r) => r.paperId !== paperId),
        ...(verdict === "open"
          ? []
          : [{ paperId, verdict, note: group.results.find((r) => r.paperId === paperId)?.note ?? "" }]),
      ],
    });
  const roles = rolesOf(group.tones.length);
  const wanted = labs.every((l): l is Lab => l !== undefined) ? labs : undefined;
  const owned = rack.markers
    .filter(
      (m) =>
        m.owned &&
        m.swatches.length &&
        m.state !== "dry" &&
        !group.tones.some((t) => t.code === m.code && !m.owned),
    )
    .map((m) => m.code);
  const work = useAsk(
    "substituteGroup",
    rack,
    like && wanted ? { tones: wanted.map((lab) => ({ lab })), among: owned, top: 3, ownedOnly: true } : null,
  );
  return (
    <section
      id="group-card"
      aria-label={group.name}
      className="grid min-w-0 content-start gap-3 self-start border-t-2 border-text pt-2 text-[14px]"
    >
      <div className="flex items-start gap-2">
        <input
          aria-label="Name of the group"
          className="min-h-9 min-w-0 flex-1 border border-transparent bg-transparent px-1 text-[19px] font-semibold hover:border-line"
          defaultValue={group.name}
          maxLength={80}
          onBlur={(e) =>
            e.target.value.trim() &&
            e.target.value !== group.name &&
            void change({ name: e.target.value.trim() })
          }
          onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
        />
        <span role="status" className="text-soft">
          {saved && "Saved"}
        </span>
        <button
          className="button-bare text-[14px] underline"
          onClick={() => drop(`/api/groups/${group.id}`, `The group “${group.name}”`)}
        >
          Drop
        </button>
      </div>
      {trouble && (
        <p role="alert" className="m-0 border-l-4 border-strong pl-3">
          {trouble}
        </p>
      )}
      <ol className="m-0 list-none p-0" aria-label="Tones">
        {group.tones.map((t, i) => {
          const marker = rack.markers.find((m) => m.code === t.code);
          const lab = labs[i];
          return (
            <li
              key={t.code}
              className="grid grid-cols-[40px_60px_84px_minmax(0,1fr)] items-center gap-x-2 min-[420px]:grid-cols-[52px_76px_96px_minmax(0,1fr)] min-[420px]:gap-x-3 border-b border-line py-1"
            >
              <span
                className="h-8 border border-strong"
                style={{ background: lab ? displayLab(lab).hex : "transparent" }}
                aria-hidden
              />
              {marker ? (
                <MarkerChip marker={marker} width={76} height={26} />
              ) : (
                <span className="text-[13px]">not on the rack</span>
              )}
              <span className="code text-[15px]">{t.code}</span>
              <span>
                {roles[i]}, {coatsInWords(t.coats)}
                {lab ? `, lightness ${signed(lab[0])}` : ", not read here"}
              </span>
            </li>
          );
        })}
      </ol>
      <p className="m-0">
        {group.material}, laid {group.school ?? MATERIAL_HABITS[group.material].school}
        {group.underlay && (
          <>
            ; <span className="code">{group.underlay.code}</span> {coatsInWords(group.underlay.coats)} beneath
            the shadow
          </>
        )}
      </p>
      <label className="block">
        Tags
        <input
          className="field mt-0.5 w-full"
          defaultValue={group.tags.join(", ")}
          onBlur={(e) => {
            const tags = [
              ...new Set(
                e.target.value
                  .split(",")
                  .map((t) => t.trim())
                  .filter(Boolean),
              ),
            ];
            if (tags.join() !== group.tags.join()) void change({ tags });
          }}
        />
      </label>
      <NotesField
        key={group.id}
        field={`notes on group ${group.id}`}
        stored={group.notes}
        rows={2}
        onStore={(notes) => change({ notes })}
      />
      <div role="group" aria-label="Results by paper">
        <h2 className="small-title m-0">How it came out</h2>
        {papers.map((p) => {
          const result = group.results.find((r) => r.paperId === p.id);
          return (
            <label key={p.id} className="flex items-center gap-2 border-t border-line py-1">
              <span
                className="size-5 border border-strong"
                style={{ background: displayLab(p.lab).hex }}
                aria-hidden
              />
              <span className="flex-1">{p.name}</span>
              <select
                className="field min-h-8"
                aria-label={`Verdict on ${p.name}`}
                value={result?.verdict ?? "open"}
                onChange={(e) => void judge(p.id, e.target.value as Verdict)}
              >
                {VERDICTS.map((v) => (
                  <option key={v} value={v}>
                    {verdictInWords(v)}
                  </option>
                ))}
              </select>
            </label>
          );
        })}
      </div>
      <div>
        <h2 className="small-title m-0">Where it is used</h2>
        {uses.length ? (
          <ul className="m-0 list-none p-0">
            {uses.map((u) => (
              <li key={u.pieceId + u.areaId} className="border-t border-line py-1">
                <Link className="underline" href={`/pieces/${u.pieceId}/colour?area=${u.areaId}`}>
                  {u.piece}, {u.area}
                </Link>{" "}
                <span className="text-soft">{Math.round(100 * u.share)}% of its markers</span>
              </li>
            ))}
          </ul>
        ) : (
          <p className="m-0">In none of the 200 pieces changed last.</p>
        )}
        {laid.map((l) => (
          <p key={l.paperId} className="mt-1 mb-0">
            {laidInWords(l, papers.find((p) => p.id === l.paperId)?.name)}
          </p>
        ))}
      </div>
      <div>
        <div className="flex items-center gap-2">
          <h2 className="m-0 text-[16px]">Like this, from what I own</h2>
          {!like && (
            <button className="button ml-auto" disabled={!wanted} onClick={() => setLike(true)}>
              Make it on {rack.paper.name}
            </button>
          )}
        </div>
        {!wanted && (
          <p className="m-0">
            Not every tone has been read on {rack.paper.name}: choose the paper it is known on.
          </p>
        )}
        {like && <Progress work={work} doing="Making it again" />}
        <ul className="m-0 list-none p-0" aria-label="Made again from owned markers">
          {work.output?.groups.map((g) => (
            <li
              key={g.group.tones.map((t) => t.code).join()}
              className="grid grid-cols-[120px_minmax(0,1fr)] items-center gap-3 border-t border-line py-1"
            >
              <Ramp colours={g.group.strip} height={26} label="Made again" />
              <span className="min-w-0 leading-tight">
                <span className="code block truncate text-[13px]">
                  {g.group.tones.map((t) => (t.coats > 1 ? `${t.code}×${t.coats}` : t.code)).join(" ")}
                </span>
                <span className="text-[13px] text-soft">
                  {differenceWords(g.mean)} on average, {g.mean.toFixed(1)} ΔE00; each{" "}
                  {g.each.map((e) => e.toFixed(1)).join(", ")}
                </span>
              </span>
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}
