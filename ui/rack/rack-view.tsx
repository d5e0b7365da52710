"use client";
import { useRouter, useSearchParams } from "next/navigation";
import { useMemo } from "react";
import { twinsOf } from "@/core/stock/twins";
import type { PaperSheet } from "@/store/papers";
import type { Rack, RackMarker } from "@/store/rack";
import { FamilyTracks } from "@/ui/ink/family-tracks";
import { coatsInHex, StrokeChip } from "@/ui/ink/stroke-chip";
import { Shell } from "@/ui/shell";
import { coatsInWords, counted, labInWords, signed } from "@/ui/wording";

/** The rack on one paper, as tracks or as a table, with the chosen marker beside it. */
export function RackView({ papers, rack, studio }: { readonly papers: readonly PaperSheet[]; readonly rack: Rack; readonly studio: string }) {
  const router = useRouter();
  const params = useSearchParams();
  const asTable = params.get("view") === "table";
  const chosen = rack.markers.find((m) => m.code === params.get("marker"));
  const change = (key: string, value: string, replace = false) => {
    const next = new URLSearchParams(params);
    next.set(key, value);
    const url = `/rack?${next}`;
    if (key === "paper") router.push(url);
    else if (replace) window.history.replaceState(null, "", url);
    else window.history.pushState(null, "", url);
  };
  const choose = (code: string) => change("marker", code, chosen !== undefined);
  const owned = rack.markers.filter((m) => m.owned).length;
  const inRackOrder = useMemo(() => rack.families.flatMap((f) => rack.markers.filter((m) => m.family === f)), [rack]);
  return (
    <Shell markers={rack.markers} goTo={choose}>
      <main id="main" className="mx-auto max-w-[1500px] px-4 py-3">
        <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
          <h1 className="m-0 text-[24px]">Rack <span className="ml-2 text-[15px] font-normal text-soft">{studio}: {counted(owned, "marker")} owned of {rack.markers.length}</span></h1>
          <label className="ml-auto flex items-center gap-1.5 text-[14px]">
            As read on
            <select className="field" value={rack.paper.id} onChange={(e) => change("paper", e.target.value)}>{papers.map((p) => <option key={p.id} value={p.id}>{p.name}</option>)}</select>
          </label>
          <div role="group" aria-label="View" className="flex">
            <button className={`button ${asTable ? "" : "button-main"}`} aria-pressed={!asTable} onClick={() => change("view", "tracks")}>Tracks</button>
            <button className={`button ${asTable ? "button-main" : ""}`} aria-pressed={asTable} onClick={() => change("view", "table")}>Table</button>
          </div>
        </div>
        <div className="grid gap-5 min-[1000px]:grid-cols-[minmax(0,1fr)_236px]">
          <div className="min-w-0 overflow-x-auto">
            {asTable ? <MarkerTable markers={inRackOrder} chosen={chosen?.code} onChoose={choose} /> : <FamilyTracks families={rack.families} markers={rack.markers} chosen={chosen?.code} onChoose={choose} />}
          </div>
          <aside aria-label="Marker" className="self-start border-t border-line pt-3 min-[1000px]:sticky min-[1000px]:top-3">
            {chosen ? <MarkerCard marker={chosen} rack={rack} onChoose={choose} /> : <Legend />}
          </aside>
        </div>
      </main>
    </Shell>
  );
}

function MarkerCard({ marker, rack, onChoose }: { marker: RackMarker; rack: Rack; onChoose: (code: string) => void }) {
  const oneCoat = useMemo(() => rack.markers.flatMap((m) => (m.swatches[0] ? [{ code: m.code, lab: m.swatches[0].lab }] : [])), [rack]);
  const twins = twinsOf(marker.code, oneCoat);
  const ownedTwins = twins.filter((t) => rack.markers.find((m) => m.code === t.code)?.owned);
  return (
    <div>
      <h2 className="m-0 font-mono text-[26px]">{marker.code}</h2>
      <p className="mt-0 mb-2 text-[15px]">{marker.owned ? `owned, ${marker.state}` : "not owned"}</p>
      <StrokeChip coats={coatsInHex(marker.swatches)} owned={marker.owned} low={marker.state === "low"} width={220} height={78} />
      <dl className="mt-2 mb-3 text-[14px]">
        {marker.swatches.map((s, i) => (
          <div key={i} className="flex justify-between gap-3 border-b border-line py-1"><dt>{coatsInWords(i + 1)}</dt><dd className="m-0">{labInWords(s.lab)}</dd></div>
        ))}
      </dl>
      <h3 className="small-title m-0">Twins on {rack.paper.name}</h3>
      {twins.length === 0 && <p className="mt-1 text-[14px]">None: no other marker comes within 2 ΔE00.</p>}
      <ul className="m-0 list-none p-0">
        {twins.map((t) => (
          <li key={t.code}><button className="button-bare w-full justify-between" onClick={() => onChoose(t.code)}><span className="code">{t.code}</span><span className="text-[14px]">{t.deltaE00.toFixed(1)} ΔE00</span></button></li>
        ))}
      </ul>
      {marker.owned && ownedTwins.length > 0 && <p className="mt-1 text-[14px]">You own both: one of them is enough on this paper.</p>}
    </div>
  );
}

function Legend() {
  const sample = ["#9d9d9d", "#828282", "#6f6f6f"];
  const rows: readonly [string, React.ReactNode][] = [
    ["one, two, three coats", <StrokeChip key="a" coats={sample} />],
    ["not owned", <StrokeChip key="b" coats={sample} owned={false} />],
    ["running low", <StrokeChip key="c" coats={sample} low />],
    ["predicted, not measured", <StrokeChip key="d" coats={sample} measured={false} />],
  ];
  return (
    <div>
      <h2 className="m-0 text-[17px]">Choose a marker</h2>
      <p className="mt-1 text-[14px]">Each stands at the lightness that was read on this paper, so gaps and twins show. Arrow keys walk the tracks; <span className="key">/</span> finds a code.</p>
      <ul className="m-0 list-none space-y-2 p-0 text-[14px]">{rows.map(([what, chip]) => <li key={what} className="flex items-center gap-3">{chip}{what}</li>)}</ul>
      <p className="mt-2 text-[14px]">A cross on a track: dry.</p>
    </div>
  );
}

function MarkerTable({ markers, chosen, onChoose }: { markers: readonly RackMarker[]; chosen: string | undefined; onChoose: (code: string) => void }) {
  return (
    <table className="w-full border-collapse text-left text-[15px]">
      <thead><tr className="border-b-2 border-text text-[13px]">{["Marker", "Family", "One, two, three coats", "L*", "a*", "b*", "Owned", "State"].map((h) => <th key={h} scope="col" className="py-1 pr-3">{h}</th>)}</tr></thead>
      <tbody>
        {markers.map((m) => {
          const lab = m.swatches[0]?.lab;
          return (
            <tr key={m.code} className={`border-b border-line ${m.code === chosen ? "bg-panel" : ""}`}>
              <th scope="row" className="pr-3"><button className="button-bare code" aria-pressed={m.code === chosen} onClick={() => onChoose(m.code)}>{m.code}</button></th>
              <td className="pr-3">{m.family}</td>
              <td className="pr-3"><StrokeChip coats={coatsInHex(m.swatches)} owned={m.owned} low={m.state === "low"} width={96} height={26} /></td>
              {[0, 1, 2].map((c) => <td key={c} className="pr-3 tabular-nums">{lab ? signed(lab[c]!, 1) : "–"}</td>)}
              <td className="pr-3">{m.owned ? "yes" : "no"}</td>
              <td>{m.owned ? m.state : ""}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
