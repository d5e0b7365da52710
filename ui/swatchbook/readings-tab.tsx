"use client";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useRouter } from "next/navigation";
import { useMemo, useRef, useState } from "react";
import { labToHex } from "@/core/colour/display";
import { nameStack, readStack } from "@/core/formats/cgats";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";
import type { Rack } from "@/store/rack";
import type { StoredReading } from "@/store/readings";
import { Day } from "@/ui/day";
import { messageOf, send } from "@/ui/send";
import { counted, labInWords } from "@/words/numbers";
import { Colorimeter } from "./colorimeter";
import { colourTyped } from "./typed-colour";

const ROW = 40;
const GRID = "minmax(200px,1.4fr) 190px 120px 110px 76px 88px 92px minmax(150px,1fr)";

type Standing = "current" | "superseded" | "left out";

/** Every reading on a paper, newest first, with where it came from; by hand and from an instrument new ones come in. */
export function ReadingsTab({
  rack,
  readings,
}: {
  readonly rack: Rack;
  readonly readings: readonly StoredReading[];
}) {
  const router = useRouter();
  const [filter, setFilter] = useState("");
  const [shown, setShown] = useState<"all" | Standing>("all");
  const [trouble, setTrouble] = useState<string>();
  const scroller = useRef<HTMLDivElement>(null);
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
  // eslint-disable-next-line react-hooks/incompatible-library -- rows are measured by the virtualiser on purpose
  const virtual = useVirtualizer({
    count: list.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const exclude = (id: string, excluded: boolean) =>
    send("PATCH", `/api/readings/${id}`, { excluded }).then(
      () => router.refresh(),
      (e: unknown) => setTrouble(messageOf(e)),
    );
  return (
    <div className="grid gap-4">
      <div className="grid gap-x-8 gap-y-4 min-[900px]:grid-cols-2">
        <ByHand rack={rack} onDone={() => router.refresh()} />
        <Colorimeter rack={rack} onDone={() => router.refresh()} />
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
      <div
        ref={scroller}
        className="h-[46vh] min-h-64 overflow-auto border border-line bg-panel"
        role="table"
        aria-label="Readings"
        aria-rowcount={list.length + 1}
      >
        <div className="min-w-[1080px]">
          <div
            role="row"
            className="sticky top-0 z-10 grid items-center gap-x-2 border-b border-strong bg-ground px-2 text-[13px] font-semibold"
            style={{ gridTemplateColumns: GRID, height: 34 }}
          >
            {["stack", "L* a* b*", "source", "read", "spread", "streaks", "trust", "standing"].map((h) => (
              <span key={h} role="columnheader">
                {h}
              </span>
            ))}
          </div>
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map(({ index, start }) => {
              const r = list[index]!;
              return (
                <div
                  key={r.id}
                  role="row"
                  className={`absolute left-0 grid w-full items-center gap-x-2 border-b border-line px-2 text-[14px] ${r.standing === "current" ? "" : "text-soft"}`}
                  style={{ gridTemplateColumns: GRID, height: ROW, top: start }}
                >
                  <span role="cell" className="flex min-w-0 items-center gap-2">
                    <span
                      className="h-7 w-9 shrink-0 border border-strong"
                      style={{ background: r.hex ?? labToHex(r.lab) }}
                      aria-hidden
                    />
                    <span className="code truncate">{r.name}</span>
                  </span>
                  <span role="cell">{labInWords(r.lab)}</span>
                  <span role="cell">{r.source}</span>
                  <span role="cell">
                    <Day at={r.readAt} />
                  </span>
                  <span role="cell">
                    {r.spread === null || r.spread === undefined ? "" : r.spread.toFixed(2)}
                  </span>
                  <span role="cell">
                    {r.streakiness === null || r.streakiness === undefined
                      ? ""
                      : `${r.streakiness.toFixed(1)} L*`}
                  </span>
                  <span role="cell">
                    {r.confidence === null || r.confidence === undefined
                      ? ""
                      : `${Math.round(100 * r.confidence)} %`}
                  </span>
                  <span role="cell" className="flex items-center justify-between gap-2">
                    {r.standing}
                    <button
                      className="button-bare min-h-8 text-[13px] underline"
                      onClick={() => void exclude(r.id, !r.excluded)}
                    >
                      {r.excluded ? "Take in again" : "Leave out"}
                    </button>
                  </span>
                </div>
              );
            })}
          </div>
        </div>
      </div>
    </div>
  );
}

function ByHand({ rack, onDone }: { rack: Rack; onDone: () => void }) {
  const [stack, setStack] = useState("");
  const [colour, setColour] = useState("");
  const [backing, setBacking] = useState("paper");
  const [said, setSaid] = useState<string>();
  const parsed = readStack(stack);
  const [pressure, setPressure] = useState<Pressure>("medium");
  const isPencil = (code: string) => rack.others.some((o) => o.kind === "pencil" && o.code === code);
  const pencil = parsed?.length === 1 && isPencil(parsed[0]!);
  const strip = parsed?.some(isPencil) && (!pencil || backing === "paper");
  const keep = async (e: React.FormEvent) => {
    e.preventDefault();
    const color = colourTyped(colour);
    const codes = new Set([...rack.markers, ...rack.others].map((m) => m.code));
    const unknown = parsed?.filter((c) => !codes.has(c));
    if (!parsed?.length) return setSaid("Say which stack was read, bottom to top: clay3m ×2 + dusk2c.");
    if (unknown?.length) return setSaid(`Not on the rack: ${[...new Set(unknown)].join(", ")}.`);
    if (!color) return setSaid("Type the colour as hex, #c8a27a, or as L* a* b*, 70 12 30.");
    try {
      await send("POST", `/api/papers/${rack.paper.id}/readings`, {
        readings: [
          { stack: parsed, color, source: "hand", ...(pencil && { backing }), ...(strip && { pressure }) },
        ],
      });
      setSaid(`Kept: ${nameStack(parsed)}.`);
      setColour("");
      onDone();
    } catch (error) {
      setSaid(messageOf(error));
    }
  };
  const color = colourTyped(colour);
  return (
    <section aria-label="By hand">
      <h2 className="m-0 text-[17px]">By hand</h2>
      <form className="mt-1 flex flex-wrap items-end gap-2" onSubmit={(e) => void keep(e)}>
        <label className="flex-1 text-[14px]">
          Stack, bottom to top
          <input
            className="field mt-0.5 w-full font-mono"
            placeholder="clay3m ×2 + dusk2c"
            value={stack}
            onChange={(e) => setStack(e.target.value)}
          />
        </label>
        {pencil && (
          <label className="text-[14px]">
            drawn over
            <br />
            <select className="field mt-0.5" value={backing} onChange={(e) => setBacking(e.target.value)}>
              {["paper", "white", "black"].map((b) => (
                <option key={b}>{b}</option>
              ))}
            </select>
          </label>
        )}
        {strip && (
          <label className="text-[14px]">
            pressed
            <br />
            <select
              className="field mt-0.5"
              value={pressure}
              onChange={(e) => setPressure(e.target.value as Pressure)}
            >
              {PRESSURES.map((p) => (
                <option key={p}>{p}</option>
              ))}
            </select>
          </label>
        )}
        <label className="w-40 text-[14px]">
          Hex or L* a* b*
          <input
            className="field mt-0.5 w-full font-mono"
            placeholder="70 12 30"
            value={colour}
            onChange={(e) => setColour(e.target.value)}
          />
        </label>
        <span
          className="size-9 border border-strong"
          style={{
            background: color ? (typeof color === "string" ? color : labToHex(color.lab)) : "transparent",
          }}
          aria-hidden
        />
        <button className="button">Keep</button>
      </form>
      {strip && (
        <p className="mt-1 mb-0 text-[14px] text-soft">
          A pencil strip: ×n counts its layers. Strips teach the pencil plan how this paper takes wax.
        </p>
      )}
      {said && (
        <p role="status" className="mt-1 mb-0 text-[14px]">
          {said}
        </p>
      )}
    </section>
  );
}
