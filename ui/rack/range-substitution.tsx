"use client";
import { differenceWords } from "@/words/closeness";
import { useState } from "react";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { MarkerChip } from "@/ui/ink/marker-chip";

import { coatsInWords, counted } from "@/words/numbers";

const codesIn = (text: string) => [...new Set(text.split(/[\s,;]+/).filter(Boolean))];
const MOST_CODES = 60;

/** Translates a group or a supply list into another range on the paper at hand: each marker with its nearest, and how near that is. */
export function RangeSubstitution({ rack }: { readonly rack: Rack }) {
  const [text, setText] = useState("");
  const [into, setInto] = useState<string>();
  const [ownedOnly, setOwnedOnly] = useState(false);
  const read = rack.markers.filter((m) => m.swatches.length);
  const target =
    into ??
    rack.ranges.find((r) => read.some((m) => m.range === r.name) && r !== rack.ranges[0])?.name ??
    rack.ranges[0]!.name;
  const asked = codesIn(text).slice(0, MOST_CODES);
  const known = asked.filter((c) => read.some((m) => m.code === c));
  const unknown = asked.filter((c) => !known.includes(c));
  const among = read.filter((m) => m.range === target && (!ownedOnly || m.owned)).map((m) => m.code);
  const work = useAsk(
    "substitute",
    rack,
    known.length && among.length ? { tones: known.map((c) => [c]), among, top: 2 } : null,
  );
  const chip = (code: string) => {
    const m = rack.markers.find((r) => r.code === code);
    return m && <MarkerChip marker={m} width={60} height={24} />;
  };
  const off = work.output?.tones.map((t) => t.substitutes[0]?.deltaE00 ?? Infinity) ?? [];
  return (
    <section aria-label="Substitution" className="border-t border-line pt-3">
      <h2 className="m-0 text-[17px]">The same colours in another range</h2>
      <p className="mt-0.5 mb-2 text-[14px] text-soft">
        Paste the codes of a group or a whole supply list; each gets its nearest on {rack.paper.name}.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <label className="min-w-64 flex-1 text-[14px]">
          Codes
          <input
            className="field mt-0.5 w-full font-mono"
            value={text}
            placeholder="clay2c clay4m bark6m"
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <label className="text-[14px]">
          into
          <br />
          <select className="field mt-0.5" value={target} onChange={(e) => setInto(e.target.value)}>
            {rack.ranges
              .filter((r) => rack.markers.some((m) => m.range === r.name))
              .map((r) => (
                <option key={r.id}>{r.name}</option>
              ))}
          </select>
        </label>
        <label className="flex min-h-9 items-center gap-1.5 text-[14px]">
          <input
            type="checkbox"
            className="size-4 accent-black"
            checked={ownedOnly}
            onChange={(e) => setOwnedOnly(e.target.checked)}
          />{" "}
          owned only
        </label>
      </div>
      {unknown.length > 0 && (
        <p className="my-1 text-[14px]" role="alert">
          Not on the rack, or not read on {rack.paper.name}: {unknown.join(", ")}.
        </p>
      )}
      {!among.length && known.length > 0 && (
        <p className="my-1 text-[14px]">
          No marker of the {target} has been read on {rack.paper.name}
          {ownedOnly ? " and is owned" : ""}.
        </p>
      )}
      <Progress work={work} doing="Comparing" />
      {work.output && (
        <>
          <p className="mt-2 mb-1 text-[14px]">
            {counted(off.filter((d) => d < 4).length, "code")} of {known.length} with a close stand-in (under
            4 ΔE00); the furthest is {Math.max(...off).toFixed(1)} off.
          </p>
          <ul className="m-0 list-none p-0" aria-label="Substitutes">
            {work.output.tones.map((tone, i) => (
              <li key={known[i]} className="flex flex-wrap items-center gap-x-4 border-t border-line py-1">
                <span className="flex w-44 items-center gap-2">
                  {chip(known[i]!)}
                  <span className="code">{known[i]}</span>
                </span>
                {tone.substitutes.map((s, n) => (
                  <span
                    key={s.code}
                    className={`flex items-center gap-2 text-[14px] ${n ? "text-soft" : ""}`}
                  >
                    <span className="flex h-6 w-14 border border-strong" aria-hidden>
                      <span className="flex-1" style={{ background: tone.wanted.hex }} />
                      <span className="flex-1" style={{ background: s.hex }} />
                    </span>
                    <span className="code">{s.code}</span> {coatsInWords(s.coats)},{" "}
                    <strong>{differenceWords(s.deltaE00)}</strong>, {s.deltaE00.toFixed(1)} ΔE00
                  </span>
                ))}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
