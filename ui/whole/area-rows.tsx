"use client";
import { Plus, X } from "lucide-react";
import { ActionMenu } from "@/ui/kit/action-menu";
import { Link } from "@/ui/kit/link";
import { labToHex } from "@/core/colour/display";
import type { SeenArea } from "@/core/piece/overview";
import type { Area, Whole } from "@/core/piece/piece";
import { Ramp } from "@/ui/ink/ramp";

interface AreaRowsProps {
  readonly seen: readonly SeenArea[];
  readonly pieceId: string;
  readonly neighbours: readonly (readonly [string, string])[];
  readonly onNeighbours: (neighbours: Whole["neighbours"]) => void;
  readonly onEmphasis: (area: Area, emphasis: boolean) => void;
}

/** Every area in a row: its group, whether it should pop, and what it touches. */
export function AreaRows({ seen, pieceId, neighbours, onNeighbours, onEmphasis }: AreaRowsProps) {
  const nameOf = (id: string) => seen.find((s) => s.area.id === id)?.area.name ?? "";
  return (
    <div role="table" aria-label="Areas" className="text-[14px]">
      {seen.map(({ area, tones, strip }) => {
        const own = neighbours.filter((p) => p.includes(area.id));
        const others = own.map((p) => (p[0] === area.id ? p[1] : p[0]));
        const free = seen.filter((s) => s.area.id !== area.id && !others.includes(s.area.id));
        return (
          <div
            role="row"
            key={area.id}
            className="grid grid-cols-[110px_90px_minmax(0,1fr)] items-center gap-x-3 border-t border-line py-1 min-[760px]:grid-cols-[150px_118px_104px_minmax(0,1fr)]"
          >
            <span role="rowheader" className="min-w-0">
              <Link
                href={`/pieces/${pieceId}/colour?area=${area.id}`}
                className="flex min-h-11 items-center leading-tight font-semibold break-words underline-offset-2 hover:underline"
              >
                {area.name}
              </Link>
            </span>
            <span role="cell">
              {tones.length ? (
                <Ramp
                  colours={strip ?? tones.map((t) => labToHex(t.lab))}
                  height={26}
                  label={`Group of ${area.name}`}
                />
              ) : (
                <span className="text-soft">no group kept</span>
              )}
            </span>
            <span role="cell">
              <label className="flex min-h-11 items-center gap-1">
                <input
                  type="checkbox"
                  className="size-4 accent-black"
                  checked={area.emphasis}
                  onChange={(e) => onEmphasis(area, e.target.checked)}
                />
                <span className="sr-only">{area.name} </span>stands out
              </label>
            </span>
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
            </span>
          </div>
        );
      })}
    </div>
  );
}
