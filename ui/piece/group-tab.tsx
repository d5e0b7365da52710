"use client";
import { BookMarked, Check, LibraryBig, ShoppingBasket } from "lucide-react";
import { useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { GroupOutput } from "@/compute/group";
import { closeness } from "@/core/colour/delta-e00";
import { labToHex } from "@/core/colour/display";
import type { Fix } from "@/core/group/advice";
import { rolesOf } from "@/core/group/tone";
import { moved } from "@/core/piece/commands";
import { PLACES, targetOf, type Area, type KeptTone } from "@/core/piece/piece";
import { MATERIAL_HABITS } from "@/core/group/material";
import { schoolPasses } from "@/core/group/school";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/compute/progress";
import { Ramp, rampColours } from "@/ui/ink/ramp";
import Link from "next/link";
import { nameStack } from "@/core/formats/cgats";
import { messageOf, send } from "@/ui/send";
import { Strata, type Layer } from "@/ui/ink/strata";
import { ValueRuler } from "@/ui/ink/value-ruler";
import { useFinder } from "@/ui/shell";
import { coatsInWords, signed } from "@/ui/wording";
import { GroupWishes, Readings } from "./area-wishes";
import { Advice, Purchase, TonedPaper } from "./group-advice";
import { FromGroups } from "./from-groups";
import { MatchDialog } from "./match-dialog";
import { useRun } from "./piece-context";
import { standInFor, useShelf } from "./shelf";
import { plainTones, useAssessed, useBuild, usePlan } from "./use-groups";

const sameTones = (a: readonly KeptTone[], b: readonly KeptTone[]) =>
  a.length === b.length && a.every((t) => b.some((o) => o.code === t.code && o.coats === t.coats));
/** Tones of a planned group; those that were locked in the kept one stay so. */
const tonesOf = (g: GroupOutput, kept: readonly KeptTone[] = []): KeptTone[] =>
  g.tones.map(({ code, coats }) =>
    kept.some((t) => t.locked && t.code === code) ? { code, coats, locked: true } : { code, coats },
  );

/** The blend group of an area: readings, wishes, strata and ruler, advice, and the alternatives. */
export function GroupTab({ area, rack }: { readonly area: Area; readonly rack: Rack }) {
  const run = useRun();
  const find = useFinder();
  const plan = usePlan(rack, area);
  const under =
    area.shadow && (area.shadow.kind === "underlay" || area.shadow.kind === "undertone")
      ? area.shadow
      : undefined;
  const [preview, setPreview] = useState<{ area: string; place: number }>();
  const [matching, setMatching] = useState(false);
  const [said, setSaid] = useState<{ text: string; href: string; link: string }>();
  const [taking, setTaking] = useState(false);
  const [buying, setBuying] = useState(false);
  const purchase = usePlan(rack, area, { purchases: 1, asked: buying });
  const groups = plan.output?.groups ?? [];
  const previewed = preview?.area === area.id ? preview.place : area.group ? -1 : 0;
  const proposal = previewed >= 0 ? groups[previewed] : undefined;
  const tones = proposal ? tonesOf(proposal, area.group?.tones) : area.group?.tones;
  const assessed = useAssessed(rack, area, tones);
  const beneath = under ? Array<string>(under.coats).fill(under.code) : [];
  const build = useBuild(rack, tones, beneath);
  const group = assessed.output?.group;
  const isKept = !!tones && !!area.group && sameTones(tones, area.group.tones);

  const keep = (next: readonly KeptTone[]) => {
    run({ type: "keep group", id: area.id, group: { tones: next } });
    setPreview(undefined);
  };
  useHotkeys("k", () => tones && !isKept && keep(tones), [tones, isKept]);
  useHotkeys("m", () => targetOf(area) && setMatching(true), [area]);

  const put = (place: number, tone: KeptTone) => {
    if (isKept) run({ type: "overrule tone", id: area.id, place, tone });
    else keep(tones!.map((t, i) => (i === place ? tone : t)));
  };
  const exchange = (place: number) =>
    find({
      title: `Exchange ${tones![place]!.code}`,
      markers: rack.markers.filter((m) => m.swatches.length && !tones!.some((t) => t.code === m.code)),
      onPick: (m) => put(place, { code: m.code, coats: 1, overruled: true }),
    });
  const apply = (fix: Fix) => {
    const byLight = group!.tones.map((t) => tones!.find((k) => k.code === t.code)!);
    if (fix.kind === "remove") keep(byLight.filter((_, i) => i !== fix.tone));
    else
      keep([
        ...byLight.slice(0, fix.after + 1),
        { code: fix.code, coats: fix.coats },
        ...byLight.slice(fix.after + 1),
      ]);
  };

  const tryStack = async (place: number) => {
    const stack = [
      ...beneath,
      ...build.known.slice(0, place + 1).flatMap((t) => Array<string>(t.coats).fill(t.code)),
    ];
    const predicted = build.stacks?.[place];
    if (!predicted) return;
    await send("POST", "/api/trials", {
      paperId: rack.paper.id,
      stack,
      predicted: { lab: predicted.lab },
    }).then(
      () =>
        setSaid({
          text: `${nameStack(stack)} is noted to be tried.`,
          href: `/swatchbook/${rack.paper.id}?tab=trials`,
          link: `Trials on ${rack.paper.name}`,
        }),
      (e: unknown) => setSaid({ text: messageOf(e), href: "", link: "" }),
    );
  };

  const keepInGroups = async () => {
    const name = `${area.name}, ${tones!.map((t) => t.code).join(" ")}`.slice(0, 80);
    const byLight = group!.tones.map(({ code, coats }) => ({ code, coats }));
    await send("POST", "/api/groups", {
      name,
      tags: [area.material],
      tones: byLight,
      material: area.material,
      school: area.school,
      underlay: under ? { code: under.code, coats: under.coats } : null,
      results: [],
      notes: "",
    }).then(
      () => setSaid({ text: `Kept in Groups as “${name}”.`, href: "/groups", link: "Groups" }),
      (e: unknown) => setSaid({ text: messageOf(e), href: "", link: "" }),
    );
  };
  const hexOf = ({ code, coats }: KeptTone) => {
    const swatches = rack.markers.find((m) => m.code === code)?.swatches ?? [];
    const swatch = swatches[Math.min(coats, swatches.length) - 1];
    return swatch ? labToHex(swatch.lab) : "transparent";
  };
  const drawn = area.pencil
    ? new Set(area.pencil.steps.flatMap((s) => s.layers.map((l) => l.code.replace(/^pencil /, ""))))
    : undefined;
  const above = [
    ...(drawn ? [{ name: "pencil", says: [...drawn].join(", "), alone: "transparent" }] : []),
    ...(area.shadow && !under
      ? [
          {
            name: area.shadow.code,
            says: `${area.shadow.kind}, in the shadow only`,
            alone: hexOf(area.shadow),
          },
        ]
      : []),
  ];
  const shelf = useShelf(rack, area, group);

  const passes = group
    ? schoolPasses(
        area.school ?? MATERIAL_HABITS[area.material].school,
        group.tones.map((t) => t.coats),
      )
    : [];
  const layers: Layer[] = build.known.map((t, i) => {
    const depth = group?.tones.findIndex((g) => g.code === t.code) ?? -1;
    const after = build.stacks?.[i];
    const marker = rack.markers.find((m) => m.code === t.code);
    const warning =
      marker?.state === "dry"
        ? "dry: refill first"
        : marker?.state === "low"
          ? "running low"
          : marker && !marker.owned
            ? "not owned"
            : "";
    return {
      code: t.code,
      coats: t.coats,
      role: depth >= 0 ? rolesOf(group!.tones.length)[depth]! : "",
      where: passes.find((p) => p.tone === depth)?.where ?? "",
      alone: group?.tones[depth]?.hex ?? "transparent",
      after: after && { hex: after.hex, lightness: after.lab[0], knowledge: after.knowledge },
      measured: group?.tones[depth]?.measured ?? true,
      overruled: t.overruled ?? false,
      locked: t.locked ?? false,
      warning,
    };
  });
  const layCoats = build.known.reduce((sum, t) => sum + t.coats, 0);

  return (
    <div className="min-w-0 space-y-3">
      <GroupWishes area={area} />
      <Readings area={area} onMatch={() => setMatching(true)} />
      <Progress work={plan} doing="Planning the group" />
      {assessed.missing.length > 0 && (
        <p role="alert" className="m-0 text-[14px]">
          <strong>{assessed.missing.map((t) => t.code).join(", ")}</strong>: not read on {rack.paper.name}.
          Choose another paper or exchange the marker.
        </p>
      )}
      {assessed.error && (
        <p role="alert" className="m-0 text-[14px]">
          {assessed.error}
        </p>
      )}
      {!targetOf(area) && !area.group && (
        <p className="m-0 max-w-[46ch] border border-dashed border-strong p-4 text-[16px]">
          Point at <strong>{area.name}</strong> in the picture: click its local colour, or drag over a patch
          of it. The group appears here.{" "}
          <button className="button mt-2" onClick={() => setTaking(true)}>
            <LibraryBig size={17} aria-hidden /> Or take one from Groups
          </button>
        </p>
      )}
      {group && tones && (
        <>
          <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line pt-2">
            <h3 className="m-0 text-[16px]">
              {isKept ? "Kept group" : previewed > 0 ? `Alternative ${previewed}` : "Proposed group"}
            </h3>
            {assessed.hasTarget && (
              <span className="text-[14px]">
                local colour {group.localColourDeltaE00.toFixed(1)} ΔE00, {group.localCloseness}; contrast{" "}
                {signed(group.contrast)} L*
              </span>
            )}
            <span className="ml-auto flex items-center gap-1">
              <button
                className="button-bare"
                onClick={() => setTaking(true)}
                aria-label="Take a group from Groups"
                title="Take a group from Groups"
              >
                <LibraryBig size={18} aria-hidden />
              </button>
              <button
                className="button-bare"
                onClick={() => void keepInGroups()}
                aria-label="Keep it in Groups"
                title="Keep it in Groups"
              >
                <BookMarked size={18} aria-hidden />
              </button>
              {isKept ? (
                <span className="inline-flex min-h-9 items-center gap-1 text-[14px] font-semibold">
                  <Check size={16} aria-hidden /> kept
                </span>
              ) : (
                <button className="button button-main" onClick={() => keep(tones)}>
                  Keep this group
                </button>
              )}
            </span>
          </div>
          <div className="grid gap-3 min-[1180px]:grid-cols-[minmax(0,1fr)_236px]">
            <Strata
              layers={layers}
              paper={{ name: rack.paper.name, hex: labToHex(rack.paper.lab), lightness: rack.paper.lab[0] }}
              onMove={(from, to) =>
                isKept ? run({ type: "move tone", id: area.id, from, to }) : keep(moved(tones, from, to))
              }
              onCoats={(place, coats) => put(place, { ...tones[place]!, coats, overruled: true })}
              onPut={(place, code) => put(place, { code, coats: 1, overruled: true })}
              onLock={(place, locked) =>
                isKept
                  ? run({ type: "lock tone", id: area.id, place, locked })
                  : keep(
                      tones.map((t, i) =>
                        i === place
                          ? { code: t.code, coats: t.coats, ...(locked && { locked: true as const }) }
                          : t,
                      ),
                    )
              }
              onExclude={(place) =>
                run({ type: "exclude ink", id: area.id, code: tones[place]!.code, excluded: true })
              }
              beneath={
                under
                  ? [
                      {
                        name: under.code,
                        says: `${under.kind}, ${coatsInWords(under.coats)}, in the shadow`,
                        alone: hexOf(under),
                      },
                    ]
                  : []
              }
              above={above}
              shelf={shelf}
              onExchange={exchange}
              onTry={(place) => void tryStack(place)}
            />
            <ValueRuler
              height={Math.max(220, 60 + layers.length * 48)}
              tones={group.tones.map((t) => ({ code: t.code, lightness: t.lab[0], hex: t.hex }))}
              steps={group.steps}
              marks={PLACES.flatMap((p) =>
                area.readings[p] ? [{ name: p, lightness: area.readings[p].lab[0] }] : [],
              )}
            />
          </div>
          {said && (
            <p role="status" className="m-0 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]">
              {said.text}{" "}
              {said.href && (
                <Link className="underline" href={said.href}>
                  {said.link}
                </Link>
              )}
            </p>
          )}
          <TonedPaper area={area} rack={rack} />
          {tones.map((t, place) => {
            const marker = rack.markers.find((m) => m.code === t.code);
            if (!marker || (marker.owned && marker.state !== "dry")) return null;
            const other = standInFor(rack, t, tones);
            return (
              <p
                key={t.code}
                className="m-0 flex items-center gap-3 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]"
              >
                <span className="flex-1">
                  <strong className="code">{t.code}</strong> is {marker.owned ? "dry" : "not owned"}
                  {other ? (
                    <>
                      :{" "}
                      <span className="code">
                        {other.tone.code}
                        {other.tone.coats > 1 ? ` ×${other.tone.coats}` : ""}
                      </span>{" "}
                      comes within {other.deltaE00.toFixed(1)} ΔE00, {closeness(other.deltaE00)}.
                    </>
                  ) : (
                    ", and nothing owned can stand in for it."
                  )}
                </span>
                {other && (
                  <button className="button" onClick={() => put(place, { ...other.tone, overruled: true })}>
                    Put {other.tone.code} in
                  </button>
                )}
              </p>
            );
          })}
          {layCoats > rack.paper.capacity && (
            <p className="m-0 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]">
              <strong>{layCoats} coats where all tones overlap:</strong> {rack.paper.name} holds{" "}
              {rack.paper.capacity}. Keep the darker tones inside their places, or bleed grows.
            </p>
          )}
          <Advice group={group} onFix={apply} quiet={layCoats <= rack.paper.capacity} />
        </>
      )}
      {groups.length > 0 && (
        <section aria-label="Alternatives" className="border-t border-line pt-2">
          <h3 className="m-0 mb-1 text-[16px]">
            Groups from {area.ownedOnly ? "what you own" : "the whole range"}
          </h3>
          <ul className="m-0 list-none p-0">
            {groups.map((g, i) => {
              const shown = tones && sameTones(plainTones(tonesOf(g)), tones);
              return (
                <li key={g.tones.map((t) => t.code + t.coats).join()}>
                  <button
                    className={`grid w-full grid-cols-[112px_minmax(0,1fr)] items-center gap-3 border-l-4 px-2 py-1 text-left ${shown ? "border-text" : "border-transparent hover:border-line"}`}
                    aria-pressed={!!shown}
                    onClick={() => setPreview({ area: area.id, place: i })}
                  >
                    <Ramp colours={rampColours(g)} height={30} label={`Group ${i + 1} of ${area.name}`} />
                    <span className="min-w-0 leading-tight">
                      <span className="code block truncate">
                        {g.tones.map((t) => (t.coats > 1 ? `${t.code}×${t.coats}` : t.code)).join("  ")}
                      </span>
                      <span className="block text-[13px] text-soft">
                        {i === 0
                          ? `best: score ${g.score.toFixed(1)}, local colour ${g.localColourDeltaE00.toFixed(1)} ΔE00`
                          : g.difference}
                      </span>
                    </span>
                  </button>
                </li>
              );
            })}
          </ul>
          {area.ownedOnly && !buying && (
            <button className="button mt-1" onClick={() => setBuying(true)}>
              <ShoppingBasket size={16} aria-hidden /> And with one purchase?
            </button>
          )}
          {buying && <Progress work={purchase} doing="Looking for the one marker that helps most" />}
          {buying && purchase.output && (
            <Purchase group={purchase.output.groups[0]} best={groups[0]} rack={rack} onShow={keep} />
          )}
        </section>
      )}
      {taking && (
        <FromGroups
          rack={rack}
          onClose={() => setTaking(false)}
          onTake={(t) => {
            setTaking(false);
            keep(t);
          }}
        />
      )}
      {matching && targetOf(area) && (
        <MatchDialog
          rack={rack}
          target={targetOf(area)!.local}
          ownedOnly={area.ownedOnly}
          name={area.name}
          onClose={() => setMatching(false)}
        />
      )}
    </div>
  );
}
