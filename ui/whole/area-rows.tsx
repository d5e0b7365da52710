"use client";
import { Lock } from "lucide-react";
import { useState } from "react";
import { Link } from "@/ui/kit/link";
import { labToHex } from "@/core/colour/display";
import type { SeenArea } from "@/core/piece/overview";
import { sizeOf, type Whole } from "@/core/piece/piece";
import { Ramp } from "@/ui/ink/ramp";
import { counted } from "@/words/numbers";
import { Touching } from "./touching";

interface AreaRowsProps {
  readonly seen: readonly SeenArea[];
  /** ΔE00 of an area's local colour as laid from what was picked; undefined while nothing is known. */
  readonly offOf: (id: string) => number | undefined;
  readonly pieceId: string;
  readonly neighbours: readonly (readonly [string, string])[];
  readonly onNeighbours: (neighbours: Whole["neighbours"]) => void;
  /** Told which areas the pointer or the focus is at, to be shown in the picture. */
  readonly onPoint: (ids: readonly string[]) => void;
}

const ORDERS = ["as coloured", "largest first", "farthest off first"] as const;
type Order = (typeof ORDERS)[number];

const COLUMNS =
  "grid grid-cols-[26px_minmax(0,1fr)_84px] items-center gap-x-2.5 min-[760px]:grid-cols-[26px_minmax(90px,1fr)_112px_minmax(0,1.3fr)_58px_104px]";

/** Every area in a line: its group and markers, how far it is off; what it touches is folded away. */
export function AreaRows({ seen, offOf, pieceId, neighbours, onNeighbours, onPoint }: AreaRowsProps) {
  const [order, setOrder] = useState<Order>("as coloured");
  const [opened, setOpened] = useState<string>();
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
        <div role="row" className={`${COLUMNS} min-h-7 text-[13px] text-soft max-[759px]:hidden`}>
          {["", "area", "as it will lie", "light to dark", "local off", "touches"].map((h, i) => (
            <span key={h} role="columnheader" className={i === 4 ? "text-right" : ""}>
              {h || <span className="sr-only">number</span>}
            </span>
          ))}
        </div>
        {sorted.map(({ area, tones, strip, number, off }) => {
          const others = neighbours.filter((p) => p.includes(area.id));
          const locks = tones.filter((t) => t.locked).length;
          const isOpen = opened === area.id;
          return (
            <div
              role="row"
              key={area.id}
              className={`${COLUMNS} border-t border-line`}
              onPointerEnter={() => onPoint([area.id])}
              onPointerLeave={() => onPoint([])}
              onFocus={() => onPoint([area.id])}
              onBlur={() => onPoint([])}
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
                <button
                  className="button-bare min-h-9 px-0 text-[13px]"
                  aria-expanded={isOpen}
                  aria-label={`${area.name} touches ${others.length ? counted(others.length, "area") : "none"}`}
                  onClick={() => setOpened(isOpen ? undefined : area.id)}
                >
                  {others.length ? counted(others.length, "area") : "none"}
                </button>
              </span>
              {isOpen && (
                <div role="cell" className="col-span-full pb-1.5 pl-9">
                  <Touching area={area} seen={seen} neighbours={neighbours} onNeighbours={onNeighbours} />
                </div>
              )}
            </div>
          );
        })}
      </div>
    </div>
  );
}
