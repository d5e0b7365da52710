"use client";
import { X } from "lucide-react";
import Link from "next/link";
import { useMemo } from "react";
import { labToHex } from "@/core/colour/display";
import { judgeAgain, merging, seenAreas, sharedMarkers, type SeenArea } from "@/core/piece/overview";
import type { Area, Scene, Whole } from "@/core/piece/piece";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { Ramp } from "@/ui/ink/ramp";
import { PieceHeader } from "@/ui/piece/piece-header";
import { usePiece, usePieceHandles, useRun } from "@/ui/piece/piece-context";
import { useRack } from "@/ui/piece/use-rack";
import { counted, signed } from "@/words/numbers";
import { HueChroma } from "./charts";
import { Monochrome } from "./monochrome";
import { Together } from "./together";
import { ValueLanes } from "./value-lanes";

const SCENES: readonly Scene[] = ["neutral", "warm", "cool"];

/** The whole piece: every group side by side, what they share, whether neighbours can be told apart, and all planned together. */
export function WholeView({
  papers,
  rack: first,
}: {
  readonly papers: readonly PaperSheet[];
  readonly rack: Rack;
}) {
  const piece = usePiece();
  const run = useRun();
  const { id } = usePieceHandles();
  const { rack } = useRack(piece.paperId ?? first.paper.id, first);
  const seen = useMemo(() => {
    const byCode = new Map(rack.markers.map((m) => [m.code, m.swatches]));
    return seenAreas(piece.areas, (code, coats) => {
      const swatches = byCode.get(code) ?? [];
      return swatches[Math.min(coats, swatches.length) - 1]?.lab;
    });
  }, [piece.areas, rack]);
  const planned = seen.filter((s) => s.tones.length);
  const markers = sharedMarkers(piece.areas);
  const shared = markers.filter((m) => m.areas.length > 1);
  const near = merging(piece, seen);
  const again = judgeAgain(piece, seen);
  const set = (wish: Partial<Whole>) => run({ type: "wish of the whole", set: wish });
  return (
    <>
      <PieceHeader stage="colour" papers={papers} />
      <main
        id="main"
        className="mx-auto grid max-w-[1500px] gap-x-7 gap-y-5 px-4 py-3 min-[1000px]:grid-cols-[minmax(0,1fr)_420px]"
      >
        <div className="grid min-w-0 content-start gap-4">
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
            <h1 className="m-0 text-[22px]">All areas</h1>
            <span className="text-[15px] text-soft">
              {counted(markers.length, "marker")}, {shared.length} of them shared;{" "}
              {counted(planned.length, "group")} of {counted(piece.areas.length, "area")}
            </span>
            <Link className="ml-auto text-[15px] underline" href={`/pieces/${id}/colour`}>
              One area at a time
            </Link>
          </div>
          <div className="flex flex-wrap items-center gap-x-3 gap-y-2 text-[14px]">
            <label className="flex items-center gap-1.5">
              Scene{" "}
              <select
                className="field"
                value={piece.whole.scene}
                onChange={(e) => set({ scene: e.target.value as Scene })}
              >
                {SCENES.map((s) => (
                  <option key={s}>{s}</option>
                ))}
              </select>
            </label>
            <label className="flex items-center gap-1.5">
              Neighbours differ by{" "}
              <input
                type="number"
                min={0}
                max={60}
                className="field w-14"
                value={piece.whole.apart}
                onChange={(e) =>
                  e.target.value !== "" && set({ apart: Math.min(60, Math.max(0, Number(e.target.value))) })
                }
              />{" "}
              ΔE00
            </label>
            <label className="flex items-center gap-1.5">
              Fit{" "}
              <input
                type="range"
                min={0}
                max={6}
                step={0.25}
                value={piece.whole.markerCost}
                onChange={(e) => set({ markerCost: Number(e.target.value) })}
                className="w-20 accent-current"
                aria-label="Price of a marker, from better fit to fewer markers"
              />{" "}
              fewer markers
            </label>
            <label className="flex items-center gap-1.5">
              At most{" "}
              <input
                type="number"
                min={2}
                max={400}
                className="field w-14"
                placeholder="any"
                value={piece.whole.markerLimit ?? ""}
                onChange={(e) =>
                  set({
                    markerLimit:
                      e.target.value === ""
                        ? null
                        : Math.min(400, Math.max(2, Math.round(Number(e.target.value)))),
                  })
                }
              />{" "}
              markers
            </label>
          </div>
          {piece.areas.length === 0 ? (
            <p className="m-0 max-w-[46ch] border border-dashed border-strong p-4 text-[16px]">
              There is nothing to plan together yet.{" "}
              <Link className="button button-main mt-2" href={`/pieces/${id}/colour`}>
                Add the first area
              </Link>
            </p>
          ) : (
            <>
              <AreaRows
                seen={seen}
                pieceId={id}
                neighbours={piece.whole.neighbours}
                onNeighbours={(neighbours) => set({ neighbours })}
                onEmphasis={(area, emphasis) => run({ type: "set emphasis", id: area.id, emphasis })}
              />
              <Together piece={piece} rack={rack} seen={seen} />
              <Monochrome
                piece={piece}
                rack={rack}
                seen={planned}
                onChange={(underlay) => set({ underlay })}
              />
            </>
          )}
        </div>
        <div className="grid min-w-0 content-start gap-4">
          {planned.length > 0 && <ValueLanes areas={planned} />}
          {planned.length > 0 && (
            <section aria-label="Hue and chroma">
              <h2 className="small-title m-0">Hue and chroma</h2>
              <HueChroma areas={planned} />
            </section>
          )}
          {shared.length > 0 && (
            <section aria-label="Shared markers" className="text-[14px]">
              <h2 className="small-title m-0">Shared markers</h2>
              <ul className="m-0 list-none p-0">
                {shared.map((m) => (
                  <li key={m.code} className="flex gap-3 border-t border-line py-0.5">
                    <span className="code w-20">{m.code}</span>
                    <span>{m.areas.map((a) => a.name).join(", ")}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {(near.length > 0 || again.length > 0) && (
            <section aria-label="Reminders" className="grid gap-1 text-[14px]">
              <h2 className="small-title m-0">To watch</h2>
              {near.map((m) => (
                <p
                  key={m.areas.map((a) => a.id).join()}
                  className="m-0 border-l-4 border-strong bg-panel py-1 pl-3"
                >
                  <strong>
                    {m.areas[0].name} and {m.areas[1].name} merge:
                  </strong>{" "}
                  {m.deltaE00.toFixed(1)} ΔE00 apart where {piece.whole.apart} is wished. Change the depth or
                  the hue of one.
                </p>
              ))}
              {again.map((c) => (
                <p key={c.early.id + c.late.id} className="m-0 border-l-4 border-strong bg-panel py-1 pl-3">
                  <strong>Judge {c.early.name} again at the end:</strong> {c.late.name} comes later and is{" "}
                  {signed(Math.abs(c.darker))} L* {c.darker > 0 ? "darker" : "lighter"}, so {c.early.name}{" "}
                  will look {c.darker > 0 ? "paler" : "darker"} than it did alone.
                </p>
              ))}
            </section>
          )}
        </div>
      </main>
    </>
  );
}

interface AreaRowsProps {
  readonly seen: readonly SeenArea[];
  readonly pieceId: string;
  readonly neighbours: Whole["neighbours"];
  readonly onNeighbours: (neighbours: Whole["neighbours"]) => void;
  readonly onEmphasis: (area: Area, emphasis: boolean) => void;
}

function AreaRows({ seen, pieceId, neighbours, onNeighbours, onEmphasis }: AreaRowsProps) {
  const nameOf = (id: string) => seen.find((s) => s.area.id === id)?.area.name ?? "";
  return (
    <div role="table" aria-label="Areas" className="text-[14px]">
      {seen.map(({ area, tones }) => {
        const own = neighbours.filter((p) => p.includes(area.id));
        const others = own.map((p) => (p[0] === area.id ? p[1] : p[0]));
        const free = seen.filter((s) => s.area.id !== area.id && !others.includes(s.area.id));
        return (
          <div
            role="row"
            key={area.id}
            className="grid grid-cols-[130px_118px_minmax(0,1fr)] items-center gap-x-3 border-t border-line py-1 min-[760px]:grid-cols-[130px_118px_64px_minmax(0,1fr)]"
          >
            <Link
              role="cell"
              href={`/pieces/${pieceId}/colour?area=${area.id}`}
              className="truncate font-semibold underline-offset-2 hover:underline"
            >
              {area.name}
            </Link>
            <span role="cell">
              {tones.length ? (
                <Ramp
                  colours={tones.map((t) => labToHex(t.lab))}
                  height={26}
                  label={`Group of ${area.name}`}
                />
              ) : (
                <span className="text-soft">no group kept</span>
              )}
            </span>
            <label role="cell" className="flex items-center gap-1">
              <input
                type="checkbox"
                className="size-4 accent-black"
                checked={area.emphasis}
                onChange={(e) => onEmphasis(area, e.target.checked)}
                aria-label={`${area.name} should pop`}
              />{" "}
              pops
            </label>
            <span role="cell" className="flex flex-wrap items-center gap-1 max-[760px]:col-span-3">
              touches
              {others.map((o) => (
                <button
                  key={o}
                  className="button min-h-7 px-1.5 py-0 text-[13px]"
                  onClick={() =>
                    onNeighbours(neighbours.filter((p) => !(p.includes(area.id) && p.includes(o))))
                  }
                  aria-label={`${area.name} does not touch ${nameOf(o)}`}
                >
                  {nameOf(o)}
                  <X size={12} aria-hidden />
                </button>
              ))}
              {free.length > 0 && (
                <select
                  className="field min-h-7 w-9 px-1 py-0 text-[13px]"
                  aria-label={`${area.name} touches another area`}
                  value=""
                  onChange={(e) => onNeighbours([...neighbours, [area.id, e.target.value]])}
                >
                  <option value="">+</option>
                  {free.map((s) => (
                    <option key={s.area.id} value={s.area.id}>
                      {s.area.name}
                    </option>
                  ))}
                </select>
              )}
            </span>
          </div>
        );
      })}
    </div>
  );
}
