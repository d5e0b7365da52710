"use client";
import { useMemo, useState } from "react";
import { LOG_KINDS, type LogKind } from "@/border/log-search";
import { readColour } from "@/border/colour";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Rack } from "@/store/rack";
import { colourTyped } from "@/ui/swatchbook/typed-colour";

/** ΔE00 within which a marker counts as of a colour, in one to three coats, and how many are looked for. */
const NEAR = 5;
const MOST_CODES = 24;

const KINDS: Readonly<Record<LogKind, string>> = {
  laid: "laid",
  repaired: "mended",
  exchanged: "exchanged",
  noted: "notes",
  photographed: "photos",
  entered: "written down",
};

/** Codes of the markers that come near a colour, nearest first. */
function codesNear(rack: Rack, typed: string): string[] | undefined {
  const text = colourTyped(typed);
  const lab = text && readColour(text)?.lab;
  if (!lab) return undefined;
  return rack.markers
    .map(({ code, swatches }) => ({
      code,
      off: Math.min(Infinity, ...swatches.map((s) => deltaE00(s.lab, lab))),
    }))
    .filter(({ off }) => off <= NEAR)
    .sort((a, b) => a.off - b.off)
    .slice(0, MOST_CODES)
    .map(({ code }) => code);
}

/** Start of a day of the reader's, ms. */
const startOf = (day: string, later = 0): string => {
  const [y, m, d] = day.split("-").map(Number);
  const at = new Date(y!, m! - 1, d! + later).getTime();
  return Number.isFinite(at) && at >= 0 ? String(at) : "";
};

/** What is looked for in the log. */
export function LogSearch({
  params,
  pieces,
  rack,
  onGo,
}: {
  readonly params: URLSearchParams;
  readonly pieces: readonly { readonly id: string; readonly name: string }[];
  readonly rack: Rack;
  readonly onGo: (set: Readonly<Record<string, string>>) => void;
}) {
  const asked = params.get("words") ?? "";
  const [words, setWords] = useState(asked);
  const [colour, setColour] = useState("");
  const [day, setDay] = useState("");
  const near = useMemo(() => codesNear(rack, colour), [rack, colour]);
  const isAsked = [...params.keys()].length > 0;
  const codes = params.get("codes");
  return (
    <form
      role="search"
      aria-label="Search the log"
      className="mt-3 border-t border-line pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        onGo({
          words: words.trim(),
          codes: near?.join(",") ?? "",
          from: day && startOf(day),
          until: day && startOf(day, 1),
        });
      }}
    >
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex min-w-[200px] flex-1 flex-col gap-0.5 text-[14px]">
          Find words, codes, pieces, areas
          <input
            className="field w-full"
            value={words}
            maxLength={200}
            onChange={(e) => setWords(e.target.value)}
          />
        </label>
        <label className="flex flex-col gap-0.5 text-[14px]">
          Near a colour
          <input
            className="field w-32"
            value={colour}
            placeholder="#c08a5a"
            onChange={(e) => setColour(e.target.value)}
          />
        </label>
        <label className="flex flex-col gap-0.5 text-[14px]">
          On
          <input className="field" type="date" value={day} onChange={(e) => setDay(e.target.value)} />
        </label>
        <label className="flex flex-col gap-0.5 text-[14px]">
          What
          <select
            className="field"
            value={params.get("kind") ?? ""}
            onChange={(e) => onGo({ kind: e.target.value })}
          >
            <option value="">everything</option>
            {LOG_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {KINDS[kind]}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-0.5 text-[14px]">
          Piece
          <select
            className="field max-w-[200px]"
            value={params.get("piece") ?? ""}
            onChange={(e) => onGo({ piece: e.target.value })}
          >
            <option value="">all</option>
            {pieces.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <button className="button">Find</button>
        {isAsked && (
          <button
            type="button"
            className="button-bare"
            onClick={() => {
              setWords("");
              setColour("");
              setDay("");
              onGo({ words: "", codes: "", kind: "", piece: "", from: "", until: "" });
            }}
          >
            Show all
          </button>
        )}
      </div>
      {near && near.length === 0 && (
        <p className="mt-1 mb-0 text-[14px]">No marker comes near that colour.</p>
      )}
      {codes && (
        <p className="mt-1 mb-0 text-[14px] text-soft">
          Inks near the colour: <span className="code">{codes.split(",").join(" ")}</span>
        </p>
      )}
    </form>
  );
}
