"use client";
import { Minus, Plus, X } from "lucide-react";
import type { ShadowLayer } from "@/core/media/layer";
import { inkOf } from "@/core/media/registry";
import { isUnder, shadow as shadows } from "@/core/media/shadow";
import { asLayers, type Area, type KeptTone } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { useAsk } from "@/ui/jobs/use-job";
import { Chip } from "@/ui/kit/chip";
import { coatsInWords, signed } from "@/words/numbers";
import { PlaceSelect } from "../place-select";
import { useRun } from "../piece-context";

interface Props {
  readonly area: Area;
  readonly rack: Rack;
  /** What makes the local colour. */
  readonly cover: readonly KeptTone[];
}

/** Every shadow that lies in the area, bottom to top, and what one sees where all of them lie over each other. */
export function LaidShadows({ area, rack, cover }: Props) {
  const run = useRun();
  const laid = area.layers.flatMap((layer, at) => (layer.medium === "shadow" ? [{ layer, at }] : []));
  const isRead = (code: string) => rack.markers.some((m) => m.code === code && m.swatches.length);
  const here = laid.map((l) => l.layer).filter((l) => isRead(l.code) && l.place !== "light");
  const local = asLayers(cover);
  const stack = inkOf([...here.filter(isUnder), ...local, ...here.filter((l) => !isUnder(l))]);
  const { output } = useAsk(
    "predict",
    rack,
    here.length && cover.length ? { stacks: [inkOf(local), stack] } : null,
  );
  if (!laid.length) return null;
  const change = (at: number, layer: ShadowLayer) => run({ type: "change layer", id: area.id, at, layer });
  const [before, after] = output?.stacks ?? [];
  return (
    <section aria-label="Shadows in this area" className="border-b border-line pb-2 text-[14px]">
      <h3 className="m-0 text-[16px]">
        In this area{" "}
        <span className="text-[14px] font-normal text-soft">
          bottom to top, {laid.length} of at most {shadows.most}
        </span>
      </h3>
      <ul className="m-0 mt-1 list-none p-0">
        {laid.map(({ layer, at }) => (
          <li
            key={at}
            className="flex flex-wrap items-center gap-x-3 border-t border-line py-1"
            data-laid={`${layer.kind} ${layer.code}`}
          >
            <span className="w-24 text-soft">{isUnder(layer) ? "beneath" : "over it"}</span>
            <span className="w-24">{layer.kind}</span>
            <span className="code w-20">{layer.code}</span>
            <span className="flex items-center">
              <button
                className="button-bare min-w-7 px-0"
                disabled={layer.coats <= 1}
                onClick={() => change(at, { ...layer, coats: layer.coats - 1 })}
                aria-label={`One coat less of ${layer.code}`}
              >
                <Minus size={14} aria-hidden />
              </button>
              <span className="w-14 text-center">{coatsInWords(layer.coats)}</span>
              <button
                className="button-bare min-w-7 px-0"
                disabled={layer.coats >= 3}
                onClick={() => change(at, { ...layer, coats: layer.coats + 1 })}
                aria-label={`One coat more of ${layer.code}`}
              >
                <Plus size={14} aria-hidden />
              </button>
            </span>
            <PlaceSelect
              label={`Place of ${layer.code}`}
              place={layer.place}
              onPlace={(place) => change(at, { ...layer, place })}
            />
            <button
              className="button-bare ml-auto min-w-7 px-0"
              onClick={() => run({ type: "take layer away", id: area.id, at })}
              aria-label={`Do without ${layer.kind} ${layer.code}`}
            >
              <X size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {before && after && (
        <p className="mt-1 mb-0 flex flex-wrap items-center gap-2">
          Local colour <Chip hex={before.hex} /> becomes <Chip hex={after.hex} /> where all of them lie:
          lightness {signed(after.lab[0])}, {signed(before.lab[0] - after.lab[0])} darker, {after.knowledge}.
        </p>
      )}
    </section>
  );
}
