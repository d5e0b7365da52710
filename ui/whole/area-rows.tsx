"use client";
import { Lock, Plus, X } from "lucide-react";
import { useState } from "react";
import { ActionMenu } from "@/ui/kit/action-menu";
import { Link } from "@/ui/kit/link";
import { labToHex } from "@/core/colour/display";
import type { SeenArea } from "@/core/piece/overview";
import { sizeOf, type Area, type Whole } from "@/core/piece/piece";
import { Ramp } from "@/ui/ink/ramp";
import { counted } from "@/words/numbers";

interface AreaRowsProps {
  readonly seen: readonly SeenArea[];
  /** ΔE00 of an area's local colour as laid from what was picked; undefined while nothing is known. */
  readonly offOf: (id: string) => number | undefined;
  readonly pieceId: string;
  readonly neighbours: readonly (readonly [string, string])[];
  readonly onNeighbours: (neighbours: Whole["neighbours"]) => void;
  readonly onEmphasis: (area: Area, emphasis: boolean) => void;
}

const ORDERS = ["as coloured", "largest first", "farthest off first"] as const;
type Order = (typeof ORDERS)[number];

/** Every area in a row: its group and markers, how far it is off, whether it should pop; what it touches is folded away. */
export function AreaRows({ seen, offOf, pieceId, neighbours, onNeighbours, onEmphasis }: AreaRowsProps) {
  const [order, setOrder] = useState<Order>("as coloured");
  const nameOf = (id: string) => seen.find((s) => s.area.id === id)?.area.name ?? "";
  const rows = seen.map((s, i) => ({ ...s, number: i + 1, off: offOf(s.area.id) }));
  const sorted =
    order === "as coloured"
      ? rows
      : [...rows].sort((a, b) =>
          order === "largest first"
            ? (sizeOf(b.area) ?? 0) - (sizeOf(a.area) ?? 0)
            : (b.off ?? -1) - (a.off ?? -1),
        );
  return (
    <div>
      <label className="mb-1 flex items-center gap-1.5 text-[14px]">
        Areas{" "}
        <select
          className="field min-h-8 py-0"
          aria-label="Order of the list"
          value={order}
          onChange={(e) => setOrder(e.target.value as Order)}
        >
          {ORDERS.map((o) => (
            <option key={o}>{o}</option>
          ))}
        </select>
      </label>
      <div role="table" aria-label="Areas" className="text-[14px]">
        {sorted.map(({ area, tones, strip, number, off }) => {
          const own = neighbours.filter((p) => p.includes(area.id));
          const others = own.map((p) => (p[0] === area.id ? p[1] : p[0]));
          const free = seen.filter((s) => s.area.id !== area.id && !others.includes(s.area.id));
          const locks = tones.filter((t) => t.locked).length;
          return (
            <div
              role="row"
              key={area.id}
              className="grid grid-cols-[26px_minmax(0,1fr)_84px] items-center gap-x-2.5 border-t border-line min-[760px]:grid-cols-[26px_minmax(90px,1fr)_112px_minmax(0,1.3fr)_58px_104px]"
            >
              <span role="cell" className="text-right text-soft">
                {number}
              </span>
              <span role="rowheader" className="min-w-0">
                <Link
                  href={`/pieces/${pieceId}/colour?area=${area.id}`}
                  className="flex min-h-9 items-center leading-tight font-semibold break-words underline-offset-2 hover:underline"
                >
                  {area.name}
                </Link>
              </span>
              <span role="cell">
                {tones.length ? (
                  <Ramp
                    colours={strip ?? tones.map((t) => labToHex(t.lab))}
                    height={24}
                    label={`Group of ${area.name}`}
                  />
                ) : (
                  <span className="text-soft">no group kept</span>
                )}
              </span>
              <span role="cell" className="code min-w-0 truncate text-[13px] max-[759px]:hidden">
                {tones.map((t) => t.code).join(" ")}
                {locks > 0 && (
                  <span className="ml-1.5 font-sans text-soft">
                    <Lock size={12} aria-hidden className="inline" /> {locks} locked
                  </span>
                )}
              </span>
              <span role="cell" className="text-right text-soft max-[759px]:hidden">
                {off !== undefined && `${off.toFixed(1)} ΔE`}
              </span>
              <span role="cell" className="max-[759px]:col-span-2 max-[759px]:col-start-2">
                <label className="flex min-h-9 items-center gap-1">
                  <input
                    type="checkbox"
                    className="size-4 accent-black"
                    checked={area.emphasis}
                    onChange={(e) => onEmphasis(area, e.target.checked)}
                  />
                  <span className="sr-only">{area.name} </span>stands out
                </label>
              </span>
              <div role="cell" className="col-span-full min-w-0 pl-9">
                <details className="text-[13px]">
                  <summary className="min-h-6 cursor-pointer text-soft">
                    touches {others.length ? counted(others.length, "area") : "none"}
                  </summary>
                  <div className="flex flex-wrap items-center gap-1 pb-1.5">
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
                      <ActionMenu
                        className="button min-h-7 px-1.5 py-0"
                        label={`${area.name} touches another area`}
                        anchor="bottom start"
                        entries={free.map((s) => ({
                          id: s.area.id,
                          content: s.area.name,
                          act: () => onNeighbours([...neighbours, [area.id, s.area.id]]),
                        }))}
                      >
                        <Plus size={14} aria-hidden />
                      </ActionMenu>
                    )}
                  </div>
                </details>
              </div>
            </div>
          );
        })}
      </div>
    </div>
  );
}
