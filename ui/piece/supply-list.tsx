import type { ReactNode } from "react";
import { needOf, type Supply } from "@/core/stock/supplies";
import type { RackMarker } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { pencilName } from "@/words/pencil";
import { needInWords, usedIn } from "@/words/supplies";

/** What a piece takes in hand, thing by thing: its stroke, its code, where it is used, and what else is to be said of it. */
export function SupplyList({
  supplies,
  markers,
  saysOf,
  needs = true,
}: {
  readonly supplies: readonly Supply[];
  readonly markers: ReadonlyMap<string, RackMarker>;
  readonly saysOf?: (code: string) => ReactNode;
  /** Whether what its rack lacks is said. */
  readonly needs?: boolean;
}) {
  return (
    <ul className="m-0 list-none p-0">
      {supplies.map((s) => {
        const marker = markers.get(s.code);
        const need = needOf(s);
        return (
          <li
            key={s.code}
            className="grid break-inside-avoid grid-cols-[64px_84px_minmax(0,1fr)] items-center gap-x-3 border-b border-line py-1"
          >
            {marker ? <MarkerChip marker={marker} width={64} height={24} /> : <span />}
            <span className="code">{pencilName(s.code)}</span>
            <span className="text-[14px] leading-tight">
              {usedIn(s).join(", ")}
              {needs && need !== "ready" && <strong className="block">{needInWords[need]}</strong>}
              {saysOf?.(s.code)}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
