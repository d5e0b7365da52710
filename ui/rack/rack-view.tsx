"use client";
import { withRack } from "@/ui/rack-here";
import { X } from "lucide-react";
import { useRouter } from "next/navigation";
import { useDeferredValue, useMemo, useState, type ReactNode } from "react";
import { findMarkers } from "@/core/codes/find";
import { KIND_GROUPS } from "@/core/stock/kinds";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { FamilyTracks } from "@/ui/ink/family-tracks";
import { Link } from "@/ui/kit/link";
import { Empty } from "@/ui/kit/notice";
import { PaperSelect } from "@/ui/kit/paper-select";
import { UndoButtons } from "@/ui/kit/undo-buttons";
import { Tabs } from "@/ui/kit/tabs";
import { Shell } from "@/ui/shell";
import { ask, useQuery } from "@/ui/use-query";
import { useUses } from "./use-uses";
import { remarkOn } from "@/words/kinds";
import { counted } from "@/words/numbers";
import { ExportMenu } from "./export-menu";
import { Findings } from "./findings";
import { ImportPanel } from "./import-dialog";
import { Legend } from "./legend";
import { MarkerCard } from "./marker-card";
import { RackTable } from "./rack-table";
import { Ranges } from "./ranges";
import { useRackEdits } from "./use-rack-edits";

const views = [
  { id: "tracks", name: "Tracks" },
  { id: "table", name: "Table" },
  { id: "findings", name: "Gaps and twins" },
  { id: "ranges", name: "Ranges and codes" },
  { id: "import", name: "Bring in" },
] as const;

/** On a narrow screen the card comes up from the bottom, beside what was tapped. */
const SHEET =
  "max-[999px]:fixed max-[999px]:inset-x-0 max-[999px]:bottom-0 max-[999px]:z-20 max-[999px]:max-h-[62dvh] max-[999px]:overflow-y-auto max-[999px]:border-t-2 max-[999px]:border-text max-[999px]:bg-ground max-[999px]:p-4";

interface Props {
  readonly papers: readonly PaperSheet[];
  readonly rack: Rack;
  readonly studio: string;
}

/** The rack on one paper: tracks, table, what the swatches say, ranges and their codes. */
export function RackView({ papers, rack: first, studio }: Props) {
  const router = useRouter();
  const params = useQuery();
  const edits = useRackEdits(first);
  const { rack, run } = edits;
  const view = views.find((v) => v.id === params.get("view"))?.id ?? "tracks";
  const [filter, setFilter] = useState("");
  // Letters come first, the rows a moment later.
  const wanted = useDeferredValue(filter);
  const kinds = KIND_GROUPS.find((g) => g.name === params.get("kind")) ?? KIND_GROUPS[0]!;
  const all = [...rack.markers, ...rack.others];
  const chosen = all.find((m) => m.code === params.get("marker"));
  const uses = useUses(chosen?.code);
  const change = (set: Record<string, string>, inPlace = false) => {
    const next = new URLSearchParams(params);
    for (const [key, value] of Object.entries(set)) next.set(key, value);
    const url = `/rack?${next}`;
    if (set.paper) router.push(url);
    else ask(url, inPlace);
  };
  const choose = (code: string) =>
    change(
      view === "tracks" ? { marker: code } : { marker: code, view: "tracks", kind: "Markers" },
      view === "tracks" && chosen !== undefined,
    );
  const shown = findMarkers(
    all.filter((m) => kinds.kinds.includes(m.kind) && standing(params.get("standing"), m)),
    wanted,
  );
  const isMarkers = kinds === KIND_GROUPS[0];
  const card = (view === "tracks" || view === "table") && chosen;
  const families = useMemo(
    () => rack.families.filter((f) => rack.markers.some((m) => m.family === f)),
    [rack],
  );
  const isBare = !all.some((m) => kinds.kinds.includes(m.kind));
  const stock = () =>
    isBare ? (
      <NothingYet kind={kinds.name} onBring={() => change({ view: "import" })} />
    ) : (
      <div
        className={`grid gap-5 ${view === "tracks" || card ? "min-[1000px]:grid-cols-[minmax(0,1fr)_252px]" : ""}`}
      >
        <div className={`min-w-0 ${view === "tracks" ? "overflow-x-auto" : ""}`}>
          {!isMarkers && <p className="mt-0 mb-1 text-[14px]">{remarkOn[kinds.name]}</p>}
          {view === "table" ? (
            shown.length ? (
              <RackTable markers={shown} run={run} onOpen={(code) => change({ marker: code })} />
            ) : (
              <Empty>Nothing on the rack is like that. Take some of the filter away.</Empty>
            )
          ) : (
            <FamilyTracks
              families={families}
              markers={rack.markers}
              chosen={chosen?.code}
              onChoose={choose}
            />
          )}
        </div>
        {(view === "tracks" || card) && (
          <aside
            aria-label="Marker"
            className={`self-start border-t border-line pt-3 min-[1000px]:sticky min-[1000px]:top-3 ${chosen ? SHEET : ""}`}
          >
            {chosen && (
              <button
                className="button-bare float-right min-[1000px]:hidden"
                aria-label="Close"
                onClick={() => {
                  change({ marker: "" }, true);
                  requestAnimationFrame(() =>
                    document
                      .querySelector<HTMLElement>(`[data-marker="${CSS.escape(chosen.code)}"]`)
                      ?.focus(),
                  );
                }}
              >
                <X size={20} aria-hidden />
              </button>
            )}
            {chosen ? (
              <MarkerCard
                key={chosen.code}
                marker={chosen}
                rack={rack}
                uses={uses}
                onChoose={choose}
                run={run}
              />
            ) : (
              <Legend />
            )}
          </aside>
        )}
      </div>
    );
  const contents: Record<(typeof views)[number]["id"], () => ReactNode> = {
    tracks: stock,
    table: stock,
    findings: () => <Findings rack={rack} onChoose={choose} />,
    ranges: () => (
      <Ranges rack={rack} range={params.get("range")} onRange={(name) => change({ range: name })} />
    ),
    import: () => <ImportPanel rack={rack} onDone={() => change({ view: "table" })} />,
  };
  return (
    <Shell markers={rack.markers} goTo={choose}>
      <main id="main" className="mx-auto max-w-[1500px] px-4 py-3">
        <div className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-2">
          <h1 className="m-0 text-[24px]">
            Rack{" "}
            <span className="ml-2 text-[15px] font-normal text-soft">
              {studio}: {counted(rack.markers.filter((m) => m.owned).length, "marker")} owned of{" "}
              {rack.markers.length}
            </span>
          </h1>
          <div className="ml-auto flex items-center gap-1">
            <span role="status" className="text-[14px] text-soft">
              {edits.saving ? "Saving…" : edits.canUndo || edits.canRedo ? "Saved" : ""}
            </span>
            <UndoButtons {...edits} />
            <ExportMenu paperId={rack.paper.id} />
          </div>
          <PaperSelect
            says="Swatches on"
            papers={papers}
            chosen={rack.paper.id}
            onChoose={(id) => change({ paper: id })}
          />
        </div>
        {edits.trouble && (
          <p role="alert" className="mt-0 border-l-4 border-strong pl-3 text-[15px]">
            {edits.trouble}
          </p>
        )}
        <Tabs
          label="View"
          open={view}
          onOpen={(id) => change({ view: id })}
          beside={
            (view === "tracks" || view === "table") && (
              <div className="ml-auto flex flex-wrap items-center gap-2 pb-1">
                {view === "table" && (
                  <input
                    className="field w-44"
                    type="search"
                    placeholder="filter: reed 2-5"
                    aria-label="Filter by code, family, name or depths"
                    value={filter}
                    onChange={(e) => setFilter(e.target.value)}
                  />
                )}
                <select
                  className="field"
                  aria-label="Kind"
                  value={kinds.name}
                  onChange={(e) =>
                    change({ kind: e.target.value, ...(e.target.value !== "Markers" && { view: "table" }) })
                  }
                >
                  {KIND_GROUPS.map((g) => (
                    <option key={g.name}>{g.name}</option>
                  ))}
                </select>
                {view === "table" && (
                  <select
                    className="field"
                    aria-label="Standing shown"
                    value={params.get("standing") ?? "all"}
                    onChange={(e) => change({ standing: e.target.value })}
                  >
                    {["all", "owned", "wished", "low or dry"].map((s) => (
                      <option key={s}>{s}</option>
                    ))}
                  </select>
                )}
              </div>
            )
          }
          items={views.map((v) => ({ ...v, content: contents[v.id] }))}
        />
      </main>
    </Shell>
  );
}

const standing = (wanted: string | null, m: { owned: boolean; wished: boolean; state: string }): boolean =>
  wanted === "owned"
    ? m.owned
    : wanted === "wished"
      ? m.wished
      : wanted === "low or dry"
        ? m.owned && (m.state === "low" || m.state === "dry")
        : true;

/** What to do where there is nothing of a kind. */
function NothingYet({ kind, onBring }: { readonly kind: string; readonly onBring: () => void }) {
  const what = kind.toLowerCase();
  return (
    <Empty>
      <p className="mt-0">
        No {what} yet. Type the codes of what you have, or bring a list from a spreadsheet or another program.
      </p>
      <p className="mt-3 mb-0 flex flex-wrap gap-2">
        <Link className="button button-main" href="/begin">
          Type your {what}
        </Link>
        <button className="button" onClick={onBring}>
          Bring a list
        </button>
      </p>
    </Empty>
  );
}

/** The same where the rack comes with the page. */
export const RackPlace = withRack(RackView, Shell);
