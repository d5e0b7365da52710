"use client";
import type { Area, Piece } from "@/core/piece/piece";
import { usePiece, useRun } from "@/ui/piece/piece-context";
import { useMayChange } from "@/ui/studio/studio-context";

/** Which area comes before all others, and which after all others: kept with the piece, and held whatever order is found. */
export function FirstLast() {
  const piece = usePiece();
  const run = useRun();
  const may = useMayChange();
  const planned = piece.areas.filter((a) => a.layers.length && !a.white);
  const choice = (key: "first" | "last", name: string, other: string | undefined) => (
    <label className="flex items-center gap-2 text-[15px]">
      {name}
      <select
        className="field max-w-[180px]"
        disabled={!may}
        value={wished(piece, key) ?? ""}
        onChange={(e) =>
          run({ type: "wish of the whole", set: { [key]: e.target.value ? [e.target.value] : [] } })
        }
      >
        <option value="">no matter which</option>
        {planned
          .filter((a) => a.id !== other)
          .map((a: Area) => (
            <option key={a.id} value={a.id}>
              {a.name}
            </option>
          ))}
      </select>
    </label>
  );
  return (
    <div className="screen-only mb-4 flex flex-wrap gap-x-6 gap-y-2">
      {choice("first", "Begin with", wished(piece, "last"))}
      {choice("last", "Leave for last", wished(piece, "first"))}
    </div>
  );
}

/** The area that is wished first or last, where it is still there. */
const wished = ({ areas, whole }: Piece, key: "first" | "last"): string | undefined =>
  whole[key]?.find((id) => areas.some((a) => a.id === id));
