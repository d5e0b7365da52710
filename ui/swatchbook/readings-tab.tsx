"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { nameStack } from "@/core/formats/cgats";
import type { Rack } from "@/store/rack";
import type { StoredChart } from "@/store/charts";
import type { StoredReading } from "@/store/readings";
import { DataTable } from "@/ui/kit/data-table";
import { messageOf, send } from "@/ui/send";
import { counted } from "@/words/numbers";
import { Colorimeter } from "./colorimeter";
import { readingColumns, type ListedReading, type Standing } from "./reading-columns";
import { ReadingByHand } from "./reading-by-hand";
import { SpectrumDialog } from "./spectrum";

/** Every reading on a paper, newest first, with where it came from; by hand and from an instrument new ones come in. */
export function ReadingsTab({
  rack,
  readings,
  charts,
}: {
  readonly rack: Rack;
  readonly readings: readonly StoredReading[];
  readonly charts: readonly StoredChart[];
}) {
  const router = useRouter();
  const [filter, setFilter] = useState("");
  const [shown, setShown] = useState<"all" | Standing>("all");
  const [trouble, setTrouble] = useState<string>();
  const rows = useMemo(() => {
    const seen = new Set<string>();
    return readings.map((r) => {
      const key = `${r.stack.join("\n")} ${r.lift} ${r.backing} ${r.pressure}`;
      const standing: Standing = r.excluded ? "left out" : seen.has(key) ? "superseded" : "current";
      if (!r.excluded) seen.add(key);
      return {
        ...r,
        name: `${nameStack(r.stack)}${r.lift ? ", lifted" : ""}${r.backing === "paper" ? "" : ` over ${r.backing}`}${r.pressure ? `, ${r.pressure}` : ""}`,
        standing,
      };
    });
  }, [readings]);
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  const list = rows.filter(
    (r) =>
      (shown === "all" || r.standing === shown) &&
      words.every((w) => r.name.toLowerCase().includes(w) || r.source.includes(w)),
  );
  const [curve, setCurve] = useState<ListedReading>();
  const columns = useMemo(
    () =>
      readingColumns(
        (id, excluded) =>
          send("PATCH", `/api/readings/${id}`, { excluded }).then(
            () => router.refresh(),
            (e: unknown) => setTrouble(messageOf(e)),
          ),
        (reading) => setCurve(reading),
      ),
    [router, setCurve],
  );
  return (
    <div className="grid gap-4">
      <div className="grid gap-x-8 gap-y-4 min-[900px]:grid-cols-2">
        <ReadingByHand rack={rack} onDone={() => router.refresh()} />
        <Colorimeter rack={rack} charts={charts} onDone={() => router.refresh()} />
      </div>
      <div className="flex flex-wrap items-center gap-3 border-t border-line pt-3">
        <h2 className="m-0 text-[17px]">{counted(list.length, "reading")}</h2>
        <input
          className="field w-52"
          type="search"
          placeholder="code or source"
          aria-label="Filter readings"
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
        />
        <select
          className="field"
          aria-label="Readings shown"
          value={shown}
          onChange={(e) => setShown(e.target.value as typeof shown)}
        >
          {["all", "current", "superseded", "left out"].map((o) => (
            <option key={o}>{o}</option>
          ))}
        </select>
        <a className="button ml-auto" href={`/api/rack?format=cgats&paper=${rack.paper.id}`} download>
          Save as CGATS.17
        </a>
      </div>
      {trouble && (
        <p role="alert" className="m-0">
          {trouble}
        </p>
      )}
      <SpectrumDialog
        reading={curve}
        paper={rack.bare?.measured?.reflectance}
        onClose={() => setCurve(undefined)}
      />
      <DataTable
        label="Readings"
        rows={list}
        columns={columns}
        idOf={(r) => r.id}
        rowClass={(r) => (r.standing === "current" ? "" : "text-soft")}
        className="h-[46vh] min-h-64"
      />
    </div>
  );
}
