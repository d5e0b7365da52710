"use client";
import { Plus, X } from "lucide-react";
import type { SeenArea } from "@/core/piece/overview";
import type { Area, Whole } from "@/core/piece/piece";
import { ActionMenu } from "@/ui/kit/action-menu";

/** Which areas an area touches, as the drawing shows it or as somebody has said it. */
export function Touching({
  area,
  seen,
  neighbours,
  onNeighbours,
}: {
  readonly area: Area;
  readonly seen: readonly SeenArea[];
  readonly neighbours: readonly (readonly [string, string])[];
  readonly onNeighbours: (neighbours: Whole["neighbours"]) => void;
}) {
  const nameOf = (id: string) => seen.find((s) => s.area.id === id)?.area.name ?? "";
  const others = neighbours.filter((p) => p.includes(area.id)).map((p) => (p[0] === area.id ? p[1] : p[0]));
  const free = seen.filter((s) => s.area.id !== area.id && !others.includes(s.area.id));
  return (
    <div className="flex flex-wrap items-center gap-1">
      {others.map((o) => (
        <button
          key={o}
          className="button min-h-7 px-1.5 py-0 text-[13px]"
          onClick={() => onNeighbours(neighbours.filter((p) => !(p.includes(area.id) && p.includes(o))))}
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
  );
}
