"use client";
import { useState, type ReactNode } from "react";
import type { PaperSheet } from "@/store/papers";
import type { BeginProps } from "./begin-view";
import { HexList } from "./hex-list";
import { SheetPhoto } from "./sheet-photo";

interface Way {
  readonly id: "chart" | "sheet" | "instrument" | "list";
  readonly name: string;
  readonly takes: string;
  /** ΔE00 of one coat against the simulated desk: median and 95th. */
  readonly near: string;
  readonly words: string;
}

/** What each way costs and gives; figures of docs/measurements.md, parts charts and known. */
const WAYS: readonly Way[] = [
  {
    id: "chart",
    name: "A chart to print, colour and photograph",
    takes: "two minutes a marker, a photo a page",
    near: "0.4 / 1.2 with a few measured markers among them; else 3.7 / 9",
    words: "knows second and third coats and the blender too",
  },
  {
    id: "sheet",
    name: "A photo of a swatch sheet you have",
    takes: "a few minutes for the whole sheet",
    near: "3.7 / 9, one coat",
    words: "a good start; measure what matters later",
  },
  {
    id: "instrument",
    name: "A colorimeter or spectrophotometer",
    takes: "ten seconds a cell",
    near: "0.2 / 0.5; 0.1 / 0.3 with three readings a cell",
    words:
      "the best there is, and it sets photos right; spectra also tell what inks do over each other (0.5 instead of 0.8) and under a lamp (0.1 instead of 0.7)",
  },
  {
    id: "list",
    name: "Hex values from a list",
    takes: "as long as typing takes",
    near: "1 / 2 if the list was read on white paper like yours; 11 / 22 on another",
    words: "only as good as the list",
  },
];

/** Four ways to the colours of markers, with what each takes and how near it comes. */
export function KnownHow({
  paper,
  markers,
  read,
}: {
  readonly paper: PaperSheet;
  readonly markers: readonly string[];
  readonly read: BeginProps["read"];
}) {
  const [open, setOpen] = useState<"sheet" | "list">();
  const known = new Set(read.map((r) => r.code));
  const unread = markers.filter((m) => !known.has(m));
  const doors: Readonly<Record<Way["id"], ReactNode>> = {
    chart: (
      <a className="button" href={`/swatchbook/${paper.id}?tab=chart`}>
        Print a chart
      </a>
    ),
    sheet: (
      <button className="button" onClick={() => setOpen("sheet")}>
        Point at the photo
      </button>
    ),
    instrument: (
      <a className="button" href={`/swatchbook/${paper.id}?tab=readings`}>
        Bring its file
      </a>
    ),
    list: (
      <button className="button" onClick={() => setOpen("list")}>
        Type the list
      </button>
    ),
  };
  return (
    <>
      <table className="w-full border-collapse text-[15px] max-sm:block">
        <thead className="max-sm:hidden">
          <tr className="text-left text-[13px] text-soft">
            <th className="py-1 pr-4 font-semibold">Way</th>
            <th className="py-1 pr-4 font-semibold">Takes</th>
            <th className="py-1 pr-4 font-semibold">Comes near, ΔE00 half / nearly all</th>
            <td />
          </tr>
        </thead>
        <tbody className="max-sm:block">
          {WAYS.map((w) => (
            <tr key={w.id} className="border-t border-line py-2 align-top max-sm:grid max-sm:gap-1">
              <td className="py-2 pr-4 max-sm:py-0">
                <span className="font-semibold">{w.name}</span>
                <span className="block text-[14px] text-soft">{w.words}</span>
              </td>
              <td className="py-2 pr-4 max-sm:py-0">{w.takes}</td>
              <td className="py-2 pr-4 max-sm:py-0">
                <span className="sm:hidden">ΔE00 </span>
                {w.near}
              </td>
              <td className="py-2 text-right max-sm:py-1 max-sm:text-left">{doors[w.id]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="m-0 text-[14px] text-soft">
        Half of the readings are within the first figure, nineteen of twenty within the second; as measured on
        a simulated desk. Below 1 nobody sees a difference; 3 is seen side by side.
      </p>
      {open === "sheet" && (
        <SheetPhoto
          paper={paper}
          read={read}
          markers={unread.length ? unread : markers}
          onClose={() => setOpen(undefined)}
        />
      )}
      {open === "list" && <HexList paper={paper} markers={markers} onClose={() => setOpen(undefined)} />}
    </>
  );
}
