"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { isRead, keyProblems, parseCode, type CodeKey } from "@/core/codes/key";
import { hueHome } from "@/core/codes/audit";
import type { Rack, RangeFacts } from "@/store/rack";
import { messageOf, send } from "@/ui/send";
import { counted } from "@/words/numbers";
import { KeyEditor } from "./key-editor";
import { RangeSubstitution } from "./range-substitution";

const EMPTY: CodeKey = { parts: [], examples: [] };

/** The ranges side by side: how their codes are written, their families and hue homes, and what of one can stand in for another. */
export function Ranges({
  rack,
  range: wanted,
  onRange,
}: {
  readonly rack: Rack;
  readonly range: string | null;
  readonly onRange: (name: string) => void;
}) {
  const range = rack.ranges.find((r) => r.name === wanted) ?? rack.ranges[0];
  return (
    <div className="grid gap-6">
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Ranges">
        {rack.ranges.map((r) => {
          const own = [...rack.markers, ...rack.others].filter((m) => m.range === r.name);
          return (
            <button
              key={r.id}
              className={`button h-auto flex-col items-start gap-0 py-1.5 ${r === range ? "button-main" : ""}`}
              aria-pressed={r === range}
              onClick={() => onRange(r.name)}
            >
              <span>{r.name}</span>
              <span className="text-[13px] font-normal">
                {counted(own.length, "code")}, {own.filter((m) => m.owned).length} owned,{" "}
                {r.key ? "key described" : "no key yet"}
              </span>
            </button>
          );
        })}
        <NewRange onMade={onRange} />
      </div>
      {range && <OneRange key={range.id} range={range} rack={rack} />}
      {rack.ranges.length > 1 && <RangeSubstitution rack={rack} />}
    </div>
  );
}

function NewRange({ onMade }: { onMade: (name: string) => void }) {
  const router = useRouter();
  const [name, setName] = useState("");
  const [trouble, setTrouble] = useState<string>();
  const make = async (e: React.FormEvent) => {
    e.preventDefault();
    try {
      await send("POST", "/api/ranges", { name: name.trim(), families: [], key: null, homes: {} });
      onMade(name.trim());
      setName("");
      router.refresh();
    } catch (error) {
      setTrouble(messageOf(error));
    }
  };
  return (
    <form className="flex items-center gap-1" onSubmit={(e) => void make(e)}>
      <input
        className="field w-44"
        placeholder="name of another range"
        aria-label="Name of another range"
        value={name}
        maxLength={80}
        onChange={(e) => setName(e.target.value)}
      />
      <button className="button" disabled={!name.trim()}>
        Add range
      </button>
      {trouble && (
        <span role="alert" className="text-[14px]">
          {trouble}
        </span>
      )}
    </form>
  );
}

function OneRange({ range, rack }: { range: RangeFacts; rack: Rack }) {
  const router = useRouter();
  const [key, setKey] = useState(range.key ?? EMPTY);
  const [homes, setHomes] = useState(range.homes);
  const [said, setSaid] = useState<string>();
  const markers = rack.markers.filter((m) => m.range === range.name);
  const dirty = JSON.stringify([key, homes]) !== JSON.stringify([range.key ?? EMPTY, range.homes]);
  const problems = key.parts.length ? keyProblems(key) : [];
  const keep = async () => {
    const listed = key.parts.flatMap((p) =>
      p.kind === "words" && p.means === "family" ? p.words.map((w) => w.name) : [],
    );
    const used = markers.flatMap((m) => {
      const parsed = parseCode(key, m.code);
      return isRead(parsed) && parsed.family ? [parsed.family] : [m.family];
    });
    const families = [
      ...new Set([
        ...listed.filter((f) => used.includes(f) || !markers.length),
        ...used,
        ...range.families.filter((f) => rack.others.some((o) => o.range === range.name && o.family === f)),
      ]),
    ];
    try {
      await send("PUT", `/api/ranges/${range.id}`, {
        name: range.name,
        families,
        key: key.parts.length ? key : null,
        homes,
      });
      setSaid("Kept.");
      router.refresh();
    } catch (e) {
      setSaid(messageOf(e));
    }
  };
  const families = range.families.filter((f) => markers.some((m) => m.family === f));
  return (
    <section aria-label={`Range ${range.name}`} className="grid gap-4">
      <div>
        <h2 className="m-0 text-[17px]">How the codes of the {range.name} are written</h2>
        <p className="mt-0.5 mb-0 text-[14px] text-soft">
          Part after part, from left to right. Blendt then sorts, finds and checks the codes by it.
        </p>
      </div>
      <KeyEditor value={key} onChange={setKey} codes={markers.map((m) => m.code)} />
      {families.length > 0 && (
        <details className="border-t border-line pt-2">
          <summary className="text-[15px] font-semibold">Hue homes of the families</summary>
          <p className="mt-1 mb-2 text-[14px] text-soft">
            Where a family belongs on the hue circle, in degrees (0 red, 90 yellow, 180 green, 270 blue). Left
            empty, its own swatches say.
          </p>
          <div className="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-x-5 gap-y-1">
            {families.map((f) => {
              const own = hueHome(
                markers.filter((m) => m.family === f && m.swatches[0]).map((m) => m.swatches[0]!.lab),
              );
              return (
                <label key={f} className="flex items-center justify-between gap-2 text-[14px]">
                  <span className="code">{f}</span>
                  <input
                    className="field w-24"
                    inputMode="numeric"
                    placeholder={own === undefined ? "grey" : `${own.toFixed(0)}°`}
                    value={homes[f] ?? ""}
                    onChange={(e) => {
                      const degrees = Number(e.target.value);
                      const { [f]: _, ...rest } = homes;
                      setHomes(
                        e.target.value.trim() && degrees >= 0 && degrees < 360
                          ? { ...rest, [f]: degrees }
                          : rest,
                      );
                    }}
                  />
                </label>
              );
            })}
          </div>
        </details>
      )}
      <div className="flex items-center gap-3">
        <button
          className="button button-main"
          disabled={!dirty || problems.length > 0}
          onClick={() => void keep()}
        >
          Keep this key
        </button>
        {dirty && (
          <button
            className="button"
            onClick={() => {
              setKey(range.key ?? EMPTY);
              setHomes(range.homes);
            }}
          >
            Back to what was kept
          </button>
        )}
        {said && !dirty && (
          <span role="status" className="text-[14px]">
            {said}
          </span>
        )}
        {said && dirty && said !== "Kept." && (
          <span role="alert" className="text-[14px]">
            {said}
          </span>
        )}
      </div>
    </section>
  );
}
