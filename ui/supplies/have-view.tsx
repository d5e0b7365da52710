"use client";
import { useDeferredValue, useMemo, useState } from "react";
import { findMarkers } from "@/core/codes/find";
import { besideOwned, sameFamily, type Known } from "@/core/stock/have";
import type { Rack, RackMarker } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { withRack } from "@/ui/rack-here";
import { differenceWords } from "@/words/closeness";
import { counted } from "@/words/numbers";
import { Wish } from "./wish";

/** Markers that are told of at once. */
const MOST_SHOWN = 12;

/** In a shop: whether a marker is owned, what looks like it, and what it would add. */
export function HaveView({ rack }: { readonly rack: Rack }) {
  const [typed, setTyped] = useState("");
  const query = useDeferredValue(typed.trim());
  const all = useMemo(() => [...rack.markers, ...rack.others], [rack]);
  const found = useMemo(() => (query ? findMarkers(all, query) : []), [all, query]);
  const shown = useMemo(
    () =>
      found
        .slice(0, MOST_SHOWN)
        .map((m) => (rack.markers.includes(m) ? besideOwned(rack.markers, m) : { marker: m, twins: [] })),
    [found, rack],
  );
  const family = useMemo(
    () =>
      query && !found.length
        ? sameFamily(
            rack.markers,
            rack.ranges.flatMap((r) => r.key ?? []),
            query,
          )
        : [],
    [query, found, rack],
  );
  return (
    <main id="main" className="mx-auto max-w-[640px] p-4 max-[759px]:px-3">
      <h1 className="m-0 text-[26px]">Do I have this?</h1>
      <label className="mt-3 block text-[15px]">
        The code on its cap, or its family
        <input
          className="field mt-1 block min-h-14 w-full font-mono text-[22px]"
          value={typed}
          maxLength={60}
          autoFocus
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          enterKeyHint="search"
          onChange={(e) => setTyped(e.target.value)}
        />
      </label>
      {!query && (
        <p className="mt-3 text-[15px] text-soft">
          {counted(all.filter((m) => m.owned).length, "thing")} of yours, by one coat on {rack.paper.name}.
          This page opens without a connection once it was opened with one.
        </p>
      )}
      <ul className="m-0 mt-3 list-none p-0" aria-label="What is known of it" aria-live="polite">
        {shown.map((known) => (
          <Told key={known.marker.code} known={known} />
        ))}
      </ul>
      {found.length > MOST_SHOWN && (
        <p className="text-[15px] text-soft">{found.length - MOST_SHOWN} more: type on.</p>
      )}
      {query && !found.length && (
        <section aria-label="Not in your rack" className="mt-3">
          <p className="m-0 text-[17px]">
            <strong>“{query}” is not in your rack.</strong>{" "}
            {family.length ? "Hold these beside it:" : "No marker of yours is called so, nor is its family."}
          </p>
          <ul className="m-0 mt-2 grid list-none gap-2 p-0">
            {family.map((m) => (
              <li key={m.code} className="flex items-center gap-3">
                <MarkerChip marker={m} width={96} height={40} />
                <span className="code text-[17px]">{m.code}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  );
}

const standing = ({ owned, state, wished }: RackMarker): string => {
  if (!owned) return wished ? "Not yours; wished for" : "Not yours";
  return state === "dry" ? "Yours, but dry" : state === "low" ? "Yours, running low" : "Yours";
};

function Told({ known: { marker, twins, nearest } }: { readonly known: Known<RackMarker> }) {
  return (
    <li className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1 border-t border-line py-3">
      <MarkerChip marker={marker} width={96} height={44} />
      <span className="min-w-0">
        <span className="code text-[18px] font-semibold">{marker.code}</span>{" "}
        <span className="text-[14px] text-soft">{marker.name}</span>
        <strong className="block text-[16px]">{standing(marker)}</strong>
      </span>
      <span>{!marker.owned && <Wish marker={marker} />}</span>
      {twins.length > 0 && (
        <p className="col-span-3 m-0 text-[15px]">
          Looks like {marker.owned ? "your other" : "yours"} {twins.map((t) => t.marker.code).join(", ")}
          {marker.owned ? "." : ": it would add nothing new."}
        </p>
      )}
      {nearest && !marker.owned && (
        <p className="col-span-3 m-0 flex items-center gap-2 text-[15px]">
          Nearest of yours: <MarkerChip marker={nearest.marker} width={56} height={24} />
          <span>
            <span className="code">{nearest.marker.code}</span>, {differenceWords(nearest.deltaE00)}.
          </span>
        </p>
      )}
      {!marker.swatches.length && (
        <p className="col-span-3 m-0 text-[14px] text-soft">
          Its colour is not read on this paper: hold it beside your own.
        </p>
      )}
    </li>
  );
}

export const HavePlace = withRack(HaveView);
