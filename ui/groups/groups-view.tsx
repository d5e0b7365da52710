"use client";
import { useIsDropped } from "@/ui/kit/dropping";
import { withRack } from "@/ui/rack-here";
import { Download, Upload } from "lucide-react";
import { Link } from "@/ui/kit/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { labToHex } from "@/core/colour/display";
import type { GroupLaid } from "@/core/log/group-laid";
import { nearestTone, searchLibrary, type GroupUse } from "@/core/group/library";
import type { LibraryGroup } from "@/store/groups";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { useTones } from "@/ui/jobs/use-tones";
import { Ramp } from "@/ui/ink/ramp";
import { FileButton } from "@/ui/kit/file-button";
import { PaperSelect } from "@/ui/kit/paper-select";
import { messageOf, send } from "@/ui/send";
import { colourTyped } from "@/ui/swatchbook/typed-colour";
import { ask, useQuery } from "@/ui/use-query";
import { readColour } from "@/border/colour";
import { counted } from "@/words/numbers";
import { verdictInWords } from "@/words/verdict";
import { GroupCard } from "./group-card";
import { useLaidGroups } from "./use-laid-groups";

interface Props {
  readonly groups: readonly LibraryGroup[];
  readonly papers: readonly PaperSheet[];
  readonly rack: Rack;
  readonly uses: Readonly<Record<string, readonly GroupUse[]>>;
  /** How often each lies on which paper. */
  readonly laid?: Readonly<Record<string, readonly GroupLaid[]>>;
  readonly studio: string;
}

/** Width in px under which the card stands below the list. */
const STACKED = 1000;
/** ΔE00 beyond which a group is not shown for a colour. */
const NEAR = 12;

/** Kept blend groups: found by tag, family, code or colour, seen on a paper, and made again from what is owned. */
export function GroupsView({ groups: all, papers, rack, uses, laid, studio }: Props) {
  const isDropped = useIsDropped();
  const groups = all.filter((g) => !isDropped(`/api/groups/${g.id}`));
  const router = useRouter();
  const params = useQuery();
  const [query, setQuery] = useState("");
  const [colour, setColour] = useState("");
  const [said, setSaid] = useState<string>();
  const colourOf = useTones(
    rack,
    groups.flatMap((g) => g.tones),
  );
  const labs = useMemo(
    () => new Map(groups.map((g) => [g.id, g.tones.map((t) => colourOf(t)?.lab)])),
    [groups, colourOf],
  );
  const laidAs = useLaidGroups(rack, groups);
  const typed = colourTyped(colour);
  const wanted = typed && readColour(typed)?.lab;
  const readOf = (g: LibraryGroup) => labs.get(g.id)!.filter((l) => l !== undefined);
  const byWords = searchLibrary(groups, query);
  const found = wanted
    ? byWords
        .map((g) => ({ g, off: nearestTone(readOf(g), wanted) }))
        .filter((f) => f.off < NEAR)
        .sort((a, b) => a.off - b.off)
        .map((f) => f.g)
    : byWords;
  const tags = [...new Set(groups.flatMap((g) => g.tags))].sort();
  const chosen = groups.find((g) => g.id === params.get("group")) ?? found[0];
  const change = (set: Record<string, string>) => {
    const next = new URLSearchParams(params);
    for (const [k, v] of Object.entries(set)) next.set(k, v);
    if (set.paper) router.push(`/groups?${next}`);
    else ask(`/groups?${next}`);
  };
  const bring = async (file: File | undefined) => {
    if (!file) return;
    try {
      let json: unknown;
      try {
        json = JSON.parse(await file.text());
      } catch (e) {
        throw new Error(`“${file.name}” is not JSON: ${messageOf(e)}`);
      }
      const { added, replaced } = await send<{ added: number; replaced: number }>(
        "POST",
        "/api/groups",
        json,
      );
      setSaid(`${counted(added, "group")} added, ${replaced} replaced.`);
      router.refresh();
    } catch (e) {
      setSaid(`Nothing was taken. ${messageOf(e)}`);
    }
  };
  return (
    <main id="main" className="mx-auto max-w-[1400px] px-4 py-3">
      <div className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-2">
        <h1 className="m-0 text-[24px]">
          Groups{" "}
          <span className="ml-2 text-[15px] font-normal text-soft">
            {studio}: {counted(groups.length, "kept group")}
          </span>
        </h1>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          <FileButton
            label="File of groups"
            accept=".json,application/json"
            onFiles={([file]) => void bring(file)}
          >
            <Upload size={16} aria-hidden /> Bring in
          </FileButton>
          <a className="button" href="/api/groups" download>
            <Download size={16} aria-hidden /> Save as JSON
          </a>
          <PaperSelect
            says="Swatches on"
            papers={papers}
            chosen={rack.paper.id}
            onChoose={(id) => change({ paper: id })}
          />
        </div>
      </div>
      <div className="mb-3 flex flex-wrap items-center gap-2 border-b border-line pb-2 text-[14px]">
        <input
          className="field w-52"
          type="search"
          aria-label="Search groups"
          placeholder="skin olive, fern, clay3m"
          value={query}
          onChange={(e) => setQuery(e.target.value)}
        />
        <input
          className="field w-40 font-mono"
          aria-label="Near a colour"
          placeholder="near #c8a27a"
          value={colour}
          onChange={(e) => setColour(e.target.value)}
        />
        {colour && !wanted && <span>hex, or L* a* b*</span>}
        {wanted && (
          <span
            className="inline-block h-7 w-10 border border-strong"
            style={{ background: labToHex(wanted) }}
            role="img"
            aria-label="The colour looked for"
          />
        )}
        <span className="flex flex-wrap gap-1" role="group" aria-label="Tags">
          {tags.map((t) => (
            <button
              key={t}
              className="button-bare min-h-7 px-1.5 text-[14px] underline-offset-2 aria-pressed:font-bold aria-pressed:underline"
              aria-pressed={query === t}
              onClick={() => setQuery(query === t ? "" : t)}
            >
              {t}
            </button>
          ))}
        </span>
      </div>
      {said && (
        <p role="status" className="mt-0 border-l-4 border-strong pl-3 text-[15px]">
          {said}
        </p>
      )}
      {groups.length === 0 ? (
        <p className="max-w-[50ch] text-[17px]">
          No group is kept yet. Keep one from an area of a piece that came out well: it is found again here,
          for other papers and other ranges too.{" "}
          <Link className="button button-main mt-2" href="/">
            To the bench
          </Link>
        </p>
      ) : (
        <div className="grid gap-x-7 gap-y-4 min-[1000px]:grid-cols-[minmax(0,1fr)_480px]">
          <ul
            className="m-0 grid list-none content-start gap-x-4 gap-y-1 p-0 min-[700px]:grid-cols-2"
            aria-label="Kept groups"
          >
            {found.map((g) => {
              const colours = laidAs(g.id)?.strip ?? readOf(g).map(labToHex);
              const here = g.results.find((r) => r.paperId === rack.paper.id);
              const missing = g.tones.filter(
                (t) => !rack.markers.find((m) => m.code === t.code)?.owned,
              ).length;
              return (
                <li key={g.id}>
                  <button
                    className={`block w-full border-l-4 px-2 py-1 text-left ${g.id === chosen?.id ? "border-text bg-panel" : "border-transparent hover:border-line"}`}
                    aria-pressed={g.id === chosen?.id}
                    onClick={() => {
                      change({ group: g.id });
                      if (window.innerWidth < STACKED)
                        requestAnimationFrame(() => document.getElementById("group-card")?.scrollIntoView());
                    }}
                  >
                    <span className="flex items-baseline justify-between gap-2">
                      <span className="truncate text-[15px] font-semibold">{g.name}</span>
                      <span className="shrink-0 text-[13px] text-soft">
                        {here ? verdictInWords(here.verdict) : ""}
                        {missing ? `${here ? ", " : ""}${missing} not owned` : ""}
                      </span>
                    </span>
                    {colours.length ? (
                      <Ramp colours={colours} height={26} label={g.name} />
                    ) : (
                      <span className="block h-7 text-[13px] text-soft">not read on {rack.paper.name}</span>
                    )}
                  </button>
                </li>
              );
            })}
            {!found.length && (
              <li className="text-[16px]">
                No kept group{" "}
                {wanted ? "comes near that colour" : `has “${query}” in its name, tags, notes or codes`}.{" "}
                <button
                  className="button mt-1"
                  onClick={() => {
                    setQuery("");
                    setColour("");
                  }}
                >
                  Show all
                </button>
              </li>
            )}
          </ul>
          {chosen && (
            <GroupCard
              key={chosen.id}
              group={chosen}
              labs={labs.get(chosen.id)!}
              rack={rack}
              papers={papers}
              uses={uses[chosen.id] ?? []}
              laid={laid?.[chosen.id] ?? []}
            />
          )}
        </div>
      )}
    </main>
  );
}

/** The same where the rack comes with the page. */
export const GroupsPlace = withRack(GroupsView);
