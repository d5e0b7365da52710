"use client";
import { ShoppingBasket } from "lucide-react";
import { useState } from "react";
import type { Area } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { Ramp } from "@/ui/ink/ramp";
import { differenceWords } from "@/words/closeness";
import { Purchase } from "./group-advice";
import { sameTones, type ShownGroup } from "./shown-group";
import { usePlan } from "./use-groups";

/** The planner's groups side by side, and what one purchase would bring. */
export function Alternatives({
  area,
  rack,
  shown,
}: {
  readonly area: Area;
  readonly rack: Rack;
  readonly shown: ShownGroup;
}) {
  const [buying, setBuying] = useState(false);
  const purchase = usePlan(rack, area, { purchases: 1, asked: buying });
  const { offered, tones, show, keep } = shown;
  const isShown = (g: (typeof offered)[number], i: number) =>
    shown.place >= 0 ? shown.place === i : sameTones(g.tones, tones);
  if (!offered.length) return null;
  return (
    <section aria-label="Alternatives" className="border-t border-line pt-2">
      <h3 className="m-0 mb-1 text-[16px]">
        Groups from {area.ownedOnly ? "what you own" : "the whole range"}
      </h3>
      <ul className="m-0 list-none p-0">
        {offered.map((g, i) => (
          <li key={[g.school, ...g.passes.map((p) => p.code + p.coats)].join()}>
            <button
              className={`grid w-full grid-cols-[112px_minmax(0,1fr)] items-center gap-3 border-l-4 px-2 py-1 text-left ${isShown(g, i) ? "border-text" : "border-transparent hover:border-line"}`}
              aria-pressed={isShown(g, i)}
              onClick={() => show(i)}
            >
              <Ramp colours={g.strip} height={30} label={`Group ${i + 1} of ${area.name}`} />
              <span className="min-w-0 leading-tight">
                <span className="code block truncate">
                  {g.tones
                    .map((t) => (t.coats > 1 ? `${t.code}×${t.coats}` : t.code))
                    .concat(g.shade.map((l) => `${l.kind === "underlay" ? "under" : "over"} ${l.code}`))
                    .join("  ")}
                </span>
                <span className="block text-[13px] text-soft">
                  {i === 0
                    ? `best: local colour ${differenceWords(g.localColourDeltaE00)}, ${g.localColourDeltaE00.toFixed(1)} ΔE00`
                    : g.difference}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
      {area.ownedOnly && !buying && (
        <button className="button mt-1" onClick={() => setBuying(true)}>
          <ShoppingBasket size={16} aria-hidden /> And with one purchase?
        </button>
      )}
      {buying && <Progress work={purchase} doing="Looking for the one marker that helps most" />}
      {buying && purchase.output && (
        <Purchase group={purchase.output.groups[0]} best={offered[0]} rack={rack} onShow={keep} />
      )}
    </section>
  );
}
