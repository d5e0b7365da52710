"use client";
import { X } from "lucide-react";
import { memo, useState } from "react";
import { finish } from "@/core/media/finish";
import type { FinishLayer, LayerPlace } from "@/core/media/layer";
import type { Area } from "@/core/piece/piece";
import type { Kind } from "@/core/stock/kinds";
import type { Rack, RackMarker } from "@/store/rack";
import { Link } from "@/ui/kit/link";
import { Empty, Notice } from "@/ui/kit/notice";
import { marksInWords, widthsInWords } from "@/words/marks";
import { finisherInWords, notOn } from "@/words/finish";
import { PlaceSelect } from "./place-select";
import { usePieceHandles, useRun } from "./piece-context";

/** Papers darker than this (L*) are toned. */
const TONED = 86;
const USUAL_PLACE: Readonly<Partial<Record<Kind, LayerPlace>>> = { liner: "edge" };

/** Opaque whites, lines and what lifts: which lie in the area and where, and what each on the rack is for. */
export const FinishTab = memo(function FinishTab({
  area,
  rack,
}: {
  readonly area: Area;
  readonly rack: Rack;
}) {
  const run = useRun();
  const lightHref = `/pieces/${usePieceHandles().id}/light?tab=marks`;
  const owned = rack.others.filter((o) => o.owned);
  const rows = (Object.keys(finisherInWords) as Kind[])
    .map((kind) => ({ kind, items: owned.filter((o) => o.kind === kind) }))
    .filter((r) => r.items.length);
  const laid = area.layers.flatMap((layer, at) => (layer.medium === "finish" ? [{ layer, at }] : []));
  const smears = owned.filter((o) => o.kind === "liner" && o.proof === false);
  const warning = notOn[area.material];
  const change = (at: number, layer: FinishLayer) => run({ type: "change layer", id: area.id, at, layer });
  if (!rows.length && !laid.length)
    return (
      <Empty>
        No finisher is on the rack: gel pens, gouache, paint markers, liners and blenders are kept there under
        Finishers.
      </Empty>
    );
  return (
    <div className="space-y-3 text-[14px]">
      {laid.length > 0 && (
        <ul className="m-0 list-none p-0" aria-label="Finish of this area">
          {laid.map(({ layer, at }) => (
            <li key={at} className="flex flex-wrap items-center gap-3 border-b border-line py-1">
              <span className="code w-36">{layer.code}</span>
              {layer.marks?.length ? (
                <Link href={lightHref}>
                  {marksInWords(layer.marks)}, {widthsInWords(layer.marks)}
                </Link>
              ) : (
                <PlaceSelect
                  label={`Place of ${layer.code}`}
                  place={layer.place}
                  onPlace={(place) => change(at, { ...layer, place })}
                />
              )}
              <button
                className="button-bare ml-auto min-w-7 px-0"
                onClick={() => run({ type: "take layer away", id: area.id, at })}
                aria-label={`Do without ${layer.code}`}
              >
                <X size={15} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
      <ul className="m-0 list-none p-0" aria-label="Finishers at hand">
        {rows.map(({ kind, items }) => (
          <li
            key={kind}
            className="grid grid-cols-[90px_minmax(0,1fr)] items-center gap-x-3 border-b border-line py-1 min-[480px]:grid-cols-[110px_minmax(0,1fr)_auto]"
          >
            <span className="font-semibold">{kind}</span>
            <span>{finisherInWords[kind]}</span>
            <span className="justify-self-end max-[479px]:col-span-2">
              <Use
                items={items}
                full={laid.length >= finish.most}
                onUse={(code) =>
                  run({
                    type: "put layer",
                    id: area.id,
                    layer: { medium: "finish", code, place: USUAL_PLACE[kind] ?? "light" },
                  })
                }
              />
            </span>
          </li>
        ))}
      </ul>
      {warning && <Notice>{warning}</Notice>}
      {smears.length > 0 && (
        <Notice>
          <span className="code">{smears.map((s) => s.code).join(", ")}</span> is not alcohol-proof: draw with
          it only when no marker will go over it.
        </Notice>
      )}
      {rack.paper.lab[0] < TONED && (
        <Notice>
          On toned paper the sheet itself is a middle value: leave it bare where it serves, and put the lights
          on with white and pale pencil.
        </Notice>
      )}
    </div>
  );
});

function Use({
  items,
  full,
  onUse,
}: {
  readonly items: readonly RackMarker[];
  readonly full: boolean;
  readonly onUse: (code: string) => void;
}) {
  const [code, setCode] = useState(items[0]!.code);
  return (
    <span className="flex items-center gap-1">
      {items.length > 1 ? (
        <select
          className="field code max-w-40 text-[13px]"
          aria-label={`Which ${items[0]!.kind}`}
          value={code}
          onChange={(e) => setCode(e.target.value)}
        >
          {items.map((i) => (
            <option key={i.code}>{i.code}</option>
          ))}
        </select>
      ) : (
        <span className="code max-w-40 truncate text-[13px]">{code}</span>
      )}
      <button
        className="button"
        disabled={full}
        title={full ? `at most ${finish.most} finishers lie in an area` : undefined}
        onClick={() => onUse(code)}
        aria-label={`Use ${code}`}
      >
        Use
      </button>
    </span>
  );
}
