"use client";
import { Check, Target, X } from "lucide-react";
import { useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { GroupOutput } from "@/compute/group";
import { labToHex } from "@/core/colour/display";
import type { Fix } from "@/core/group/advice";
import { MOST_TONES, FEWEST_TONES, rolesOf } from "@/core/group/tone";
import { moved } from "@/core/piece/commands";
import { PLACES, targetOf, type Area, type KeptTone } from "@/core/piece/piece";
import { spreadInWords } from "@/core/picture/patch";
import { whereToLay } from "@/core/work/passes";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/compute/progress";
import { Ramp, rampColours } from "@/ui/ink/ramp";
import Link from "next/link";
import { nameStack } from "@/core/formats/cgats";
import { messageOf, send } from "@/ui/send";
import { Strata, type Layer } from "@/ui/ink/strata";
import { ValueRuler } from "@/ui/ink/value-ruler";
import { useFinder } from "@/ui/shell";
import { signed } from "@/ui/wording";
import { MatchDialog } from "./match-dialog";
import { placeNames } from "./picture-pane";
import { useRun } from "./piece-context";
import { useAssessed, useBuild, usePlan } from "./use-groups";

const sameTones = (a: readonly KeptTone[], b: readonly KeptTone[]) => a.length === b.length && a.every((t) => b.some((o) => o.code === t.code && o.coats === t.coats));
const tonesOf = (g: GroupOutput): KeptTone[] => g.tones.map(({ code, coats }) => ({ code, coats }));

/** Everything about one area: readings, wishes, the group with its strata and ruler, advice, and the alternatives. */
export function AreaPanel({ area, rack }: { readonly area: Area; readonly rack: Rack }) {
  const run = useRun();
  const find = useFinder();
  const plan = usePlan(rack, area);
  const [preview, setPreview] = useState<{ area: string; place: number }>();
  const [matching, setMatching] = useState(false);
  const [tried, setTried] = useState<string>();
  const groups = plan.output?.groups ?? [];
  const previewed = preview?.area === area.id ? preview.place : area.group ? -1 : 0;
  const proposal = previewed >= 0 ? groups[previewed] : undefined;
  const tones = proposal ? tonesOf(proposal) : area.group?.tones;
  const assessed = useAssessed(rack, area, tones);
  const build = useBuild(rack, tones);
  const group = assessed.output?.group;
  const isKept = !!tones && !!area.group && sameTones(tones, area.group.tones);

  const keep = (next: readonly KeptTone[]) => {
    run({ type: "keep group", id: area.id, group: { tones: next } });
    setPreview(undefined);
  };
  useHotkeys("k", () => tones && !isKept && keep(tones), [tones, isKept]);
  useHotkeys("m", () => targetOf(area) && setMatching(true), [area]);

  const exchange = (place: number) =>
    find({
      title: `Exchange ${tones![place]!.code}`,
      markers: rack.markers.filter((m) => m.swatches.length && !tones!.some((t) => t.code === m.code)),
      onPick: (m) => {
        const tone: KeptTone = { code: m.code, coats: 1, overruled: true };
        if (isKept) run({ type: "overrule tone", id: area.id, place, tone });
        else keep(tones!.map((t, i) => (i === place ? tone : t)));
      },
    });
  const apply = (fix: Fix) => {
    const byLight = group!.tones.map((t) => tones!.find((k) => k.code === t.code)!);
    if (fix.kind === "remove") keep(byLight.filter((_, i) => i !== fix.tone));
    else keep([...byLight.slice(0, fix.after + 1), { code: fix.code, coats: fix.coats }, ...byLight.slice(fix.after + 1)]);
  };

  const tryStack = async (place: number) => {
    const stack = build.known.slice(0, place + 1).flatMap((t) => Array<string>(t.coats).fill(t.code));
    const predicted = build.stacks?.[place];
    if (!predicted) return;
    await send("POST", "/api/trials", { paperId: rack.paper.id, stack, predicted: { lab: predicted.lab } }).then(
      () => setTried(`${nameStack(stack)} is noted to be tried.`),
      (e: unknown) => setTried(messageOf(e)),
    );
  };

  const layers: Layer[] = build.known.map((t, i) => {
    const depth = group?.tones.findIndex((g) => g.code === t.code) ?? -1;
    const after = build.stacks?.[i];
    const marker = rack.markers.find((m) => m.code === t.code);
    const warning = marker?.state === "dry" ? "dry: refill first" : marker?.state === "low" ? "running low" : marker && !marker.owned ? "not owned" : "";
    return {
      code: t.code,
      coats: t.coats,
      role: depth >= 0 ? rolesOf(group!.tones.length)[depth]! : "",
      where: depth >= 0 ? whereToLay(depth, group!.tones.length) : "",
      alone: group?.tones[depth]?.hex ?? "transparent",
      after: after && { hex: after.hex, lightness: after.lab[0], knowledge: after.knowledge },
      measured: group?.tones[depth]?.measured ?? true,
      overruled: t.overruled ?? false,
      warning,
    };
  });
  const layCoats = build.known.reduce((sum, t) => sum + t.coats, 0);

  return (
    <section aria-label={`Plan of ${area.name}`} className="min-w-0 space-y-3">
      <Wishes area={area} />
      <Readings area={area} onMatch={() => setMatching(true)} />
      <Progress work={plan} doing="Planning the group" />
      {assessed.missing.length > 0 && <p role="alert" className="m-0 text-[14px]"><strong>{assessed.missing.map((t) => t.code).join(", ")}</strong>: not read on {rack.paper.name}. Choose another paper or exchange the marker.</p>}
      {assessed.error && <p role="alert" className="m-0 text-[14px]">{assessed.error}</p>}
      {!targetOf(area) && !area.group && (
        <p className="m-0 max-w-[46ch] border border-dashed border-strong p-4 text-[16px]">
          Point at <strong>{area.name}</strong> in the picture: click its local colour, or drag over a patch of it. The group appears here.
        </p>
      )}
      {group && tones && (
        <>
          <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line pt-2">
            <h3 className="m-0 text-[16px]">{isKept ? "Kept group" : previewed > 0 ? `Alternative ${previewed}` : "Proposed group"}</h3>
            {assessed.hasTarget && <span className="text-[14px]">local colour {group.localColourDeltaE00.toFixed(1)} ΔE00, {group.localCloseness}; contrast {signed(group.contrast)} L*</span>}
            {isKept ? (
              <span className="ml-auto inline-flex min-h-9 items-center gap-1 text-[14px] font-semibold"><Check size={16} aria-hidden /> kept</span>
            ) : (
              <button className="button button-main ml-auto" onClick={() => keep(tones)}>Keep this group</button>
            )}
          </div>
          <div className="grid gap-3 min-[1180px]:grid-cols-[minmax(0,1fr)_236px]">
            <Strata
              layers={layers}
              paper={{ name: rack.paper.name, hex: labToHex(rack.paper.lab), lightness: rack.paper.lab[0] }}
              onMove={(from, to) => (isKept ? run({ type: "move tone", id: area.id, from, to }) : keep(moved(tones, from, to)))}
              onCoats={(place, coats) => {
                const tone: KeptTone = { ...tones[place]!, coats, overruled: true };
                if (isKept) run({ type: "overrule tone", id: area.id, place, tone });
                else keep(tones.map((t, i) => (i === place ? tone : t)));
              }}
              onExchange={exchange}
              onTry={(place) => void tryStack(place)}
            />
            <ValueRuler
              height={Math.max(220, 60 + layers.length * 48)}
              tones={group.tones.map((t) => ({ code: t.code, lightness: t.lab[0], hex: t.hex }))}
              steps={group.steps}
              marks={PLACES.flatMap((p) => (area.readings[p] ? [{ name: p, lightness: area.readings[p].lab[0] }] : []))}
            />
          </div>
          {tried && <p role="status" className="m-0 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]">{tried} <Link className="underline" href={`/swatchbook/${rack.paper.id}?tab=trials`}>Trials on {rack.paper.name}</Link></p>}
          {layCoats > rack.paper.capacity && <p className="m-0 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]"><strong>{layCoats} coats where all tones overlap:</strong> {rack.paper.name} holds {rack.paper.capacity}. Keep the darker tones inside their places, or bleed grows.</p>}
          <Advice group={group} onFix={apply} quiet={layCoats <= rack.paper.capacity} />
        </>
      )}
      {groups.length > 0 && (
        <section aria-label="Alternatives" className="border-t border-line pt-2">
          <h3 className="m-0 mb-1 text-[16px]">Groups from {area.ownedOnly ? "what you own" : "the whole range"}</h3>
          <ul className="m-0 list-none p-0">
            {groups.map((g, i) => {
              const shown = tones && sameTones(tonesOf(g), tones);
              return (
                <li key={g.tones.map((t) => t.code + t.coats).join()}>
                  <button className={`grid w-full grid-cols-[112px_minmax(0,1fr)] items-center gap-3 border-l-4 px-2 py-1 text-left ${shown ? "border-text" : "border-transparent hover:border-line"}`} aria-pressed={!!shown} onClick={() => setPreview({ area: area.id, place: i })}>
                    <Ramp colours={rampColours(g)} height={30} label={`Group ${i + 1} of ${area.name}`} />
                    <span className="min-w-0 leading-tight">
                      <span className="code block truncate">{g.tones.map((t) => (t.coats > 1 ? `${t.code}×${t.coats}` : t.code)).join("  ")}</span>
                      <span className="block text-[13px] text-soft">{i === 0 ? `best: score ${g.score.toFixed(1)}, local colour ${g.localColourDeltaE00.toFixed(1)} ΔE00` : g.difference}</span>
                    </span>
                  </button>
                </li>
              );
            })}
          </ul>
        </section>
      )}
      {matching && targetOf(area) && <MatchDialog rack={rack} target={targetOf(area)!.local} ownedOnly={area.ownedOnly} name={area.name} onClose={() => setMatching(false)} />}
    </section>
  );
}

function Wishes({ area }: { area: Area }) {
  const run = useRun();
  const [contrast, setContrast] = useState<{ id: string; value: string }>();
  const typed = contrast?.id === area.id ? contrast.value : area.contrast === null ? "" : String(area.contrast);
  const commit = () => {
    const v = Number(typed);
    if (typed.trim() === "") run({ type: "set contrast", id: area.id, contrast: null });
    else if (Number.isFinite(v)) run({ type: "set contrast", id: area.id, contrast: v });
    setContrast(undefined);
  };
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <h2 className="m-0 mr-auto text-[20px]">{area.name}</h2>
      <label className="flex items-center gap-1.5 text-[14px]">
        Tones
        <select className="field" value={area.tones} onChange={(e) => run({ type: "set tones", id: area.id, tones: Number(e.target.value) })}>
          {Array.from({ length: MOST_TONES - FEWEST_TONES + 1 }, (_, i) => <option key={i}>{i + FEWEST_TONES}</option>)}
        </select>
      </label>
      <label className="flex items-center gap-1.5 text-[14px]">
        Contrast, L*
        <input className="field w-16" inputMode="numeric" placeholder="auto" value={typed} onChange={(e) => setContrast({ id: area.id, value: e.target.value })} onBlur={commit} onKeyDown={(e) => e.key === "Enter" && commit()} />
      </label>
      <label className="flex items-center gap-1.5 text-[14px]">
        <input type="checkbox" className="size-4 accent-black" checked={area.ownedOnly} onChange={(e) => run({ type: "set owned only", id: area.id, ownedOnly: e.target.checked })} />
        Owned only
      </label>
    </div>
  );
}

function Readings({ area, onMatch }: { area: Area; onMatch: () => void }) {
  const run = useRun();
  const any = PLACES.some((p) => area.readings[p]);
  if (!any) return null;
  return (
    <div className="flex flex-wrap items-stretch gap-x-3 gap-y-2" role="group" aria-label="Readings">
      {PLACES.map((p) => {
        const r = area.readings[p];
        if (!r) return null;
        return (
          <div key={p} className="flex items-center gap-2" data-reading={p}>
            <span className="h-10 w-9 border border-strong" style={{ background: labToHex(r.lab) }} aria-hidden />
            <span className="text-[13px] leading-tight">
              <span className="block font-semibold">{placeNames[p]}</span>
              <span className="block text-soft" title={`spread ${r.spread.toFixed(1)} ΔE00`}>L* {signed(r.lab[0])}, {spreadInWords(r.spread)}</span>
            </span>
            <button className="button-bare min-w-7 px-0" onClick={() => run({ type: "clear reading", id: area.id, place: p })} aria-label={`Clear ${placeNames[p].toLowerCase()}`}><X size={15} aria-hidden /></button>
          </div>
        );
      })}
      <button className="button ml-auto self-center" onClick={onMatch}><Target size={16} aria-hidden /> Match exactly</button>
    </div>
  );
}

function Advice({ group, onFix, quiet }: { group: GroupOutput; onFix: (fix: Fix) => void; quiet: boolean }) {
  if (!group.advice.length) return !quiet ? null : <p className="m-0 text-[14px] text-soft">Nothing to warn of: every step is even and no blend turns muddy.</p>;
  return (
    <ul className="m-0 list-none space-y-1 p-0" aria-label="Advice">
      {group.advice.map((a) => (
        <li key={a.kind + a.message} className="flex items-center gap-3 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]">
          <span className="flex-1"><strong className="mr-1">{a.kind[0]!.toUpperCase() + a.kind.slice(1)}.</strong>{a.message}</span>
          {a.fix && (a.fix.kind === "insert" ? group.tones.length < MOST_TONES : group.tones.length > FEWEST_TONES) && (
            <button className="button" onClick={() => onFix(a.fix!)}>{a.fix.kind === "insert" ? `Put ${a.fix.code} in` : `Leave ${a.fix.code} out`}</button>
          )}
        </li>
      ))}
    </ul>
  );
}
